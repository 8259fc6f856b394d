import {
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';
import { fixedCode, flag, idOf, instant, ownId, text } from './columns.js';

/** A one-time address by which a guest of a link shows that their address is theirs; each has one at most. */
export interface GuestAddressRow extends Model<
  InferAttributes<GuestAddressRow>,
  InferCreationAttributes<GuestAddressRow>
> {
  id: CreationOptional<number>;
  link_id: number;
  email: string;
  token_hash: string;
  /** By machine time, as all of these. */
  until_at: string;
  /** The host who passes it on. */
  made_by: number;
  used_at: CreationOptional<string | null>;
  /** It was written to the mailbox itself, and shown to nobody else. */
  is_mailed: CreationOptional<boolean>;
}

export const defineGuestAddress = (sequelize: Sequelize): ModelStatic<GuestAddressRow> =>
  sequelize.define<GuestAddressRow>(
    'GuestAddress',
    {
      id: ownId(),
      link_id: idOf('links'),
      email: text(254),
      token_hash: fixedCode(43),
      until_at: instant('until_at'),
      made_by: idOf('people'),
      used_at: instant('used_at', { allowNull: true }),
      is_mailed: flag('is_mailed'),
    },
    {
      tableName: 'guest_addresses',
      timestamps: false,
      indexes: [
        { name: 'one_each', fields: ['link_id', 'email'], unique: true },
        { name: 'by_token', fields: ['token_hash'], unique: true },
        { name: 'by_age', fields: ['until_at'] },
      ],
    },
  );
