import { headerText, renderLetter, type LetterText } from '@glen/core';
import { inParts } from '../../db/inParts.js';
import type { Glen } from '../../glen.js';
import type { Mailbox, OutgoingLetter } from '../../outside/mail.js';
import { OutsideError } from '../../outside/outsideError.js';
import { insertLetters, letterById, settleLetter } from './store.js';

/** A letter to somebody. */
export interface NewLetter {
  /** Of which kind people choose whether they get it. */
  kind: LetterKind;
  /** What it is about, so that nobody gets two of it. */
  once: string;
  to: Mailbox & { personId: number | null };
  letter: LetterText;
  /** Who answers. */
  replyTo?: Mailbox | null;
  /** What it belongs to, in mail programs. */
  thread?: string;
  /** An instant of school time: later it is worth nothing. */
  until?: string;
  calendar?: OutgoingLetter['calendar'];
}

export type LetterKind = 'asked' | 'changes' | 'reminders';

/** What is kept of a letter until it is sent. */
type Sealed = Pick<OutgoingLetter, 'replyTo' | 'text' | 'html' | 'stop' | 'calendar'>;

const sealKey = (once: string): string => `letter ${once}`;

function rowOf(
  glen: Glen,
  { kind, once, to, letter, replyTo, thread, until, calendar }: NewLetter,
) {
  const { subject, text, html } = renderLetter(letter, glen.config.publicUrl);
  const sealed: Sealed = {
    replyTo: replyTo ?? null,
    text,
    html,
    stop: letter.stop,
    calendar: calendar ?? null,
  };
  return {
    kind,
    once,
    person_id: to.personId,
    name: headerText(to.name),
    email: to.address,
    subject,
    sealed: glen.tokens.seal(sealKey(once), JSON.stringify(sealed)),
    thread: thread ?? null,
    until_at: until ?? null,
    made_at: glen.clock.machine(),
  };
}

/**
 * Has letters be sent, within the transaction that makes them necessary; where no mail service is set up nobody is
 * written to. One that was written before is not written again.
 */
export async function writeLetters(glen: Glen, letters: NewLetter[]): Promise<void> {
  if (!glen.mail || letters.length === 0) return;
  for (const part of inParts(letters)) {
    const rows = part.map((letter) => rowOf(glen, letter));
    for (const id of await insertLetters(glen.db, rows))
      await glen.enqueue({ kind: 'letter', subject: String(id) });
  }
}

const hostOf = ({ config }: Glen): string => new URL(config.publicUrl).hostname;

const OTHER_SECRET = 'It was sealed under another secret.';

/** What a letter says; nothing where the installation has begun anew with another secret since. */
function unsealed({ tokens }: Glen, once: string, sealed: string): Sealed | null {
  try {
    return JSON.parse(tokens.open(sealKey(once), sealed)) as Sealed;
  } catch {
    return null;
  }
}

/**
 * Sends a letter that waits. Whoever is stopped between the sending and the note sends it once more, under the same
 * Message-ID: mail cannot do it exactly once.
 */
export async function sendLetter(glen: Glen, id: number): Promise<void> {
  const row = await letterById(glen.db, id);
  if (row?.state !== 'waiting') return;
  const { once, name, email, subject, thread, until_at: until } = row;
  if (until !== null && until <= glen.clock.school())
    return settleLetter(glen.db, id, { state: 'dropped' });
  if (!glen.mail) throw new OutsideError('No mail service is set up just now.');
  const sealed = unsealed(glen, once, row.sealed);
  if (!sealed) return settleLetter(glen.db, id, { state: 'dropped', why: OTHER_SECRET });
  const host = hostOf(glen);
  try {
    await glen.mail.send({
      ...sealed,
      to: { name, address: email },
      subject,
      messageId: `letter.${id}.${Date.parse(row.made_at) / 1000}@${host}`,
      thread: thread && `${thread}@${host}`,
    });
  } catch (error) {
    if (!(error instanceof OutsideError) || !error.permanent) throw error;
    return settleLetter(glen.db, id, { state: 'refused', why: error.message });
  }
  await settleLetter(glen.db, id, { state: 'sent', sentAt: glen.clock.machine() });
}
