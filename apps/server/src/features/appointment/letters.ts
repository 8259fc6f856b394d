import { createHash } from 'node:crypto';
import { counted, dateInWords, wallClockAt, type LetterText } from '@glen/core';
import type { AppointmentGuestRow } from '../../db/models/AppointmentGuest.js';
import type { Glen } from '../../glen.js';
import { personById } from '../accounts/store.js';
import { asWriter } from '../guest/writer.js';
import { writeLetters } from '../mail/letters.js';
import { readSchool } from '../school/store.js';
import { clockOf } from '../signUp/sessions.js';
import { addressOf } from './guests.js';
import { appointmentsOf, type Appointment, type Part } from './parts.js';
import { noteTold, peopleByAddress, type Evening } from './store.js';

interface Writing {
  once: string;
  guest: AppointmentGuestRow;
  subject: string;
  says: LetterText['says'];
  words: string;
}

async function write(glen: Glen, { evening }: Evening, all: Writing[]): Promise<void> {
  const maker = await personById(glen.db, evening.made_by);
  const writer = await asWriter(glen, maker!);
  const why = `You get this because ${writer.name} has invited this address to ${evening.title}.`;
  await writeLetters(
    glen,
    all.map(({ once, guest, subject, says, words }) => ({
      kind: 'asked' as const,
      once: `appointments:${once}`,
      to: { personId: null, name: guest.name, address: guest.email },
      replyTo: writer.replyTo,
      thread: `appointments.${evening.id}`,
      letter: { subject, says, link: { words, address: addressOf(glen, guest) }, why, stop: null },
    })),
  );
}

async function whenInWords(glen: Glen, { evening }: Evening): Promise<string> {
  const { zone } = (await readSchool(glen.db)).calendar;
  const { date, time } = wallClockAt(evening.start_at, zone);
  return `${dateInWords(date, 'with-year')}, ${time}–${wallClockAt(evening.end_at, zone).time}`;
}

/** What a guest has, a line each. */
const linesOf = (
  appointments: Appointment[],
  { zone, day }: { zone: string; day: string },
): string[] =>
  appointments.map(({ slot, part, signUp }) => {
    const { time, end } = clockOf(slot, zone);
    const date = part.cut!.date.local_date;
    const other = date === day ? '' : `${dateInWords(date)}, `;
    const about = signUp.about === '' ? '' : ` (${signUp.about})`;
    return `${other}${time}–${end} ${part.name}, ${part.classTitle}${about}`;
  });

/** Invites guests to choose whom they see when. */
export async function inviteToChoose(
  glen: Glen,
  one: Evening,
  { parts, guests }: { parts: Part[]; guests: AppointmentGuestRow[] },
): Promise<void> {
  const { name: school } = await readSchool(glen.db);
  const { title } = one.evening;
  const says = [
    `You are invited to ${title}, ${await whenInWords(glen, one)}, ${school}.`,
    `You see each teacher by appointment, by video. ${counted(parts.length, 'teacher is', 'teachers are')} there:`,
    parts.map(({ name, classTitle }) => `${name}, ${classTitle}`),
    'Choose your times at the address below. You need no account. The address is yours alone: whoever you pass it on to chooses for you.',
  ];
  await write(
    glen,
    one,
    guests.map((guest) => ({
      once: `invited:${guest.id}`,
      guest,
      subject: `Choose your times: ${title}`,
      says,
      words: 'Choose my times',
    })),
  );
}

type Why = 'chosen' | 'changed' | 'tomorrow';

const SUBJECTS: Record<Why, string> = {
  chosen: 'Your times',
  changed: 'Your times have changed',
  tomorrow: 'Tomorrow',
};

/** What somebody has, told apart from anything else that they could have. */
export const digestOf = (appointments: Appointment[]): string =>
  createHash('sha256')
    .update(
      JSON.stringify(
        appointments.map(({ slot, part, signUp }) => [slot.start, part.seriesId, signUp.about]),
      ),
    )
    .digest('hex');

interface Telling {
  parts: Part[];
  guests: AppointmentGuestRow[];
  onceOf: (guest: AppointmentGuestRow) => string;
  why: Why;
}

/** Tells guests what they have now, and notes that they know. */
export async function tellWhatTheyHave(
  glen: Glen,
  one: Evening,
  { parts, guests, onceOf, why }: Telling,
): Promise<void> {
  const { zone } = (await readSchool(glen.db)).calendar;
  const { title } = one.evening;
  const people = await peopleByAddress(
    glen.db,
    guests.map(({ email }) => email),
  );
  const when = await whenInWords(glen, one);
  const day = wallClockAt(one.evening.start_at, zone).date;
  const hasOf = ({ email }: AppointmentGuestRow): Appointment[] =>
    appointmentsOf(parts, people.get(email));
  for (const guest of guests) await noteTold(glen.db, guest.id, digestOf(hasOf(guest)));
  if (!glen.mail) return;
  const writings = guests.map((guest): Writing => {
    const has = linesOf(hasOf(guest), { zone, day });
    return {
      once: onceOf(guest),
      guest,
      subject: `${SUBJECTS[why]}: ${title}`,
      says: has.length === 0 ? ['You have no appointment now.'] : [`${title}, ${when}:`, has, HOW],
      words: 'My times and my way in',
    };
  });
  await write(glen, one, writings);
}

const HOW =
  'Each is on a link of its own: on the evening, go from one to the next on the page below. Whose time it is goes straight in.';
