import { createPool, type Pool } from 'mariadb';
import { fromSql } from './sqlTime.js';

export type PreparedValues = Record<string, string | number | null>;

interface Numbered {
  text: string;
  names: string[];
}

/** The same statement with its named places in order: the driver keeps only what it gets letter for letter. */
function number(sql: string): Numbered {
  const names: string[] = [];
  const text = sql.replace(/:([a-z]\w*)/gi, (_, name: string) => {
    names.push(name);
    return '?';
  });
  return { text, names };
}

function valuesOf(names: string[], values: PreparedValues): (string | number | null)[] {
  return names.map((name) => {
    const value = values[name];
    if (value === undefined) throw new Error(`The statement names “${name}”, which has no value.`);
    return value;
  });
}

/**
 * Reads that are prepared once on each connection. Sequelize has no way to prepare a statement, so these go through the
 * driver's own pool, outside of any transaction.
 */
export class PreparedReads {
  private readonly numbered = new Map<string, Numbered>();
  private readonly url: string;
  private readonly size: number;
  private pool: Pool | undefined;

  constructor(url: string, size: number) {
    this.url = url;
    this.size = size;
  }

  /** `instants`: the columns that hold one. They are named, because to ask of every column whether it is one takes longer than to read it. */
  async rows<T extends object>(
    sql: string,
    values: PreparedValues,
    instants: readonly (keyof T)[],
  ): Promise<T[]> {
    const { text, names } = this.numberedOf(sql);
    this.pool ??= this.open();
    const rows = await this.pool.execute<T[]>(text, valuesOf(names, values));
    for (const row of rows)
      for (const column of instants) {
        const told: unknown = row[column];
        if (typeof told === 'string') Object.assign(row, { [column]: fromSql(told) });
      }
    return rows;
  }

  private numberedOf(sql: string): Numbered {
    const known = this.numbered.get(sql);
    if (known) return known;
    const fresh = number(sql);
    this.numbered.set(sql, fresh);
    return fresh;
  }

  private open(): Pool {
    const { hostname, port, username, password, pathname } = new URL(this.url);
    return createPool({
      host: hostname,
      port: Number(port || 3306),
      user: decodeURIComponent(username),
      password: decodeURIComponent(password),
      database: pathname.slice(1),
      connectionLimit: this.size,
      minimumIdle: 0,
      idleTimeout: 30,
      acquireTimeout: 15000,
      timezone: 'Z',
      bigIntAsNumber: true,
      dateStrings: true,
      // Joins are by key and meet a row or two: buffers for more would cost more than the rows.
      initSql: 'SET SESSION join_cache_level = 0',
    });
  }

  async close(): Promise<void> {
    await this.pool?.end();
  }
}
