import { Op } from 'sequelize';
import type { ReplaceHow, RuleSetting, KeptRules } from '@glen/core';
import type { Db } from '../../db/connect.js';
import type { LinkRow as LinkModel } from '../../db/models/Link.js';
import type { LinkCodeRow } from '../../db/models/LinkCode.js';
import { plain, type Plain } from '../../db/plain.js';
import { changeAsRead, oneMore } from '../../db/versions.js';

export type LinkRow = Plain<LinkModel>;

export async function linkById(db: Db, id: number): Promise<LinkRow | undefined> {
  const link = await db.models.Link.findByPk(id);
  return link ? plain(link) : undefined;
}

/** The same, held against other changes. */
export async function heldLink(db: Db, id: number): Promise<LinkRow | undefined> {
  const link = await db.models.Link.findByPk(id, { lock: true });
  return link ? plain(link) : undefined;
}

/** The links of a class period that work, held: none may be called otherwise, or come to them, meanwhile. */
export const heldLiveLinks = (db: Db, classId: number): Promise<{ id: number; label: string }[]> =>
  db.models.Link.findAll({
    attributes: ['id', 'label'],
    where: { class_id: classId, state: 'live' },
    lock: true,
  });

export interface NewLink {
  code: string;
  classId: number;
  label: string;
  purpose: string;
  kind: RuleSetting['kind'];
  shown: boolean;
  rules: KeptRules;
  madeAt: string;
}

/** A link with its code, which the database holds to be one that no link ever had. */
export async function insertLink(db: Db, link: NewLink): Promise<number> {
  const { Link, LinkCode } = db.models;
  const { classId, madeAt, ...columns } = link;
  const last = await Link.max<number | null, LinkModel>('place', { where: { class_id: classId } });
  const { id } = await Link.create({
    ...columns,
    class_id: classId,
    made_at: madeAt,
    place: last === null ? 0 : last + 1,
  });
  await LinkCode.create({ code: link.code, link_id: id });
  return id;
}

/** Of a link that has just been made: the address of its room. */
export async function putRoomBehind(db: Db, linkId: number, address: string): Promise<void> {
  await db.models.Link.update({ room_address: address }, { where: { id: linkId } });
}

export type LinkColumns = Partial<
  Pick<
    LinkRow,
    'code' | 'label' | 'purpose' | 'kind' | 'shown' | 'state' | 'room_address' | 'room_looked_at'
  >
>;

/** Changes a link that still has the version its editor read; whether it had. */
export const updateLink = (
  db: Db,
  id: number,
  version: number,
  columns: LinkColumns,
): Promise<boolean> => changeAsRead(db.models.Link, { id, version }, columns);

export async function setPlace(db: Db, id: number, classId: number, place: number): Promise<void> {
  await db.models.Link.update({ place }, { where: { id, class_id: classId } });
}

// ---- codes

interface CodeRow {
  code: string;
  how: ReplaceHow | null;
  until_at: string | null;
  why: 'leaked' | 'tidy-up' | 'new-year' | 'other' | null;
  replaced_at: string | null;
  by_name: string | null;
}

/** Every code of a link, oldest first; the last is the one it goes by. */
export async function codesOf(db: Db, linkId: number): Promise<CodeRow[]> {
  const codes = await db.models.LinkCode.findAll({
    where: { link_id: linkId },
    include: [{ association: 'replacedBy', attributes: ['name'] }],
    order: ['turn'],
  });
  return codes.map(({ code, how, until_at, why, replaced_at, replacedBy }) => ({
    code,
    how,
    until_at,
    why,
    replaced_at,
    by_name: replacedBy?.name ?? null,
  }));
}

interface FormerCode {
  /** What the link goes by now. */
  code: string;
  how: ReplaceHow;
  until_at: string | null;
}

/** The link that a former code belongs to, and what has become of the code. */
export async function formerCode(db: Db, code: string): Promise<FormerCode | undefined> {
  const former = await db.models.LinkCode.findOne({
    where: { code, how: { [Op.not]: null } },
    include: [{ association: 'link', attributes: ['code'] }],
  });
  return former
    ? { code: former.link!.code, how: former.how!, until_at: former.until_at }
    : undefined;
}

interface Replacing {
  how: ReplaceHow;
  until: string | null;
  why: NonNullable<CodeRow['why']>;
  now: string;
  by: number;
}

export async function putCode(
  db: Db,
  linkId: number,
  { old, code }: { old: string; code: string },
  { how, until, why, now, by }: Replacing,
): Promise<void> {
  const { LinkCode } = db.models;
  await LinkCode.update(
    { how, until_at: until, why, replaced_at: now, replaced_by: by },
    { where: { code: old } },
  );
  const last = await LinkCode.max<number, LinkCodeRow>('turn', { where: { link_id: linkId } });
  await LinkCode.create({ code, link_id: linkId, turn: last + 1 });
}

/** The last code is as if it had never been, and the one before it is in force again. */
export async function dropCode(db: Db, code: string, before: string): Promise<void> {
  const { LinkCode } = db.models;
  await LinkCode.destroy({ where: { code } });
  await LinkCode.update(
    { how: null, until_at: null, why: null, replaced_at: null, replaced_by: null },
    { where: { code: before } },
  );
}

/** Whether anybody has entered or knocked at a link since an instant of school time. */
export async function usedSince(db: Db, linkId: number, since: string): Promise<boolean> {
  const visitor = await db.models.Visitor.findOne({
    attributes: ['id'],
    where: { knocked_at: { [Op.gte]: since } },
    include: [{ association: 'sitting', attributes: [], where: { link_id: linkId } }],
  });
  return visitor !== null;
}

/** Whether somebody sits behind a link's door. */
export async function isRunning(db: Db, linkId: number): Promise<boolean> {
  const visitor = await db.models.Visitor.findOne({
    attributes: ['id'],
    where: { inside: true },
    include: [
      { association: 'sitting', attributes: [], where: { link_id: linkId, ended_at: null } },
    ],
  });
  return visitor !== null;
}

// ---- lists

/** Every link of some class periods, in their order, held against others. */
export const heldLinksOfClasses = (
  db: Db,
  classIds: number[],
): Promise<{ id: number; class_id: number }[]> =>
  db.models.Link.findAll({
    attributes: ['id', 'class_id'],
    where: { class_id: classIds },
    order: ['place', 'id'],
    lock: true,
  });

/** Which of some people there are. */
export const knownPeople = (db: Db, ids: number[]): Promise<{ id: number }[]> =>
  db.models.Person.findAll({ attributes: ['id'], where: { id: ids } });

/** Stops every link of a class period that works, to work again with it. */
export async function restLinks(db: Db, classId: number): Promise<void> {
  await db.models.Link.update(
    { state: 'retired', put_away: true, version: oneMore('version') },
    { where: { class_id: classId, state: 'live' } },
  );
}

/** Lets those work again that were stopped with their class period. */
export async function wakeLinks(db: Db, classId: number): Promise<void> {
  await db.models.Link.update(
    { state: 'live', put_away: false, version: oneMore('version') },
    { where: { class_id: classId, put_away: true } },
  );
}

/** Stops a link that was made for one series alone, where nothing else has come to it since. */
export async function stopUnused(db: Db, linkId: number): Promise<void> {
  const { Series, PostPlace, Link } = db.models;
  const where = { link_id: linkId };
  const uses = (await Series.count({ where })) + (await PostPlace.count({ where }));
  if (uses > 0) return;
  await Link.update({ state: 'retired', version: oneMore('version') }, { where: { id: linkId } });
}
