import type {
  CreationOptional,
  InferAttributes,
  InferCreationAttributes,
  Model,
  ModelStatic,
  NonAttribute,
  Sequelize,
} from 'sequelize';
import type { ClassGroupRow } from './ClassGroup.js';
import type { PersonRow } from './Person.js';
import { fixedCode, flag, idOf, instant, ownId, small, text, version } from './columns.js';

/** Somebody who has a slot of a session, or waits for one. */
export interface SignUpRow extends Model<
  InferAttributes<SignUpRow>,
  InferCreationAttributes<SignUpRow>
> {
  id: CreationOptional<number>;
  series_id: number;
  key_date: string;
  /** Which slot, from 0; null: they wait, or did not come. */
  nth: number | null;
  /** The slot to which they did not come. */
  missed_nth: CreationOptional<number | null>;
  person_id: number;
  /** Of all of which they come. */
  group_id: CreationOptional<number | null>;
  about: CreationOptional<string>;
  address: CreationOptional<string | null>;
  /** When they think that it begins. */
  known_begin: CreationOptional<string | null>;
  /** That it ends has been said in the room. */
  warned: CreationOptional<boolean>;
  /** When they got the slot that they have: whoever got it late has as long to come. */
  since: string;
  made_by: number;
  made_at: string;
  version: CreationOptional<number>;

  // Asked for together with it, where it is.
  person?: NonAttribute<PersonRow>;
  group?: NonAttribute<ClassGroupRow | null>;
}

export const defineSignUp = (sequelize: Sequelize): ModelStatic<SignUpRow> =>
  sequelize.define<SignUpRow>(
    'SignUp',
    {
      id: ownId(),
      series_id: idOf('series', { onDelete: 'CASCADE' }),
      key_date: fixedCode(10),
      nth: small({ allowNull: true }),
      missed_nth: small({ allowNull: true }),
      person_id: idOf('people'),
      group_id: idOf('class_groups', { allowNull: true, onDelete: 'SET NULL' }),
      about: text(300, { defaultValue: '' }),
      address: text(1000, { allowNull: true }),
      known_begin: instant('known_begin', { allowNull: true }),
      warned: flag('warned'),
      since: instant('since'),
      made_by: idOf('people'),
      made_at: instant('made_at'),
      version: version(),
    },
    {
      tableName: 'sign_ups',
      timestamps: false,
      indexes: [
        { name: 'one_each', unique: true, fields: ['series_id', 'key_date', 'nth'] },
        { name: 'by_person', fields: ['person_id', 'key_date'] },
      ],
    },
  );
