import { awayOn, whatCounts, type AttendanceRow, type Excuse, type StandingRow } from '@glen/core';
import type { Db } from '../../db/connect.js';
import type { OccurrenceRow } from '../../db/models/Occurrence.js';
import type { Glen } from '../../glen.js';
import { awayBetween, type KnownAway } from '../desk/awayStore.js';
import { keyOfPerson, measure, personOfKey, type Measured } from './measure.js';
import { correctedAt, namesAtDoor, namesOf, type DateToMeasure } from './measureStore.js';
import { settledRegister, type SettledRow } from './settledStore.js';

type Corrections = Awaited<ReturnType<typeof correctedAt>>;
type Corrected = NonNullable<ReturnType<Corrections['get']>>;

/** Why some are known to be away at a date. */
const excusesAt = (date: DateToMeasure, away: readonly KnownAway[]): Excuse[] =>
  awayOn(away, date).map(({ personId, reason }) => ({ person: keyOfPerson(personId), reason }));

const corrections = (said: Corrected) =>
  said.map(({ person_id, status, reason }) => ({ person: keyOfPerson(person_id), status, reason }));

/** What is said of people at some dates, and when they are known to be away. */
async function saidAt(db: Db, dates: readonly DateToMeasure[], measured: Map<number, Measured>) {
  const days = dates.map(({ date }) => date).sort();
  const people = [...measured.values()].flatMap(({ rows }) =>
    rows.flatMap(({ person }) => personOfKey(person) ?? []),
  );
  const between = { from: days[0]!, until: days.at(-1)!, personIds: [...new Set(people)] };
  const [corrected, away] = await Promise.all([correctedAt(db, dates), awayBetween(db, between)]);
  return { corrected, away };
}

/** What counts at some sessions whose registers are not settled, by the occurrences’ ids. */
export async function countMany(
  db: Db,
  dates: readonly DateToMeasure[],
  now: string,
): Promise<Map<number, StandingRow[]>> {
  if (dates.length === 0) return new Map();
  const measured = await measure(db, dates, { now });
  const { corrected, away } = await saidAt(db, dates, measured);
  return new Map(
    dates.map((date) => {
      const { rows } = measured.get(date.id)!;
      const said = corrections(corrected.get(date.id)!);
      return [date.id, whatCounts(rows, said, excusesAt(date, away))];
    }),
  );
}

/** What is known of a session's register: measured, said against it, and settled. */
export interface CountedRegister {
  rows: (StandingRow & { since: string | null })[];
  names: Map<string, string>;
  visitors: Map<number, string>;
  corrections: Map<string, Corrected[number]>;
  settled: { at: string; by: string | null; guests: number } | null;
}

/** A row as it was settled; where somebody was in is told beside it, for as long as it is kept. */
function asSettled(row: AttendanceRow, settled: SettledRow | undefined): AttendanceRow {
  if (!settled) return row;
  const { status, late, leftEarly, minutes } = settled;
  return { ...row, status, late, leftEarly, minutes };
}

/** What is measured now, where that is something else than was settled. */
const saidSince = (now: AttendanceRow, settled: SettledRow | undefined): string | null =>
  settled && now.minutes > settled.minutes && now.status !== settled.status
    ? `${now.status}, ${now.minutes} min`
    : null;

const toMeasure = (date: OccurrenceRow): DateToMeasure => ({
  id: date.id,
  seriesId: date.series_id,
  key: date.key_date,
  classId: date.class_id,
  linkId: date.link_id,
  date: date.local_date,
  start: date.start_at,
  end: date.end_at,
  sittingId: date.sitting?.id ?? null,
});

/** Names by the keys of rows: people as the school calls them, others as they called themselves. */
async function namesByKey(
  db: Db,
  { sittingId }: DateToMeasure,
  { rows, visitors }: Measured,
): Promise<Map<string, string>> {
  const ids = rows.flatMap(({ person }) => personOfKey(person) ?? []);
  const [people, atDoor] = await Promise.all([
    namesOf(db, ids),
    sittingId === null ? new Map<number, string>() : namesAtDoor(db, sittingId),
  ]);
  return new Map([
    ...[...visitors].map(([id, key]): [string, string] => [key, atDoor.get(id) ?? '']),
    ...[...people].map(([id, name]): [string, string] => [keyOfPerson(id), name]),
  ]);
}

/** The roll in the order of its names, then guests as they came. */
function inOrder<Row extends AttendanceRow>(rows: readonly Row[], names: Map<string, string>) {
  const guests = rows.filter((row) => row.status === 'guest');
  const roll = rows.filter((row) => row.status !== 'guest');
  const nameOf = ({ person }: Row): string => names.get(person) ?? '';
  return [...roll.sort((a, b) => nameOf(a).localeCompare(nameOf(b))), ...guests];
}

/** The register of a session as it counts. */
export async function countedRegister(glen: Glen, row: OccurrenceRow): Promise<CountedRegister> {
  const { db, clock } = glen;
  const date = toMeasure(row);
  const settled = await settledRegister(db, date);
  const once = settled
    ? new Map([[date.id, settled.rows.map(({ personId }) => personId)]])
    : undefined;
  const all = await measure(db, [date], {
    now: clock.school(),
    ...(once && { settled: once }),
  });
  const measured = all.get(date.id)!;
  const [{ corrected, away }, names] = await Promise.all([
    saidAt(db, [date], all),
    namesByKey(db, date, measured),
  ]);
  const said = corrected.get(date.id)!;
  const frozen = new Map(settled?.rows.map((one) => [keyOfPerson(one.personId), one]));
  const now = new Map(measured.rows.map((one) => [one.person, one]));
  const rows = whatCounts(
    measured.rows.map((one) => asSettled(one, frozen.get(one.person))),
    corrections(said),
    excusesAt(date, away),
  );
  return {
    rows: inOrder(rows, names).map((one) => ({
      ...one,
      stands: frozen.get(one.person)?.stands ?? one.stands,
      since: saidSince(now.get(one.person)!, frozen.get(one.person)),
    })),
    names,
    visitors: measured.visitors,
    corrections: new Map(said.map((one) => [keyOfPerson(one.person_id), one])),
    settled: settled && { at: settled.at, by: settled.by, guests: settled.guests },
  };
}
