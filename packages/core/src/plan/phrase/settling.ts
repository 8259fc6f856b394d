import { dayNumber, minuteOfDay } from '../../time/dates.js';
import type { Item, Meaning } from './items.js';
import type { PhraseClass, PhraseContext, ReadPhrase } from './phraseTypes.js';

type Kind = Meaning['kind'];
export type ItemOf<K extends Kind> = Extract<Item, { kind: K }>;

/** A phrase while its parts are put together: what it holds, and what is unclear or assumed of it so far. */
export class Settling {
  readonly unclear: ReadPhrase['unclear'] = [];
  readonly assumed: ReadPhrase['assumed'] = [];
  readonly today: number;
  /** Minutes after midnight, now. */
  readonly now: number;
  readonly classes: PhraseClass[];
  constructor(
    readonly text: string,
    readonly context: PhraseContext,
    readonly items: Item[],
  ) {
    this.today = dayNumber(context.today, 'today');
    this.now = minuteOfDay(context.time ?? '00:00', 'time');
    this.classes = context.classes ?? [];
  }
  /** The parts of a kind, in order; of dates those that play a part. */
  all<K extends Kind>(kind: K, role?: Item['role']): ItemOf<K>[] {
    return this.items.filter((item): item is ItemOf<K> => item.kind === kind && item.role === role);
  }
  unclearAt(from: number, to: number, why: string): void {
    this.unclear.push({ text: this.text.slice(from, to), from, to, why });
  }
  isUnclear({ from, to }: Item, why: string): void {
    this.unclearAt(from, to, why);
  }
  /** Something is missing that the phrase does not say. */
  lacks(missing: 'time' | 'end', why: string): void {
    const end = this.text.length;
    this.unclear.push({ text: '', from: end, to: end, why, missing });
  }
  /** What was taken to mean something that it might not; `instead` is what to write there to mean the other. */
  assume({ from, to }: { from: number; to: number }, as: string, instead?: string): void {
    const text = this.text.slice(from, to);
    this.assumed.push({ text, from, to, as, ...(instead === undefined ? {} : { instead }) });
  }
  /** What was taken for something that the phrase does not say; `instead` is what to add. */
  assumeMissing(as: string, instead?: string): void {
    const end = this.text.length;
    this.assume({ from: end, to: end }, as, instead === undefined ? undefined : ` ${instead}`);
  }
  /** The one part of a kind. Of several none counts, and all are unclear. */
  only<K extends Kind>(kind: K, why: string): ItemOf<K> | undefined {
    const all = this.all(kind);
    if (all.length < 2) return all[0];
    for (const item of all) this.isUnclear(item, why);
    return undefined;
  }
}
