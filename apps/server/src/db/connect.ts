import { QueryTypes, type Sequelize } from 'sequelize';
import { USUAL_POOL_SIZE } from './poolSize.js';
import { isDeadlock } from './errors.js';
import { defineModels, type Models } from './models.js';
import { PreparedReads, type PreparedValues } from './preparedReads.js';
import { CarryingSequelize } from './sequelize.js';

type Value = string | number | boolean | null;
export type Values = Record<string, Value | readonly (string | number)[]>;

const DEADLOCK_TRIES = 8;
/** So long is a lock of another process waited for. */
const LOCK_WAIT_SECONDS = 60;

/**
 * The database: models for plain reads and writes, statements with named values (`:id`) for questions about whole sets,
 * one transaction for each change of more than one row. Whatever is asked while a transaction runs, however deep, is
 * part of it: the running one is carried along, not passed on by hand.
 */
export class Db {
  /** The tables, for plain reads and writes. */
  readonly models: Models;
  private readonly carrying: CarryingSequelize;
  private readonly sequelize: Sequelize;
  private readonly reads: PreparedReads;
  private met = 0;

  constructor(url: string, poolSize = USUAL_POOL_SIZE) {
    this.carrying = new CarryingSequelize(url, poolSize);
    this.sequelize = this.carrying;
    this.models = defineModels(this.sequelize);
    this.reads = new PreparedReads(url, poolSize);
  }

  rows<T extends object>(sql: string, values: Values = {}): Promise<T[]> {
    return this.sequelize.query<T>(sql, { type: QueryTypes.SELECT, replacements: values });
  }

  async one<T extends object>(sql: string, values: Values = {}): Promise<T | undefined> {
    return (await this.rows<T>(sql, values))[0];
  }

  /**
   * The same for a statement that is asked all day: prepared once on each connection, so that the database need not read
   * it again. Values have no lists; columns that hold instants are named. Within a transaction it is asked there, as any other.
   */
  prepared<T extends object>(
    sql: string,
    values: PreparedValues,
    instants: readonly (keyof T)[] = [],
  ): Promise<T[]> {
    return this.carrying.transactionNow
      ? this.rows<T>(sql, values)
      : this.reads.rows<T>(sql, values, instants);
  }

  /** Changes whole sets of rows; how many it met. */
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
    if (this.carrying.transactionNow) return work();
    for (let tries = 1; ; tries++) {
      try {
        return await this.sequelize.transaction(work);
      } catch (error) {
        if (!isDeadlock(error) || tries === DEADLOCK_TRIES) throw error;
        await this.stepAside(tries);
      }
    }
  }

  /** Those who met meet again at once, unless each waits for a while of its own. */
  private stepAside(tries: number): Promise<void> {
    this.met = (this.met + 7) % 30;
    const pause = this.met * tries;
    return new Promise((resolve) => {
      setTimeout(resolve, pause);
    });
  }

  /** Has something be done at the end of every transaction, as part of it. */
  beforeCommit(work: () => Promise<void>): void {
    this.carrying.beforeCommit = work;
  }

  /** Does something apart from the transaction that runs: what goes on after it, such as a timer. */
  apart<T>(work: () => T): T {
    return this.carrying.apart(work);
  }

  /** Works while no other process holds the lock of this name; a connection of its own keeps it. */
  async withLock<T>(
    name: string,
    work: () => Promise<T>,
    { waitSeconds = LOCK_WAIT_SECONDS } = {},
  ): Promise<T> {
    const holder = await this.sequelize.transaction();
    const ask = async (asked: string): Promise<number | null> => {
      const [row] = await this.sequelize.query<{ answer: number | null }>(
        `SELECT ${asked} AS answer`,
        { type: QueryTypes.SELECT, replacements: { name, waitSeconds }, transaction: holder },
      );
      return row?.answer ?? null;
    };
    try {
      if ((await ask(`GET_LOCK(CONCAT(:name, '-', DATABASE()), :waitSeconds)`)) !== 1)
        throw new Error(
          `Another process has held the lock “${name}” for ${waitSeconds} seconds. Try again.`,
        );
      const result = await work();
      await ask(`RELEASE_LOCK(CONCAT(:name, '-', DATABASE()))`);
      return result;
    } finally {
      // The lock goes with the connection's transaction at the latest.
      await holder.rollback();
    }
  }

  async close(): Promise<void> {
    await Promise.all([this.sequelize.close(), this.reads.close()]);
  }
}
