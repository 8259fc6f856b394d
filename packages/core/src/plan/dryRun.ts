import { dayInfo, type DayInfo } from '../calendar/dayInfo.js';
import type { SchoolCalendar } from '../calendar/school.js';
import { freePeriod } from '../clash/freePeriod.js';
import { planClashes, type KnownBooking, type PlanClash } from '../clash/planClashes.js';
import type { Note, NoteAction } from '../margin/note.js';
import { worstFirst } from '../margin/note.js';
import { addMinutes, dateInWords } from '../time/dates.js';
import { wallClockAt } from '../time/instants.js';
import { repeats } from './copyPlan.js';
import { describePlan } from './describePlan.js';
import { expandPlan, isHeld } from './expandPlan.js';
import type { Occurrence, SessionPlan } from './plan.js';
import { usualTime, wholeWindow } from './toRRule.js';
import { whyNone } from './whyNone.js';

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
  /** What kind of day a single session falls on. */
  day?: DayInfo;
  local?: LocalTime;
  /** What to think about before pressing the button. */
  notes: Note[];
}

export interface DryRunContext {
  school: SchoolCalendar;
  /** School time now, an instant. */
  now: string;
  /** The zone of whoever reads, for their own clock's time. */
  readerZone?: string;
  /** The code of the link it will use; null where one is made for it. */
  linkCode: string | null;
  classId: number;
  /** People, link and students that a session of this class period holds; empty for drop-in hours, which may overlap. */
  holds: string[];
  /** What the books have for any of them, the series in hand left out. */
  bookings: KnownBooking[];
  /** What to call a held thing; whatever has no name here is a student. */
  names: Record<string, string>;
  /** Clashes that the teacher has said to keep, by key. */
  kept?: string[];
  /** The plan is on the books already: what has begun of it stays as it was. */
  isEdit?: boolean;
  /** How many students stand on the roll; left out where that does not matter. */
  rollSize?: number;
}

/** More sessions than this are asked about once more. */
export const MANY_SESSIONS = 300;

const listed = (items: string[], most = 3): string =>
  items.length <= most
    ? items.join('; ')
    : `${items.slice(0, most - 1).join('; ')}; and ${items.length - most + 1} more`;
