import {
  DataTypes,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';
import { idOf, ownId } from './columns.js';

/** An address that somebody signs in with. */
interface AccountRow extends Model<
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
}

export const defineAccount = (sequelize: Sequelize): ModelStatic<AccountRow> =>
  sequelize.define<AccountRow>(
    'Account',
    {
      id: ownId(),
      person_id: idOf(),
      kind: { type: DataTypes.ENUM('school', 'personal'), allowNull: false },
      email: { type: DataTypes.STRING(254), allowNull: false, unique: true },
      password_hash: { type: DataTypes.STRING(200), allowNull: true },
    },
    { tableName: 'accounts', timestamps: false },
  );
