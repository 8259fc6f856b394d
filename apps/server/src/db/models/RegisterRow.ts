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
import { fixedCode, flag, idOf, oneOf, small } from './columns.js';

/** What was known of one person as a register was settled. */
interface RegisterRowRow extends Model<
  InferAttributes<RegisterRowRow>,
  InferCreationAttributes<RegisterRowRow>
> {
  series_id: number;
  key_date: string;
  person_id: number;
  status: 'present' | 'partly' | 'absent';
  /** What counts: what was measured, or what is said against it. */
  stands: 'present' | 'partly' | 'absent' | 'excused';
  late: CreationOptional<boolean>;
  left_early: CreationOptional<boolean>;
  minutes: CreationOptional<number>;

  // Asked for together with it, where it is.
  person?: NonAttribute<PersonRow>;
}

export const defineRegisterRow = (sequelize: Sequelize): ModelStatic<RegisterRowRow> =>
  sequelize.define<RegisterRowRow>(
    'RegisterRow',
    {
      series_id: { ...idOf('series', { onDelete: 'CASCADE' }), primaryKey: true },
      key_date: fixedCode(10, { primaryKey: true }),
      person_id: { ...idOf('people'), primaryKey: true },
      status: oneOf(['present', 'partly', 'absent']),
      stands: oneOf(['present', 'partly', 'absent', 'excused']),
      late: flag('late'),
      left_early: flag('left_early'),
      minutes: small({ defaultValue: 0 }),
    },
    {
      tableName: 'register_rows',
      timestamps: false,
      indexes: [{ name: 'by_person', fields: ['person_id'] }],
    },
  );
