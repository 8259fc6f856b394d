import { wallClockAt } from '@glen/core';
import type { Answer } from '@glen/contract';
import type { SignUpRow } from '../../db/models/SignUp.js';
import type { Glen } from '../../glen.js';
import type { DoorFacts } from '../door/facts.js';
import { readSchool } from '../school/store.js';
import { slotsOfDate, stands } from '../slot/reseat.js';
import { signUpsOf } from '../slot/signUpStore.js';
import { waysOfSeries } from '../slot/waysStore.js';

type Line = NonNullable<Answer<'desk'>['slots']>;

const called = (one: SignUpRow): string =>
  one.group ? `${one.person!.name}, for ${one.group.name}` : one.person!.name;

function stateAt({ start, end }: { start: string; end: string }, now: string) {
  if (end <= now) return 'over' as const;
  return start <= now ? ('now' as const) : ('ahead' as const);
}

/** The line of slots of the session that a door stands for, with who has which and what it is about; null where it is not cut. */
export async function lineOfSlots(
  glen: Glen,
  { at, now }: Pick<DoorFacts, 'at' | 'now'>,
): Promise<Line | null> {
  const session = at?.occurrence;
  if (!session?.slotted) return null;
  const { series_id: seriesId, key_date: key } = session;
  const ways = (await waysOfSeries(glen.db, [seriesId])).get(seriesId);
  if (!ways) return null;
  const [signUps, { calendar }] = await Promise.all([
    signUpsOf(glen.db, { seriesId, key }),
    readSchool(glen.db),
  ]);
  const time = (instant: string): string => wallClockAt(instant, calendar.zone).time;
  return {
    seriesId,
    leaves: ways.leaves,
    slots: slotsOfDate(session, ways).map(({ start, end }, nth) => {
      const holder = signUps.find((one) => one.nth === nth);
      return {
        nth,
        ...{ start, end, time: time(start), ends: time(end) },
        state: stateAt({ start, end }, now),
        personId: holder?.person_id ?? null,
        name: holder ? called(holder) : null,
        about: holder?.about ?? '',
        address: holder?.address ?? '',
        missed: signUps.filter((one) => one.missed_nth === nth).map(called),
      };
    }),
    waiting: signUps.filter((one) => stands(one) && one.nth === null).map(called),
  };
}
