import { classTitle, renderLetter, type LetterText } from '@glen/core';
import type { GuestRow } from '../../db/models/Guest.js';
import type { Glen } from '../../glen.js';
import { personById } from '../accounts/store.js';
import { linkById } from '../link/store.js';
import { letterFile } from '../../outside/letterFile.js';
import { writeLetters, type NewLetter } from '../mail/letters.js';
import { classById } from '../school/classes.sql.js';
import { readSchool } from '../school/store.js';
import { standingOf, tellCalendar, type Standing } from './calendarPart.js';
import { heldEntry, onlySeriesOf } from './calendarStore.js';
import { invitationsTo, whenInWords } from './listStore.js';
import { doorOf, partiesOf, writerOf, type Writer } from './writer.js';

interface WayIn {
  linkId: number;
  by: number;
  email: string;
  address: string;
  /** Each way in is a letter of its own. */
  once: string;
}

/** An invitation whose dates a calendar can keep. */
interface Dated {
  guest: GuestRow;
  seriesId: number;
  standing: Standing;
}

/** Those of some invitations that are to something ahead; what is held on a link alone counts for whoever is invited at any time. */
async function datedOf(glen: Glen, linkId: number, invitations: GuestRow[]): Promise<Dated[]> {
  const dated: Dated[] = [];
  for (const guest of invitations) {
    const seriesId = guest.series_id || (await onlySeriesOf(glen.db, linkId));
    if (seriesId === null) continue;
    const standing = await standingOf(glen, { seriesId, key: guest.key_date });
    if (standing.series && standing.dates.length > 0) dated.push({ guest, seriesId, standing });
  }
  return dated;
}

/** What a calendar keeps of one invitation. */
async function partOf(glen: Glen, writer: Writer, { guest, seriesId, standing }: Dated) {
  const { link_id: linkId, email, name, key_date: key } = guest;
  const of = { linkId, email, seriesId, key, always: guest.series_id === 0 };
  const entry = await heldEntry(glen.db, of, standing.series!.title);
  const attendee = { name, address: email };
  const parties = partiesOf(glen, writer, { entryId: entry.id, attendee, isWithdrawn: false });
  const door = await doorOf(glen, linkId, guest.comes);
  return tellCalendar(glen, entry, standing, { ...parties, address: door });
}

/** A message tells calendars of one thing: whoever is invited to more gets a letter more for each. */
const more = (letter: LetterText, once: string, { guest, standing }: Dated) => ({
  once: `${once}:${guest.id}`,
  letter: {
    ...letter,
    subject: `For your calendar: ${standing.series!.title}`,
    says: [`${standing.series!.title}:`, standing.dates.slice(0, 10)],
    link: null,
  },
});

/** A guest's way in, and what it is to. */
async function wayInLetter(glen: Glen, { linkId, by, email, address, once }: WayIn) {
  const link = (await linkById(glen.db, linkId))!;
  const [row, host, invitations, { name: school }] = await Promise.all([
    classById(glen.db, link.class_id, by),
    personById(glen.db, by),
    invitationsTo(glen.db, linkId, email),
    readSchool(glen.db),
  ]);
  const writer = await writerOf(glen, link.class_id, host);
  const title = classTitle(row!);
  const when = await whenInWords(glen.db, invitations);
  const times = invitations.map(when).filter(Boolean);
  const name = invitations.map((one) => one.name).find(Boolean) ?? '';
  const letter = {
    subject: `You are invited: ${title}`,
    says: [
      `${writer.name} invites you to ${title}, ${school}.`,
      ...(times.length > 0 ? [times] : []),
      'The address below is your way in. It works once, for you alone: it shows that this mailbox is yours. From then on you find your door by signing in.',
    ],
    link: { words: 'My way in', address },
    why: `You get this because ${writer.name} has put this address on the list of guests.`,
    stop: null,
  };
  const to = { name, address: email };
  const sent: NewLetter = {
    kind: 'asked',
    once: `way-in:${once}`,
    to: { personId: null, ...to },
    replyTo: writer.replyTo,
    thread: `guest.${linkId}`,
    letter,
  };
  return { letter, sent, writer, to, invitations };
}

/** Sends a guest their way in, to the address that it proves to be theirs, with what their calendar keeps of it. */
export async function mailWayIn(glen: Glen, way: WayIn): Promise<void> {
  const { letter, sent, writer, invitations } = await wayInLetter(glen, way);
  const [first, ...others] = await datedOf(glen, way.linkId, invitations);
  const calendar = first && (await partOf(glen, writer, first));
  await writeLetters(glen, [{ ...sent, ...(calendar ? { calendar } : {}) }]);
  for (const other of others)
    await writeLetters(glen, [
      { ...sent, ...more(letter, sent.once, other), calendar: await partOf(glen, writer, other) },
    ]);
}

/** The same as a letter that a host sends with a mail program of their own. */
export async function fileWayIn(glen: Glen, way: WayIn): Promise<string> {
  const { letter, writer, to } = await wayInLetter(glen, way);
  const { subject, text, html } = renderLetter(letter, glen.config.publicUrl);
  return letterFile({ from: writer.replyTo, to: [to], unseen: [], subject, text, html });
}
