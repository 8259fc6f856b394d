import { AsyncLocalStorage } from 'node:async_hooks';
import { Sequelize, Transaction } from 'sequelize';

interface Field {
  type: string;
  string(): string | null;
}

/** Instants leave the database in the form that the core takes. */
function typeCast(field: Field, next: () => unknown): unknown {
  if (field.type !== 'DATETIME') return next();
  const text = field.string();
  return text === null ? null : `${text.replace(' ', 'T')}Z`;
}

/**
 * Sequelize that carries the running transaction along: whatever is asked while one runs, however deep and by whichever
 * model, is part of it.
 */
export class CarryingSequelize extends Sequelize {
  private readonly running = new AsyncLocalStorage<Transaction>();

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
    const query = this.query.bind(this) as (sql: unknown, options?: object) => Promise<unknown>;
    // An option that is there but undefined counts as none; a statement that names its transaction keeps it.
    this.query = ((sql: unknown, options: { transaction?: Transaction | null } = {}) =>
      query(sql, {
        ...options,
        transaction: options.transaction ?? this.transactionNow,
      })) as typeof this.query;
  }

  /** The transaction that runs just now, if one does. */
  get transactionNow(): Transaction | null {
    return this.running.getStore() ?? null;
  }

  /** Works within a transaction of its own. */
  within<T>(work: () => Promise<T>): Promise<T> {
    return this.transaction((own) => this.running.run(own, work));
  }
}
