import { counted, type RichText } from '@glen/core';
import type { Db } from '../../db/connect.js';
import { slotsOfDate } from '../slot/reseat.js';
import { signUpsFrom } from '../slot/signUpStore.js';
import { waysOfSeries } from '../slot/waysStore.js';
import type { PostOccurrenceRow } from './places.sql.js';

/** Of sessions that are cut into slots, how many there are and how many are free; by their dates' numbers. */
export type FreeSlots = Map<number, { all: number; free: number }>;

const keyOf = ({ series_id: series, key_date: key }: { series_id: number; key_date: string }) =>
  `${series} ${key}`;

/** `today`: of the school; what is over is nobody's to take. */
export async function freeSlotsOf(
  db: Db,
  occurrences: PostOccurrenceRow[],
  today: string,
): Promise<FreeSlots> {
  const ahead = occurrences.filter((one) => one.local_date >= today);
  const ways = await waysOfSeries(db, [...new Set(ahead.map((one) => one.series_id))]);
  if (ways.size === 0) return new Map();
  const cut = ahead.filter((one) => ways.has(one.series_id));
  const first = cut.map((one) => one.key_date).sort()[0] ?? today;
  const taken = new Map<string, number>();
  for (const one of await signUpsFrom(db, [...ways.keys()], first))
    if (one.nth !== null) taken.set(keyOf(one), (taken.get(keyOf(one)) ?? 0) + 1);
  return new Map(
    cut.map((one) => {
      const all = slotsOfDate(one, ways.get(one.series_id)!).length;
      return [one.id, { all, free: Math.max(0, all - (taken.get(keyOf(one)) ?? 0)) }];
    }),
  );
}

/** Where a slot is taken, with how many are free where that is kept up (`counts`); nothing where there are none. `address` is where to sign up. */
export function slotsBelow(
  slots: FreeSlots,
  session: Pick<PostOccurrenceRow, 'id'> | null,
  { address, counts }: { address: string; counts: boolean },
): RichText {
  const here = session && slots.get(session.id);
  if (!here || here.all === 0) return [];
  const link = { text: 'Take a slot', href: address };
  if (!counts) return [{ kind: 'paragraph', spans: [link] }];
  const { all, free } = here;
  const said =
    free === 0
      ? ': all are taken, you can wait for one.'
      : `: ${free} of ${counted(all, 'slot', 'slots')} free.`;
  return [{ kind: 'paragraph', spans: [link, { text: said }] }];
}
