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
import {
  code,
  fixedCode,
  flag,
  idOf,
  instant,
  json,
  longText,
  looseId,
  ownId,
  text,
} from './columns.js';

/** A passkey that signs in to an account (Web Authentication level 2, 4: a public key credential). */
export interface PasskeyRow extends Model<
  InferAttributes<PasskeyRow>,
  InferCreationAttributes<PasskeyRow>
> {
  id: CreationOptional<number>;
  account_id: number;
  /** What its owner calls it. */
  name: string;
  /** As the browser knows it, in base64url. */
  credential_id: string;
  /** What keeps the account apart on its owner's device: random, and the same for all of an account's. */
  user_handle: string;
  /** COSE, in base64url. */
  public_key: string;
  /** How often it was used, as far as it counts. */
  counter: number;
  /** How browsers reach it. */
  transports: string[];
  /** Its owner's other devices have it too. */
  is_shared: CreationOptional<boolean>;
  /** By machine time. */
  added_at: string;
  used_at: CreationOptional<string | null>;

  // Asked for together with it, where it is.
  account?: NonAttribute<AccountRow>;
}

export const definePasskey = (sequelize: Sequelize): ModelStatic<PasskeyRow> =>
  sequelize.define<PasskeyRow>(
    'Passkey',
    {
      id: ownId(),
      account_id: idOf('accounts', { onDelete: 'CASCADE' }),
      name: text(80),
      credential_id: code(1400),
      user_handle: fixedCode(43),
      public_key: longText(),
      counter: looseId(),
      transports: json(),
      is_shared: flag('is_shared'),
      added_at: instant('added_at'),
      used_at: instant('used_at', { allowNull: true }),
    },
    {
      tableName: 'passkeys',
      timestamps: false,
      indexes: [
        { name: 'one_each', fields: ['credential_id'], unique: true },
        { name: 'by_account', fields: ['account_id'] },
      ],
    },
  );
