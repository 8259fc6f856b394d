import { QueryTypes } from 'sequelize';
import { defineModels, type Models } from './models.js';
import { CarryingSequelize } from './sequelize.js';

export { toSql } from './sqlTime.js';

export type Value = string | number | boolean | null;
type Values = Record<string, Value | readonly (string | number)[]>;

/** Statements with their named places numbered: the driver keeps only such as it gets them letter for letter. */
const numbered = new Map<string, { text: string; names: string[] }>();
function placesIn(sql: string): { text: string; names: string[] } {
  const known = numbered.get(sql);
  if (known) return known;
  const names: string[] = [];
  const text = sql.replace(/:(\w+)/g, (_, name: string) => {
    names.push(name);
    return '?';
  });
  numbered.set(sql, { text, names });
  return { text, names };
}

interface Prepares {
  execute<T>(statement: { sql: string; bigIntAsNumber: true }, values: Value[]): Promise<T>;
}
interface Pool {
  getConnection(options: { type: 'SELECT' }): Promise<Prepares>;
  releaseConnection(connection: Prepares): void;
}
const ROWS_AT_ONCE = 100;
const DEADLOCK_TRIES = 8;

/**
 * The database: statements with named values (`:id`), one transaction for each change of more than one row. Whatever is
 * asked while a transaction runs, however deep, is part of it: the running one is carried along, not passed on by hand.
 */
export class Db {
  /** The tables, for plain reads and writes. */
  readonly models: Models;
  private readonly sequelize: CarryingSequelize;
  private met = 0;

  constructor(url: string, poolSize = 10) {
    this.sequelize = new CarryingSequelize(url, poolSize);
    this.models = defineModels(this.sequelize);
  }

  rows<T extends object>(sql: string, values: Values = {}): Promise<T[]> {
    return this.sequelize.query<T>(sql, {
      type: QueryTypes.SELECT,
      replacements: values,
    });
  }

  async one<T extends object>(sql: string, values: Values = {}): Promise<T | undefined> {
    return (await this.rows<T>(sql, values))[0];
  }

  /**
   * The same for a statement that is asked all day: prepared once on each connection, so that the database need not read
   * it again. Values have no lists. Sequelize has no way to prepare, so its pool's connection is asked directly.
   */
  async prepared<T extends object>(sql: string, values: Record<string, Value>): Promise<T[]> {
    const manager = this.sequelize.connectionManager as unknown as Pool;
    const running = this.sequelize.transactionNow as unknown as { connection: Prepares } | null;
    const connection = running?.connection ?? (await manager.getConnection({ type: 'SELECT' }));
    try {
      const { text, names } = placesIn(sql);
      return await connection.execute<T[]>(
        { sql: text, bigIntAsNumber: true },
        names.map((name) => values[name] ?? null),
      );
    } finally {
      if (!running) manager.releaseConnection(connection);
    }
  }

  /** The new row's id. Column names come from our own code, never from outside. */
  async insert(table: string, row: Values): Promise<number> {
    const columns = Object.keys(row);
    const sql = `INSERT INTO ${table} (${columns.join(', ')}) VALUES (${columns.map((c) => `:${c}`).join(', ')})`;
    const [id] = await this.sequelize.query(sql, {
      type: QueryTypes.INSERT,
      replacements: row,
    });
    return id;
  }

  /** Many rows of the same columns in few statements. */
  async insertAll(table: string, rows: Values[]): Promise<void> {
    const [first] = rows;
    if (!first) return;
    const columns = Object.keys(first);
    for (let from = 0; from < rows.length; from += ROWS_AT_ONCE) {
      const some = rows.slice(from, from + ROWS_AT_ONCE);
      const places = some.map((_, i) => `(${columns.map((c) => `:${c}_${i}`).join(', ')})`);
      const values = Object.fromEntries(
        some.flatMap((row, i) => columns.map((c) => [`${c}_${i}`, row[c] ?? null])),
      );
      await this.sequelize.query(
        `INSERT INTO ${table} (${columns.join(', ')}) VALUES ${places.join(', ')}`,
        {
          type: QueryTypes.INSERT,
          replacements: values,
        },
      );
    }
  }

  /** How many rows a change matched. */
  async change(sql: string, values: Values = {}): Promise<number> {
    const [, count] = await this.sequelize.query(sql, {
      type: QueryTypes.UPDATE,
      replacements: values,
    });
    return count;
  }

  /** Makes or changes a table; the database commits such a statement by itself. */
  async define(sql: string): Promise<void> {
    await this.sequelize.query(sql, { type: QueryTypes.RAW });
  }

  /**
   * One transaction; inside another it is part of that. Run again from the start where the database broke a deadlock, so
   * the work must do nothing outside the database.
   */
  async transaction<T>(work: () => Promise<T>): Promise<T> {
    if (this.sequelize.transactionNow) return work();
    for (let tries = 1; ; tries++) {
      try {
        return await this.sequelize.within(work);
      } catch (error) {
        if (!isDeadlock(error) || tries === DEADLOCK_TRIES) throw error;
        // Those who met meet again at once, unless each waits for a while of its own.
        this.met = (this.met + 7) % 30;
        const pause = this.met * tries;
        await new Promise((resolve) => {
          setTimeout(resolve, pause);
        });
      }
    }
  }

  /** Works while no other process holds the lock of this name; a connection of its own keeps it. */
  async withLock<T>(name: string, work: () => Promise<T>): Promise<T> {
    return this.sequelize.transaction(async (holder) => {
      const ask = (sql: string) =>
        this.sequelize.query(sql, {
          type: QueryTypes.SELECT,
          replacements: { name },
          transaction: holder,
        });
      await ask(`SELECT GET_LOCK(CONCAT(:name, '-', DATABASE()), 60) AS got`);
      try {
        return await work();
      } finally {
        await ask(`SELECT RELEASE_LOCK(CONCAT(:name, '-', DATABASE())) AS freed`);
      }
    });
  }

  close(): Promise<void> {
    return this.sequelize.close();
  }
}

const codeOf = (error: unknown): string => {
  const e = error as { code?: string; parent?: { code?: string }; original?: { code?: string } };
  return e.original?.code ?? e.parent?.code ?? e.code ?? '';
};
const isDeadlock = (error: unknown): boolean =>
  ['ER_LOCK_DEADLOCK', 'ER_CHECKREAD'].includes(codeOf(error));
export const isDuplicate = (error: unknown): boolean => codeOf(error) === 'ER_DUP_ENTRY';
/** The database is away; a request may be tried again. */
export const isUnreachable = (error: unknown): boolean =>
  String((error as Error | undefined)?.name).startsWith('SequelizeConnection') ||
  /ECONNREFUSED|ECONNRESET|ER_SOCKET|ER_CMD_CONNECTION_CLOSED|ER_CONNECTION/.test(codeOf(error));
