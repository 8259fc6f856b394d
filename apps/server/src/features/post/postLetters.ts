import { sessionIcs, toldBy } from '@glen/core';
import { linkAddress } from '../../addresses.js';
import type { Glen } from '../../glen.js';
import { OutsideError } from '../../outside/outsideError.js';
import { writeLetters, type NewLetter } from '../mail/letters.js';
import {
  dropWaiting,
  lettersAbout,
  noteNotSent,
  recipients,
  type Recipient,
} from '../mail/postLetterStore.js';
import { putWords, schoolTold } from '../mail/reminderStore.js';
import { stopAddress } from '../mail/stop.js';
import { mailAddressOf } from '../mail/store.js';
import type { PlacementRow } from './placements.sql.js';
import { notePlaced, type MailBody } from './placementStore.js';
import { authorOf, sessionOf } from './store.js';

/** What is said where the mail service has been taken away since. */
const NO_MAIL = 'No mail service is set up here.';

/** A calendar file of the session that a placement speaks of, where its letters have one along. */
async function fileOf(
  glen: Glen,
  row: PlacementRow,
  body: MailBody,
): Promise<NewLetter['attached']> {
  const session = body.withCalendar ? await sessionOf(glen.db, row.occurrence_id) : null;
  if (!session) return null;
  const { host } = new URL(glen.config.publicUrl);
  return {
    filename: 'session.ics',
    ics: sessionIcs({
      uid: `session-${session.series_id}-${session.key_date}@${host}`,
      sequence: session.series!.version,
      title: session.title,
      description: session.description,
      start: session.start_at,
      end: session.end_at,
      cancelled: session.status === 'cancelled',
      address: linkAddress(glen, row.code),
      madeAt: glen.clock.machine(),
    }),
  };
}

/** One letter each: where the link is replaced, one more with the new. */
const onceFor = (row: PlacementRow, personId: number): string =>
  `post:${row.id}:${row.code}:${personId}`;

/** What all letters of a placement have in common. */
async function commonOf(glen: Glen, row: PlacementRow, body: MailBody) {
  const author = await authorOf(glen.db, row.post_id);
  const address = author && (await mailAddressOf(glen.db, author.id));
  return {
    kind: 'posts' as const,
    placementId: row.id,
    replyTo: author && address ? { name: author.name, address } : null,
    thread: `post.${row.post_id}`,
    attached: await fileOf(glen, row, body),
    by: author?.name ?? '',
  };
}

/** Those who are to be told and have not been, and how they wish to hear. */
async function newReaders(glen: Glen, row: PlacementRow, { readers }: MailBody) {
  const known = await lettersAbout(glen.db, row.id);
  const school = await schoolTold(glen.db);
  const fresh = (await recipients(glen.db, readers)).filter((r) => !known.has(onceFor(row, r.id)));
  const wayOf = ({ told }: Recipient) => toldBy('posts', told, school);
  const isMailed = (r: Recipient): r is Recipient & { email: string } =>
    r.email !== null && wayOf(r) === 'mail';
  return {
    mailed: fresh.filter(isMailed),
    others: fresh.filter((r) => !isMailed(r)),
    inGlen: fresh.filter((r) => wayOf(r) !== 'none').map((r) => r.id),
  };
}

/** Writes to all who are to read it and have not been written to. */
async function writeTo(glen: Glen, row: PlacementRow, body: MailBody): Promise<void> {
  const { subject, text, html } = body;
  const { mailed, others, inGlen } = await newReaders(glen, row, body);
  const { by, ...common } = await commonOf(glen, row, body);
  const why = `${by} wrote this to you in Glen.`;
  await writeLetters(
    glen,
    mailed.map(({ id, name, email }) => ({
      ...common,
      once: onceFor(row, id),
      to: { personId: id, name, address: email },
      letter: { subject, text, html, why, stop: stopAddress(glen, id, 'posts') },
    })),
  );
  await noteNotSent(
    glen.db,
    row.id,
    others.map((recipient) => ({
      kind: 'posts',
      once: onceFor(row, recipient.id),
      recipient,
      subject,
      at: glen.clock.machine(),
    })),
  );
  await putWords(glen.db, inGlen, { title: subject, text, at: glen.clock.school() });
  for (const id of inGlen) await glen.announce(`person:${id}`, { thing: 'notices', id });
}

/** Brings letters in line with what ought to be: those not written are, those not sent yet are held back where it is off. */
export async function syncLetters(glen: Glen, row: PlacementRow, body: MailBody): Promise<void> {
  if (!glen.mail) throw new OutsideError(NO_MAIL, true);
  await glen.db.transaction(async () => {
    if (row.wish === 'gone' || body.isOff) await dropWaiting(glen.db, row.id);
    else await writeTo(glen, row, body);
    await notePlaced(glen.db, row, glen.clock.school());
  });
  glen.nudge();
}
