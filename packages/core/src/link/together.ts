interface Span {
  start: string;
  end: string;
  status: 'planned' | 'moved' | 'cancelled' | 'skipped';
}

const isHeldSpan = (s: Span): boolean => s.status === 'planned' || s.status === 'moved';

/**
 * A class period's own sessions without those that it holds together with others at another door: whoever overlaps a shared
 * session, so that nobody is shown two doors to the same lesson. Touching ends do not overlap. Instants in UTC.
 */
export function withoutShared<O extends Span>(own: O[], shared: Span[]): O[] {
  const held = shared.filter(isHeldSpan);
  return held.length === 0
    ? own
    : own.filter((o) => !isHeldSpan(o) || !held.some((s) => s.start < o.end && o.start < s.end));
}
