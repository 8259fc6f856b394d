import {
  addMinutes,
  classTitle,
  dateInWords,
  plusMinutes,
  type LetterText,
  type ToldKind,
} from '@glen/core';
import { linkAddress, watchAddress } from '../../addresses.js';
import type { Glen } from '../../glen.js';
import { watchCodeOf } from '../link/watchStore.js';
import { Ticker } from '../../operating/ticker.js';
import {
  beginningBetween,
  noteReminded,
  notReminded,
  type Beginning,
  type RemindedKind,
} from './reminderStore.js';
import { meantAt } from './meantStore.js';
import { tellEach } from './tellEach.js';

/** So long before a session begins people are reminded who wish for it. */
const BEFORE_MINUTES = 60;
const WEEK_MINUTES = 7 * 24 * 60;
const DAY_MINUTES = 24 * 60;
const EVERY_MS = 5000;

/** One way to remind: of sessions that begin between so many minutes from now. */
interface Way {
  kind: RemindedKind;
  wish: ToldKind;
  from: number;
  until: number;
  isFor: (session: Beginning) => boolean;
  subject: (session: Beginning) => string;
  why: string;
}

const titleOf = (session: Beginning): string =>
  classTitle({ title: session.classTitle, period: session.period });

const WAYS: Way[] = [
  {
    kind: 'hour',
    wish: 'reminders',
    from: 0,
    until: BEFORE_MINUTES,
    isFor: () => true,
    subject: (session) => `At ${session.time}: ${titleOf(session)}`,
    why: 'You get this because you wish to be reminded an hour before.',
  },
  {
    kind: 'week',
    wish: 'evenings',
    // What is planned later than that is near enough to be remembered.
    from: WEEK_MINUTES - DAY_MINUTES,
    until: WEEK_MINUTES,
    isFor: (session) => session.isOccasion,
    subject: (session) => `In a week: ${titleOf(session)}`,
    why: 'You get this because you come to it, and wish to be reminded a week before.',
  },
];

const whenOf = ({ date, time, minutes }: Beginning): string =>
  `${dateInWords(date)}, ${time} to ${addMinutes(time, minutes)}`;

const letterFor = (way: Way, session: Beginning, address: string): Omit<LetterText, 'stop'> => ({
  subject: way.subject(session),
  says: [
    `${session.title}, ${whenOf(session)}.`,
    ...(session.description.trim() === '' ? [] : [session.description]),
  ],
  link: { words: 'To the door', address },
  why: way.why,
});

/** Reminds those who wish for it of one session, once, however many processes see that it is near. */
async function remindOf(glen: Glen, way: Way, session: Beginning): Promise<void> {
  const { seriesId, key, start } = session;
  await glen.db.transaction(async () => {
    if (!(await noteReminded(glen.db, session, way.kind))) return;
    const seat = letterFor(way, session, linkAddress(glen, session.code));
    const watch = await watchCodeOf(glen.db, session.linkId);
    const gallery = watch === null ? null : letterFor(way, session, watchAddress(glen, watch));
    const of = way.kind === 'hour' ? 'reminder' : 'evening';
    const everybody = await meantAt(glen.db, session);
    await tellEach(
      glen,
      way.wish,
      everybody.flatMap(({ personId, watches }) => {
        const letter = watches ? gallery : seat;
        if (!letter) return [];
        const once = `${of}:${seriesId}:${key}:${start}:${personId}`;
        // Never after the fact.
        return [{ personId, once, letter, thread: `session.${seriesId}.${key}`, until: start }];
      }),
    );
  });
}

/** Reminds people of what comes near in one way. */
async function remindBy(glen: Glen, way: Way): Promise<number> {
  const now = glen.clock.school();
  const near = await beginningBetween(
    glen.db,
    plusMinutes(now, way.from),
    plusMinutes(now, way.until),
  );
  const fresh = await notReminded(glen.db, near.filter(way.isFor), way.kind);
  // One that cannot be reminded of holds up no other.
  for (const session of fresh)
    await remindOf(glen, way, session).catch((error: unknown) =>
      glen.log.error({ err: error, session: session.seriesId }, 'nobody was reminded of a session'),
    );
  return fresh.length;
}

/** Reminds people of what begins within the hour, and of evenings a week before. */
export async function remind(glen: Glen): Promise<void> {
  let reminded = 0;
  for (const way of WAYS) reminded += await remindBy(glen, way);
  if (reminded > 0) glen.nudge();
}

/** Looks again and again for what comes near. */
export const reminders = (glen: Glen): Ticker =>
  new Ticker(glen, EVERY_MS, () => remind(glen), 'nobody can be reminded now');
