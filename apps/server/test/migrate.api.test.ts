import { afterEach, beforeEach, describe, expect, inject, it } from 'vitest';
import { statement } from '../../../scripts/processes.mjs';
import { Db } from '../src/db/connect.js';
import { allMigrations, migrate, migrationStatus } from '../src/db/migrate.js';
import { ownDatabase, type OwnDatabase } from './ownDatabase.js';

let own: OwnDatabase;
beforeEach(async () => {
  own = await ownDatabase();
});
afterEach(() => own.drop());

/** Everything that the catalogue says of a database's tables, in order. */
const shapeOf = (db: Db): Promise<object[]> =>
  db.rows(
    `SELECT c.TABLE_NAME, c.COLUMN_NAME, c.COLUMN_TYPE, c.IS_NULLABLE, c.COLUMN_DEFAULT, c.COLLATION_NAME, s.INDEX_NAME, s.SEQ_IN_INDEX, k.CONSTRAINT_NAME
     FROM information_schema.COLUMNS c
     LEFT JOIN information_schema.STATISTICS s ON s.TABLE_SCHEMA = c.TABLE_SCHEMA AND s.TABLE_NAME = c.TABLE_NAME AND s.COLUMN_NAME = c.COLUMN_NAME
     LEFT JOIN information_schema.KEY_COLUMN_USAGE k ON k.TABLE_SCHEMA = c.TABLE_SCHEMA AND k.TABLE_NAME = c.TABLE_NAME AND k.COLUMN_NAME = c.COLUMN_NAME
     WHERE c.TABLE_SCHEMA = DATABASE() ORDER BY c.TABLE_NAME, c.ORDINAL_POSITION, s.INDEX_NAME, k.CONSTRAINT_NAME`,
  );

class Killed extends Error {}

/** A connection whose process is killed at its `at`th statement that changes the shape or the rows: before it is done, or after and before that is noted. */
function killedAt(db: Db, at: number, when: 'before' | 'after'): Db {
  let count = 0;
  const killing =
    <Args extends [string, ...unknown[]], T>(work: (...args: Args) => Promise<T>) =>
    async (...args: Args): Promise<T> => {
      const isOfTheBooks = /migration/.test(args[0]);
      const isIt = !isOfTheBooks && ++count === at;
      if (isIt && when === 'before') throw new Killed();
      const done = await work(...args);
      if (isIt) throw new Killed();
      return done;
    };
  return Object.assign(Object.create(db) as Db, {
    define: killing(db.define.bind(db)),
    change: killing(db.change.bind(db)),
  });
}

const wasKilled = (migrating: Promise<unknown>): Promise<boolean> =>
  migrating.then(
    () => false,
    (error: unknown) => {
      if (error instanceof Killed || (error as Error).cause instanceof Killed) return true;
      throw error;
    },
  );

describe('migrations', () => {
  it('go on where they were killed, before and after each of their statements', async () => {
    const wanted = await ownDatabase();
    await migrate(wanted.db);
    let kills = 0;
    for (let goesOn = true; goesOn;) {
      // The statement that is next: killed before it, after it, and then once it has been noted.
      kills += Number(await wasKilled(migrate(killedAt(own.db, 1, 'before'))));
      kills += Number(await wasKilled(migrate(killedAt(own.db, 1, 'after'))));
      goesOn = await wasKilled(migrate(killedAt(own.db, 2, 'before')));
      kills += Number(goesOn);
    }
    const statements = allMigrations().flatMap(({ up }) => up).length;
    expect(kills).toBe(3 * statements - 1);
    expect(await shapeOf(own.db)).toEqual(await shapeOf(wanted.db));
    await wanted.drop();
  });
  it('do nothing twice to rows: what was done and not noted is undone with the kill', async () => {
    const counting = {
      name: '0001-counting',
      up: [
        'CREATE TABLE counted (n INT NOT NULL)',
        'INSERT INTO counted (n) VALUES (0)',
        'UPDATE counted SET n = n + 1',
      ],
    };
    for (const at of [2, 3]) {
      const here = await ownDatabase();
      await expect(
        migrate(killedAt(here.db, at, 'after'), undefined, [counting]),
      ).rejects.toThrow();
      await migrate(here.db, undefined, [counting]);
      expect(await here.db.rows('SELECT n FROM counted')).toEqual([{ n: 1 }]);
      await here.drop();
    }
  });
  it('stop at a statement that is wrong, however often they are begun', async () => {
    const wrong = {
      name: '0001-wrong',
      up: ['CREATE TABLE one (id INT)', 'ALTER TABLE nothing ADD COLUMN x INT'],
    };
    const twice = {
      name: '0001-twice',
      up: ['CREATE TABLE one (id INT)', 'CREATE TABLE one (id INT)'],
    };
    await expect(migrate(own.db, undefined, [wrong])).rejects.toThrow(/nothing/);
    await expect(migrate((await ownDatabase()).db, undefined, [twice])).rejects.toThrow(/exists/);
  });
  it('are done once where two processes start together', async () => {
    const other = new Db(own.url);
    const done = await Promise.all([migrate(own.db), migrate(other)]);
    await other.close();
    expect(done.map((names) => names.length).sort((a, b) => a - b)).toEqual([
      0,
      allMigrations().length,
    ]);
  });
  it('tell what is done and what is left', async () => {
    await migrate(own.db, '0007-posting');
    const { done, pending } = await migrationStatus(own.db);
    expect(done.at(-1)).toBe('0007-posting');
    expect(pending[0]).toBe('0008-moving-in');
    expect(done.length + pending.length).toBe(allMigrations().length);
  });
});

describe('a database that is not fit', () => {
  it('is refused where its letters are others, with the line that mends it', async () => {
    const latin = await ownDatabase({ how: 'CHARACTER SET latin1' });
    await expect(migrate(latin.db)).rejects.toThrow(
      `ALTER DATABASE \`${latin.name}\` CHARACTER SET utf8mb4;`,
    );
    await statement(
      { port: inject('mariadbPort') },
      `ALTER DATABASE ${latin.name} CHARACTER SET utf8mb4`,
    );
    await latin.db.close();
    const mended = new Db(latin.url);
    expect(await migrate(mended)).toHaveLength(allMigrations().length);
    await mended.close();
  });
  it('is refused where its transactions see less, with the line that mends it', async () => {
    const told = Object.assign(Object.create(own.db) as Db, {
      rows: (sql: string) =>
        sql.includes('isolation') ? [{ Value: 'REPEATABLE-READ' }] : own.db.rows(sql),
    });
    await expect(migrate(told)).rejects.toThrow(
      'SET GLOBAL TRANSACTION ISOLATION LEVEL READ COMMITTED;',
    );
  });
});

describe('the lock of migrations', () => {
  it('is not taken for granted: where another keeps it too long, that is told', async () => {
    const nothing = async (): Promise<void> => {};
    await own.db.withLock('glen-test', async () => {
      await expect(own.db.withLock('glen-test', nothing, { waitSeconds: 0 })).rejects.toThrow(
        /Another process has held the lock/,
      );
    });
    await own.db.withLock('glen-test', nothing, { waitSeconds: 0 });
  });
});
