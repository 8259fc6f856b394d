import {
  GlenInputError,
  addDays,
  editSeries,
  expandPlan,
  wallClockAt,
  wholeWindow,
  type EditScope,
  type Occurrence,
  type SchoolCalendar,
  type SeriesChange,
  type SessionPlan,
} from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { HttpProblem, notFound, stale, wrongField } from '../../http/problem.js';
import { cutShares } from '../link/shareStore.js';
import { makeLinkFor } from '../link/service.js';
import { bringTogether } from '../link/share.js';
import { linkById } from '../link/store.js';
import { classById, readSchool } from '../school/store.js';
import { expandOrRefuse, planOf, putOnBooks, remakeOccurrences, rowsOf, told } from './books.js';
import { sessionOfSeries } from './sessions.js';
import {
  giveOccurrences,
  insertSeries,
  occurrencesOfSeries,
  seriesHostedBy,
  sessionRowById,
  updateOccurrence,
  updateSeries,
  type SeriesRow,
  type SeriesText,
  heldSeries,
} from './store.js';

type Touched = Answer<'changeSessions'>['touched'];
export type Edited = Answer<'editSession'>;

export async function addSession(
  glen: Glen,
  classId: number,
  by: number | null,
  body: Body<'addSession'>,
): Promise<Edited> {
  const klass = await classById(glen.db, classId, by ?? 0);
  if (!klass) throw notFound('This class period');
  const { calendar } = await readSchool(glen.db);
  const { title, description, draft, undated } = body;
  const linkId = body.linkId ?? klass.link_id;
  const text = { title, description, draft, undated, words: {}, plan: planOf(body.plan, calendar) };
  if ((await linkById(glen.db, linkId))?.class_id !== classId)
    throw wrongField('linkId', 'This link belongs to another class period.');
  const id = await glen.db.transaction(async () => {
    const fresh = body.freshLink ? await makeLinkFor(glen, classId, title) : undefined;
    const seriesId = await putOnBooks(glen, { classId, linkId: fresh ?? linkId, by }, text, fresh);
    for (const other of body.together ?? [])
      await together(() =>
        bringTogether(
          glen,
          { linkId: fresh ?? linkId, classId: other, seriesId, ownDoor: 'leads' },
          by ?? 0,
        ),
      );
    return seriesId;
  });
  return { session: await sessionOfSeries(glen, id), touched: [{ seriesId: id, version: 1 }] };
}

/** What is wrong with who meets together stands beside that part of the sheet. */
async function together(work: () => Promise<void>): Promise<void> {
  try {
    await work();
  } catch (error) {
    if (error instanceof HttpProblem && error.more.errors)
      throw wrongField('together', error.more.errors[0]!.message);
    throw error;
  }
}

export const textOf = ({
  title,
  description,
  plan,
  draft,
  words,
  undated,
  rules,
  date_rules,
}: SeriesRow): SeriesText => ({
  title,
  description,
  plan,
  draft: Boolean(draft),
  undated: Boolean(undated),
  words,
  rules,
  dateRules: date_rules,
});

interface OneEdit {
  seriesId: number;
  version: number;
  by: number;
  action: string;
}

/** Runs a core computation on what was sent: its errors stand beside the fields of the body. */
function inBody<T>(prefix: string, work: () => T): T {
  try {
    return work();
  } catch (error) {
    if (error instanceof GlenInputError) throw wrongField(`${prefix}${error.path}`, error.message);
    throw error;
  }
}

/**
 * Changes a series that still has the version its editor read, within a transaction; null where it has not. `edit` gives it
 * as it goes on, and a second one where it was cut before a key.
 */
export async function reviseSeries(
  glen: Glen,
  { seriesId, version, by, action }: OneEdit,
  edit: (
    series: SeriesRow,
    opened: Set<string>,
    calendar: SchoolCalendar,
  ) => {
    keep: SeriesText;
    add?: { text: SeriesText; key: string } | undefined;
    about?: string | undefined;
  },
): Promise<Touched | null> {
  const series = await heldSeries(glen.db, seriesId);
  if (!series) throw notFound('This session');
  if (series.version !== version) return null;
  const { calendar } = await readSchool(glen.db);
  const opened = new Set(
    (await occurrencesOfSeries(glen.db, seriesId))
      .filter((row) => row.opened)
      .map((row) => row.key_date),
  );
  const { keep, add, about } = edit(series, opened, calendar);
  const place = { classId: series.class_id, linkId: series.link_id };
  const rows = await rowsOf(glen, keep);
  const rowsAdded = add ? await rowsOf(glen, add.text) : [];
  await updateSeries(glen.db, seriesId, keep);
  const touched: Touched = [{ seriesId, version: version + 1 }];
  let added: number | undefined;
  if (add) {
    if ([...opened].some((key) => key >= add.key))
      throw wrongField(
        'key',
        'The door of that date, or of a later one, has been opened already; begin with a later one.',
      );
    added = await insertSeries(glen.db, { ...place, by }, add.text);
    await giveOccurrences(glen.db, seriesId, added, add.key);
    await cutShares(glen.db, seriesId, added, add.key);
    await remakeOccurrences(glen, { id: added, ...place }, add.text, rowsAdded, { about });
    await glen.audit({
      by,
      action: 'begin-series',
      subject: `series:${added}`,
      after: { ...add.text, version: 1, cutFrom: seriesId },
    });
    touched.push({ seriesId: added, version: 1 });
  }
  await remakeOccurrences(glen, { id: seriesId, ...place }, keep, rows, { about });
  await glen.audit({
    by,
    action,
    subject: `series:${seriesId}`,
    before: textOf(series),
    after: { ...keep, version: version + 1, ...(added === undefined ? {} : { added }) },
  });
  await told(glen, series);
  return touched;
}

