import type {
  InferAttributes,
  InferCreationAttributes,
  Model,
  ModelStatic,
  Sequelize,
} from 'sequelize';
import { fixedCode } from './columns.js';

/** A week of whose registers the staff has been told. */
interface WeekToldRow extends Model<
  InferAttributes<WeekToldRow>,
  InferCreationAttributes<WeekToldRow>
> {
  /** Its Monday. */
  week: string;
}

export const defineWeekTold = (sequelize: Sequelize): ModelStatic<WeekToldRow> =>
  sequelize.define<WeekToldRow>(
    'WeekTold',
    {
      week: fixedCode(10, { primaryKey: true }),
    },
    {
      tableName: 'weeks_told',
      timestamps: false,
    },
  );
