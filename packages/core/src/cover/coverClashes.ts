import { findClashes } from '../clash/findClashes.js';

/** A session with its instants (UTC). */
interface Held {
  id: number;
  start: string;
  end: string;
}

/**
 * Which of the sessions that somebody would cover are held while they have one of their own, and which those are: by the
 * covered session's number. What they host anyway clashes with nothing; nor do the absent teacher's own among themselves.
 */
export function coverClashes(
  covered: readonly Held[],
  own: readonly Held[],
): Map<number, number[]> {
  const theirs = new Set(own.map((session) => session.id));
  const fresh = covered.filter((session) => !theirs.has(session.id));
  const bookings = [
    ...fresh.map((session) => ({ ...session, id: `covered ${session.id}`, holds: ['one'] })),
    ...own.map((session) => ({ ...session, id: `own ${session.id}`, holds: ['one'] })),
  ];
  const numberOf = (id: string): number => Number(id.split(' ')[1]);
  const clashes = new Map<number, number[]>();
  for (const { a, b } of findClashes(bookings)) {
    const [one, other] = a.startsWith('covered') ? [a, b] : [b, a];
    if (!one.startsWith('covered') || !other.startsWith('own')) continue;
    clashes.set(numberOf(one), [...(clashes.get(numberOf(one)) ?? []), numberOf(other)]);
  }
  return clashes;
}