/** The same as a transaction of its own: 409 with how it stands where somebody was faster. */
async function reviseOne(
  glen: Glen,
  one: OneEdit,
  key: string | undefined,
  edit: Parameters<typeof reviseSeries>[2],
): Promise<Edited> {
  const touched = await glen.db.transaction(() => reviseSeries(glen, one, edit));
  if (!touched)
    throw stale(
      await sessionOfSeries(glen, one.seriesId, key).catch(() =>
        sessionOfSeries(glen, one.seriesId),
      ),
    );
  const last = touched.at(-1)!.seriesId;
  const session = await sessionOfSeries(glen, last, key).catch(() => sessionOfSeries(glen, last));
  return { session, touched };
}

const OPENED = {
  time: 'Its door has been opened already, so its time stays. Title and description can still change.',
  draft: 'Its door has been opened already, so it is no draft.',
  cancel: 'Its door has been opened already; end it at the desk instead.',
};

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

/** What a single date's new day and time come to: a move, or its pattern's own place again. */
function changeOfOne(
  series: SeriesRow,
  key: string,
  wish: SessionPlan,
  calendar: SchoolCalendar,
): Extract<SeriesChange, { kind: 'move' | 'restore' }> {
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
  key: string,
  body: Body<'editSession'>,
): SeriesText {
  let next = textOf(series);
  const change = changeOfOne(series, key, planOf(body.plan, calendar), calendar);
  const existing = series.plan.changes?.find((c) => c.key === key);
  const isSame =
    change.kind !== 'move'
      ? existing === undefined || existing.kind === 'cancel'
      : existing?.kind === 'move' &&
        existing.date === change.date &&
        existing.time === change.time &&
        existing.minutes === change.minutes;
  if (!isSame && opened.has(key)) throw wrongField('plan.at', OPENED.time);
  if (!isSame)
    next = inBody('plan.', () => editSeries(next, { scope: 'one', key, change }, calendar).keep!);
  const before = { title: series.title, description: series.description, ...series.words[key] };
  const { title, description } = body;
  if (title !== before.title || description !== before.description) {
    const own = {
      ...(title === series.title ? {} : { title }),
      ...(description === series.description ? {} : { description }),
    };
    const { [key]: _own, ...others } = next.words;
    next = { ...next, words: Object.keys(own).length > 0 ? { ...others, [key]: own } : others };
  }
  return next;
}

export function editSession(
  glen: Glen,
  seriesId: number,
  by: number,
  body: Body<'editSession'>,
): Promise<Edited> {
  const { version, scope, key, title, description, draft, undated } = body;
  if (scope !== 'whole' && !key) throw wrongField('key', 'Say which date.');
  return reviseOne(
    glen,
    { seriesId, version, by, action: 'edit-session' },
    key,
    (series, opened, calendar) => {
      if (scope === 'one')
        return { keep: editOneDate(series, opened, calendar, key!, body), about: key };
      const sent = planOf(body.plan, calendar);
      // A single session that goes to another date leaves what was said of the old one behind.
      const kept = series.plan.changes?.filter((c) => scope === 'whole' || c.key >= key!);
      const changes =
        sent.changes ??
        (!series.plan.repeat && !sent.repeat && sent.first !== series.plan.first
          ? undefined
          : kept);
      const plan: SessionPlan = { ...sent, ...(changes?.length ? { changes } : {}) };
      const moved =
        JSON.stringify({ ...plan, changes: [] }) !==
        JSON.stringify({ ...series.plan, changes: [] });
      if (opened.size > 0 && draft) throw wrongField('draft', OPENED.draft);
      if (opened.size > 0 && moved && !series.plan.repeat) throw wrongField('plan.at', OPENED.time);
      const text = textOf(series);
      const change: SeriesChange = {
        kind: 'set',
        title,
        description,
        plan: {
          ...plan,
          repeat: plan.repeat as never,
          alsoOn: plan.alsoOn as never,
          changes: plan.changes as never,
        },
      };
      const { keep, add } = inBody('plan.', () =>
        editSeries(text, { scope, key: key ?? plan.first, change }, calendar),
      );
      const cut = add ? { text: { ...withWords(add), draft }, key: key! } : undefined;
      return {
        keep: cut ? withWords(keep!) : { ...withWords(keep!), draft, undated },
        add: cut,
        about: key,
      };
    },
  );
}

