import { Op, col, fn } from 'sequelize';
import type { ToldKind, ToldWishes } from '@glen/core';
import type { Db } from '../../db/connect.js';
import { inParts } from '../../db/inParts.js';
import { ownAddress } from './ownAddress.js';

/** Somebody to be written to, as they wish. */
export interface Recipient {
  id: number;
  name: string;
  told: ToldWishes;
  /** Their school account's address, else the first of their own; null where nothing reaches them. */
  email: string | null;
}

/** Some people, with where letters reach them. */
export async function recipients(db: Db, ids: number[]): Promise<Recipient[]> {
  const found: Recipient[] = [];
  for (const part of inParts(ids)) {
    const people = await db.models.Person.findAll({
      attributes: ['id', 'name', 'told'],
      where: { id: part },
      include: [{ association: 'accounts', attributes: ['email', 'kind'] }],
      order: ['id'],
    });
    for (const { id, name, told, accounts = [] } of people) {
      found.push({ id, name, told, email: ownAddress(accounts) });
    }
  }
  return found;
}

/** Of a placement's letters what they are about: whoever has one gets no other. */
export async function lettersAbout(db: Db, placementId: number): Promise<Set<string>> {
  const letters = await db.models.Letter.findAll({
    attributes: ['once'],
    where: { placement_id: placementId },
  });
  return new Set(letters.map((letter) => letter.once));
}

/** Of some letters, by what they are about, those that are on the books. */
export async function writtenBefore(db: Db, onces: string[]): Promise<Set<string>> {
  const known = new Set<string>();
  for (const part of inParts(onces))
    for (const letter of await db.models.Letter.findAll({
      attributes: ['once'],
      where: { once: part },
    }))
      known.add(letter.once);
  return known;
}

interface NotSent {
  kind: ToldKind;
  once: string;
  recipient: Recipient;
  subject: string;
  at: string;
}

/** Notes that somebody was not written to, as they wish or since nothing reaches them. */
export async function noteNotSent(
  db: Db,
  placementId: number | null,
  notSent: NotSent[],
): Promise<void> {
  for (const part of inParts(notSent))
    await db.models.Letter.bulkCreate(
      part.map(({ kind, once, recipient, subject, at }) => ({
        kind,
        once,
        person_id: recipient.id,
        placement_id: placementId,
        name: recipient.name,
        email: '',
        subject,
        sealed: '',
        made_at: at,
        state: 'glen' as const,
      })),
    );
}

/** Letters of a placement that wait still are not sent any more; they are written anew where it is put back. */
export async function dropWaiting(db: Db, placementId: number): Promise<void> {
  await db.models.Letter.destroy({ where: { placement_id: placementId, state: 'waiting' } });
}

/** What has become of a placement's letters. */
export interface LetterCounts {
  sent: number;
  waiting: number;
  /** They read it in Glen alone. */
  glen: number;
  refused: { name: string; why: string }[];
}

/** So many whose letters were refused are named. */
const MOST_NAMED = 20;

/** What has become of the letters of some placements, by placement. */
export async function letterCounts(
  db: Db,
  placementIds: number[],
): Promise<Map<number, LetterCounts>> {
  if (placementIds.length === 0) return new Map();
  const { Letter } = db.models;
  const where = { placement_id: placementIds };
  const rows = await Letter.findAll({
    attributes: ['placement_id', 'state', [fn('COUNT', col('id')), 'size']],
    where,
    group: ['placement_id', 'state'],
  });
  const refused = await Letter.findAll({
    attributes: ['placement_id', 'name', 'why'],
    where: { ...where, state: 'refused' },
    order: ['name'],
    limit: MOST_NAMED * placementIds.length,
  });
  const sizeOf = (id: number, state: string): number =>
    Number(rows.find((row) => row.placement_id === id && row.state === state)?.get('size') ?? 0);
  const countsOf = (id: number): LetterCounts => ({
    sent: sizeOf(id, 'sent'),
    waiting: sizeOf(id, 'waiting'),
    glen: sizeOf(id, 'glen'),
    refused: refused
      .filter((letter) => letter.placement_id === id)
      .slice(0, MOST_NAMED)
      .map(({ name, why }) => ({ name, why: why ?? '' })),
  });
  return new Map(placementIds.map((id) => [id, countsOf(id)]));
}

/** The class period of a placement none of whose letters is on the way any more; null while one is. */
export async function classOfSentPlacement(db: Db, placementId: number): Promise<number | null> {
  const { Letter, Placement } = db.models;
  const waiting = await Letter.findOne({
    attributes: ['id'],
    where: { placement_id: placementId, state: 'waiting' },
  });
  if (waiting) return null;
  const placement = await Placement.findByPk(placementId, { include: ['place'] });
  return placement?.place?.class_id ?? null;
}

/** Whose letters of some placements were taken, by placement: they have the link for certain. */
export async function acceptedBy(db: Db, placementIds: number[]): Promise<Map<number, number[]>> {
  const letters = await db.models.Letter.findAll({
    attributes: ['placement_id', 'person_id'],
    where: { placement_id: placementIds, state: 'sent', person_id: { [Op.not]: null } },
  });
  const accepted = new Map<number, number[]>();
  for (const { placement_id: id, person_id: personId } of letters)
    accepted.set(id!, [...(accepted.get(id!) ?? []), personId!]);
  return accepted;
}
