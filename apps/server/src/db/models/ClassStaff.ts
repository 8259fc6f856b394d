import {
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type NonAttribute,
  type Sequelize,
} from 'sequelize';
import type { ClassPeriodRow } from './ClassPeriod.js';
import type { PersonRow } from './Person.js';
import { idOf, oneOf } from './columns.js';

/** Who teaches a class period, and as what. */
export interface ClassStaffRow extends Model<
  InferAttributes<ClassStaffRow>,
  InferCreationAttributes<ClassStaffRow>
> {
  class_id: number;
  person_id: number;
  as_what: 'host' | 'co-teacher' | 'presenter';

  // Asked for together with it, where it is.
  person?: NonAttribute<PersonRow>;
  classPeriod?: NonAttribute<ClassPeriodRow>;
}

export const defineClassStaff = (sequelize: Sequelize): ModelStatic<ClassStaffRow> =>
  sequelize.define<ClassStaffRow>(
    'ClassStaff',
    {
      class_id: idOf('class_periods', { primaryKey: true }),
      person_id: idOf('people', { primaryKey: true }),
      as_what: oneOf(['host', 'co-teacher', 'presenter']),
    },
    {
      tableName: 'class_staff',
      timestamps: false,
      indexes: [{ name: 'by_person', fields: ['person_id'] }],
    },
  );
