import { Umzug } from 'umzug';
import type { Db } from './connect.js';
import { isMadeAlready } from './errors.js';
import * as m0001 from './migrations/0001-school.js';
import * as m0002 from './migrations/0002-doors.js';
import * as m0003 from './migrations/0003-handing-over.js';
import * as m0004 from './migrations/0004-series.js';
import * as m0005 from './migrations/0005-calendar.js';
import * as m0006 from './migrations/0006-links.js';
import * as m0007 from './migrations/0007-posting.js';
import * as m0008 from './migrations/0008-moving-in.js';
import * as m0009 from './migrations/0009-people.js';
import * as m0010 from './migrations/0010-link-people.js';
import * as m0011 from './migrations/0011-in-order.js';
import * as m0012 from './migrations/0012-own-clock.js';
import * as m0013 from './migrations/0013-keyed-tokens.js';
import * as m0014 from './migrations/0014-sign-in.js';
import * as m0015 from './migrations/0015-put-out.js';
import * as m0016 from './migrations/0016-audit-codes.js';
import * as m0017 from './migrations/0017-room-rules.js';
import * as m0018 from './migrations/0018-presses.js';
import * as m0019 from './migrations/0019-leftovers.js';
import * as m0020 from './migrations/0020-removed.js';
import * as m0021 from './migrations/0021-lately.js';
import * as m0022 from './migrations/0022-lately-age.js';
import * as m0023 from './migrations/0023-school-time.js';
import * as m0024 from './migrations/0024-sign-on.js';
import * as m0025 from './migrations/0025-passkeys.js';
import * as m0026 from './migrations/0026-guests.js';
import * as m0027 from './migrations/0027-guest-list.js';
import * as m0028 from './migrations/0028-hosts-of-a-link.js';
import * as m0029 from './migrations/0029-presenters-of-a-link.js';
import * as m0030 from './migrations/0030-presenters-by-weekday.js';
import * as m0031 from './migrations/0031-covers.js';
import * as m0032 from './migrations/0032-line-before-a-full-room.js';
import * as m0033 from './migrations/0033-chime-of-a-session.js';
import * as m0034 from './migrations/0034-on-behalf.js';
import * as m0035 from './migrations/0035-letters.js';
import * as m0036 from './migrations/0036-calendar-entries.js';
import * as m0037 from './migrations/0037-mail-places.js';
import * as m0038 from './migrations/0038-feeds.js';
import * as m0039 from './migrations/0039-mornings.js';
import * as m0040 from './migrations/0040-registers.js';
import * as m0041 from './migrations/0041-check-ins.js';
import * as m0042 from './migrations/0042-after-lessons.js';
import * as m0043 from './migrations/0043-slots.js';
import * as m0044 from './migrations/0044-slot-breaks.js';
import * as m0045 from './migrations/0045-polls.js';
import * as m0046 from './migrations/0046-programmes.js';
import * as m0047 from './migrations/0047-appointments.js';
import {
  databaseKind,
  makeBooks,
  namesDone,
  noteDone,
  noteStep,
  noteUndone,
  stepReached,
} from './migrate.sql.js';

interface Migration {
  name: string;
  /** Its statements, in order. One that was killed goes on with the statement it was at. */
  up: string[];
}

const MIGRATIONS: Migration[] = [
  m0001,
  m0002,
  m0003,
  m0004,
  m0005,
  m0006,
  m0007,
  m0008,
  m0009,
  m0010,
  m0011,
  m0012,
  m0013,
  m0014,
  m0015,
  m0016,
  m0017,
  m0018,
  m0019,
  m0020,
  m0021,
  m0022,
  m0023,
  m0024,
  m0025,
  m0026,
  m0027,
  m0028,
  m0029,
  m0030,
  m0031,
  m0032,
  m0033,
  m0034,
  m0035,
  m0036,
  m0037,
  m0038,
  m0039,
  m0040,
  m0041,
  m0042,
  m0043,
  m0044,
  m0045,
  m0046,
  m0047,
];

const CHANGES_ROWS = /^\s*(INSERT|UPDATE|DELETE|REPLACE)\b/i;

/** Refuses a database on which texts or transactions would behave otherwise, with the line that mends it. */
async function mustBeFit(db: Db): Promise<void> {
  const { name, characters, isolation } = await databaseKind(db);
  if (characters !== 'utf8mb4')
    throw new Error(
      `The database “${name}” keeps its texts as ${characters}; Glen needs utf8mb4. Mend it, while it is empty, with:\n  ALTER DATABASE \`${name}\` CHARACTER SET utf8mb4;`,
    );
  if (isolation !== 'READ-COMMITTED')
    throw new Error(
      `The database server runs transactions as ${isolation}; Glen needs READ-COMMITTED. Mend it with the line below, and with transaction-isolation=READ-COMMITTED in its configuration:\n  SET GLOBAL TRANSACTION ISOLATION LEVEL READ COMMITTED;`,
    );
}

/** A statement that changes rows is done and noted in one; what the database commits by itself is noted before and after. */
async function doStep(
  db: Db,
  at: { name: string; step: number; wasBegun: boolean },
  sql: string,
): Promise<void> {
  if (CHANGES_ROWS.test(sql)) {
    await db.transaction(async () => {
      await db.change(sql);
      await noteStep(db, at.name, at.step + 1);
    });
    return;
  }
  await noteStep(db, at.name, at.step, true);
  try {
    await db.define(sql);
  } catch (error) {
    // Killed after it was done and before that was noted.
    if (!at.wasBegun || !isMadeAlready(error)) throw error;
  }
  await noteStep(db, at.name, at.step + 1);
}

async function doMigration(db: Db, { name, up }: Migration): Promise<void> {
  const reached = await stepReached(db, name);
  for (const [step, sql] of up.entries()) {
    if (step < reached.step) continue;
    const wasBegun = reached.begun && step === reached.step;
    await doStep(db, { name, step, wasBegun }, sql);
  }
}

const migrator = (db: Db, migrations: Migration[]) =>
  new Umzug({
    migrations: migrations.map((migration) => ({
      name: migration.name,
      up: () => doMigration(db, migration),
    })),
    storage: {
      executed: () => namesDone(db),
      logMigration: ({ name }) => noteDone(db, name),
      unlogMigration: ({ name }) => noteUndone(db, name),
    },
    logger: undefined,
  });

/**
 * Brings the database to the newest shape, or to that of a migration of long ago, for tests of upgrades; several
 * processes may start at once.
 */
export async function migrate(
  db: Db,
  upTo?: string,
  migrations: Migration[] = MIGRATIONS,
): Promise<string[]> {
  await mustBeFit(db);
  await makeBooks(db);
  return db.withLock('glen-migrate', async () => {
    const done = await migrator(db, migrations).up(upTo ? { to: upTo } : {});
    return done.map(({ name }) => name);
  });
}

/** Which migrations the database has had, and which it is still to have. */
export async function migrationStatus(db: Db): Promise<{ done: string[]; pending: string[] }> {
  await makeBooks(db);
  const umzug = migrator(db, MIGRATIONS);
  const names = (list: { name: string }[]): string[] => list.map(({ name }) => name);
  return { done: names(await umzug.executed()), pending: names(await umzug.pending()) };
}

/** Those that the database is still to have, by a look alone: asked by whoever wishes, as often as they wish. */
export async function pendingMigrations(db: Db): Promise<string[]> {
  const done = new Set(await namesDone(db));
  return MIGRATIONS.map(({ name }) => name).filter((name) => !done.has(name));
}

/** For the test that kills a migration after each of its statements. */
export const allMigrations = (): readonly Migration[] => MIGRATIONS;