const withWords = (
  text: Omit<SeriesText, 'words'> & { words?: SeriesText['words'] },
): SeriesText => ({ ...text, words: text.words ?? {} });

/** Refuses unless the person hosts every one of these series' class periods. */
export async function checkHosts(glen: Glen, personId: number, seriesIds: number[]): Promise<void> {
  const rows = await seriesHostedBy(glen.db, personId, seriesIds);
  const hosted = new Set(rows.map((row) => row.id));
  if (seriesIds.some((id) => !hosted.has(id)))
    throw new HttpProblem(403, 'One of these sessions belongs to somebody else’s class period.');
}

type Item = Body<'changeSessions'>['changes'][number];

/** Changes dates of one series after one another; the last may cut it. */
function applyItems(
  series: SeriesRow,
  items: Item[],
  opened: Set<string>,
  calendar: SchoolCalendar,
): ReturnType<Parameters<typeof reviseSeries>[2]> {
  let keep = textOf(series);
  let add: { text: SeriesText; key: string } | undefined;
  for (const { key, scope, change } of items) {
    const touches = (date: string): boolean =>
      scope === 'one' ? date === key : scope === 'whole' || date >= key;
    if (
      change.kind !== 'set' &&
      change.kind !== 'restore' &&
      scope === 'one' &&
      [...opened].some(touches)
    )
      throw wrongField('key', change.kind === 'cancel' ? OPENED.cancel : OPENED.time);
    const edited = inBody('', () =>
      editSeries(
        keep,
        { scope: scope as EditScope, key, change: change as SeriesChange },
        calendar,
      ),
    );
    keep = withWords(edited.keep!);
    if (edited.add) add = { text: withWords(edited.add), key };
  }
  return { keep, add, about: items.length === 1 ? items[0]!.key : undefined };
}

/** Moves, cancels, takes back or retitles dates of several series, all of them or none. */
export async function changeSessions(
  glen: Glen,
  by: number,
  { changes }: Body<'changeSessions'>,
): Promise<{ touched: Touched }> {
  const bySeries = groupBySeries(changes);
  await checkHosts(glen, by, [...bySeries.keys()]);
  const touched = await glen.db.transaction(async () => {
    const all: Touched = [];
    for (const [seriesId, items] of [...bySeries].sort(([a], [b]) => a - b)) {
      const one = await reviseSeries(
        glen,
        { seriesId, version: items[0]!.version, by, action: 'change-sessions' },
        (series, opened, calendar) => applyItems(series, items, opened, calendar),
      );
      if (!one)
        throw new HttpProblem(
          409,
          'Somebody changed one of these sessions while you were at it; nothing was changed. Look again and repeat it.',
        );
      all.push(...one);
    }
    return all;
  });
  return { touched };
}

function groupBySeries(changes: Item[]): Map<number, Item[]> {
  const groups = new Map<number, Item[]>();
  for (const change of changes)
    groups.set(change.seriesId, [...(groups.get(change.seriesId) ?? []), change]);
  return groups;
}

const wallClockIn = (zone: string, instant: string): { date: string; time: string } => {
  const { date, time } = wallClockAt(instant, zone);
  return { date, time };
};

/** Gives a session that has begun another length, within a transaction; on the books too. Gives its new end, an instant. */
export async function lengthenSession(
  glen: Glen,
  occurrenceId: number,
  minutes: number,
  by: number,
): Promise<string> {
  const row = (await sessionRowById(glen.db, occurrenceId))!;
  const series = (await heldSeries(glen.db, row.series_id))!;
  const { calendar } = await readSchool(glen.db);
  const text = textOf(series);
  const { keep } = editSeries(
    text,
    {
      scope: 'one',
      key: row.key_date,
      change: { kind: 'move', ...wallClockIn(series.plan.zone, row.start_at), minutes },
    },
    calendar,
  );
  const longer = {
    ...(await expandOrRefuse(glen, keep!.plan)).find((o) => o.key === row.key_date)!,
    date: row.local_date,
    time: row.local_time,
  };
  await updateSeries(glen.db, series.id, { ...text, plan: keep!.plan, draft: false });
  await updateOccurrence(glen.db, row.id, {
    ...longer,
    title: row.title,
    description: row.description,
    draft: false,
    layers: row.layers,
  });
  await glen.audit({
    by,
    action: 'extend-session',
    subject: `series:${series.id}`,
    before: text,
    after: { ...text, plan: keep!.plan, version: series.version + 1 },
  });
  await told(glen, { class_id: series.class_id, link_id: series.link_id });
  return longer.end;
}
