import { dayInfo } from '../calendar/dayInfo.js';
import type { SchoolCalendar } from '../calendar/school.js';
import { fail } from '../input.js';
import { WEEKDAYS, addDays, dateInWords, dayNumber, type Weekday } from '../time/dates.js';
import { expandPlan, isHeld } from './expandPlan.js';
import { cutPlan, tidy } from './cutPlan.js';
import type { PlanChange, SessionPlan } from './plan.js';
import { wholeWindow } from './toRRule.js';

/** What a series says about its sessions beside their times. */
export interface SessionWords {
  title: string;
  description: string;
}

/** A series as an edit sees it. Whatever else it bears (link, rules, people) stays on both sides of a cut. */
export interface EditableSeries extends SessionWords {
  plan: SessionPlan;
  /** What single dates say otherwise, by key. */
  words?: Record<string, Partial<SessionWords>>;
}

/** A change to one date, or to the plan and words of many. In a plan, `repeat: undefined` takes the repeat away. */
export type SeriesChange =
  | { kind: 'cancel'; note?: string }
  | { kind: 'restore' }
  | { kind: 'remove' }
  | { kind: 'move'; date: string; time?: string; minutes?: number; note?: string }
  | { kind: 'set'; plan?: Partial<SessionPlan>; title?: string; description?: string };

export type EditScope = 'one' | 'onwards' | 'whole';
export interface EditWarning {
  key: string;
  code: 'outside-term' | 'closed' | 'same-day';
  message: string;
}
export interface EditedSeries<S> {
  /** The series as it goes on; null where the edit leaves it no date and `add` takes its place. */
  keep: S | null;
  /** A new series beside it. */
  add: S | null;
  warnings: EditWarning[];
}

const without = (changes: PlanChange[] | undefined, key: string): PlanChange[] =>
  (changes ?? []).filter((change) => change.key !== key);

function withWords<S extends EditableSeries>(
  series: S,
  words: Record<string, Partial<SessionWords>>,
): S {
  const { words: _before, ...rest } = series;
  return (Object.keys(words).length > 0 ? { ...rest, words } : rest) as S;
}

const wordsOf = (change: SeriesChange): Partial<SessionWords> =>
  change.kind !== 'set'
    ? {}
    : {
        ...(change.title === undefined ? {} : { title: change.title }),
        ...(change.description === undefined ? {} : { description: change.description }),
      };

/** Warns of a move that leaves the term, meets a closed day, or lands on another date of the same series. */
function warningsOf(
  plan: SessionPlan,
  school: SchoolCalendar | null,
  key: string,
  change: SeriesChange,
): EditWarning[] {
  if (change.kind !== 'move') return [];
  const { date } = change;
  const when = dateInWords(date);
  const day = school && dayInfo(school, date);
  const warnings: EditWarning[] = [];
  if (day && day.term === undefined)
    warnings.push({ key, code: 'outside-term', message: `${when} is outside term.` });
  else if (day && !day.teaching)
    warnings.push({ key, code: 'closed', message: `${when}: ${day.why}.` });
  const there = expandPlan({ ...plan, changes: without(plan.changes, key) }, school, {
    from: date,
    to: addDays(date, 1),
  });
  if (there.some((o) => o.key !== key && isHeld(o)))
    warnings.push({ key, code: 'same-day', message: `The series meets on ${when} already.` });
  return warnings;
}

/** A series without one of its dates, as if that had never been meant. */
function leaveOut<S extends EditableSeries>(series: S, key: string): S {
  const { plan, words = {} } = series;
  const { [key]: _words, ...others } = words;
  const except = [...new Set([...(plan.except ?? []), key])].sort();
  const alsoOn = (plan.alsoOn ?? []).filter((date) => date !== key);
  const changes = without(plan.changes, key);
  return withWords({ ...series, plan: tidy({ ...plan, except, alsoOn, changes }) }, others);
}

/** What is left of a series once a date, all from there on, or the whole never were; null where nothing is. */
function removeFrom<S extends EditableSeries>(
  series: S,
  scope: EditScope,
  key: string,
  school: SchoolCalendar | null,
): S | null {
  if (scope === 'whole') return null;
  const { plan } = series;
  if (scope === 'onwards') {
    const cut = cutPlan(plan, school, key);
    const words = Object.entries(series.words ?? {}).filter(([date]) => date < key);
    return cut && withWords({ ...series, plan: cut.head }, Object.fromEntries(words));
  }
  const left = leaveOut(series, key);
  const rows = expandPlan(left.plan, school, wholeWindow(left.plan, school));
  return rows.length === 0 ? null : left;
}

function editOne<S extends EditableSeries>(
  series: S,
  key: string,
  change: Exclude<SeriesChange, { kind: 'remove' }>,
): S {
  const { changes = [] } = series.plan;
  const held = changes.filter((c) => c.key !== key || c.kind !== 'cancel');
  const changed = (next: PlanChange[]): S => ({
    ...series,
    plan: tidy({ ...series.plan, changes: next }),
  });
  switch (change.kind) {
    // A date that was called off is held again where it had been moved to; one that is held goes back to its pattern.
    case 'restore':
      return changed(held.length < changes.length ? held : without(changes, key));
    case 'cancel':
      return changed([...held, { key, ...change }]);
    case 'move':
      return changed([...without(changes, key), { key, ...change }]);
    case 'set': {
      if (change.plan)
        fail('change.plan', 'One date is moved or cancelled; a plan belongs to the series.');
      return withWords(series, {
        ...series.words,
        [key]: { ...series.words?.[key], ...wordsOf(change) },
      });
    }
  }
}

