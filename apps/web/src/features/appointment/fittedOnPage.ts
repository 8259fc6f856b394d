import { fitWishes, type NumberedSlot } from '@glen/core/light';
import type { Answer } from '@glen/contract';

export type OwnEvening = Answer<'ownAppointments'>;
export type Host = OwnEvening['hosts'][number];
type Slot = Host['slots'][number];

/** A teacher whom a guest wants to see about somebody. */
export interface Wish {
  /** Of its place on the page: two can be of one teacher. */
  key: string;
  seriesId: number;
  about: string;
  /** The slot that they have chosen by its number; null: whichever fits. */
  nth: number | null;
}

/** A wish with the time that it would come to. */
export interface Fitted extends Wish {
  host: Host;
  slot: Slot | null;
  /** What else could be had beside the other wishes and what they have already. */
  others: Slot[];
}

export const freeOf = ({ slots }: Host): Slot[] => slots.filter(({ state }) => state === 'free');

const numbered = ({ nth, start, ends }: Pick<Slot, 'nth' | 'start' | 'ends'>): NumberedSlot => ({
  nth,
  start,
  end: ends,
});

/** The wishes of a page, each with its teacher and the time that it would come to. */
export function fittedOnPage({ hosts, mine }: OwnEvening, wishes: Wish[]): Fitted[] {
  const known = wishes.flatMap((wish) => {
    const host = hosts.find(({ seriesId }) => seriesId === wish.seriesId);
    return host ? [{ ...wish, host }] : [];
  });
  const fitted = fitWishes({
    wishes: known.map(({ host, nth }) => ({ free: freeOf(host).map(numbered), nth })),
    taken: mine.map(numbered),
  });
  return known.map((wish, i) => {
    const slotOf = ({ nth }: NumberedSlot): Slot => wish.host.slots[nth]!;
    const { slot, others } = fitted[i]!;
    return { ...wish, slot: slot && slotOf(slot), others: others.map(slotOf) };
  });
}
