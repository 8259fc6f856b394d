import {
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type NonAttribute,
  type Sequelize,
} from 'sequelize';
import type { AccountRow } from './Account.js';
import { code, idOf, instant, ownId } from './columns.js';

/** Who somebody is at a provider of accounts: signing on there is a way in to the account. */
interface SignOnRow extends Model<InferAttributes<SignOnRow>, InferCreationAttributes<SignOnRow>> {
  id: CreationOptional<number>;
  account_id: number;
  /** The provider, by the name that it had in the settings then. */
  provider: string;
  issuer: string;
  /** `sub` (OpenID Connect Core 1.0, 2: at most 255 characters of ASCII, letter by letter). */
  subject: string;
  /** By machine time. */
  begun_at: string;
  used_at: string;

  // Asked for together with it, where it is.
  account?: NonAttribute<AccountRow>;
}

export const defineSignOn = (sequelize: Sequelize): ModelStatic<SignOnRow> =>
  sequelize.define<SignOnRow>(
    'SignOn',
    {
      id: ownId(),
      account_id: idOf('accounts', { onDelete: 'CASCADE' }),
      provider: code(40),
      issuer: code(255),
      subject: code(255),
      begun_at: instant('begun_at'),
      used_at: instant('used_at'),
    },
    {
      tableName: 'sign_ons',
      timestamps: false,
      indexes: [
        { name: 'one_each', fields: ['issuer', 'subject'], unique: true },
        { name: 'by_account', fields: ['account_id'] },
      ],
    },
  );
