import { QueryTypes, Sequelize } from 'sequelize';

type Values = Record<string, string | number | boolean | null>;

/** The stand-ins' own tables, in a database of their own. */
export class Store {
  private readonly sequelize: Sequelize;

  constructor(url: string) {
    this.sequelize = new Sequelize(url, {
      dialect: 'mariadb',
      logging: false,
      timezone: '+00:00',
      pool: { max: 8 },
      // The driver's own second is too short for a busy machine.
      dialectOptions: { connectTimeout: 10000 },
    });
  }

  rows<T extends object>(sql: string, values: Values = {}): Promise<T[]> {
    return this.sequelize.query<T>(sql, { type: QueryTypes.SELECT, replacements: values });
  }

  async one<T extends object>(sql: string, values: Values = {}): Promise<T | undefined> {
    return (await this.rows<T>(sql, values))[0];
  }

  async change(sql: string, values: Values = {}): Promise<number> {
    const [, count] = await this.sequelize.query(sql, {
      type: QueryTypes.UPDATE,
      replacements: values,
    });
    return count;
  }

  async define(statements: string[]): Promise<void> {
    for (const sql of statements) await this.sequelize.query(sql, { type: QueryTypes.RAW });
  }

  close(): Promise<void> {
    return this.sequelize.close();
  }
}
