import type {
  CreationOptional,
  InferAttributes,
  InferCreationAttributes,
  Model,
  ModelStatic,
  Sequelize,
} from 'sequelize';
import { fixedCode, idOf, instant, ownId, text } from './columns.js';

/** A sign of being there that those inside are asked for, for some minutes. */
export interface CheckInRow extends Model<
  InferAttributes<CheckInRow>,
  InferCreationAttributes<CheckInRow>
> {
  id: CreationOptional<number>;
  sitting_id: number;
  /** Four letters to read out. */
  code: string;
  token: string;
  /** Empty: none is asked. */
  question: CreationOptional<string>;
  opened_at: string;
  closes_at: string;
  made_by: number | null;
}

export const defineCheckIn = (sequelize: Sequelize): ModelStatic<CheckInRow> =>
  sequelize.define<CheckInRow>(
    'CheckIn',
    {
      id: ownId(),
      sitting_id: idOf('sittings', { onDelete: 'CASCADE' }),
      code: fixedCode(4),
      token: fixedCode(22, { unique: true }),
      question: text(200, { defaultValue: '' }),
      opened_at: instant('opened_at'),
      closes_at: instant('closes_at'),
      made_by: idOf('people', { allowNull: true }),
    },
    {
      tableName: 'check_ins',
      timestamps: false,
      indexes: [
        { name: 'by_sitting', fields: ['sitting_id', 'closes_at'] },
        { name: 'by_code', fields: ['code', 'closes_at'] },
      ],
    },
  );
