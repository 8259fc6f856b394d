import { QueryTypes, Sequelize, Transaction } from 'sequelize';

export type Value = string | number | boolean | null;
export type Values = Record<string, Value | readonly (string | number)[]>;
export type Tx = Transaction;

/** `2026-10-14T13:45:00Z` as a DATETIME column takes it. */
export const toSql = (instant: string): string => instant.slice(0, 19).replace('T', ' ');

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
interface Field {
  type: string;
  string(): string | null;
}

const ROWS_AT_ONCE = 100;

/** The database: statements with named values (`:id`), one transaction for each change of more than one row. */
export class Db {
  private readonly sequelize: Sequelize;
  private met = 0;

  constructor(url: string, poolSize = 10) {
    this.sequelize = new Sequelize(url, {
      dialect: 'mariadb',
      logging: false,
      timezone: '+00:00',
      pool: { max: poolSize, min: 0, acquire: 15000, idle: 30000 },
      isolationLevel: Transaction.ISOLATION_LEVELS.READ_COMMITTED,
      dialectOptions: {
        connectTimeout: 3000,
        // A change counts the rows it meets, those too that say already what it says.
        foundRows: true,
        // Instants leave the database in the form that the core takes.
        typeCast: (field: Field, next: () => unknown) => {
          if (field.type !== 'DATETIME') return next();
          const text = field.string();
          return text === null ? null : `${text.replace(' ', 'T')}Z`;
        },
      },
    });
  }

  rows<T extends object>(sql: string, values: Values = {}, tx?: Tx): Promise<T[]> {
    return this.sequelize.query<T>(sql, {
      type: QueryTypes.SELECT,
      replacements: values,
      transaction: tx ?? null,
    });
  }

  async one<T extends object>(sql: string, values: Values = {}, tx?: Tx): Promise<T | undefined> {
    return (await this.rows<T>(sql, values, tx))[0];
  }

  /**
   * The same for a statement that is asked all day: prepared once on each connection, so that the database need not read
   * it again. Values have no lists. Sequelize has no way to prepare, so its pool's connection is asked directly.
   */
  async prepared<T extends object>(
    sql: string,
    values: Record<string, Value>,
    tx?: Tx,
  ): Promise<T[]> {
    const manager = this.sequelize.connectionManager as unknown as Pool;
    const connection = tx
      ? (tx as unknown as { connection: Prepares }).connection
      : await manager.getConnection({ type: 'SELECT' });
    try {
      const { text, names } = placesIn(sql);
      return await connection.execute<T[]>(
        { sql: text, bigIntAsNumber: true },
        names.map((name) => values[name] ?? null),
      );
    } finally {
      if (!tx) manager.releaseConnection(connection);
    }
  }

  /** The new row's id. Column names come from our own code, never from outside. */
  async insert(table: string, row: Values, tx?: Tx): Promise<number> {
    const columns = Object.keys(row);
    const sql = `INSERT INTO ${table} (${columns.join(', ')}) VALUES (${columns.map((c) => `:${c}`).join(', ')})`;
    const [id] = await this.sequelize.query(sql, {
      type: QueryTypes.INSERT,
      replacements: row,
      transaction: tx ?? null,
    });
    return id;
  }

  /** Many rows of the same columns in few statements. */
  async insertAll(table: string, rows: Values[], tx?: Tx): Promise<void> {
    const [first] = rows;
    if (!first) return;
    const columns = Object.keys(first);
    for (let from = 0; from < rows.length; from += ROWS_AT_ONCE) {
      const some = rows.slice(from, from + ROWS_AT_ONCE);
      const sql = `INSERT INTO ${table} (${columns.join(', ')}) VALUES ${some.map((_, i) => `(${columns.map((c) => `:${c}_${i}`).join(', ')})`).join(', ')}`;
      const values = Object.fromEntries(
        some.flatMap((row, i) => columns.map((c) => [`${c}_${i}`, row[c] ?? null])),
      );
      await this.sequelize.query(sql, {
        type: QueryTypes.INSERT,
        replacements: values,
        transaction: tx ?? null,
      });
    }
  }

  /** How many rows a change matched. */
  async change(sql: string, values: Values = {}, tx?: Tx): Promise<number> {
    const [, count] = await this.sequelize.query(sql, {
      type: QueryTypes.UPDATE,
      replacements: values,
      transaction: tx ?? null,
    });
    return count;
  }

  async define(sql: string): Promise<void> {
    await this.sequelize.query(sql, { type: QueryTypes.RAW });
  }

  /** One transaction; run again from the start where the database broke a deadlock. */
  async transaction<T>(work: (tx: Tx) => Promise<T>): Promise<T> {
    for (let tries = 1; ; tries++) {
      try {
        return await this.sequelize.transaction(work);
      } catch (error) {
        if (!isDeadlock(error) || tries === 8) throw error;
        // Those who met meet again at once, unless each waits for a while of its own.
        this.met = (this.met + 7) % 30;
        const pause = this.met * tries;
        await new Promise((resolve) => {
          setTimeout(resolve, pause);
        });
      }
    }
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
