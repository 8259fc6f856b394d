/** How somebody hears of something: by a letter and in Glen, in Glen alone, or not at all. */
export const WAYS = ['mail', 'glen', 'none'] as const;
export type ToldBy = (typeof WAYS)[number];

/** What people choose how to hear of. What somebody asks of one by name is told in any case. */
export const TOLD_KINDS = ['changes', 'reminders'] as const;
export type ToldKind = (typeof TOLD_KINDS)[number];

/** Of each kind how; left out: as the school has it. */
export type ToldWishes = Partial<Record<ToldKind, ToldBy>>;

/** Where neither a person nor their school has said anything: changes are worth a letter, and nobody asked for reminders. */
const FIRST: Record<ToldKind, ToldBy> = { changes: 'mail', reminders: 'none' };

/** How somebody hears of a kind of thing: as they wish, else as the school has it. */
export const toldBy = (kind: ToldKind, own: ToldWishes, school: ToldWishes = {}): ToldBy =>
  own[kind] ?? school[kind] ?? FIRST[kind];
