import {
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';
import { fixedCode, idOf } from './columns.js';

/** Whom a host has turned away or put out: nobody comes back under another account or name. */
interface KeptOutRow extends Model<
  InferAttributes<KeptOutRow>,
  InferCreationAttributes<KeptOutRow>
> {
  sitting_id: number;
  /** A person, or of those without an account a browser, or a name from a network. */
  who: string;
}

export const defineKeptOut = (sequelize: Sequelize): ModelStatic<KeptOutRow> =>
  sequelize.define<KeptOutRow>(
    'KeptOut',
    {
      sitting_id: idOf('sittings', { primaryKey: true }),
      who: fixedCode(60, { primaryKey: true }),
    },
    { tableName: 'kept_out', timestamps: false },
  );
