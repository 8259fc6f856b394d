import { fitAppointments, meet } from '@glen/core/light';
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

const windowOf = ({ start, ends }: Pick<Slot, 'start' | 'ends'>) => ({ start, end: ends });
export const freeOf = ({ slots }: Host): Slot[] => slots.filter(({ state }) => state === 'free');
const meets = (slot: Slot, others: Pick<Slot, 'start' | 'ends'>[]): boolean =>
  others.some((other) => meet(windowOf(slot), windowOf(other)));

/** When a guest would see everybody whom they want to: what they have chosen by hand stays, the rest is fitted in around it. */
export function fitWishes({ hosts, mine }: OwnEvening, wishes: Wish[]): Fitted[] {
  const known = wishes.flatMap((wish) => {
    const host = hosts.find(({ seriesId }) => seriesId === wish.seriesId);
    return host ? [{ ...wish, host }] : [];
  });
  const chosenOf = ({ host, nth }: (typeof known)[number]): Slot | null =>
    freeOf(host).find((slot) => slot.nth === nth) ?? null;
  const chosen = known.flatMap((wish) => chosenOf(wish) ?? []);
  const rest = known.filter((wish) => chosenOf(wish) === null);
  const options = rest.map(({ host }) => freeOf(host));
  const fitted = fitAppointments({
    wanted: options.map((slots) => slots.map(windowOf)),
    taken: [...mine, ...chosen].map(windowOf),
  });
  const slotOf = (wish: (typeof known)[number]): Slot | null => {
    const i = rest.indexOf(wish);
    const at = i === -1 ? null : fitted[i]!;
    return at === null ? chosenOf(wish) : options[i]![at]!;
  };
  const slots = new Map(known.map((wish) => [wish.key, slotOf(wish)]));
  return known.map((wish) => {
    const beside = known.flatMap(({ key }) => (key === wish.key ? [] : (slots.get(key) ?? [])));
    const others = freeOf(wish.host).filter((slot) => !meets(slot, [...mine, ...beside]));
    return { ...wish, slot: slots.get(wish.key)!, others };
  });
}
