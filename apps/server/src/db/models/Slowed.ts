import {
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';
import { fixedCode, instant, looseId } from './columns.js';

/** What is tried in vain, and waits longer each time. */
interface SlowedRow extends Model<InferAttributes<SlowedRow>, InferCreationAttributes<SlowedRow>> {
  /** What is counted together, as a hash: it is of no use to read. */
  bucket: string;
  failures: number;
  /** By machine time. */
  last_at: string;
}

export const defineSlowed = (sequelize: Sequelize): ModelStatic<SlowedRow> =>
  sequelize.define<SlowedRow>(
    'Slowed',
    {
      bucket: fixedCode(64, { primaryKey: true }),
      failures: looseId(),
      last_at: instant('last_at'),
    },
    { tableName: 'slowed', timestamps: false, indexes: [{ name: 'by_age', fields: ['last_at'] }] },
  );
