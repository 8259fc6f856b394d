import {
  addMinutes,
  classTitle,
  dateInWords,
  plusMinutes,
  toldBy,
  type LetterText,
} from '@glen/core';
import { linkAddress } from '../../addresses.js';
import type { Glen } from '../../glen.js';
import { Ticker } from '../../operating/ticker.js';
import { writeLetters, type NewLetter } from './letters.js';
import {
  beginningBetween,
  meantAt,
  noteReminded,
  notReminded,
  putWords,
  schoolTold,
  type Beginning,
  type Meant,
} from './reminderStore.js';
import { stopAddress } from './stop.js';

/** So long before a session begins people are reminded who wish for it. */
const BEFORE_MINUTES = 60;
const EVERY_MS = 5000;

const whenOf = ({ date, time, minutes }: Beginning): string =>
  `${dateInWords(date)}, ${time} to ${addMinutes(time, minutes)}`;

const titleOf = (session: Beginning): string =>
  classTitle({ title: session.classTitle, period: session.period });

const letterFor = (glen: Glen, session: Beginning, { personId }: Meant): LetterText => ({
  subject: `At ${session.time}: ${titleOf(session)}`,
  says: [
    `${session.title}, ${whenOf(session)}.`,
    ...(session.description.trim() === '' ? [] : [session.description]),
  ],
  link: { words: 'To the door', address: linkAddress(glen, session.code) },
  why: 'You get this because you wish to be reminded an hour before.',
  stop: stopAddress(glen, personId, 'reminders'),
});

const reminderOf = (
  glen: Glen,
  session: Beginning,
  meant: Meant & { email: string },
): NewLetter => ({
  kind: 'reminders',
  once: `reminder:${session.seriesId}:${session.key}:${session.start}:${meant.personId}`,
  to: { personId: meant.personId, name: meant.name, address: meant.email },
  letter: letterFor(glen, session, meant),
  thread: `session.${session.seriesId}.${session.key}`,
  // Never after the fact.
  until: session.start,
});

const hasAddress = (meant: Meant): meant is Meant & { email: string } => meant.email !== null;

/** Reminds those who wish for it of one session, once, however many processes see that it is near. */
async function remindOf(glen: Glen, session: Beginning): Promise<void> {
  await glen.db.transaction(async () => {
    if (!(await noteReminded(glen.db, session))) return;
    const school = await schoolTold(glen.db);
    const everybody = await meantAt(glen.db, session);
    const ways = (meant: Meant) => toldBy('reminders', meant.told, school);
    const letters = everybody.filter((meant) => ways(meant) === 'mail').filter(hasAddress);
    await writeLetters(
      glen,
      letters.map((meant) => reminderOf(glen, session, meant)),
    );
    const readers = everybody.filter((one) => ways(one) !== 'none').map((one) => one.personId);
    await putWords(glen.db, readers, {
      title: `At ${session.time}: ${titleOf(session)}`,
      text: `${session.title}, ${whenOf(session)}.`,
      at: glen.clock.school(),
    });
    for (const id of readers) await glen.announce(`person:${id}`, { thing: 'notices', id });
  });
}

/** Reminds people of what begins within the hour. */
export async function remind(glen: Glen): Promise<void> {
  const now = glen.clock.school();
  const soon = await beginningBetween(glen.db, now, plusMinutes(now, BEFORE_MINUTES));
  const fresh = await notReminded(glen.db, soon);
  // One that cannot be reminded of holds up no other.
  for (const session of fresh)
    await remindOf(glen, session).catch((error: unknown) =>
      glen.log.error({ err: error, session: session.seriesId }, 'nobody was reminded of a session'),
    );
  if (fresh.length > 0) glen.nudge();
}

/** Looks again and again for what begins within the hour. */
export const reminders = (glen: Glen): Ticker =>
  new Ticker(glen, EVERY_MS, () => remind(glen), 'nobody can be reminded now');
