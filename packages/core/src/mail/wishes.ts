/** How somebody hears of something: by a letter and in Glen, in Glen alone, or not at all. */
export const WAYS = ['mail', 'glen', 'none'] as const;
export type ToldBy = (typeof WAYS)[number];

/**
 * What people choose how to hear of: changes of what touches them; what begins within the hour; their day, that morning; an
 * evening, a week before; what teachers write to them; who came in the week to what they teach. What somebody asks of one by name is told in any case.
 */
export const TOLD_KINDS = [
  'changes',
  'reminders',
  'mornings',
  'evenings',
  'posts',
  'weeks',
] as const;
export type ToldKind = (typeof TOLD_KINDS)[number];

/** Of each kind how; left out: as the school has it. */
export type ToldWishes = Partial<Record<ToldKind, ToldBy>>;

/** Where neither a person nor their school has said anything: changes, evenings and what teachers write are worth a letter; nobody asked to be reminded day by day. */
const FIRST: Record<ToldKind, ToldBy> = {
  changes: 'mail',
  reminders: 'none',
  mornings: 'none',
  evenings: 'mail',
  posts: 'mail',
  weeks: 'mail',
};

/** How somebody hears of a kind of thing: as they wish, else as the school has it. */
export const toldBy = (kind: ToldKind, own: ToldWishes, school: ToldWishes = {}): ToldBy =>
  own[kind] ?? school[kind] ?? FIRST[kind];