const count = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`;
const span = (time: string, minutes: number): string => `${time}–${addMinutes(time, minutes)}`;

/** Dates next to one another that are skipped for one reason, told once. */
function skippedInWords(skipped: Occurrence[]): string[] {
  const runs: { why: string; dates: string[] }[] = [];
  for (const { date, why } of skipped) {
    const last = runs.at(-1);
    if (last && last.why === why) last.dates.push(date);
    else runs.push({ why: why ?? '', dates: [date] });
  }
  return runs.map(
    ({ why, dates }) =>
      `${dateInWords(dates[0]!)}${dates.length > 1 ? ` to ${dateInWords(dates.at(-1)!)}` : ''}: ${why}`,
  );
}

function countNote(rows: Occurrence[], held: Occurrence[]): Note {
  const skipped = rows.filter((o) => o.status === 'skipped');
  const first = held[0]!;
  const title = `${count(held.length, 'session')}${skipped.length > 0 ? `, ${skipped.length} skipped` : ''}`;
  if (skipped.length > 0)
    return { severity: 'well', title, text: `${listed(skippedInWords(skipped))}.` };
  return {
    severity: 'well',
    title,
    text:
      held.length === 1
        ? `${dateInWords(first.date)}, ${span(first.time, first.minutes)}.`
        : `From ${dateInWords(first.date)} to ${dateInWords(held.at(-1)!.date)}; nothing is skipped.`,
  };
}

function dayNote(occurrence: Occurrence, day: DayInfo): Note {
  const when = dateInWords(occurrence.date);
  if (!day.teaching)
    return {
      severity: 'careful',
      title: 'The school is closed then',
      text: `${when}: ${day.why}. It will be held all the same.`,
    };
  const facts = [
    `${day.bell} bells`,
    ...(day.cycleDay ? [`${day.cycleDay} day`] : []),
    `week ${day.week} of ${day.term}`,
  ];
  return { severity: 'inform', title: `${when}, a school day`, text: `${facts.join(', ')}.` };
}

/** `you, Tomas Verhage and 3 students` of what two bookings hold. */
function holdersInWords(on: string[], names: Record<string, string>): string {
  const named = on.flatMap((thing) => names[thing] ?? []);
  const students = on.length - named.length;
  const all = [...named, ...(students > 0 ? [count(students, 'student')] : [])];
  return all.length < 2 ? all.join('') : `${all.slice(0, -1).join(', ')} and ${all.at(-1)!}`;
}

/** So many clashes with one and the same series are told in one note. */
const TOLD_AT_ONCE = 3;

/** One note for each series that several dates clash with. */
function seriesClashNotes(
  clashes: PlanClash[],
  c: DryRunContext,
): { notes: Note[]; told: Set<PlanClash> } {
  const bySeries = new Map<number, PlanClash[]>();
  for (const clash of clashes)
    bySeries.set(clash.other.seriesId, [...(bySeries.get(clash.other.seriesId) ?? []), clash]);
  const many = [...bySeries.values()].filter((of) => of.length >= TOLD_AT_ONCE);
  const notes = many.map((of): Note => {
    const { other } = of[0]!;
    const keys = of.map((clash) => clash.key);
    const on = [...new Set(of.flatMap((clash) => clash.on))];
    return {
      severity: on.some((thing) => thing in c.names) ? 'wrong' : 'careful',
      title:
        other.classId === c.classId ? 'The class meets then already' : `${of.length} dates clash`,
      text: `${other.title} is on the books on ${of.length} of these dates, the first ${dateInWords(of[0]!.date)}, ${span(other.time, other.minutes)}. ${capital(holdersInWords(on, c.names))} would be in both.`,
      actions: [
        { name: 'skip-date', label: `Skip those ${of.length}`, keys },
        { name: 'keep-date', label: 'Keep them', keys },
      ],
    };
  });
  return { notes, told: new Set(many.flat()) };
}

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

function clashNotes(
  clashes: PlanClash[],
  rows: Occurrence[],
  held: Occurrence[],
  c: DryRunContext,
): Note[] {
  const byKey = new Map<string, PlanClash[]>();
  for (const clash of clashes) byKey.set(clash.key, [...(byKey.get(clash.key) ?? []), clash]);
  return [...byKey].map(([key, of]): Note => {
    const { other, on, date } = of[0]!;
    const row = rows.find((o) => o.key === key)!;
    const free = freePeriod(row, { ...c, held });
    const actions: NoteAction[] = [
      ...(free
        ? [
            {
              name: 'move-date',
              label:
                free.date === date
                  ? `Move it to period ${free.period}`
                  : `Move it to ${dateInWords(free.date)}, period ${free.period}`,
              key,
              to: { date: free.date, time: free.time, minutes: free.minutes },
            },
          ]
        : []),
      { name: 'skip-date', label: 'Skip it', key },
      { name: 'keep-date', label: 'Keep both', key },
    ];
    const all = [...new Set(of.flatMap((clash) => clash.on))];
    return {
      severity: on.some((thing) => thing in c.names) ? 'wrong' : 'careful',
      title: `${dateInWords(date)} clashes`,
      text: `${other.title}, ${span(other.time, other.minutes)}, has ${holdersInWords(all, c.names)} too${of.length > 1 ? `; and ${count(of.length - 1, 'more session')}` : ''}.`,
      actions,
    };
  });
}

/** Days whose bells move the period or give it another length. */
function bellNote(plan: SessionPlan, held: Occurrence[]): Note[] {
  if ('time' in plan.at || held.length < 2) return [];
  const usual = usualTime(held)!;
  const other = held.filter(
    (o) => o.status === 'planned' && (o.time !== usual.time || o.minutes !== usual.minutes),
  );
  const [first] = other;
  if (!first) return [];
  const what = 'period' in plan.at ? `period ${plan.at.period}` : 'it';
  const times = `${span(first.time, first.minutes)} instead of ${span(usual.time, usual.minutes)}`;
  return [
    {
      severity: 'inform',
      title: `Other bells move ${what}`,
      text:
        other.length === 1
          ? `On ${dateInWords(first.date)} it runs ${times}.`
          : `On ${other.length} dates, the first ${dateInWords(first.date)}, it runs ${times}.`,
    },
  ];
}

/** Sessions that are held although the school is closed, or in examination weeks. */
function closedNotes(held: Occurrence[], school: SchoolCalendar): Note[] {
  const days = held.map((o) => ({ o, day: dayInfo(school, o.date) }));
  const past = days.filter(({ day }) => day.term === undefined);
  const inExams = days.filter(({ o }) =>
    school.closures.some((c) => c.kind === 'exams' && c.first <= o.date && o.date <= c.last),
  );
  // A weekday without teaching was meant; a closure may have been overlooked.
  const closed = days.filter(
    ({ day, o }) =>
      day.term !== undefined &&
      day.bell !== undefined &&
      !day.teaching &&
      !inExams.some((e) => e.o === o),
  );
  const note = (of: typeof days, title: string): Note[] =>
    of.length === 0
      ? []
      : [
          {
            severity: 'careful',
            title,
            text: `${listed(of.map(({ o, day }) => `${dateInWords(o.date)}${day.why && day.why !== 'outside term' ? `: ${day.why}` : ''}`))}. Held all the same.`,
          },
        ];
  return [
    ...note(inExams, `${count(inExams.length, 'session')} during examinations`),
    ...note(past, `${count(past.length, 'session')} outside term`),
    ...note(closed, `${count(closed.length, 'session')} on closed days`),
  ];
}

/** What the class period has on the same days already, at other times. */
function sameDayNote(
  held: Occurrence[],
  clashes: PlanClash[],
  { bookings, classId }: DryRunContext,
): Note[] {
  const own = bookings.filter(
    (b) => b.classId === classId && !clashes.some((clash) => clash.other.id === b.id),
  );
  const dates = new Set(held.map((o) => o.date));
  const [first, ...more] = own.filter((b) => dates.has(b.date));
  return first
    ? [
        {
          severity: 'inform',
          title: 'The class meets on these days already',
          text: `${dateInWords(first.date)}, ${span(first.time, first.minutes)}: ${first.title}${more.length > 0 ? `; and ${more.length} more` : ''}.`,
        },
      ]
    : [];
}

function timeNotes(held: Occurrence[], now: string, isEdit: boolean): Note[] {
  const begun = held.filter((o) => o.start <= now).length;
  if (isEdit && held.length > 1)
    return begun === 0
      ? []
      : [
          {
            severity: 'inform',
            title: 'What has been stays',
            text: `${count(begun, 'session')} that ${begun === 1 ? 'has' : 'have'} begun ${begun === 1 ? 'is' : 'are'} left as ${begun === 1 ? 'it was' : 'they were'}.`,
          },
        ];
  const over = held.filter((o) => o.end <= now);
  const [only] = held;
  if (held.length === 1 && over.length === 1)
    return [
      {
        severity: 'careful',
        title: 'That is in the past',
        text: 'It will stand on the books, and nobody can come.',
      },
    ];
  if (over.length > 0)
    return [
      {
        severity: 'careful',
        title: `${count(over.length, 'session')} in the past`,
        text: 'They will stand on the books, and nobody can come.',
      },
    ];
  return held.length === 1 && only!.start <= now
    ? [
        {
          severity: 'inform',
          title: 'It has begun already',
          text: 'The door can be opened at once.',
        },
      ]
    : [];
}

const isEndless = ({ repeat }: SessionPlan): boolean =>
  repeat !== undefined &&
  ('rrule' in repeat
    ? !/COUNT|UNTIL/i.test(repeat.rrule)
    : repeat.until === undefined && repeat.times === undefined && repeat.weeks === undefined);

/**
 * What a plan will do, before it is saved: every date, those skipped with the reason, what it clashes with, which link it
 * uses. Throws GlenInputError like expandPlan.
 */
export function dryRun(plan: SessionPlan, context: DryRunContext): DryRun {
  const {
    school,
    now,
    readerZone,
    linkCode,
    holds,
    bookings,
    kept = [],
    rollSize,
    isEdit = false,
  } = context;
  const window = wholeWindow(plan, school);
  const rows = expandPlan(plan, school, window);
  const held = rows.filter(isHeld);
  const words = describePlan(plan, school);
  if (held.length === 0)
    return {
      rows,
      held: 0,
      ahead: 0,
      words,
      clashes: [],
      notes: [
        { severity: 'wrong', title: 'No session would be held', text: whyNone(plan, school, rows) },
      ],
    };

  const clashes = planClashes(
    isEdit ? held.filter((o) => o.end > now) : held,
    holds,
    bookings,
  ).filter((clash) => !kept.includes(clash.key));
  const isSeries = repeats(plan);
  const day = isSeries ? undefined : dayInfo(school, held[0]!.date);
  const local =
    readerZone && readerZone !== plan.zone
      ? { zone: readerZone, ...wallClockAt(held[0]!.start, readerZone) }
      : undefined;
  const { notes: ofSeries, told } = seriesClashNotes(clashes, context);
  const single = clashes.filter((clash) => !told.has(clash));
  const inClashes = [...ofSeries, ...clashNotes(single, rows, held, context)];
  const more = inClashes.length - 2;
  const notes: Note[] = [
    ...inClashes.slice(0, 2),
    ...(more > 0
      ? [
          {
            severity: 'wrong' as const,
            title: `${count(more, 'more clash', 'more clashes')}`,
            text: 'They show here as these are settled; on the strip they are dotted.',
          },
        ]
      : []),
    ...(held.length > MANY_SESSIONS
      ? [
          {
            severity: 'careful' as const,
            title: `${held.length} sessions are many`,
            text: 'The button asks once more.',
          },
        ]
      : []),
    ...timeNotes(held, now, isEdit),
    ...(isSeries ? closedNotes(held, school) : []),
    ...(rollSize === 0
      ? [
          {
            severity: 'careful' as const,
            title: 'Nobody is on the roll',
            text: 'By its entry rules nobody would get in but hosts and those invited.',
          },
        ]
      : []),
    isSeries ? countNote(rows, held) : dayNote(held[0]!, day!),
    ...bellNote(plan, held),
    ...(isEndless(plan)
      ? [
          {
            severity: 'inform' as const,
            title: 'It has no end',
            text: `Its dates are shown to ${dateInWords(held.at(-1)!.date, 'with-year')}; it goes on when the next year's calendar is there.`,
          },
        ]
      : []),
    ...sameDayNote(held, clashes, context),
    ...(local
      ? [
          {
            severity: 'inform' as const,
            title: `${local.time} on your clock`,
            text: `Your device is set to ${local.zone}; ${plan.zone === school.zone ? `the school keeps ${plan.zone} time` : `this plan keeps ${plan.zone} time`}.`,
          },
        ]
      : []),
    linkCode === null
      ? {
          severity: 'inform',
          title: 'A fresh link',
          text: 'Made for it when you save, called by its title; the everyday link stays out of it.',
        }
      : {
          severity: 'well',
          title: 'Same link as always',
          text: `${linkCode} stays; nothing to send again.`,
        },
  ];
  return {
    rows,
    held: held.length,
    ahead: held.filter((o) => o.start > now).length,
    words,
    clashes,
    ...(day ? { day } : {}),
    ...(local ? { local: { zone: local.zone, date: local.date, time: local.time } } : {}),
    notes: worstFirst(notes),
  };
}
