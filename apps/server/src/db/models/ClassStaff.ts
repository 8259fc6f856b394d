import {
  DataTypes,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';
import { idOf } from './columns.js';

/** Who teaches a class period, and as what. */
export interface ClassStaffRow extends Model<
  InferAttributes<ClassStaffRow>,
  InferCreationAttributes<ClassStaffRow>
> {
  class_id: number;
  person_id: number;
  as_what: 'host' | 'co-teacher' | 'presenter';
}

export const defineClassStaff = (sequelize: Sequelize): ModelStatic<ClassStaffRow> =>
  sequelize.define<ClassStaffRow>(
    'ClassStaff',
    {
      class_id: idOf({ primaryKey: true }),
      person_id: idOf({ primaryKey: true }),
      as_what: { type: DataTypes.ENUM('host', 'co-teacher', 'presenter'), allowNull: false },
    },
    { tableName: 'class_staff', timestamps: false },
  );
