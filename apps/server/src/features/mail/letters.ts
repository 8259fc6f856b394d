import {
  headerText,
  plusSeconds,
  quietMinutes,
  renderLetter,
  wallClockAt,
  wrapLetter,
  type LetterText,
  type ReadyLetter,
  type ToldKind,
} from '@glen/core';
import { inParts } from '../../db/inParts.js';
import type { Glen } from '../../glen.js';
import type { Mailbox, OutgoingLetter } from '../../outside/mail.js';
import { OutsideError } from '../../outside/outsideError.js';
import { readSchool } from '../school/store.js';
import { classOfSentPlacement } from './postLetterStore.js';
import { isOvertaken } from './overtakenStore.js';
import { insertLetters, letterById, settleLetter } from './store.js';

/** A letter to somebody. */
export interface NewLetter {
  /** Of which kind people choose whether they get it. */
  kind: LetterKind;
  /** What it is about, so that nobody gets two of it. */
  once: string;
  to: Mailbox & { personId: number | null };
  letter: LetterText | ReadyLetter;
  /** The place of a post that it is of. */
  placementId?: number;
  /** Who answers. */
  replyTo?: Mailbox | null;
  /** What it belongs to, in mail programs. */
  thread?: string;
  /** An instant of school time: later it is worth nothing. */
  until?: string;
  /** It is about what comes before a night is over: no quiet hours hold it back. */
  isUrgent?: boolean;
  calendar?: OutgoingLetter['calendar'];
  attached?: OutgoingLetter['attached'];
}

export type LetterKind = 'asked' | ToldKind;

/** What is kept of a letter until it is sent. */
type Sealed = Pick<OutgoingLetter, 'replyTo' | 'text' | 'html' | 'stop' | 'calendar' | 'attached'>;

const sealKey = (once: string): string => `letter ${once}`;

const rendered = (glen: Glen, letter: NewLetter['letter']) =>
  'says' in letter ? renderLetter(letter, glen.config.publicUrl) : wrapLetter(letter);

function rowOf(glen: Glen, { kind, once, to, letter, ...more }: NewLetter) {
  const { subject, text, html } = rendered(glen, letter);
  const { replyTo, thread, until, calendar, attached, placementId } = more;
  const sealed: Sealed = {
    replyTo: replyTo ?? null,
    text,
    html,
    stop: letter.stop,
    calendar: calendar ?? null,
    attached: attached ?? null,
  };
  return {
    kind,
    once,
    person_id: to.personId,
    placement_id: placementId ?? null,
    name: headerText(to.name),
    email: to.address,
    subject,
    sealed: glen.tokens.seal(sealKey(once), JSON.stringify(sealed)),
    thread: thread ?? null,
    until_at: until ?? null,
    made_at: glen.clock.machine(),
  };
}

/** Letters of these kinds wait until the morning where they would come by night. */
const CAN_WAIT: readonly LetterKind[] = ['changes', 'evenings'];

/** How long a letter waits for the quiet hours to end; what is worth nothing by then is sent at once. */
async function quietSeconds(glen: Glen, { kind, until, isUrgent }: NewLetter): Promise<number> {
  if (!CAN_WAIT.includes(kind) || isUrgent) return 0;
  const { zone } = (await readSchool(glen.db)).calendar;
  const now = glen.clock.school();
  const seconds = quietMinutes(wallClockAt(now, zone).time) * 60;
  return until !== undefined && plusSeconds(now, seconds) >= until ? 0 : seconds;
}

/**
 * Has letters be sent, within the transaction that makes them necessary; where no mail service is set up nobody is
 * written to. One that was written before is not written again.
 */
export async function writeLetters(glen: Glen, letters: NewLetter[]): Promise<void> {
  if (!glen.mail || letters.length === 0) return;
  for (const part of inParts(letters)) {
    const rows = part.map((letter) => rowOf(glen, letter));
    const waits = await quietSeconds(glen, letters[0]!);
    for (const id of await insertLetters(glen.db, rows))
      await glen.enqueue({ kind: 'letter', subject: String(id), waitSeconds: waits });
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

/** Whoever looks at the post sees what has become of its letters, once none is on the way any more. */
export async function tellPlacement(glen: Glen, placementId: number | null): Promise<void> {
  const classId = placementId === null ? null : await classOfSentPlacement(glen.db, placementId);
  if (classId !== null) await glen.announce(`class:${classId}`, { thing: 'posts', id: classId });
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
  if (await isOvertaken(glen.db, row)) return settleLetter(glen.db, id, { state: 'dropped' });
  if (!glen.mail) throw new OutsideError('No mail service is set up just now.');
  const sealed = unsealed(glen, once, row.sealed);
  if (!sealed) return settleLetter(glen.db, id, { state: 'dropped', why: OTHER_SECRET });
  const host = hostOf(glen);
  try {
    await glen.mail.send({
      ...sealed,
      to: { name, address: email },
      returnTo: glen.returns?.addressFor({ kind: 'report', id }) ?? null,
      subject,
      messageId: `letter.${id}.${Date.parse(row.made_at) / 1000}@${host}`,
      thread: thread && `${thread}@${host}`,
    });
  } catch (error) {
    if (!(error instanceof OutsideError) || !error.permanent) throw error;
    await settleLetter(glen.db, id, { state: 'refused', why: error.message });
    return tellPlacement(glen, row.placement_id);
  }
  await settleLetter(glen.db, id, { state: 'sent', sentAt: glen.clock.machine() });
  await tellPlacement(glen, row.placement_id);
}
