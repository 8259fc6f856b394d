import { toldBy, type LetterText, type ToldKind } from '@glen/core';
import type { Glen } from '../../glen.js';
import { writeLetters } from './letters.js';
import { noteNotSent, recipients, writtenBefore, type Recipient } from './postLetterStore.js';
import { putWords, schoolTold } from './reminderStore.js';
import { stopAddress } from './stop.js';

/** What one person is told. */
export interface Telling {
  personId: number;
  /** What it is about: they are told once. */
  once: string;
  letter: Omit<LetterText, 'stop'>;
  thread?: string;
  /** An instant of school time: later it is worth nothing. */
  until?: string;
}

type Heard = Telling & { recipient: Recipient };
type Reached = Heard & { recipient: { email: string } };

const plainly = (says: LetterText['says']): string =>
  says.map((said) => (typeof said === 'string' ? said : said.join('\n'))).join('\n');

/** Those of some tellings that were not told before, of people who wish to hear of the kind, and how. */
async function heardOf(glen: Glen, kind: ToldKind, tellings: readonly Telling[]) {
  const school = await schoolTold(glen.db);
  const known = await writtenBefore(
    glen.db,
    tellings.map((telling) => telling.once),
  );
  const fresh = tellings.filter((telling) => !known.has(telling.once));
  const people = await recipients(
    glen.db,
    fresh.map((telling) => telling.personId),
  );
  const byId = new Map(people.map((person) => [person.id, person]));
  const wayOf = ({ recipient }: Heard) => toldBy(kind, recipient.told, school);
  const heard = fresh
    .flatMap((telling): Heard[] => {
      const recipient = byId.get(telling.personId);
      return recipient ? [{ ...telling, recipient }] : [];
    })
    .filter((one) => wayOf(one) !== 'none');
  const isMailed = (one: Heard): one is Reached =>
    glen.mail !== null && one.recipient.email !== null && wayOf(one) === 'mail';
  return { heard, mailed: heard.filter(isMailed), others: heard.filter((one) => !isMailed(one)) };
}

/** What is the same for many is put down for all of them at once. */
async function putAll(glen: Glen, heard: Heard[]): Promise<void> {
  const at = glen.clock.school();
  const byWords = new Map<string, Heard[]>();
  for (const one of heard) {
    const words = JSON.stringify([one.letter.subject, one.letter.says]);
    byWords.set(words, [...(byWords.get(words) ?? []), one]);
  }
  for (const same of byWords.values()) {
    const { subject, says } = same[0]!.letter;
    const ids = same.map((one) => one.personId);
    await putWords(glen.db, ids, { title: subject, text: plainly(says), at });
    for (const id of ids) await glen.announce(`person:${id}`, { thing: 'notices', id });
  }
}

/**
 * Tells people of a kind of thing, each once and as they wish: by a letter and in Glen, in Glen alone, or not at all. Within
 * a transaction, which may be repeated.
 */
export async function tellEach(
  glen: Glen,
  kind: ToldKind,
  tellings: readonly Telling[],
): Promise<void> {
  const { heard, mailed, others } = await heardOf(glen, kind, tellings);
  await putAll(glen, heard);
  await writeLetters(
    glen,
    mailed.map(({ personId, letter, recipient, ...rest }) => ({
      ...rest,
      kind,
      to: { personId, name: recipient.name, address: recipient.email },
      letter: { ...letter, stop: stopAddress(glen, personId, kind) },
    })),
  );
  const at = glen.clock.machine();
  await noteNotSent(
    glen.db,
    null,
    others.map(({ once, recipient, letter: { subject } }) => ({
      kind,
      once,
      recipient,
      subject,
      at,
    })),
  );
}
