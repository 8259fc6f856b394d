import { z } from 'zod';
import { GUEST_COMES } from '@glen/core/light';
import { date, id, line, text, version } from './basics.js';

// The guests of a link: from outside the school, by name and address, for the link, a series or one date.

const comes = z.enum(GUEST_COMES);
const said = z.enum(['yes', 'no']).nullable();
const ofDates = { seriesId: id.optional(), key: date.optional() };

const guest = z.object({
  id,
  version,
  name: z.string(),
  email: z.string(),
  comes,
  seriesId: id.nullable(),
  key: date.nullable(),
  /** What they are invited to, where that is not the link at any time: `on Thu 5 Nov, 19:00`. */
  when: z.string(),
  said,
  /** Their name and address are not kept any more. */
  hasEnded: z.boolean(),
  /** Why the last letter to them was refused, where it was. */
  refused: z.string().nullable(),
});
export const guestsAnswer = z.object({
  guests: z.array(guest),
  /** Where the link can be watched, by whoever may enter, and never joined. */
  watchAddress: z.string().nullable(),
  /** The rules in force let people watch. */
  mayWatch: z.boolean(),
  /** A mail service is set up: a guest's way in can be sent to them. */
  mails: z.boolean(),
});

/** About 400 lines of a name and an address. */
const MOST_TEXT = 60000;
export const addGuestsBody = z
  .object({ text: text(MOST_TEXT).min(1, 'Give an address.'), comes, ...ofDates })
  .refine((b) => b.key === undefined || b.seriesId !== undefined, {
    path: ['seriesId'],
    message: 'Say of which series.',
  });
export const editGuestBody = z.object({ guestId: id, version, name: line(120), comes });
export const withdrawGuestBody = z.object({ guestId: id });
export const watchAddressBody = z.object({ has: z.boolean() });

/** Something that somebody is invited to as a guest. */
const invitation = z.object({
  guestId: id,
  title: z.string(),
  host: z.string(),
  when: z.string(),
  comes,
  said,
});
export const invitationsAnswer = z.object({ invitations: z.array(invitation) });
export const sayBody = z.object({ said });
export const answerInvitationBody = z.object({ guestId: id, said });
/** What a one-time address invites to. */
export const guestForAnswer = z.object({
  school: z.string(),
  title: z.string(),
  host: z.string(),
  email: z.string(),
  /** What the host calls them; empty: not said. */
  name: z.string(),
  /** Where that is not the link at any time. */
  when: z.array(z.string()),
  code: z.string(),
  /** The code leads to a way in to watch, and to nothing else. */
  watches: z.boolean(),
  said,
  /** They have an account that is more than a guest's, and sign in with it. */
  signsIn: z.boolean(),
});
