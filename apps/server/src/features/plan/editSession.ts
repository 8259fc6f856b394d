import {
  addDays,
  editSeries,
  expandPlan,
  wallClockAt,
  wholeWindow,
  type Occurrence,
  type SchoolCalendar,
  type SeriesChange,
  type SessionPlan,
} from '@glen/core';
import type { Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { wrongField } from '../../http/problem.js';
import { planOf } from './occurrenceRows.js';
import { reviseOne, type Edited, type Revision } from './reviseSeries.js';
import { OPENED, inBody, textOf, withWords } from './seriesText.js';
import type { SeriesRow, SeriesText } from './store.js';

export function editSession(
  glen: Glen,
  seriesId: number,
  by: number,
  body: Body<'editSession'>,
): Promise<Edited> {
  const { version, scope, key } = body;
  if (scope !== 'whole' && !key) throw wrongField('key', 'Say which date.');
  return reviseOne(
    glen,
    { seriesId, version, by, action: 'edit-session' },
    key,
    (series, { opened }, calendar) =>
      scope === 'one'
        ? { keep: editOneDate(series, opened, calendar, { key: key!, body }), about: key }
        : editFrom(series, opened, calendar, body),
  );
}

/** A whole series as it was sent, or from a key on. */
function editFrom(
  series: SeriesRow,
  opened: Set<string>,
  calendar: SchoolCalendar,
  body: Body<'editSession'>,
): Revision {
  const { scope, key, title, description, draft, undated } = body;
  const plan = planWithChanges(series, calendar, body);
  const isMoved = withoutChanges(plan) !== withoutChanges(series.plan);
  if (opened.size > 0 && draft) throw wrongField('draft', OPENED.draft);
  if (opened.size > 0 && isMoved && !series.plan.repeat) throw wrongField('plan.at', OPENED.time);
  const change: SeriesChange = {
    kind: 'set',
    title,
    description,
    plan: {
      ...plan,
      repeat: plan.repeat as never,
      alsoOn: plan.alsoOn as never,
      except: plan.except as never,
      changes: plan.changes as never,
    },
  };
  const { keep, add } = inBody('plan.', () =>
    editSeries(textOf(series), { scope, key: key ?? plan.first, change }, calendar),
  );
  if (!add) return { keep: { ...withWords(keep!), draft, undated }, about: key };
  return {
    keep: withWords(keep!),
    add: { text: { ...withWords(add), draft }, key: key! },
    about: key,
  };
}

const withoutChanges = (plan: SessionPlan): string => JSON.stringify({ ...plan, changes: [] });

/** The plan as it was sent, with the single changes that it keeps. */
function planWithChanges(
  series: SeriesRow,
  calendar: SchoolCalendar,
  { plan: sentPlan, scope, key }: Body<'editSession'>,
): SessionPlan {
  const sent = planOf(sentPlan, calendar);
  const isSingle = !series.plan.repeat && !sent.repeat;
  // A single session that goes to another date leaves what was said of the old one behind.
  const isElsewhere = isSingle && sent.first !== series.plan.first;
  const kept = series.plan.changes?.filter((c) => scope === 'whole' || c.key >= key!);
  const changes = sent.changes ?? (isElsewhere ? undefined : kept);
  return { ...sent, ...(changes?.length ? { changes } : {}) };
}

/** A date of a series as it would stand without its own change. */
const patternRow = (
  plan: SessionPlan,
  calendar: SchoolCalendar,
  key: string,
): Occurrence | undefined =>
  expandPlan(
    { ...plan, changes: (plan.changes ?? []).filter((c) => c.key !== key) },
    calendar,
    wholeWindow(plan, calendar),
  ).find((o) => o.key === key);

type OneChange = Extract<SeriesChange, { kind: 'move' | 'restore' }>;

/** What a single date's new day and time come to: a move, or its pattern's own place again. */
function changeOfOne(
  series: SeriesRow,
  key: string,
  wish: SessionPlan,
  calendar: SchoolCalendar,
): OneChange {
  const row = patternRow(series.plan, calendar, key);
  if (!row) throw wrongField('key', 'The series has no such date.');
  const sameAt =
    wish.zone === series.plan.zone && JSON.stringify(wish.at) === JSON.stringify(series.plan.at);
  if (sameAt && wish.first === row.date) return { kind: 'restore' };
  const there = expandPlan(
    { first: wish.first, at: wish.at, zone: wish.zone, closures: 'keep' },
    calendar,
    { from: wish.first, to: addDays(wish.first, 2) },
  )[0];
  if (!there || there.status === 'skipped')
    throw wrongField('plan.at', `No session would be held then: ${there?.why ?? 'no such time'}.`);
  if (there.start === row.start && there.minutes === row.minutes) return { kind: 'restore' };
  if (wish.zone !== series.plan.zone) {
    const { date, time } = wallClockAt(there.start, series.plan.zone);
    return { kind: 'move', date, time, minutes: there.minutes };
  }
  return {
    kind: 'move',
    date: wish.first,
    ...(sameAt ? {} : { time: there.time, minutes: there.minutes }),
  };
}

function editOneDate(
  series: SeriesRow,
  opened: Set<string>,
  calendar: SchoolCalendar,
  { key, body }: { key: string; body: Body<'editSession'> },
): SeriesText {
  const change = changeOfOne(series, key, planOf(body.plan, calendar), calendar);
  const isSame = isAsNow(series, key, change);
  if (!isSame && opened.has(key)) throw wrongField('plan.at', OPENED.time);
  const text = textOf(series);
  const next = isSame
    ? text
    : inBody('plan.', () => editSeries(text, { scope: 'one', key, change }, calendar).keep!);
  return withOwnWords(series, withWords(next), key, body);
}

/** Whether a change says of a date what its series says already. */
function isAsNow(series: SeriesRow, key: string, change: OneChange): boolean {
  const now = series.plan.changes?.find((c) => c.key === key);
  if (change.kind !== 'move') return now === undefined || now.kind === 'cancel';
  return (
    now?.kind === 'move' &&
    now.date === change.date &&
    now.time === change.time &&
    now.minutes === change.minutes
  );
}

/** A date's title and description stand apart where they are not its series'. */
function withOwnWords(
  series: SeriesRow,
  text: SeriesText,
  key: string,
  { title, description }: Body<'editSession'>,
): SeriesText {
  const before = { title: series.title, description: series.description, ...series.words[key] };
  if (title === before.title && description === before.description) return text;
  const own = {
    ...(title === series.title ? {} : { title }),
    ...(description === series.description ? {} : { description }),
  };
  const { [key]: _own, ...others } = text.words;
  return { ...text, words: Object.keys(own).length > 0 ? { ...others, [key]: own } : others };
}
