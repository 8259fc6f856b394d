import { dateInWords, type LetterText } from '@glen/core';
import type { Glen } from '../../glen.js';
import type { PollGuestRow } from '../../db/models/PollGuest.js';
import { writerOf } from '../guest/writer.js';
import { writeLetters } from '../mail/letters.js';
import { personById } from '../accounts/store.js';
import { readSchool } from '../school/store.js';
import { closesAt, offeredAt } from './describe.js';
import type { Poll } from './pollStore.js';

/** The offered times as a list. */
async function timesInWords(
  glen: Glen,
  { poll, times }: Poll,
  only?: Set<number>,
): Promise<string[]> {
  const { zone } = (await readSchool(glen.db)).calendar;
  return times
    .filter(({ id }) => only === undefined || only.has(id))
    .map((time) => offeredAt(time, poll.minutes, zone))
    .map(({ date, time, until }) => `${dateInWords(date, 'with-year')}, ${time}–${until}`);
}

interface Writing {
  once: string;
  guest: PollGuestRow;
  letter: Omit<LetterText, 'why' | 'stop'>;
}

async function write(glen: Glen, { poll }: Poll, writings: Writing[]): Promise<void> {
  const host = await personById(glen.db, poll.made_by);
  const writer = await writerOf(glen, poll.class_id, host ?? undefined);
  const why = `You get this because ${writer.name} asks you for a time.`;
  await writeLetters(
    glen,
    writings.map(({ once, guest, letter }) => ({
      kind: 'asked' as const,
      once,
      to: { personId: null, name: guest.name, address: guest.email },
      replyTo: writer.replyTo,
      thread: `poll.${poll.id}`,
      letter: { ...letter, why, stop: null },
    })),
  );
}

/** Asks each guest to choose, at an address of their own. */
export async function askToChoose(
  glen: Glen,
  one: Poll,
  addresses: { email: string; address: string }[],
): Promise<void> {
  const { poll, guests } = one;
  const { name: school, calendar } = await readSchool(glen.db);
  const { date, time } = closesAt(one, calendar.zone);
  const times = await timesInWords(glen, one);
  const addressOf = new Map(addresses.map(({ email, address }) => [email, address]));
  await write(
    glen,
    one,
    guests.map((guest) => ({
      once: `choose:${guest.id}`,
      guest,
      letter: {
        subject: `Which time suits you? ${poll.title}`,
        says: [
          `${poll.title}, ${poll.minutes} minutes, ${school}. These times are offered:`,
          times,
          `Say which of them suit you by ${dateInWords(date)}, ${time}. You need no account. The address below is yours alone: whoever you pass it on to answers for you.`,
        ],
        link: { words: 'Choose a time', address: addressOf.get(guest.email)! },
      },
    })),
  );
}

/** Tells a guest what was said in their name: their address may have been passed on. */
export async function confirmChoice(
  glen: Glen,
  one: Poll,
  { guest, timeIds, address }: { guest: PollGuestRow; timeIds: number[]; address: string },
): Promise<void> {
  const times = await timesInWords(glen, one, new Set(timeIds));
  await write(glen, one, [
    {
      once: `chose:${guest.id}:${guest.version}`,
      guest,
      letter: {
        subject: `What suits you: ${one.poll.title}`,
        says: [
          ...(times.length > 0
            ? ['By your address these times were said to suit you:', times]
            : ['By your address it was said that none of the times suits you.']),
          'If that was not you, or you think otherwise now, choose again below.',
        ],
        link: { words: 'Choose again', address },
      },
    },
  ]);
}

/** Tells those whom it was settled without; whoever comes is invited. */
export async function tellSettled(glen: Glen, one: Poll, guests: PollGuestRow[]): Promise<void> {
  const { poll } = one;
  const settled =
    poll.time_id === null ? [] : await timesInWords(glen, one, new Set([poll.time_id]));
  const says =
    settled.length > 0
      ? [
          `It is held ${settled[0]!}. By what you said that does not suit you, so you are not expected.`,
        ]
      : ['None of the times it was offered at has come about. Nothing is planned.'];
  await write(
    glen,
    one,
    guests.map((guest) => ({
      once: `settled:${guest.id}`,
      guest,
      letter: { subject: `${poll.title}: how it was settled`, says, link: null },
    })),
  );
}

/** Tells everybody who was asked that the times are offered no longer. */
export const tellTakenBack = (glen: Glen, one: Poll): Promise<void> =>
  write(
    glen,
    one,
    one.guests.map((guest) => ({
      once: `taken-back:${guest.id}`,
      guest,
      letter: {
        subject: `${one.poll.title}: no time is asked for any more`,
        says: ['The times that you were offered were taken back. You need not answer.'],
        link: null,
      },
    })),
  );
