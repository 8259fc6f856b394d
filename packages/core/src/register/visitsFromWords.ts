/** That somebody came or left, as it was told, at an instant. */
export interface RoomWord {
  at: string;
  kind: 'came' | 'left';
  /** Which of the session's rooms, one after another: who leaves one has not left a later one. */
  room: number;
  /** Counts what is told, so that of two words of one second the later is known; null where nobody counts. */
  nth: number | null;
}

/** A stay from one instant to another; `to` null while it lasts. */
export interface Stay {
  from: string;
  to: string | null;
}

/** In which of the rooms somebody is; null: in none. */
type Where = number | null;

/** Where somebody is after a word, who was somewhere before it. */
function after(where: Where, { kind, room }: RoomWord): Where {
  if (kind === 'came') return Math.max(where ?? room, room);
  return where === null || room >= where ? null : where;
}

/** What was told of each instant, the earliest first. */
function byInstant(words: readonly RoomWord[]): [string, RoomWord[]][] {
  const told = new Map<string, RoomWord[]>();
  for (const word of words) told.set(word.at, [...(told.get(word.at) ?? []), word]);
  return [...told].sort(([a], [b]) => (a < b ? -1 : 1));
}

/** The latest room that one instant's words of a kind are about; -1 for none. */
const latest = (words: readonly RoomWord[], kind: RoomWord['kind']): number =>
  Math.max(-1, ...words.filter((word) => word.kind === kind).map(({ room }) => room));

/**
 * Where somebody is after all words of one instant. Where nobody counted them, a coming and a leaving leave somebody where
 * they were, unless they came to a later room than they left.
 */
function afterInstant(where: Where, words: readonly RoomWord[]): Where {
  if (words.every(({ nth }) => nth !== null))
    return [...words].sort((a, b) => a.nth! - b.nth!).reduce(after, where);
  const [came, left] = [latest(words, 'came'), latest(words, 'left')];
  if (came > left || (came >= 0 && where !== null)) return Math.max(where ?? came, came);
  return came < 0 && where !== null && left >= where ? null : where;
}

/**
 * Somebody's stays, from all that was told of their comings and goings. In which order, and how often, it was told does not
 * matter. Of a coming while they are in, or a leaving while they are out, nothing follows. Instants as
 * `2026-10-14T13:45:00Z`.
 */
export function visitsFromWords(words: readonly RoomWord[]): Stay[] {
  const stays: Stay[] = [];
  let since: string | null = null;
  let where: Where = null;
  for (const [at, told] of byInstant(words)) {
    where = afterInstant(where, told);
    if (where !== null) since ??= at;
    else if (since !== null) {
      stays.push({ from: since, to: at });
      since = null;
    }
  }
  return since === null ? stays : [...stays, { from: since, to: null }];
}
