import type {
  InferAttributes,
  InferCreationAttributes,
  Model,
  ModelStatic,
  Sequelize,
} from 'sequelize';
import { code, idOf } from './columns.js';

/** Which entry code of a link those whom it is for have heard of. */
interface ToldCodeRow extends Model<
  InferAttributes<ToldCodeRow>,
  InferCreationAttributes<ToldCodeRow>
> {
  link_id: number;
  /** Empty: the door asked for none. */
  hash: string;
}

export const defineToldCode = (sequelize: Sequelize): ModelStatic<ToldCodeRow> =>
  sequelize.define<ToldCodeRow>(
    'ToldCode',
    {
      link_id: { ...idOf('links', { onDelete: 'CASCADE' }), primaryKey: true },
      hash: code(43),
    },
    { tableName: 'told_codes', timestamps: false },
  );
