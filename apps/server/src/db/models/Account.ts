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
import { code, idOf, oneOf, ownId, text } from './columns.js';

/** An address that somebody signs in with. */
export interface AccountRow extends Model<
  InferAttributes<AccountRow>,
  InferCreationAttributes<AccountRow>
> {
  id: CreationOptional<number>;
  person_id: number;
  kind: 'school' | 'personal';
  /** In lower case; the same address is nobody else's, however it is written. */
  email: string;
  /** Nothing until its owner has set a password. */
  password_hash: CreationOptional<string | null>;

  // Asked for together with it, where it is.
  person?: NonAttribute<PersonRow>;
}

export const defineAccount = (sequelize: Sequelize): ModelStatic<AccountRow> =>
  sequelize.define<AccountRow>(
    'Account',
    {
      id: ownId(),
      person_id: idOf('people'),
      kind: oneOf(['school', 'personal']),
      email: text(254, { unique: true }),
      password_hash: code(200, { allowNull: true }),
    },
    { tableName: 'accounts', timestamps: false },
  );
