import { classTitle, type RuleLayer } from '@glen/core';
import type { Db } from '../../db/connect.js';
import type { SeriesRow } from '../../db/models/Series.js';
import { readableTo } from '../entry/privateTitles.js';

// What the subjects of the log are called.

type Names = [id: number, name: string][];
type Ask = (db: Db, where: { id: number[] }) => Promise<Names>;

const CLASS = { association: 'classPeriod', attributes: ['title', 'period'] };

interface Dated {
  link_id: number;
  layers: RuleLayer[] | null;
  title: string;
  local_date: string;
  draft: boolean;
}

/** Dates by what everybody may read of them, in their order. */
async function datesInWords(db: Db, dates: Dated[]): Promise<string[]> {
  const rows = dates.map(({ link_id, layers, title }) => ({ link_id, layers, title }));
  const readable = await readableTo(db, rows, 0);
  return dates.map(({ draft, local_date }, i) =>
    draft ? `a draft, ${local_date}` : `${readable[i]!.title}, ${local_date}`,
  );
}

/** Series by what everybody may read of them, in their order. */
async function seriesInWords(db: Db, series: SeriesRow[]): Promise<string[]> {
  const rows = series.map(({ link_id, rules, title }) => ({ link_id, rules, title }));
  const readable = await readableTo(db, rows, 0);
  return series.map(({ draft, classPeriod }, i) =>
    draft ? `a draft in ${classPeriod!.title}` : readable[i]!.title,
  );
}

/** Of drafts and posts only where they are: what they say is their writers'. Of private sessions, not what they are called. */
const NAMES: Record<string, Ask> = {
  person: async (db, where) =>
    (await db.models.Person.findAll({ where })).map(({ id, name }) => [id, name]),
  account: async (db, where) => {
    const accounts = await db.models.Account.findAll({ where, include: ['person'] });
    const names = accounts.map(({ id, person, email }): Names[number] => [
      id,
      `${person!.name} (${email})`,
    ]);
    return [[0, 'an address that nobody has'], ...names];
  },
  class: async (db, where) =>
    (await db.models.ClassPeriod.findAll({ where })).map((row) => [row.id, classTitle(row)]),
  link: async (db, where) =>
    (await db.models.Link.findAll({ where, include: [CLASS] })).map((link) => [
      link.id,
      `${link.label} of ${link.classPeriod!.title}`,
    ]),
  series: async (db, where) => {
    const series = await db.models.Series.unscoped().findAll({ where, include: [CLASS] });
    const words = await seriesInWords(db, series);
    return series.map(({ id }, i) => [id, words[i]!]);
  },
  occurrence: async (db, where) => {
    const dates = await db.models.Occurrence.findAll({ where });
    const words = await datesInWords(db, dates);
    return dates.map(({ id }, i) => [id, words[i]!]);
  },
  post: async (db, where) =>
    (await db.models.Post.findAll({ where, include: [CLASS] })).map((post) => [
      post.id,
      `a post in ${post.classPeriod!.title}`,
    ]),
  sitting: async (db, where) => {
    const sittings = await db.models.Sitting.findAll({ where, include: ['occurrence'] });
    const dates = sittings.map(({ occurrence }) => occurrence!);
    const words = await datesInWords(db, dates);
    return sittings.map(({ id }, i) => [id, words[i]!]);
  },
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
