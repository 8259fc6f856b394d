import {
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';
import { fixedCode, idOf, instant, ownId } from './columns.js';

/** A one-time address by which an account's owner sets its password; each account has one at most. */
interface PasswordAddressRow extends Model<
  InferAttributes<PasswordAddressRow>,
  InferCreationAttributes<PasswordAddressRow>
> {
  id: CreationOptional<number>;
  account_id: number;
  token_hash: string;
  expires_at: string;
  made_by: CreationOptional<number | null>;
}

export const definePasswordAddress = (sequelize: Sequelize): ModelStatic<PasswordAddressRow> =>
  sequelize.define<PasswordAddressRow>(
    'PasswordAddress',
    {
      id: ownId(),
      account_id: idOf('accounts', { unique: true, onDelete: 'CASCADE' }),
      token_hash: fixedCode(64, { unique: true }),
      expires_at: instant('expires_at'),
      made_by: idOf('people', { allowNull: true }),
    },
    {
      tableName: 'password_addresses',
      timestamps: false,
      indexes: [{ name: 'by_age', fields: ['expires_at'] }],
    },
  );
