import type {
  InferAttributes,
  InferCreationAttributes,
  Model,
  ModelStatic,
  Sequelize,
} from 'sequelize';
import { fixedCode } from './columns.js';

/** A day of which people have been told in the morning. */
interface MorningRow extends Model<
  InferAttributes<MorningRow>,
  InferCreationAttributes<MorningRow>
> {
  day: string;
}

export const defineMorning = (sequelize: Sequelize): ModelStatic<MorningRow> =>
  sequelize.define<MorningRow>(
    'Morning',
    { day: fixedCode(10, { primaryKey: true }) },
    { tableName: 'mornings', timestamps: false },
  );
