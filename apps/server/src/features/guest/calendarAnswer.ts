import { readReply, type CalendarReply } from '@glen/core';
import type { CalendarEntryRow } from '../../db/models/CalendarEntry.js';
import type { Glen } from '../../glen.js';
import { uidOf } from './calendarPart.js';
import { heldEntryById, invitationOf } from './calendarStore.js';
import { noteSaid } from './invitations.js';
import { writeSaid } from './listStore.js';

/** In UTC, as DTSTAMP has to be (RFC 5545 §3.8.7.2). */
const isInstant = (text: string): boolean =>
  /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\dZ$/.test(text) && !Number.isNaN(Date.parse(text));

/** Whether an answer is to what this guest has in their calendar, by themselves, and not older than their last (RFC 5546 §2.1.5). */
function isOf(glen: Glen, entry: CalendarEntryRow, reply: CalendarReply): boolean {
  if (reply.uid !== uidOf(glen, entry) || reply.attendee !== entry.email.toLowerCase())
    return false;
  if (!isInstant(reply.at) || reply.sequence > entry.sequence) return false;
  return entry.answered_at === null || reply.at >= entry.answered_at;
}

/** Takes what a guest's calendar answers to an invitation; anything else is passed over in silence, so that no mail ever goes round. */
export async function takeCalendarAnswer(
  glen: Glen,
  entryId: number,
  ics: string | null,
): Promise<void> {
  const reply = ics === null ? null : readReply(ics);
  if (!reply) return;
  await glen.db.transaction(async () => {
    const entry = await heldEntryById(glen.db, entryId);
    if (!entry || !isOf(glen, entry, reply)) return;
    await entry.update({ answered_at: reply.at });
    const [guest] = await writeSaid(glen.db, invitationOf(entry), reply.said);
    if (guest) await noteSaid(glen, { linkId: entry.link_id, by: null }, reply.said);
  });
}
