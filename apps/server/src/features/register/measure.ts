import { tallyAttendance, type AttendanceRow, type Visit } from '@glen/core';
import type { Db } from '../../db/connect.js';
import { staysAt, type StayAtDoor } from '../desk/staysStore.js';
import { rollsAt, type DateToMeasure } from './measureStore.js';

/** Of whoever is known, who they are; of others, that they were once here. */
export const keyOf = ({
  personId,
  visitorId,
}: Pick<StayAtDoor, 'personId' | 'visitorId'>): string =>
  personId === null ? `v${visitorId}` : keyOfPerson(personId);

export const keyOfPerson = (id: number): string => `p${id}`;

/** Whose key it is; null for a guest whom nobody knows. */
export const personOfKey = (key: string): number | null =>
  key.startsWith('p') ? Number(key.slice(1)) : null;

/** Stays as the core takes them: what ended as it began was no stay. */
const visitsOf = (stays: StayAtDoor[]): Visit[] =>
  stays
    .filter(({ from, to }) => to === null || to > from)
    .map((stay) => ({ person: keyOf(stay), from: stay.from, to: stay.to }));

export interface Measured {
  rows: AttendanceRow[];
  /** Whose places at the door they were, by their keys. */
  visitors: Map<number, string>;
}

interface Measuring {
  /** School time. */
  now: string;
  /** Of whom a register was settled before, by the occurrences’ ids: they are asked about then. */
  settled?: Map<number, number[]>;
}

/** Who was in at some sessions, when, by the occurrences’ ids: those whom each was for, and whoever else came. */
export async function measure(
  db: Db,
  dates: readonly DateToMeasure[],
  { now, settled = new Map() }: Measuring,
): Promise<Map<number, Measured>> {
  const sittingIds = dates.flatMap(({ sittingId }) => sittingId ?? []);
  const [rolls, stays] = await Promise.all([rollsAt(db, dates), staysAt(db, sittingIds)]);
  return new Map(
    dates.map(({ id, start, end, sittingId }) => {
      const roll = settled.get(id) ?? rolls.get(id)!;
      const own = sittingId === null ? [] : (stays.get(sittingId) ?? []);
      const rows = tallyAttendance({
        start,
        end,
        now,
        roll: roll.map(keyOfPerson),
        visits: visitsOf(own),
      });
      return [id, { rows, visitors: new Map(own.map((stay) => [stay.visitorId, keyOf(stay)])) }];
    }),
  );
}
