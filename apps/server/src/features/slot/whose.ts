import type { OccurrenceRow } from '../../db/models/Occurrence.js';
import type { SignUpRow } from '../../db/models/SignUp.js';
import type { Glen } from '../../glen.js';
import { slotsOfDate } from './reseat.js';
import { groupsOfPerson, signUpsFrom } from './signUpStore.js';
import { waysOfSeries } from './waysStore.js';

/** Whose slot it is: who signed up, or a group of which they come. */
export const isTheirSlot = (one: SignUpRow, personId: number, groups: Set<number>): boolean =>
  one.person_id === personId || (one.group_id !== null && groups.has(one.group_id));

type OfDate = Pick<
  OccurrenceRow,
  'id' | 'series_id' | 'key_date' | 'start_at' | 'end_at' | 'status'
>;

/** Of those of some sessions that are cut into slots: when somebody's begins, an instant; null where they have none. By their numbers. */
export async function ownSlotsIn(
  glen: Glen,
  dates: OfDate[],
  personId: number,
): Promise<Map<number, string | null>> {
  const ways = await waysOfSeries(glen.db, [...new Set(dates.map((date) => date.series_id))]);
  const cut = dates.filter((date) => ways.has(date.series_id));
  const [first] = cut.map((date) => date.key_date).sort();
  if (first === undefined) return new Map();
  const [groups, signUps] = await Promise.all([
    groupsOfPerson(glen.db, personId),
    signUpsFrom(glen.db, [...ways.keys()], first),
  ]);
  const mine = signUps.filter((one) => one.nth !== null && isTheirSlot(one, personId, groups));
  return new Map(
    cut.map((date) => {
      const slots = slotsOfDate(date, ways.get(date.series_id)!);
      const starts = mine
        .filter((one) => one.series_id === date.series_id && one.key_date === date.key_date)
        .flatMap((one) => slots[one.nth!]?.start ?? []);
      return [date.id, starts.sort()[0] ?? null];
    }),
  );
}
