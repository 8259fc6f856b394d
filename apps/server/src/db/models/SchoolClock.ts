import {
  DataTypes,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';
import { onlyId } from './columns.js';

/** How far school time stands off from machine time in the demo; its only row has the id 1. */
interface SchoolClockRow extends Model<
  InferAttributes<SchoolClockRow>,
  InferCreationAttributes<SchoolClockRow>
> {
  id: number;
  offset_seconds: number;
}

export const defineSchoolClock = (sequelize: Sequelize): ModelStatic<SchoolClockRow> =>
  sequelize.define<SchoolClockRow>(
    'SchoolClock',
    {
      id: onlyId(),
      offset_seconds: { type: DataTypes.INTEGER, allowNull: false },
    },
    { tableName: 'school_clock', timestamps: false },
  );
