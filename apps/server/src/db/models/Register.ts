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
import { fixedCode, flag, idOf, instant, small } from './columns.js';

/** A register that has been settled. */
interface RegisterRow extends Model<
  InferAttributes<RegisterRow>,
  InferCreationAttributes<RegisterRow>
> {
  series_id: number;
  key_date: string;
  settled_at: string;
  /** Null: by itself. */
  settled_by: number | null;
  guests: CreationOptional<number>;
  /** False: nobody opened its door, and so nobody was absent. */
  held: CreationOptional<boolean>;

  // Asked for together with it, where it is.
  settler?: NonAttribute<PersonRow | null>;
}

export const defineRegister = (sequelize: Sequelize): ModelStatic<RegisterRow> =>
  sequelize.define<RegisterRow>(
    'Register',
    {
      series_id: { ...idOf('series', { onDelete: 'CASCADE' }), primaryKey: true },
      key_date: fixedCode(10, { primaryKey: true }),
      settled_at: instant('settled_at'),
      settled_by: idOf('people', { allowNull: true }),
      guests: small({ defaultValue: 0 }),
      held: flag('held', { defaultValue: true }),
    },
    {
      tableName: 'registers',
      timestamps: false,
    },
  );
