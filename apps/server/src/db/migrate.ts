import { Umzug } from 'umzug';
import type { Db } from './connect.js';
import * as m0001 from './migrations/0001-school.js';
import * as m0002 from './migrations/0002-doors.js';
import * as m0003 from './migrations/0003-handing-over.js';
import * as m0004 from './migrations/0004-series.js';
import * as m0005 from './migrations/0005-calendar.js';
import * as m0006 from './migrations/0006-links.js';
import * as m0007 from './migrations/0007-posting.js';
import * as m0008 from './migrations/0008-moving-in.js';
import * as m0009 from './migrations/0009-people.js';

const MIGRATIONS = [m0001, m0002, m0003, m0004, m0005, m0006, m0007, m0008, m0009];

/**
 * Brings the database to the newest shape, or to that of a migration of long ago, for tests of upgrades; several
 * processes may start at once.
 */
export async function migrate(db: Db, upTo?: string): Promise<void> {
  await db.define(
    'CREATE TABLE IF NOT EXISTS migrations (name VARCHAR(120) PRIMARY KEY) CHARACTER SET ascii',
  );
  await db.withLock('glen-migrate', async () => {
    const umzug = new Umzug({
      migrations: MIGRATIONS.map(({ name, up }) => ({
        name,
        up: async () => {
          for (const sql of up) await db.define(sql);
        },
      })),
      storage: {
        executed: async () =>
          (await db.rows<{ name: string }>('SELECT name FROM migrations ORDER BY name')).map(
            (row) => row.name,
          ),
        logMigration: async ({ name }) => {
          await db.insert('migrations', { name });
        },
        unlogMigration: async ({ name }) => {
          await db.change('DELETE FROM migrations WHERE name = :name', { name });
        },
      },
      logger: undefined,
    });
    await umzug.up(upTo ? { to: upTo } : {});
  });
}
