import type {
  CreationOptional,
  InferAttributes,
  InferCreationAttributes,
  Model,
  ModelStatic,
  NonAttribute,
  Sequelize,
} from 'sequelize';
import type { PersonRow } from './Person.js';
import { fixedCode, idOf, instant, ownId, text } from './columns.js';

/** Days on which somebody is known to be away. */
interface AbsenceRow extends Model<
  InferAttributes<AbsenceRow>,
  InferCreationAttributes<AbsenceRow>
> {
  id: CreationOptional<number>;
  person_id: number;
  /** Null: for all their lessons. */
  class_id: number | null;
  from_date: string;
  until_date: string;
  reason: string;
  made_by: number | null;
  made_at: string;

  // Asked for together with it, where it is.
  person?: NonAttribute<PersonRow>;
  maker?: NonAttribute<PersonRow | null>;
}

export const defineAbsence = (sequelize: Sequelize): ModelStatic<AbsenceRow> =>
  sequelize.define<AbsenceRow>(
    'Absence',
    {
      id: ownId(),
      person_id: idOf('people'),
      class_id: idOf('class_periods', { allowNull: true }),
      from_date: fixedCode(10),
      until_date: fixedCode(10),
      reason: text(300),
      made_by: idOf('people', { allowNull: true }),
      made_at: instant('made_at'),
    },
    {
      tableName: 'absences',
      timestamps: false,
      indexes: [
        { name: 'by_person', fields: ['person_id', 'until_date'] },
        { name: 'by_class', fields: ['class_id', 'until_date'] },
      ],
    },
  );
