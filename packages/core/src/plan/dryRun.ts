import { dayInfo, type DayInfo } from '../calendar/dayInfo.js';
import { nextFreeDay } from '../clash/nextFreeDay.js';
import { planClashes, type PlanClash } from '../clash/planClashes.js';
import type { Note, NoteAction } from '../margin/note.js';
import { worstFirst } from '../margin/note.js';
import { addDays, dateInWords } from '../time/dates.js';
import { schoolTime, zonePlace } from '../time/zoneWords.js';
import { wallClockAt } from '../time/instants.js';
import { notesForClashes } from './clashNotes.js';
import { repeats } from './copyPlan.js';
import {
  begunNote,
  bellNote,
  closedNotes,
  countNote,
  dayNote,
  pastNote,
  sameDayNote,
} from './dateNotes.js';
import { describePlan, isEndless } from './describePlan.js';
import type { DryRunContext } from './dryRunContext.js';
import { expandPlan, isHeld } from './expandPlan.js';
import type { Occurrence, PlanRepeat, SessionPlan } from './plan.js';
import { wholeWindow } from './toRRule.js';
import { slotsNote } from './slotsNote.js';
import { whyNone } from './whyNone.js';

export type { DryRunContext } from './dryRunContext.js';

/** What a reader's own clock shows, where it differs from the school's. */
export interface LocalTime {
  zone: string;
  date: string;
  time: string;
}

export interface DryRun {
  /** Every date of the plan, to the end of the school year where it has no end. */
  rows: Occurrence[];
  held: number;
  /** Those of them that have not begun: what an edit can still change. */
  ahead: number;
  /** The plan in a sentence. */
  words: string;
  clashes: PlanClash[];
  /** Dates of its pattern that are left out, as they would stand. */
  leftOut: Occurrence[];
  /** What kind of day a single session falls on. */
  day?: DayInfo;
  local?: LocalTime;
  /** What to think about before pressing the button. */
  notes: Note[];
}

/** More sessions than this are asked about once more. */
export const MANY_SESSIONS = 300;

function manyNote(held: Occurrence[]): Note[] {
  if (held.length <= MANY_SESSIONS) return [];
  return [
    {
      severity: 'careful',
      title: `${held.length} sessions are many`,
      text: 'The button asks once more.',
    },
  ];
}

function rollNote({ rollSize }: DryRunContext): Note[] {
  if (rollSize !== 0) return [];
  return [
    {
      severity: 'careful',
      title: 'Nobody is on the roll',
      text: 'By its entry rules nobody would get in but hosts and those invited.',
    },
  ];
}

/** Rolls that meet at one door may be more than it lets in. */
function roomNote({ room }: DryRunContext): Note[] {
  if (!room || room.coming <= room.capacity) return [];
  return [
    {
      severity: 'careful',
      title: `${room.coming} students, and the door lets ${room.capacity} in`,
      text: 'Whoever comes last finds it full. How many fit in is said by the link’s entry rules.',
    },
  ];
}

function endlessNote(plan: SessionPlan, held: Occurrence[]): Note[] {
  if (!plan.repeat || !isEndless(plan.repeat)) return [];
  const last = dateInWords(held.at(-1)!.date, 'with-year');
  return [
    {
      severity: 'inform',
      title: 'It has no end',
      text: `Its dates are shown to ${last}; it goes on when the next year's calendar is there.`,
    },
  ];
}

function localNote(local: LocalTime | undefined, zone: string, { school }: DryRunContext): Note[] {
  if (!local) return [];
  const whose = zone === school.zone ? schoolTime(zone) : `the time of ${zonePlace(zone)}`;
  return [
    {
      severity: 'inform',
      title: `${local.time} on your clock`,
      text: `Your device is set to ${zonePlace(local.zone)}; this plan keeps ${whose}.`,
    },
  ];
}

function linkNote({ linkCode }: DryRunContext): Note {
  if (linkCode === null)
    return {
      severity: 'inform',
      title: 'A fresh link',
      text: 'Made for it when you save, called by its title; the everyday link stays out of it.',
    };
  return {
    severity: 'well',
    title: 'Same link as always',
    text: `${linkCode} stays; nothing to send again.`,
  };
}

/** When it begins by the reader's own clock, where that shows another zone. */
function localTime(plan: SessionPlan, first: Occurrence, zone?: string): LocalTime | undefined {
  if (!zone || zone === plan.zone) return undefined;
  const { date, time } = wallClockAt(first.start, zone);
  return { zone, date, time };
}

