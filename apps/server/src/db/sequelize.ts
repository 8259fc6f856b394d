import { AsyncLocalStorage } from 'node:async_hooks';
import { Sequelize, Transaction, type QueryOptions, type TransactionOptions } from 'sequelize';
import { fromSql } from './sqlTime.js';

interface Field {
  type: string;
  string(): string | null;
}

/** Instants leave the database in the form that the core takes. */
function typeCast<Read>(field: Field, next: () => Read): Read | string | null {
  if (field.type !== 'DATETIME') return next();
  const text = field.string();
  return text === null ? null : fromSql(text);
}

type Work<T> = (own: Transaction) => PromiseLike<T>;

/**
 * Sequelize that carries the running transaction along: whatever is asked while one runs, however deep and by whichever
 * model, is part of it. (Sequelize's own way, a namespace for the whole process, knows only one database.)
 */
export class CarryingSequelize extends Sequelize {
  private readonly running = new AsyncLocalStorage<Transaction>();
  /** How many transactions run. */
  private open = 0;
  /** Transactions begun within another, each with that other. */
  private readonly within = new WeakMap<Transaction, Transaction>();

  /** Done at the end of each transaction, as part of it; not of those within another. */
  beforeCommit: () => Promise<void> = () => Promise.resolve();

  constructor(url: string, poolSize: number) {
    super(url, {
      dialect: 'mariadb',
      logging: false,
      timezone: '+00:00',
      pool: { max: poolSize, min: 0, acquire: 15000, idle: 30000 },
      isolationLevel: Transaction.ISOLATION_LEVELS.READ_COMMITTED,
      // A change counts the rows it meets, those too that say already what it says.
      dialectOptions: { connectTimeout: 10000, foundRows: true, typeCast },
    });
  }

  /** The transaction that runs just now, if one does. */
  get transactionNow(): Transaction | null {
    return this.running.getStore() ?? null;
  }

  /** Throws where a statement would leave the transaction that runs: it would wait for what that holds, or see it undone. */
  override query(
    sql: string | { query: string; values: unknown[] },
    options: QueryOptions = {},
  ): Promise<never> {
    const now = this.transactionNow;
    const given = options.transaction;
    if (now && given !== undefined && given !== now && !this.isWithin(given, now))
      throw new Error('A statement leaves the transaction that runs.');
    // An option that is there but undefined counts as none.
    const transaction = given ?? now;
    return super.query(sql, { ...options, transaction }) as Promise<unknown> as Promise<never>;
  }

  private isWithin(given: Transaction | null, now: Transaction): boolean {
    return given !== null && this.within.get(given) === now;
  }

  /** Begun within another it is a savepoint of that: undone with it, or alone. */
  override transaction<T>(work: Work<T>): Promise<T>;
  override transaction<T>(options: TransactionOptions, work: Work<T>): Promise<T>;
  override transaction(options?: TransactionOptions): Promise<Transaction>;
  override async transaction<T>(
    first: Work<T> | TransactionOptions = {},
    work?: Work<T>,
  ): Promise<T | Transaction> {
    const outer = this.transactionNow;
    const options = { ...(typeof first === 'function' ? {} : first), transaction: outer };
    const given = typeof first === 'function' ? first : work;
    if (given) return this.carry(options, given);
    const own = await super.transaction(options);
    if (outer) this.within.set(own, outer);
    return own;
  }

  /** Carrying makes every promise of the process dearer, so nothing is carried while nothing runs. */
  private async carry<T>(options: TransactionOptions, work: Work<T>): Promise<T> {
    this.open += 1;
    try {
      return await super.transaction(options, (own) =>
        this.running.run(own, async () => {
          const result = await work(own);
          if (!options.transaction) await this.beforeCommit();
          return result;
        }),
      );
    } finally {
      this.open -= 1;
      if (this.open === 0) this.running.disable();
    }
  }

  /** Does something apart from the transaction that runs: what goes on after it, such as a timer. */
  apart<T>(work: () => T): T {
    return this.running.exit(work);
  }
}
