import fc from 'fast-check';
import type { Model, ModelStatic } from 'sequelize';
import type { Db } from '../src/db/connect.js';
import { migrate } from '../src/db/migrate.js';
import type { Models } from '../src/db/models.js';
import { followLinks } from '../src/features/audience/linkPeople.js';
import { refreshJoined } from '../src/features/link/joined.sql.js';
import { ownDatabase } from './ownDatabase.js';
import { DAYS_OF_SCHOOL, LINKS, Lots, NOW } from './randomLots.js';
import { writeRows } from './randomRows.js';

// A school in which everything there can be meets everything else, a few of each: what questions by hand are asked over,
// to be held against the same question put to the models' rows.

/** All rows of a table, as its model reads them. */
type Rows = { [Name in keyof Models]: InstanceType<Models[Name]>[] };

export interface RandomSchool {
  db: Db;
  rows: Rows;
  /** What the school was drawn from; a failing test names it. */
  seed: number;
  /** An instant in the midst of its sessions. */
  now: string;
  /** The local dates of its sessions, from the first to the last. */
  days: string[];
  close: () => Promise<void>;
}

/** All rows that there are now. */
export async function rowsOf({ models }: Db): Promise<Rows> {
  const all: [string, ModelStatic<Model>][] = Object.entries(models);
  const read = all.map(async ([name, model]) => [name, await model.findAll()] as const);
  return Object.fromEntries(await Promise.all(read)) as unknown as Rows;
}

/** A school at random in a database of its own. GLEN_SEED draws the same one again. */
export async function randomSchool(): Promise<RandomSchool> {
  const seed = Number(process.env['GLEN_SEED'] ?? fc.sample(fc.nat(), 1)[0]);
  const own = await ownDatabase();
  const { db } = own;
  await migrate(db);
  const lots = new Lots(fc.sample(fc.gen(), { seed, numRuns: 1 })[0]!);
  await writeRows(db, lots);
  await followLinks(db, LINKS);
  for (const linkId of LINKS) await refreshJoined(db, { linkId });
  const rows = await rowsOf(db);
  return { db, rows, seed, now: NOW, days: DAYS_OF_SCHOOL, close: own.drop };
}
