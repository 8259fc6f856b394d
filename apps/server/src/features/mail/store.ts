import type { ToldBy, ToldKind, ToldWishes } from '@glen/core';
import type { Db } from '../../db/connect.js';
import type { LetterRow } from '../../db/models/Letter.js';
import { ownAddress } from './ownAddress.js';

type NewRow = Pick<
  LetterRow,
  | 'kind'
  | 'once'
  | 'person_id'
  | 'placement_id'
  | 'name'
  | 'email'
  | 'subject'
  | 'sealed'
  | 'thread'
  | 'until_at'
  | 'made_at'
>;

/** Puts letters on the books; of those that are there already nothing is written. Gives the numbers of the new ones. */
export async function insertLetters(db: Db, rows: NewRow[]): Promise<number[]> {
  if (rows.length === 0) return [];
  const { Letter } = db.models;
  const onces = rows.map((row) => row.once);
  const there = await Letter.findAll({ attributes: ['once'], where: { once: onces } });
  const known = new Set(there.map((letter) => letter.once));
  const fresh = rows.filter((row) => !known.has(row.once));
  await Letter.bulkCreate(fresh);
  const made = await Letter.findAll({
    attributes: ['id'],
    where: { once: fresh.map((row) => row.once) },
  });
  return made.map((letter) => letter.id);
}

export const letterById = (db: Db, id: number): Promise<LetterRow | null> =>
  db.models.Letter.findByPk(id);

/** What has become of a letter; what it said is kept no longer. */
export async function settleLetter(
  db: Db,
  id: number,
  settled: { state: 'sent' | 'refused' | 'dropped'; why?: string; sentAt?: string },
): Promise<void> {
  const { state, why = null, sentAt = null } = settled;
  await db.models.Letter.update(
    { state, why, sent_at: sentAt, sealed: '' },
    { where: { id, state: 'waiting' } },
  );
}

/** A letter that was taken has failed all the same; gives the place of a post that it is of. It may be heard of before the sending is noted. */
export async function noteFailed(db: Db, id: number, why: string): Promise<number | null> {
  const letter = await db.models.Letter.findByPk(id);
  if (letter?.state !== 'sent' && letter?.state !== 'waiting') return null;
  await letter.update({ state: 'refused', why, sealed: '' });
  return letter.placement_id;
}

/** Of some addresses those whose last letter was refused, with why. */
export async function refusedAddresses(db: Db, emails: string[]): Promise<Map<string, string>> {
  const letters = await db.models.Letter.findAll({
    attributes: ['email', 'state', 'why'],
    where: { email: emails, state: ['sent', 'refused'] },
    order: ['id'],
  });
  const last = new Map(letters.map((letter) => [letter.email, letter]));
  const refused = [...last.values()].filter((letter) => letter.state === 'refused');
  return new Map(refused.map(({ email, why }) => [email, why ?? '']));
}

/** Who is on a class period's roll, by their numbers. */
export const rollIds = async (db: Db, classId: number): Promise<number[]> =>
  (
    await db.models.RollEntry.findAll({
      attributes: ['person_id'],
      where: { class_id: classId },
    })
  ).map((row) => row.person_id);

/** Forgets the letters by which somebody from outside was invited: they are nobody's guest any more. */
export async function dropInvitingLetters(db: Db, email: string): Promise<void> {
  await db.models.Letter.destroy({ where: { email, kind: 'asked' } });
}

/** The address that letters reach somebody at: their school account's, else the first of their own. */
export async function mailAddressOf(db: Db, personId: number): Promise<string | null> {
  const accounts = await db.models.Account.findAll({
    where: { person_id: personId },
    order: ['kind', 'id'],
  });
  return ownAddress(accounts);
}

export interface UnmailedNotice {
  id: number;
  urgent: boolean;
  title: string;
  text: string;
}

/** What somebody was told and has neither read nor been written; from now on it counts as written. */
export async function unmailedNotices(db: Db, personId: number): Promise<UnmailedNotice[]> {
  const { Notice } = db.models;
  const notices = await Notice.findAll({
    where: { person_id: personId, mailed: false },
    order: ['id'],
    lock: true,
  });
  const ids = notices.map((notice) => notice.id);
  await Notice.update({ mailed: true }, { where: { id: ids } });
  return notices
    .filter((notice) => !notice.seen)
    .map(({ id, title, text, urgent }) => ({ id, title, text, urgent }));
}

/** What somebody wishes to hear of and how, beside what their school has. */
export async function toldWishesOf(
  db: Db,
  personId: number,
): Promise<{ name: string; told: ToldWishes; schoolTold: ToldWishes } | undefined> {
  const [person, school] = await Promise.all([
    db.models.Person.findByPk(personId, { attributes: ['name', 'told'] }),
    db.models.School.findByPk(1, { attributes: ['told'] }),
  ]);
  return person && school
    ? { name: person.name, told: person.told, schoolTold: school.told }
    : undefined;
}

/** Has somebody hear of a kind of thing so from now on; whoever edits their account meanwhile is shown it. */
export async function writeTold(
  db: Db,
  personId: number,
  kind: ToldKind,
  way: ToldBy,
): Promise<void> {
  const person = await db.models.Person.findByPk(personId, { lock: true });
  await person?.update({
    told: { ...person.told, [kind]: way },
    version: person.version + 1,
  });
}

/** So many of what somebody was told last are looked through. */
const MOST_WORDS = 100;

/** What somebody has been told, the newest first. */
export async function wordsOf(
  db: Db,
  personId: number,
): Promise<{ id: number; title: string; text: string; at: string; isSeen: boolean }[]> {
  const notices = await db.models.Notice.findAll({
    where: { person_id: personId },
    order: [['id', 'DESC']],
    limit: MOST_WORDS,
  });
  return notices.map(({ id, title, text, made_at: at, seen: isSeen }) => ({
    id,
    title,
    text,
    at,
    isSeen,
  }));
}
