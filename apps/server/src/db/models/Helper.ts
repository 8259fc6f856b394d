import {
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type NonAttribute,
  type Sequelize,
} from 'sequelize';
import type { PersonRow } from './Person.js';
import { fixedCode, flag, idOf, instant, ownId } from './columns.js';

/** Somebody whom a teacher lets act on their behalf. */
interface HelperRow extends Model<InferAttributes<HelperRow>, InferCreationAttributes<HelperRow>> {
  id: CreationOptional<number>;
  for_id: number;
  helper_id: number;
  schedules: CreationOptional<boolean>;
  posts: CreationOptional<boolean>;
  /** Links, rules, presenters. */
  prepares: CreationOptional<boolean>;
  /** The last date; empty: until it is ended. */
  until_date: CreationOptional<string>;
  ended_at: CreationOptional<string | null>;

  // Asked for together with it, where it is.
  helper?: NonAttribute<PersonRow>;
  teacher?: NonAttribute<PersonRow>;
}

export const defineHelper = (sequelize: Sequelize): ModelStatic<HelperRow> =>
  sequelize.define<HelperRow>(
    'Helper',
    {
      id: ownId(),
      for_id: idOf('people'),
      helper_id: idOf('people'),
      schedules: flag('schedules'),
      posts: flag('posts'),
      prepares: flag('prepares'),
      until_date: fixedCode(10, { defaultValue: '' }),
      ended_at: instant('ended_at', { allowNull: true }),
    },
    {
      tableName: 'helpers',
      timestamps: false,
      indexes: [{ name: 'by_helper', fields: ['helper_id', 'for_id'] }],
    },
  );
