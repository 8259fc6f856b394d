import {
  GlenInputError,
  dayNumber,
  expandPlan,
  isHeld,
  layerOf,
  mondayOf,
  placeWallTime,
  rememberMove,
  repeats,
  wallClockAt,
  whyNone,
  wholeWindow,
  type Occurrence,
  type RuleLayer,
  type SchoolCalendar,
  type SessionPlan,
} from '@glen/core';
import type { Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { wrongField } from '../../http/problem.js';
import { followDates } from '../audience/presenterStore.js';
import { refreshJoined } from '../link/joined.sql.js';
import { readSchool } from '../school/store.js';
import { followProgrammes } from '../programme/programmeStore.js';
import { followKeys } from '../slot/signUpStore.js';
import {
  deleteOccurrences,
  insertOccurrences,
  insertSeries,
  isAsKept,
  occurrencesOfSeries,
  updateLayers,
  updateOccurrence,
  wasOf,
  type KeptAs,
  type KeptOccurrence,
  type SeriesPlace,
  type SeriesText,
} from './store.js';

/** A plan as it came in, in the school's zone where it named none. */
export const planOf = (body: Body<'addSession'>['plan'], calendar: SchoolCalendar): SessionPlan =>
  ({ ...body, zone: body.zone ?? calendar.zone }) as SessionPlan;

/** The plan's occurrences as far as the calendar knows; a plan that holds none is refused beside the field that would mend it. */
export async function expandOrRefuse(glen: Glen, plan: SessionPlan): Promise<Occurrence[]> {
  const { calendar } = await readSchool(glen.db);
  try {
    dayNumber(plan.first, 'first');
    const rows = expandPlan(plan, calendar, wholeWindow(plan, calendar));
    if (rows.every((row) => row.status === 'skipped'))
      throw new GlenInputError(
        rows.length === 0 ? 'repeat' : 'at',
        `No session would be held. ${whyNone(plan, calendar, rows)}`,
      );
    return rows;
  } catch (error) {
    if (error instanceof GlenInputError) throw wrongField(`plan.${error.path}`, error.message);
    throw error;
  }
}

const NO_DATE = 'no date yet';

/** The rows that a series' plan comes to; of one without a date yet a single row that stands for nothing, so that it can be found. */
export async function rowsOf(glen: Glen, { plan, undated }: SeriesText): Promise<Occurrence[]> {
  const rows = await expandOrRefuse(glen, plan);
  return undated ? [{ ...rows[0]!, status: 'skipped', why: NO_DATE }] : rows;
}

/** A row that a fresh date can take over: a single session's own, else one whose date lay in the same week. */
function takeSpare(
  spare: KeptOccurrence[],
  key: string,
  isSeries: boolean,
): KeptOccurrence | undefined {
  const week = mondayOf(dayNumber(key, 'key'));
  const at = isSeries
    ? spare.findIndex((row) => mondayOf(dayNumber(row.key_date, 'key')) === week)
    : 0;
  return at === -1 ? undefined : spare.splice(at, 1)[0];
}

/** An occurrence with date and time on the school's wall clock, by which days, doors and screens go; its key stays as the plan has it. */
function onSchoolClock(row: Occurrence, planZone: string, schoolZone: string): Occurrence {
  if (planZone === schoolZone) return row;
  const at = (instant: string): { date: string; time: string } => {
    const { date, time } = wallClockAt(instant, schoolZone);
    return { date, time };
  };
  const was = row.was && {
    ...at(placeWallTime(row.was.date, row.was.time, row.was.minutes, planZone).start),
    minutes: row.was.minutes,
  };
  return { ...row, ...at(row.start), ...(was ? { was } : {}) };
}

/** What a series' rows are made from: what it says, and the occurrences that its plan comes to. */
interface Remade {
  text: SeriesText;
  rows: Occurrence[];
  /** The series is new: what lies in the past is set down too. */
  isNew?: boolean;
  /** The key of the date that an edit is about: it changes though it has begun. */
  about?: string | undefined;
}

/** A date of a series as its row keeps it: with its own words, and the rules of its series and its own. */
function asKept(
  { title, description, draft, words, rules, dateRules }: SeriesText,
  row: Occurrence,
): KeptAs {
  const layers: RuleLayer[] = [];
  if (Object.keys(rules ?? {}).length > 0) layers.push(layerOf('series', rules!));
  const own = dateRules?.[row.key];
  if (own) layers.push(layerOf('occurrence', own));
  return { title, description, ...words[row.key], ...row, draft, layers };
}

/** The same where no row stood before: it has not moved from anywhere that people knew of. */
const asAdded = (text: SeriesText, row: Occurrence): KeptAs => ({
  ...asKept(text, row),
  was: null,
});

/** Whether a date that is called off had been moved: it is called off where people know it to be. */
const hadMoved = ({ plan }: SeriesText, { key, status }: Occurrence): boolean =>
  status === 'cancelled' && (plan.changes ?? []).some((c) => c.key === key && c.kind === 'move');

const isWhereItWas = (old: KeptOccurrence, { date, time }: Occurrence): boolean =>
  old.local_date === date && old.local_time === time;

/** The same where a row stands already. Nobody knew of a draft's time, so it has not moved; of one on the books, people are to be told where it was. */
function renewed(text: SeriesText, old: KeptOccurrence, row: Occurrence): KeptAs {
  const kept = asKept(text, row);
  if (hadMoved(text, row)) {
    const { local_date: date, local_time: time, minutes, start_at: start, end_at: end } = old;
    return { ...kept, date, time, minutes, start, end, was: wasOf(old) };
  }
  const isKnown = !old.draft && !text.draft && old.status !== 'skipped';
  if (!isKnown || row.status === 'skipped') return { ...kept, was: null };
  // Called off where it stands, it keeps from where it came there: held again, people are told of that.
  if (!isHeld(row)) return { ...kept, was: isWhereItWas(old, row) ? wasOf(old) : null };
  const before = { date: old.local_date, time: old.local_time, minutes: old.minutes };
  return { ...kept, was: rememberMove({ ...before, was: wasOf(old) }, row) };
}

/**
 * Makes a series' rows anew from its plan. What has started is history and stays as it was: rows whose door was opened, and
 * of a repeating plan all that began before now, but for the one that the edit is about. Rules reach a lesson that is on.
 */
export async function remakeOccurrences(
  glen: Glen,
  series: { id: number; classId: number; linkId: number },
  { text, rows: planned, isNew = false, about }: Remade,
): Promise<void> {
  const now = glen.clock.school();
  const { zone } = (await readSchool(glen.db)).calendar;
  const rows = planned.map((row) => onSchoolClock(row, text.plan.zone, zone));
  const kept = await occurrencesOfSeries(glen.db, series.id);
  const isSeries = repeats(text.plan);
  const isHistory = (row: KeptOccurrence): boolean =>
    row.opened || (isSeries && row.start_at <= now && row.key_date !== about);
  const history = new Set(kept.filter(isHistory).map((row) => row.key_date));
  const open = new Map(kept.filter((row) => !isHistory(row)).map((row) => [row.key_date, row]));
  const renew = async (old: KeptOccurrence, row: Occurrence): Promise<void> => {
    const next = renewed(text, old, row);
    if (!isAsKept(old, next)) await updateOccurrence(glen.db, old.id, next);
  };

  const isOn = (row: KeptOccurrence): boolean =>
    row.opened && (row.end_at > now || row.key_date === about);
  const running = new Map(kept.filter(isOn).map((row) => [row.key_date, row]));

  const fresh: Occurrence[] = [];
  for (const row of rows) {
    const old = open.get(row.key);
    open.delete(row.key);
    const on = running.get(row.key);
    if (on) await updateLayers(glen.db, on.id, asKept(text, row).layers);
    if (old) await renew(old, row);
    else if (!history.has(row.key)) fresh.push(row);
  }
  // A date that only changed its day keeps its row, and with it whatever points there.
  const spare = [...open.values()];
  const added: KeptAs[] = [];
  const rekeyed: { from: string; to: string }[] = [];
  for (const row of fresh) {
    const reuse = takeSpare(spare, row.key, isSeries);
    if (reuse) {
      await renew(reuse, row);
      rekeyed.push({ from: reuse.key_date, to: row.key });
    } else if (isNew || !isSeries || row.start > now) added.push(asAdded(text, row));
  }
  await insertOccurrences(glen.db, series, added);
  const gone = spare.map((row) => row.id);
  await deleteOccurrences(glen.db, gone);
  await followDates(glen.db, series);
  await followKeys(glen.db, series.id, rekeyed);
  await followProgrammes(glen.db, series.id, rekeyed);
  await refreshJoined(glen.db, { seriesId: series.id });
}

/** Whoever looks at the class period or its door hears of a change. */
export async function announceSeries(
  glen: Glen,
  series: { class_id: number; link_id: number },
): Promise<void> {
  await glen.announce(`class:${series.class_id}`, { thing: 'class', id: series.class_id });
  await glen.announce(`door:${series.link_id}`, { thing: 'door', id: series.link_id });
}

/** Puts a session or series on the books, on the class period's own link, within a transaction; gives its series. `freshLink`: the link that was made for it, which goes with it where it is taken back. */
export async function putOnBooks(
  glen: Glen,
  place: SeriesPlace,
  text: SeriesText,
  freshLink?: number,
): Promise<number> {
  const rows = await rowsOf(glen, text);
  const id = await insertSeries(glen.db, place, text);
  await remakeOccurrences(glen, { id, ...place }, { text, rows, isNew: true });
  await glen.audit({
    by: place.by,
    action: 'schedule',
    subject: `series:${id}`,
    after: { ...text, version: 1, ...(freshLink === undefined ? {} : { freshLink }) },
  });
  await announceSeries(glen, { class_id: place.classId, link_id: place.linkId });
  return id;
}

/** Minutes of a session that a host opens with nothing planned, unless something is planned sooner. */
export const ON_THE_SPOT_MINUTES = 50;

/** A door opened with nothing planned goes on the books as a session that begins this minute. */
export async function addSessionNow(
  glen: Glen,
  { title, ...place }: { classId: number; linkId: number; title: string },
  by: number | null,
): Promise<void> {
  const { calendar } = await readSchool(glen.db);
  const { date, time } = wallClockAt(glen.clock.school(), calendar.zone);
  const plan: SessionPlan = {
    first: date,
    at: { time, minutes: ON_THE_SPOT_MINUTES },
    zone: calendar.zone,
    closures: 'keep',
  };
  await putOnBooks(
    glen,
    { ...place, by },
    { title, description: '', draft: false, words: {}, plan },
  );
}
