import { classTitle, type ReplaceHow } from '@glen/core';
import type { Db } from '../../db/connect.js';
import { mainLinkOf } from '../school/classes.sql.js';

/** A class period's page at the course site. */
export interface Site {
  id: number;
  ref: string;
  title: string;
}

interface LinkAsked {
  class_id: number;
  label: string;
  purpose: string;
  class_title: string;
  period: string | null;
  main_id: number;
}

export async function linkAsked(db: Db, id: number): Promise<LinkAsked | undefined> {
  const link = await db.models.Link.findByPk(id, { include: ['classPeriod'] });
  if (!link) return undefined;
  const { class_id, label, purpose, classPeriod } = link;
  const main = (await mainLinkOf(db, class_id))!;
  const { title: class_title, period } = classPeriod!;
  return { class_id, label, purpose, class_title, period, main_id: main.id };
}

/** The class periods in which a link could stand: its own, those it is for, and those it has been posted to. */
export async function sitesFor(db: Db, linkId: number): Promise<Site[]> {
  const { Link, LinkAudience, PostPlace, ClassPeriod } = db.models;
  const where = { link_id: linkId };
  const link = await Link.findByPk(linkId, { attributes: ['class_id'] });
  const meant = await LinkAudience.findAll({ attributes: ['class_id'], where });
  const places = await PostPlace.findAll({ attributes: ['class_id'], where });
  const ids = [link?.class_id, ...[...meant, ...places].map((row) => row.class_id)];
  const classes = await ClassPeriod.findAll({
    where: { id: [...new Set(ids.filter((id) => id != null))] },
    order: ['id'],
  });
  return classes.map(({ id, ref, title, period }) => ({
    id,
    ref,
    title: classTitle({ title, period }),
  }));
}

export interface OnRolls {
  id: number;
  name: string;
  email: string | null;
  classIds: number[];
}

/** Who is on the rolls of some class periods, each once, by name; with the first address that the school gave them. */
export async function rollsOf(db: Db, classIds: number[]): Promise<OnRolls[]> {
  const { RollEntry, Account } = db.models;
  const roll = await RollEntry.findAll({
    where: { class_id: classIds },
    include: [{ association: 'person', attributes: ['id', 'name'] }],
    order: [['person', 'name', 'ASC']],
  });
  const accounts = await Account.findAll({
    where: { person_id: roll.map((row) => row.person_id), kind: 'school' },
    order: [['id', 'DESC']],
  });
  const emails = new Map(accounts.map((account) => [account.person_id, account.email]));
  const people = new Map<number, OnRolls>();
  for (const { person, class_id: classId } of roll) {
    const { id, name } = person!;
    const known = people.get(id);
    if (known) known.classIds.push(classId);
    else people.set(id, { id, name, email: emails.get(id) ?? null, classIds: [classId] });
  }
  return [...people.values()];
}

export interface CodeAsked {
  code: string;
  link_id: number;
  how: ReplaceHow | null;
  until_at: string | null;
  state: 'live' | 'retired';
  class_id: number;
  purpose: string;
  members: Set<number>;
}

/** What has become of some codes, and whom their links are for. */
export async function codesAsked(db: Db, codes: string[]): Promise<CodeAsked[]> {
  const { LinkCode, LinkPerson } = db.models;
  const known = await LinkCode.findAll({
    where: { code: [...new Set(codes)] },
    include: ['link'],
  });
  const meant = await LinkPerson.findAll({
    where: { link_id: known.map((row) => row.link_id), as_what: 'member' },
  });
  const membersOf = (linkId: number): Set<number> =>
    new Set(meant.filter((row) => row.link_id === linkId).map((row) => row.person_id));
  return known.map(({ code, link_id, how, until_at, link }) => {
    const { state, class_id, purpose } = link!;
    return { code, link_id, how, until_at, state, class_id, purpose, members: membersOf(link_id) };
  });
}

interface SiteWithLink {
  id: number;
  ref: string;
  link_id: number;
}

/** A class period as its course site knows it, with the oldest of its links. */
export async function siteWithLink(db: Db, classId: number): Promise<SiteWithLink | undefined> {
  const { ClassPeriod, Link } = db.models;
  const found = await ClassPeriod.findByPk(classId, { attributes: ['id', 'ref'] });
  const link = await Link.findOne({
    attributes: ['id'],
    where: { class_id: classId },
    order: ['id'],
  });
  return found && link ? { id: found.id, ref: found.ref, link_id: link.id } : undefined;
}

interface HeldSession {
  title: string;
  local_date: string;
  local_time: string;
  start_at: string;
  end_at: string;
  status: 'planned' | 'moved';
}

/** The held sessions of a link. */
export async function sessionsOfLink(db: Db, linkId: number): Promise<HeldSession[]> {
  const held = ['planned', 'moved'] as const;
  const rows = await db.models.Occurrence.findAll({
    attributes: ['title', 'local_date', 'local_time', 'start_at', 'end_at', 'status'],
    where: { link_id: linkId, draft: false, status: [...held] },
  });
  return rows.map(({ title, local_date, local_time, start_at, end_at, status }) => ({
    ...{ title, local_date, local_time, start_at, end_at },
    status: status as (typeof held)[number],
  }));
}
