import {
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type NonAttribute,
  type Sequelize,
} from 'sequelize';
import type { ClassPeriodRow } from './ClassPeriod.js';
import type { CoverRow } from './Cover.js';
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
  /** Only while this cover lasts. */
  cover_id: CreationOptional<number | null>;
  /** What they are here without it. */
  was: CreationOptional<'presenter' | null>;

  // Asked for together with it, where it is.
  person?: NonAttribute<PersonRow>;
  classPeriod?: NonAttribute<ClassPeriodRow>;
  cover?: NonAttribute<CoverRow | null>;
}

export const defineClassStaff = (sequelize: Sequelize): ModelStatic<ClassStaffRow> =>
  sequelize.define<ClassStaffRow>(
    'ClassStaff',
    {
      class_id: idOf('class_periods', { primaryKey: true }),
      person_id: idOf('people', { primaryKey: true }),
      as_what: oneOf(['host', 'co-teacher', 'presenter']),
      cover_id: idOf('covers', { allowNull: true }),
      was: oneOf(['presenter'], { allowNull: true }),
    },
    {
      tableName: 'class_staff',
      timestamps: false,
      indexes: [
        { name: 'by_person', fields: ['person_id'] },
        { name: 'by_cover', fields: ['cover_id'] },
      ],
    },
  );
