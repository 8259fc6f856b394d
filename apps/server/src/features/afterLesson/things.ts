import { dayNumber, wallClockAt } from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import type { AfterLessonRow } from '../../db/models/AfterLesson.js';
import type { Glen } from '../../glen.js';
import { notFound, stale, wrongField } from '../../http/problem.js';
import { readableBy } from '../register/readable.js';
import { hostsSeries } from '../register/store.js';
import { readSchool } from '../school/store.js';
import {
  changeThing,
  classesOfSeries,
  dateOfSeries,
  dropThing,
  dropThings,
  keepThing,
  thingOf,
  thingsOf,
  thingsOver,
} from './store.js';

type After = Answer<'afterLesson'>;

/** A date of a series, and who asks. */
interface Asked {
  seriesId: number;
  key: string;
  personId: number;
}

/** The day of the school. */
export async function today(glen: Glen): Promise<string> {
  const { zone } = (await readSchool(glen.db)).calendar;
  return wallClockAt(glen.clock.school(), zone).date;
}

const shown = (row: AfterLessonRow): After['things'][number] => ({
  id: row.id,
  kind: row.kind,
  title: row.title,
  words: row.words,
  address: row.address,
  minutes: row.minutes,
  seenBy: row.seen_by,
  until: row.until_date,
  by: row.maker?.name ?? null,
  at: row.made_at,
  version: row.version,
});

/** Throws for a session that there is not, or that is private and not theirs who ask. */
async function mustBeReadable(glen: Glen, { personId, ...of }: Asked): Promise<void> {
  const date = await dateOfSeries(glen.db, of);
  const [readable] = date ? await readableBy(glen.db, [date], personId) : [];
  if (!readable) throw notFound('This session');
}

/** What is there after a session, for those who look after it; after a private one for those whom it means. */
export async function describeAfter(glen: Glen, { personId, ...of }: Asked): Promise<After> {
  await mustBeReadable(glen, { personId, ...of });
  return {
    mayEdit: await hostsSeries(glen.db, of.seriesId, personId),
    things: (await thingsOf(glen.db, of)).map(shown),
  };
}

/** Throws for a last day that is none, or over. */
async function mustBeToCome(glen: Glen, until: string): Promise<void> {
  dayNumber(until, 'until');
  if (until < (await today(glen))) throw wrongField('until', 'That day is over.');
}

const note = (
  glen: Glen,
  { seriesId, personId, key }: Asked,
  action: 'add-after-lesson' | 'edit-after-lesson' | 'remove-after-lesson',
  {
    title,
    seen_by: seenBy,
    until_date: until,
  }: Pick<AfterLessonRow, 'title' | 'seen_by' | 'until_date'>,
): Promise<void> =>
  glen.audit({
    by: personId,
    action,
    subject: `series:${seriesId}`,
    after: { on: key, title, seenBy, until },
  });

/** Those who look after the class periods hear of it, and so do their posts on course pages. */
async function tell(glen: Glen, seriesIds: number[]): Promise<void> {
  for (const id of await classesOfSeries(glen.db, seriesIds))
    await glen.announce(`class:${id}`, { thing: 'class', id });
}

/** Puts a note or an address under a session. */
export async function addThing(
  glen: Glen,
  asked: Asked,
  body: Body<'addAfterLesson'>,
): Promise<After> {
  await mustBeToCome(glen, body.until);
  await glen.db.transaction(async () => {
    await mustBeReadable(glen, asked);
    const said = {
      title: body.title,
      words: body.words,
      address: body.kind === 'address' ? body.address : null,
      seen_by: body.seenBy,
      until_date: body.until,
    };
    const made = { kind: body.kind, made_by: asked.personId, made_at: glen.clock.school() };
    await keepThing(glen.db, asked, { ...said, ...made });
    await note(glen, asked, 'add-after-lesson', said);
    await tell(glen, [asked.seriesId]);
  });
  return describeAfter(glen, asked);
}

/** Changes what something is called, who sees it and until when. */
export async function editThing(
  glen: Glen,
  asked: Asked,
  { id, version, ...body }: Body<'editAfterLesson'>,
): Promise<After> {
  await mustBeToCome(glen, body.until);
  await glen.db.transaction(async () => {
    await mustBeReadable(glen, asked);
    const kept = await thingOf(glen.db, asked, id);
    if (!kept) throw notFound('This');
    const said = {
      title: body.title,
      words: body.words,
      address: kept.kind === 'address' ? (body.address ?? kept.address) : null,
      seen_by: body.seenBy,
      until_date: body.until,
    };
    if (!(await changeThing(glen.db, { id, version }, said)))
      throw stale(await describeAfter(glen, asked));
    await note(glen, asked, 'edit-after-lesson', said);
    await tell(glen, [asked.seriesId]);
  });
  return describeAfter(glen, asked);
}

/** Has the video service take recordings away. */
async function dropRecordings(glen: Glen, things: readonly AfterLessonRow[]): Promise<void> {
  for (const { recording } of things)
    if (recording !== null) await glen.enqueue({ kind: 'drop-recording', subject: recording });
}

/** Takes something away for good; a recording at the video service, too. */
export async function removeThing(
  glen: Glen,
  asked: Asked,
  { id, version }: Body<'removeAfterLesson'>,
): Promise<After> {
  await glen.db.transaction(async () => {
    await mustBeReadable(glen, asked);
    const kept = await thingOf(glen.db, asked, id);
    if (!kept) throw notFound('This');
    if (!(await dropThing(glen.db, { id, version }))) throw stale(await describeAfter(glen, asked));
    await dropRecordings(glen, [kept]);
    await note(glen, asked, 'remove-after-lesson', kept);
    await tell(glen, [asked.seriesId]);
  });
  glen.nudge();
  return describeAfter(glen, asked);
}

/** So many at a time are taken away. */
const AT_ONCE = 100;

/** Takes away some of what has been there until its last day; how many. May be cut off anywhere, and be done by several at once. */
export async function endThings(glen: Glen): Promise<number> {
  const day = await today(glen);
  const things = await glen.db.transaction(async () => {
    const over = await thingsOver(glen.db, day, AT_ONCE);
    await dropRecordings(glen, over);
    await dropThings(
      glen.db,
      over.map(({ id }) => id),
    );
    await tell(
      glen,
      over.map((thing) => thing.series_id),
    );
    return over;
  });
  if (things.length > 0) glen.nudge();
  return things.length;
}
