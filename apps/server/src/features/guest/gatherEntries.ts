import { toldBy, type CalendarPart } from '@glen/core';
import type { CalendarEntryRow } from '../../db/models/CalendarEntry.js';
import type { GuestRow } from '../../db/models/Guest.js';
import type { Glen } from '../../glen.js';
import { personWithAddress } from '../accounts/store.js';
import { writeLetters, type NewLetter } from '../mail/letters.js';
import { stopAddress } from '../mail/stop.js';
import { toldWishesOf } from '../mail/store.js';
import { standingOf, tellCalendar, type Standing } from './calendarPart.js';
import { entriesOfClass, guestsOfEntries } from './calendarStore.js';
import { doorOf, partiesOf, writerOf, type Writer } from './writer.js';

/** So many dates are written out; a calendar has them all. */
const MOST_DATES = 10;

/** A guest's entry, with what has become of what it is of. */
interface Changed {
  entry: CalendarEntryRow;
  /** Nobody where they are invited no more. */
  guest: GuestRow | undefined;
  standing: Standing;
}

/** Whether their calendar has it otherwise than it stands. Of what is over nobody is told anything. */
function isNews({ entry, guest, standing }: Changed): boolean {
  if (standing.series && !standing.isAhead) return false;
  if (!guest || !standing.series) return entry.method === 'REQUEST';
  return guest.said !== 'no' && entry.digest !== standing.digest;
}

function saysOf({ entry, guest, standing }: Changed, part: CalendarPart): string[] {
  const title = standing.series?.title ?? entry.title;
  if (!guest) return [`You are not expected at ${title} any more.`];
  if (part.method === 'CANCEL') return [`${title} is cancelled.`];
  return [`This is how ${title} stands now:`];
}

const SUBJECTS = { ended: 'Not expected any more', CANCEL: 'Cancelled', REQUEST: 'Changed' };

function letterOf(changed: Changed, part: CalendarPart, address: string) {
  const { entry, guest, standing } = changed;
  const title = standing.series?.title ?? entry.title;
  const isOn = guest !== undefined && part.method === 'REQUEST';
  const { dates } = standing;
  const more = dates.length - MOST_DATES;
  const listed = [...dates.slice(0, MOST_DATES), ...(more > 0 ? [`and ${more} more`] : [])];
  return {
    subject: `${SUBJECTS[guest ? part.method : 'ended']}: ${title}`,
    says: [...saysOf(changed, part), ...(isOn ? [listed] : [])],
    link: isOn ? { words: 'To the door', address } : null,
    why: 'You get this because you were invited, and what you were told has changed.',
  };
}

/** Where a guest who has an account says that they want no more; null for whoever has none; `none` where they did. */
async function stopOf(glen: Glen, email: string): Promise<string | null | 'none'> {
  const personId = await personWithAddress(glen.db, email);
  const person = personId === undefined ? undefined : await toldWishesOf(glen.db, personId);
  if (personId === undefined || !person) return null;
  if (toldBy('changes', person.told, person.schoolTold) !== 'mail') return 'none';
  return stopAddress(glen, personId, 'changes');
}

async function tell(glen: Glen, writer: Writer, changed: Changed): Promise<NewLetter[]> {
  const { entry, guest, standing } = changed;
  const stop = await stopOf(glen, entry.email);
  if (stop === 'none') return [];
  const to = { name: guest?.name ?? '', address: entry.email };
  const isWithdrawn = guest === undefined;
  const parties = partiesOf(glen, writer, { entryId: entry.id, attendee: to, isWithdrawn });
  const address = await doorOf(glen, entry.link_id, guest?.comes);
  const calendar = await tellCalendar(glen, entry, standing, { ...parties, address });
  const letter = letterOf(changed, calendar, address);
  return [
    {
      kind: 'changes',
      isUrgent: standing.isSoon,
      once: `entry:${entry.id}:${entry.sequence}`,
      to: { personId: null, ...to },
      replyTo: writer.replyTo,
      thread: `guest.${entry.link_id}`,
      letter: { ...letter, stop },
      calendar,
    },
  ];
}

/** Each thing that guests are invited to as it stands, looked up once however many they are. */
function standings(glen: Glen): (entry: CalendarEntryRow) => Promise<Standing> {
  const known = new Map<string, Promise<Standing>>();
  return ({ series_id: seriesId, key_date: key }) => {
    const of = `${seriesId} ${key}`;
    const found = known.get(of) ?? standingOf(glen, { seriesId, key });
    known.set(of, found);
    return found;
  };
}

/**
 * Writes to those guests of a class period who have it in their calendars by a letter of ours, where what they have there is
 * not how it stands: one letter each, whatever happened meanwhile.
 */
export async function gatherEntries(glen: Glen, classId: number): Promise<void> {
  if (!glen.mail) return;
  await glen.db.transaction(async () => {
    const entries = await entriesOfClass(glen.db, classId);
    if (entries.length === 0) return;
    const guests = await guestsOfEntries(glen.db, entries);
    const standing = standings(glen);
    const writer = await writerOf(glen, classId);
    for (const entry of entries) {
      const changed = { entry, guest: guests.get(entry.id), standing: await standing(entry) };
      if (isNews(changed)) await writeLetters(glen, await tell(glen, writer, changed));
    }
  });
  glen.nudge();
}