/** Every held date from a key on cancelled: they stay on the books as called off. */
function cancelFrom<S extends EditableSeries>(
  series: S,
  school: SchoolCalendar | null,
  key: string,
  note: string | undefined,
): S {
  const from = expandPlan(series.plan, school, wholeWindow(series.plan, school)).filter(
    (o) => isHeld(o) && o.key >= key,
  );
  const cancels = from.map((o): PlanChange => ({
    key: o.key,
    kind: 'cancel',
    ...(note ? { note } : {}),
  }));
  return {
    ...series,
    plan: tidy({
      ...series.plan,
      changes: [...(series.plan.changes ?? []), ...cancels],
    }),
  };
}

const restoreFrom = <S extends EditableSeries>(series: S, key: string): S => ({
  ...series,
  plan: tidy({
    ...series.plan,
    changes: (series.plan.changes ?? []).filter((c) => c.key < key || c.kind !== 'cancel'),
  }),
});

function applySet<S extends EditableSeries>(
  series: S,
  change: Extract<SeriesChange, { kind: 'set' }>,
): S {
  return { ...series, ...wordsOf(change), plan: tidy({ ...series.plan, ...change.plan }) };
}

/** A whole plan moved by as many days as one of its dates was, to a new time: how a series is dragged. Weekdays turn with it. */
function shifted(
  plan: SessionPlan,
  key: string,
  move: Extract<SeriesChange, { kind: 'move' }>,
): SessionPlan {
  const days = dayNumber(move.date, 'change.date') - dayNumber(key, 'key');
  const at = move.time === undefined && move.minutes === undefined ? plan.at : timeFor(plan, move);
  const { repeat } = plan;
  const first = addDays(plan.first, days);
  if (days === 0 || !repeat) return { ...plan, at, first };
  if ('rrule' in repeat || repeat.every !== 'week')
    fail(
      'change.date',
      'Only a weekly series moves to other days as one; change how it repeats instead.',
    );
  const turn = (day: Weekday): Weekday => WEEKDAYS[(WEEKDAYS.indexOf(day) + (days % 7) + 7) % 7]!;
  return {
    ...plan,
    at,
    first,
    repeat: repeat.on ? { ...repeat, on: repeat.on.map(turn) } : repeat,
  };
}

function timeFor(plan: SessionPlan, move: { time?: string; minutes?: number }): SessionPlan['at'] {
  const minutes = move.minutes ?? ('minutes' in plan.at ? plan.at.minutes : undefined);
  const time = move.time ?? ('time' in plan.at ? plan.at.time : undefined);
  if (time === undefined || minutes === undefined)
    fail('change.time', 'Give both a time and a length.');
  return { time, minutes };
}

/**
 * What a change makes of a series: to one date, to it and every later one, or to the whole.
 * 'one' adds a change under the key. 'onwards' ends the old series the day before and gives a new one that keeps whatever the
 * old one bore, with the later changes; of `times`, each side keeps what it held. 'whole' changes the series where it stands;
 * single changes stay, as far as their keys still occur. A date that is removed never was: it is left out of the plan, or the
 * series ends before it, or there is none any more. Throws GlenInputError where the key or the change cannot be used.
 */
export function editSeries<S extends EditableSeries>(
  series: S,
  edit: { scope: EditScope; key: string; change: SeriesChange },
  school: SchoolCalendar | null = null,
): EditedSeries<S> {
  const { scope, key, change } = edit;
  dayNumber(key, 'key');
  if (change.kind === 'remove')
    return { keep: removeFrom(series, scope, key, school), add: null, warnings: [] };
  if (scope === 'one')
    return {
      keep: editOne(series, key, change),
      add: null,
      warnings: warningsOf(series.plan, school, key, change),
    };
  const from = scope === 'whole' ? '0000-01-01' : key;
  if (change.kind === 'cancel')
    return { keep: cancelFrom(series, school, from, change.note), add: null, warnings: [] };
  if (change.kind === 'restore')
    return { keep: restoreFrom(series, from), add: null, warnings: [] };
  const apply = (s: S): S =>
    change.kind === 'set'
      ? applySet(s, change)
      : { ...s, plan: tidy(shifted(s.plan, key, change)) };
  const cut = scope === 'onwards' ? cutPlan(series.plan, school, key) : null;
  if (!cut) return { keep: apply(series), add: null, warnings: [] };
  const words = Object.entries(series.words ?? {});
  return {
    keep: withWords(
      { ...series, plan: cut.head },
      Object.fromEntries(words.filter(([date]) => date < key)),
    ),
    add: apply(
      withWords(
        { ...series, plan: cut.tail },
        Object.fromEntries(words.filter(([date]) => date >= key)),
      ),
    ),
    warnings: [],
  };
}
