import { classTitle } from '@glen/core';
import type { Db } from '../../db/connect.js';

// What the subjects of the log are called.

type Names = [id: number, name: string][];
type Ask = (db: Db, where: { id: number[] }) => Promise<Names>;

const CLASS = { association: 'classPeriod', attributes: ['title', 'period'] };
const DATE = { association: 'occurrence', attributes: ['title', 'local_date'] };

const onDate = ({ title, local_date }: { title: string; local_date: string }): string =>
  `${title}, ${local_date}`;

/** Of drafts and posts only where they are: what they say is their writers'. */
const NAMES: Record<string, Ask> = {
  person: async (db, where) =>
    (await db.models.Person.findAll({ where })).map(({ id, name }) => [id, name]),
  account: async (db, where) =>
    (await db.models.Account.findAll({ where, include: ['person'] })).map((account) => [
      account.id,
      `${account.person!.name} (${account.email})`,
    ]),
  class: async (db, where) =>
    (await db.models.ClassPeriod.findAll({ where })).map((row) => [row.id, classTitle(row)]),
  link: async (db, where) =>
    (await db.models.Link.findAll({ where, include: [CLASS] })).map((link) => [
      link.id,
      `${link.label} of ${link.classPeriod!.title}`,
    ]),
  series: async (db, where) =>
    (await db.models.Series.findAll({ where, include: [CLASS] })).map((series) => [
      series.id,
      series.draft ? `a draft in ${series.classPeriod!.title}` : series.title,
    ]),
  occurrence: async (db, where) =>
    (await db.models.Occurrence.findAll({ where })).map((row) => [row.id, onDate(row)]),
  post: async (db, where) =>
    (await db.models.Post.findAll({ where, include: [CLASS] })).map((post) => [
      post.id,
      `a post in ${post.classPeriod!.title}`,
    ]),
  sitting: async (db, where) =>
    (await db.models.Sitting.findAll({ where, include: [DATE] })).map((sitting) => [
      sitting.id,
      onDate(sitting.occurrence!),
    ]),
  visitor: async (db, where) =>
    (await db.models.Visitor.findAll({ where })).map(({ id, name }) => [id, name]),
  school: async (db, where) =>
    (await db.models.School.findAll({ where })).map(({ id, name }) => [id, name]),
};

/** The names of things of one kind; of those that are gone, none. */
export async function namesOf(db: Db, kind: string, ids: number[]): Promise<Map<number, string>> {
  const ask = NAMES[kind];
  return new Map(ask ? await ask(db, { id: ids }) : []);
}
