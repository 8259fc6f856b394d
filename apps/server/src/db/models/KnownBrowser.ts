import {
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';
import { fixedCode, idOf, instant, looseId } from './columns.js';

/** A browser from which somebody has signed in to an account: it is known again, also after signing out. */
interface KnownBrowserRow extends Model<
  InferAttributes<KnownBrowserRow>,
  InferCreationAttributes<KnownBrowserRow>
> {
  account_id: number;
  token_hash: string;
  /** By machine time. */
  seen_at: string;
  /** Wrong passwords from here since the last right one. */
  failures: CreationOptional<number>;
}

export const defineKnownBrowser = (sequelize: Sequelize): ModelStatic<KnownBrowserRow> =>
  sequelize.define<KnownBrowserRow>(
    'KnownBrowser',
    {
      account_id: idOf('accounts', { primaryKey: true, onDelete: 'CASCADE' }),
      token_hash: fixedCode(43, { primaryKey: true }),
      seen_at: instant('seen_at'),
      failures: looseId({ defaultValue: 0 }),
    },
    {
      tableName: 'known_browsers',
      timestamps: false,
      indexes: [{ name: 'by_age', fields: ['seen_at'] }],
    },
  );
