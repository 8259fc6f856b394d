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
import { fixedCode, idOf, instant, oneOf, text, version } from './columns.js';

/** What a host says of somebody’s attendance against what was measured. */
interface CorrectionRow extends Model<
  InferAttributes<CorrectionRow>,
  InferCreationAttributes<CorrectionRow>
> {
  series_id: number;
  key_date: string;
  person_id: number;
  status: 'present' | 'partly' | 'absent' | 'excused';
  reason: string;
  made_by: number | null;
  made_at: string;
  version: CreationOptional<number>;

  // Asked for together with it, where it is.
  maker?: NonAttribute<PersonRow | null>;
}

export const defineCorrection = (sequelize: Sequelize): ModelStatic<CorrectionRow> =>
  sequelize.define<CorrectionRow>(
    'Correction',
    {
      series_id: { ...idOf('series', { onDelete: 'CASCADE' }), primaryKey: true },
      key_date: fixedCode(10, { primaryKey: true }),
      person_id: { ...idOf('people'), primaryKey: true },
      status: oneOf(['present', 'partly', 'absent', 'excused']),
      reason: text(300),
      made_by: idOf('people', { allowNull: true }),
      made_at: instant('made_at'),
      version: version(),
    },
    {
      tableName: 'corrections',
      timestamps: false,
      indexes: [{ name: 'by_person', fields: ['person_id'] }],
    },
  );
