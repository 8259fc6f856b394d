import { seesAfterLesson } from '@glen/core';
import type { Answer } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { HttpProblem, notFound } from '../../http/problem.js';
import { readDoor, type DoorFacts } from '../door/facts.js';
import { findDoor, type Caller } from '../door/findDoor.js';
import { isTheirs } from '../door/whose.js';
import { OutsideError } from '../../outside/outsideError.js';
import { thingsOfLinks, type ThingOfDate } from '../plan/afterLessonStore.js';
import { cameTo, thingById } from './store.js';
import { today } from './things.js';

/** Those of some things of a door's lessons that somebody sees who stands at it. */
async function seenOf(glen: Glen, facts: DoorFacts, things: ThingOfDate[]): Promise<ThingOfDate[]> {
  const day = await today(glen);
  const ids = [...new Set(things.map(({ date }) => date.id))];
  const personId = facts.who.person?.id ?? null;
  const came = personId === null ? new Set() : await cameTo(glen.db, personId, ids);
  const reader = { today: day, isHost: facts.isHost, isTheirs: isTheirs(facts) };
  return things.filter(({ thing, date }) =>
    seesAfterLesson(
      { seenBy: thing.seen_by, until: thing.until_date },
      { ...reader, came: came.has(date.id) },
    ),
  );
}

const latestFirst = (a: ThingOfDate, b: ThingOfDate): number =>
  b.date.start_at.localeCompare(a.date.start_at) || a.thing.id - b.thing.id;

/** What is there after lessons at a door, for whoever asks; nothing for those whom the link is not for. */
export async function seenAtDoor(
  glen: Glen,
  typed: string,
  caller: Caller,
): Promise<Answer<'doorAfterLessons'>> {
  const facts = await findDoor(glen, typed, caller);
  const things = await thingsOfLinks(glen.db, [facts.row.link_id], await today(glen));
  const seen = await seenOf(glen, facts, things);
  return {
    things: seen.sort(latestFirst).map(({ thing, date }) => ({
      id: thing.id,
      kind: thing.kind,
      title: thing.title,
      words: thing.words,
      address: thing.address,
      minutes: thing.minutes,
      until: thing.until_date,
      session: { title: date.title, date: date.local_date, time: date.local_time },
    })),
  };
}

/** Where a recording is to be had, for some minutes, for whoever may see it. */
export async function recordingFor(
  glen: Glen,
  id: number,
  token: string | undefined,
): Promise<string> {
  const found = await thingById(glen.db, id);
  const facts = found && (await readDoor(glen, found.code, { token }));
  const [seen] = found && facts ? await seenOf(glen, facts, [found]) : [];
  if (!seen || seen.thing.recording === null) throw notFound('This recording');
  if (!glen.video) throw new HttpProblem(503, 'No video service is set up any more.');
  try {
    return await glen.video.recordingAddress(seen.thing.recording);
  } catch (error) {
    if (!(error instanceof OutsideError)) throw error;
    throw new HttpProblem(503, 'The video service does not give this recording just now.');
  }
}
