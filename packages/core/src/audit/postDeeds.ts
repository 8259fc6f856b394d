/** A place of a post, as far as its being another one goes. */
type PlaceOf = Record<string, unknown>;

/** A post as an entry of its history keeps it. */
interface KeptPost {
  words?: unknown;
  linkWords?: unknown;
  about?: unknown;
  onDate?: unknown;
  timing?: unknown;
  afterwards?: unknown;
  pinned?: unknown;
  places?: PlaceOf[];
}

/** An entry of a post's history: what was done, and how the post stood before and after where that is kept. */
export interface PostEntry {
  action: string;
  before: unknown;
  after: unknown;
}

/** What a placement's entry keeps beside the action. */
interface KeptPlacement {
  where?: string;
  /** It was to be taken down there. */
  down?: boolean;
}

const asText = (value: unknown): string => JSON.stringify(value ?? null);

const kindOf = (timing: unknown): string =>
  typeof timing === 'string' ? timing : String((timing as { kind?: string } | null)?.kind ?? 'at');

function wrote({ timing }: KeptPost): string {
  if (timing === undefined || kindOf(timing) === 'now') return 'posted it';
  return kindOf(timing) === 'draft' ? 'wrote a draft of it' : 'wrote it, to go out by itself';
}

/** What of a post can be changed, and what it is called. */
const PARTS: [name: string, fields: (keyof KeptPost)[]][] = [
  ['its words', ['words', 'linkWords']],
  ['what it is about', ['about', 'onDate']],
  ['when it goes out', ['timing']],
  ['what becomes of it', ['afterwards', 'pinned']],
  ['where it goes', ['places']],
];

const listed = (names: string[]): string =>
  names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;

function edited(before: KeptPost, after: KeptPost): string {
  const isReleased = kindOf(before.timing) === 'draft' && kindOf(after.timing) !== 'draft';
  const changed = PARTS.filter(([, fields]) =>
    fields.some((field) => field in after && asText(before[field]) !== asText(after[field])),
  ).map(([name]) => name);
  const others = isReleased ? changed.filter((name) => name !== 'when it goes out') : changed;
  const said = others.length > 0 ? `changed ${listed(others)}` : '';
  if (!isReleased) return said || 'saved it as it was';
  return said ? `released it, and ${said}` : 'released it';
}

const at = ({ where }: KeptPlacement): string => (where ? `: ${where}` : ' at one place');

/** What was done to a post, as a verb and what it was done to, in the past. */
const DEEDS: Record<string, (before: unknown, after: unknown) => string> = {
  post: (_, after) => wrote((after ?? {}) as KeptPost),
  'edit-post': (before, after) => edited((before ?? {}) as KeptPost, (after ?? {}) as KeptPost),
  'withdraw-post': () => 'withdrew it',
  'restore-post': () => 'put it back',
  'retry-post': () => 'had it tried again',
  'post-now': () => 'had it go out before its time',
  'placement-retry': (_, after) => `had it tried again${at((after ?? {}) as KeptPlacement)}`,
  'placement-done': (_, after) => {
    const kept = (after ?? {}) as KeptPlacement;
    return `${kept.down ? 'took it down' : 'put it up'} by hand${at(kept)}`;
  },
  'placement-not-done': (_, after) =>
    `said that it is not done by hand after all${at((after ?? {}) as KeptPlacement)}`,
  'placement-put-back': (_, after) => `put it back${at((after ?? {}) as KeptPlacement)}`,
  'placement-take-down': (_, after) => `took it down${at((after ?? {}) as KeptPlacement)}`,
};

/** What somebody did to a post, in words that follow their name: `released it`, `put it up by hand: First slide, Ropework`. */
export const postDeed = ({ action, before, after }: PostEntry): string =>
  DEEDS[action]?.(before, after) ?? action.replaceAll('-', ' ');
