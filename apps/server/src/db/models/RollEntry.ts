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
import { idOf } from './columns.js';

/** Somebody on the roll of a class period. */
interface RollEntryRow extends Model<
  InferAttributes<RollEntryRow>,
  InferCreationAttributes<RollEntryRow>
> {
  class_id: number;
  person_id: number;

  // Asked for together with it, where it is.
  person?: NonAttribute<PersonRow>;
  classPeriod?: NonAttribute<ClassPeriodRow>;
}

export const defineRollEntry = (sequelize: Sequelize): ModelStatic<RollEntryRow> =>
  sequelize.define<RollEntryRow>(
    'RollEntry',
    {
      class_id: idOf('class_periods', { primaryKey: true }),
      person_id: idOf('people', { primaryKey: true }),
    },
    {
      tableName: 'roll',
      timestamps: false,
      indexes: [{ name: 'by_person', fields: ['person_id'] }],
    },
  );