/** What a plan does that holds at least one session. */
interface Held {
  rows: Occurrence[];
  held: Occurrence[];
  clashes: PlanClash[];
  day: DayInfo | undefined;
  local: LocalTime | undefined;
}

function notesFor(plan: SessionPlan, run: Held, context: DryRunContext): Note[] {
  const { school, now, isEdit = false } = context;
  const { rows, held, clashes, day, local } = run;
  const dates = { rows, held, instead: (row: Occurrence) => insteadOf(row, plan, held, context) };
  const isEditOfSeveral = isEdit && held.length > 1;
  const notes = [
    ...notesForClashes(clashes, dates, context),
    ...manyNote(held),
    ...(isEditOfSeveral ? begunNote(held, now) : pastNote(held, now)),
    ...(day ? [] : closedNotes(held, school)),
    ...rollNote(context),
    ...roomNote(context),
    ...slotsNote(held, context.slots, school.zone),
    day ? dayNote(held[0]!, day) : countNote(dates),
    ...bellNote(plan, held),
    ...endlessNote(plan, held),
    ...sameDayNote(held, clashes, context),
    linkNote(context),
  ];
  // The reader's own clock comes last, whatever else there is.
  const own = localNote(local, plan.zone, context);
  return [...worstFirst(notes).slice(0, own.length > 0 ? 4 : 5), ...own];
}

/** The next free school day for a date that falls out of a series that is being made. */
function insteadOf(
  row: Occurrence,
  plan: SessionPlan,
  held: Occurrence[],
  context: DryRunContext,
): NoteAction[] {
  if (context.isEdit || !repeats(plan)) return [];
  const there = nextFreeDay(row, plan, { ...context, held });
  if (!there) return [];
  const { date, time, minutes } = there;
  const label = `${dateInWords(date)} instead of ${dateInWords(row.date)}`;
  return [{ name: 'instead-date', label, key: row.key, to: { date, time, minutes } }];
}

/** Dates that the plan leaves out, as they would stand in it. A number of sessions ends it no earlier: it counts those held. */
function leftOutOf(plan: SessionPlan, { school }: DryRunContext): Occurrence[] {
  const { except = [], repeat, ...rest } = plan;
  const last = [...except].sort().at(-1);
  if (last === undefined) return [];
  const whole: SessionPlan = { ...rest, ...(repeat ? { repeat: withoutTimes(repeat) } : {}) };
  const window = { from: plan.first, to: addDays(last < plan.first ? plan.first : last, 1) };
  return expandPlan(whole, school, window).filter((o) => except.includes(o.key));
}

function withoutTimes(repeat: PlanRepeat): PlanRepeat {
  if ('rrule' in repeat) return repeat;
  const { times: _times, ...endless } = repeat;
  return endless;
}

/** Clashes that the teacher has not said to keep; an edit leaves alone what is over. */
function openClashes(
  held: Occurrence[],
  { now, holds, bookings, isEdit = false, kept = [] }: DryRunContext,
): PlanClash[] {
  const asked = isEdit ? held.filter((o) => o.end > now) : held;
  return planClashes(asked, holds, bookings).filter((clash) => !kept.includes(clash.key));
}

/**
 * What a plan will do, before it is saved: every date, those skipped with the reason, what it clashes with, which link it
 * uses. Throws GlenInputError like expandPlan.
 */
export function dryRun(plan: SessionPlan, context: DryRunContext): DryRun {
  const { school, now, readerZone } = context;
  const rows = expandPlan(plan, school, wholeWindow(plan, school));
  const held = rows.filter(isHeld);
  const words = describePlan(plan, school);
  const [first] = held;
  const leftOut = leftOutOf(plan, context);
  if (!first) {
    const text = whyNone(plan, school, rows);
    const notes: Note[] = [{ severity: 'wrong', title: 'No session would be held', text }];
    return { rows, held: 0, ahead: 0, words, clashes: [], leftOut, notes };
  }
  const clashes = openClashes(held, context);
  const day = repeats(plan) ? undefined : dayInfo(school, first.date);
  const local = localTime(plan, first, readerZone);
  return {
    rows,
    held: held.length,
    ahead: held.filter((o) => o.start > now).length,
    words,
    clashes,
    leftOut,
    ...(day ? { day } : {}),
    ...(local ? { local } : {}),
    notes: notesFor(plan, { rows, held, clashes, day, local }, context),
  };
}
