import {
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';
import { code, fixedCode, idOf, instant, ownId, text } from './columns.js';

/** A browser that somebody is signed in with, or has been at a door with. */
interface BrowserSessionRow extends Model<
  InferAttributes<BrowserSessionRow>,
  InferCreationAttributes<BrowserSessionRow>
> {
  id: CreationOptional<number>;
  token_hash: string;
  /** The account in use; nothing after signing out. */
  account_id: CreationOptional<number | null>;
  /** By machine time, as all of these: it ends then, however much it is used. */
  expires_at: string;
  begun_at: string;
  /** When it was last used, give or take some minutes. */
  seen_at: string;
  /** What browser it is, in words; nothing where it does not say. */
  browser: CreationOptional<string>;
  /** How somebody came in last: `password`, `sign-on:school`; blank: by neither. */
  way: CreationOptional<string>;
  /** When whoever holds it last used a passkey of the account in use. */
  confirmed_at: CreationOptional<string | null>;
}

export const defineBrowserSession = (sequelize: Sequelize): ModelStatic<BrowserSessionRow> =>
  sequelize.define<BrowserSessionRow>(
    'BrowserSession',
    {
      id: ownId(),
      token_hash: fixedCode(64, { unique: true }),
      account_id: idOf('accounts', { allowNull: true }),
      expires_at: instant('expires_at'),
      begun_at: instant('begun_at'),
      seen_at: instant('seen_at'),
      browser: text(120, { defaultValue: '' }),
      way: code(60, { defaultValue: '' }),
      confirmed_at: instant('confirmed_at', { allowNull: true }),
    },
    {
      tableName: 'browser_sessions',
      timestamps: false,
      indexes: [
        { name: 'by_end', fields: ['expires_at'] },
        { name: 'by_use', fields: ['seen_at'] },
      ],
    },
  );
