import { dayInfo, type DayInfo } from '../calendar/dayInfo.js';
import type { SchoolCalendar } from '../calendar/school.js';
import type { PlanClash } from '../clash/planClashes.js';
import type { Note } from '../margin/note.js';
import { dateInWords } from '../time/dates.js';
import type { PlanDates } from './clashNotes.js';
import type { DryRunContext } from './dryRunContext.js';
import { count, listed, span } from './dryRunWords.js';
import { isHeld } from './expandPlan.js';
import type { Occurrence, SessionPlan } from './plan.js';
import { usualTime } from './toRRule.js';

/** Dates next to one another in the plan that are skipped for one reason, told once. */
function skippedInWords(rows: Occurrence[]): string[] {
  const runs: { why: string; dates: string[] }[] = [];
  let isNext = false;
  for (const { date, why, status } of rows) {
    const isSkipped = status === 'skipped';
    const last = runs.at(-1);
    if (isSkipped && isNext && last?.why === why) last?.dates.push(date);
    else if (isSkipped) runs.push({ why: why ?? '', dates: [date] });
    isNext = isSkipped;
  }
  return runs.map(
    ({ why, dates }) =>
      `${dateInWords(dates[0]!)}${dates.length > 1 ? ` to ${dateInWords(dates.at(-1)!)}` : ''}: ${why}`,
  );
}

/** From its first date to its last, parted where it pauses between terms. */
function stretchesInWords(rows: Occurrence[]): string {
  const stretches: { first: string; last: string }[] = [];
  let pauses = true;
  for (const row of rows) {
    if (row.reason === 'outside-term') pauses = true;
    else if (isHeld(row)) {
      if (pauses) stretches.push({ first: row.date, last: row.date });
      else stretches.at(-1)!.last = row.date;
      pauses = false;
    }
  }
  return listed(
    stretches.map(({ first, last }) =>
      first === last ? dateInWords(first) : `${dateInWords(first)} to ${dateInWords(last)}`,
    ),
  );
}

/** Days on which a skipped date could be held are offered for so many of them. */
const MOST_OFFERED = 2;

/** How many there are, in which stretches, and what is skipped for which reason. */
export function countNote({ rows, held, instead }: PlanDates): Note {
  const skipped = rows.filter((o) => o.status === 'skipped');
  const first = held[0]!;
  const title = `${count(held.length, 'session')}${skipped.length > 0 ? `, ${skipped.length} skipped` : ''}`;
  if (held.length === 1 && skipped.length === 0) {
    const text = `${dateInWords(first.date)}, ${span(first.time, first.minutes)}.`;
    return { severity: 'well', title, text };
  }
  const closed = rows.filter((o) => o.reason !== 'outside-term');
  const nothing = skipped.length === 0 ? 'Nothing is skipped' : 'Nothing else is skipped';
  const text = `${stretchesInWords(rows)}. ${listed(skippedInWords(closed)) || nothing}.`;
  const actions = closed
    .filter((o) => o.status === 'skipped')
    .slice(0, MOST_OFFERED)
    .flatMap(instead);
  return { severity: 'well', title, text, ...(actions.length > 0 ? { actions } : {}) };
}

export function dayNote(occurrence: Occurrence, day: DayInfo): Note {
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

/** Days whose bells move the period or give it another length. */
export function bellNote(plan: SessionPlan, held: Occurrence[]): Note[] {
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
export function closedNotes(held: Occurrence[], school: SchoolCalendar): Note[] {
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
export function sameDayNote(
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

/** What an edit leaves alone: what has begun of the series. */
export function begunNote(held: Occurrence[], now: string): Note[] {
  const begun = held.filter((o) => o.start <= now).length;
  if (begun === 0) return [];
  const [has, is, was] = begun === 1 ? ['has', 'is', 'it was'] : ['have', 'are', 'they were'];
  return [
    {
      severity: 'inform',
      title: 'What has been stays',
      text: `${count(begun, 'session')} that ${has} begun ${is} left as ${was}.`,
    },
  ];
}

/** What of a new plan is over, or has begun. */
export function pastNote(held: Occurrence[], now: string): Note[] {
  const over = held.filter((o) => o.end <= now).length;
  const isOne = held.length === 1;
  if (over > 0)
    return [
      {
        severity: 'careful',
        title: isOne ? 'That is in the past' : `${count(over, 'session')} in the past`,
        text: `${isOne ? 'It' : 'They'} will stand on the plan, and nobody can come.`,
      },
    ];
  if (!isOne || held[0]!.start > now) return [];
  return [
    {
      severity: 'inform',
      title: 'It has begun already',
      text: 'The door can be opened at once.',
    },
  ];
}
