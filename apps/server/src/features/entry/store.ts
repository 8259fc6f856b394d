import { Op } from 'sequelize';
import type {
  EntryRules,
  Occurrence,
  RuleField,
  RuleLayer,
  RuleSetting,
  KeptRules,
} from '@glen/core';
import type { Db } from '../../db/connect.js';
import { changeAsRead, oneMore } from '../../db/versions.js';

export async function schoolLayer(
  db: Db,
): Promise<{ rules: EntryRules & KeptRules; locked: RuleField[]; version: number }> {
  const {
    rules,
    locked,
    rules_version: version,
  } = (await db.models.School.findByPk(1, {
    attributes: ['rules', 'locked', 'rules_version'],
  }))!;
  return { rules, locked, version };
}

interface Written {
  rules: KeptRules;
  version: number;
}

export async function teacherLayer(db: Db, personId: number): Promise<Written | undefined> {
  const person = await db.models.Person.findByPk(personId, { attributes: ['rules', 'version'] });
  return person ? { rules: person.rules, version: person.version } : undefined;
}

interface SettingFacts {
  kind: RuleSetting['kind'];
  /** Presenters by name. */
  named: number;
  /** Whether it is for guests by their addresses. */
  guests: boolean;
  /** A room that Glen only knows the address of keeps no rules. */
  pasted: boolean;
}

/** What a link is for, as far as its rules go. */
export async function settingFacts(db: Db, linkId: number): Promise<SettingFacts | undefined> {
  const { Link, Guest, LinkPerson } = db.models;
  const link = await Link.findByPk(linkId, { attributes: ['kind', 'room_address', 'class_id'] });
  if (!link) return undefined;
  const guests = await Guest.findAll({ where: { link_id: linkId, state: 'invited' } });
  const named = await LinkPerson.count({ where: { link_id: linkId, as_what: 'presenter' } });
  return {
    kind: link.kind,
    named: named + guests.filter((guest) => guest.comes === 'speaker').length,
    guests: guests.some((guest) => guest.comes !== 'watcher'),
    pasted: link.room_address !== null,
  };
}

/** Each gives whether the version was the one that was read. */
export const writeClassRules = (db: Db, id: number, { rules, version }: Written) =>
  changeAsRead(db.models.ClassPeriod, { id, version }, { rules });
export const writeLinkRules = (db: Db, id: number, { rules, version }: Written) =>
  changeAsRead(db.models.Link, { id, version }, { rules });
export const writeTeacherRules = (db: Db, id: number, { rules, version }: Written) =>
  changeAsRead(db.models.Person, { id, version }, { rules });

export async function writeSchoolRules(
  db: Db,
  {
    rules,
    locked,
    version,
  }: { rules: EntryRules & KeptRules; locked: RuleField[]; version: number },
): Promise<boolean> {
  const [changed] = await db.models.School.update(
    { rules, locked, rules_version: oneMore('rules_version') },
    { where: { id: 1, rules_version: version } },
  );
  return changed > 0;
}

/** What each of some links is for. */
export async function kindsOfLinks(
  db: Db,
  linkIds: number[],
): Promise<Map<number, RuleSetting['kind']>> {
  const links = await db.models.Link.findAll({
    attributes: ['id', 'kind'],
    where: { id: linkIds },
  });
  return new Map(links.map((link) => [link.id, link.kind]));
}

/** The class periods that a person hosts, or with null all that anybody does. */
export async function classesHosted(db: Db, personId: number | null): Promise<number[]> {
  const rows = await db.models.ClassStaff.findAll({
    attributes: ['class_id'],
    where: { as_what: 'host', ...(personId === null ? {} : { person_id: personId }) },
  });
  return [...new Set(rows.map((row) => row.class_id))];
}

/** A date that a link's door could stand for; drafts are none. */
interface DoorDate {
  series_id: number;
  key_date: string;
  start_at: string;
  end_at: string;
  status: Occurrence['status'];
}

export const datesOfLink = (db: Db, linkId: number): Promise<DoorDate[]> =>
  db.models.Occurrence.findAll({
    attributes: ['series_id', 'key_date', 'start_at', 'end_at', 'status'],
    where: { link_id: linkId, draft: false },
    order: ['start_at', 'id'],
  });

interface HeldDoor {
  id: number;
  class_id: number;
}

/** The doors at which rules count, held against other changes: one link's, or all of some class periods. */
export const heldDoors = (
  db: Db,
  where: { linkId: number } | { classIds: number[] },
): Promise<HeldDoor[]> =>
  db.models.Link.findAll({
    attributes: ['id', 'class_id'],
    where: 'linkId' in where ? { id: where.linkId } : { class_id: where.classIds },
    order: ['place', 'id'],
    lock: true,
  });

/** The sittings whose rooms stand, of the video service's making: at one link, or at all of some class periods. */
export async function roomsAt(
  db: Db,
  where: { linkId: number } | { classIds: number[] },
): Promise<number[]> {
  const sittings = await db.models.Sitting.findAll({
    attributes: ['id'],
    where: {
      room: { [Op.ne]: null },
      room_address: null,
      ended_at: null,
      ...('linkId' in where ? { link_id: where.linkId } : {}),
    },
    include: [
      {
        association: 'link',
        attributes: [],
        where: 'classIds' in where ? { class_id: where.classIds } : {},
      },
    ],
    order: ['id'],
  });
  return sittings.map((sitting) => sitting.id);
}

export type OccurrenceLayers = RuleLayer[] | null;
