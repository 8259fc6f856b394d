import {
  DataTypes,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';
import { fixedCode, instant, oneOf } from './columns.js';

/** A write that came with a key of its own. Both instants are machine time. */
interface PressRow extends Model<InferAttributes<PressRow>, InferCreationAttributes<PressRow>> {
  key_hash: string;
  /** Of what was asked. */
  digest: string;
  /** Done as soon as anything of it stands in the database. */
  state: 'going' | 'done';
  /** Whoever does it is taken for gone after this. */
  until_at: string;
  made_at: string;
  /** Sealed; nothing while it goes on, or where whoever did it was stopped before they could tell. */
  answer: CreationOptional<string | null>;
}

export const definePress = (sequelize: Sequelize): ModelStatic<PressRow> =>
  sequelize.define<PressRow>(
    'Press',
    {
      key_hash: fixedCode(43, { primaryKey: true }),
      digest: fixedCode(43),
      state: oneOf(['going', 'done']),
      until_at: instant('until_at'),
      made_at: instant('made_at'),
      answer: { type: DataTypes.TEXT('medium'), allowNull: true },
    },
    {
      tableName: 'presses',
      timestamps: false,
      indexes: [{ name: 'by_made', fields: ['made_at'] }],
    },
  );
