import type { Found, Item, Meaning, Reader } from './items.js';
import { Tokens } from './tokens.js';
import { isFiller } from './vocabulary.js';

const readFiller: Reader = (tokens, i) =>
  isFiller(tokens.textAt(i)) || tokens.list[i]!.kind === 'sign'
    ? { meaning: { kind: 'filler' }, next: i + 1 }
    : undefined;

/** The reading that takes most of what stands there; of several the first. */
function best(tokens: Tokens, i: number, readers: Reader[]): Found {
  let most: Found = { meaning: { kind: 'unknown' }, next: i };
  for (const read of readers) {
    const one = read(tokens, i);
    if (one && one.next > most.next) most = one;
  }
  return most.next > i ? most : { meaning: { kind: 'unknown' }, next: i + 1 };
}

/** The phrase from left to right, as what its words mean. Each place is read once, so that its length costs no more than itself. */
export function scan(text: string, readers: Reader[]): Item[] {
  const tokens = new Tokens(text);
  const items: Item[] = [];
  for (let i = 0; i < tokens.length;) {
    const { meaning, next } = best(tokens, i, [...readers, readFiller]);
    items.push({ ...meaning, from: tokens.from(i), to: tokens.to(next - 1) });
    i = next;
  }
  return items.map((item) => trimmed(item, text));
}

const TRIMMED: Meaning['kind'][] = ['wrong', 'length', 'end'];

/** `for 0 weeks` is unclear without its `for`. */
function trimmed(item: Item, text: string): Item {
  if (!TRIMMED.includes(item.kind)) return item;
  const said = text.slice(item.from, item.to);
  const lead = /^(?:for|at|on|the|from)\s+/i.exec(said);
  return lead ? { ...item, from: item.from + lead[0].length } : item;
}

const DATED: Meaning['kind'][] = ['dates', 'named-end', 'week'];
const UNTIL = ['until', 'till', 'til'];
/** Parts that may have several dates in a row: `except Nov 6 and Nov 13`. */
const LISTED: Item['role'][] = ['except', 'also'];

/** Each date with the part that the words before it give it; a marker that nothing follows is unclear. */
export function withRoles(items: Item[]): Item[] {
  let role: Item['role'];
  /** Where the marker stands that still waits for its date. */
  let waiting: number | undefined;
  const done = [...items];
  const ends: Item[] = [];
  const orphan = (): void => {
    if (waiting !== undefined) done[waiting] = orphaned(items[waiting]!);
    waiting = undefined;
  };
  items.forEach((item, i) => {
    if (item.kind === 'filler') return;
    if (item.kind === 'marker') {
      orphan();
      [waiting, role] = [i, item.role];
      return;
    }
    const takes = DATED.includes(item.kind) || (item.kind === 'days' && waiting !== undefined);
    if (role && takes) {
      const { out, end } = partedAtEnd({ ...item, role });
      done[i] = out;
      ends.push(...end);
      waiting = undefined;
      if (!LISTED.includes(role)) role = undefined;
      return;
    }
    orphan();
    role = undefined;
  });
  orphan();
  return [...done, ...ends].sort((a, b) => a.from - b.from);
}

/** `but not 4 Nov until 2 Dec` leaves out one day of a series that ends on another. */
function partedAtEnd(item: Item): { out: Item; end: Item[] } {
  const isOut = item.kind === 'dates' && item.role === 'except';
  const stretch = isOut ? item.stretches.at(-1)! : undefined;
  if (!isOut || !stretch?.last || !stretch.joined || !UNTIL.includes(stretch.joined.by))
    return { out: item, end: [] };
  const { last, joined, ...first } = stretch;
  const { from } = joined;
  return {
    out: { ...item, stretches: [...item.stretches.slice(0, -1), first], to: from },
    end: [{ kind: 'dates', stretches: [{ first: last }], role: 'until', from, to: item.to }],
  };
}

/** `from` alone says nothing, and is no trouble; `until` alone is. */
function orphaned(item: Item): Item {
  const { from, to } = item;
  return item.role === 'from' ? { kind: 'filler', from, to } : { kind: 'unknown', from, to };
}
