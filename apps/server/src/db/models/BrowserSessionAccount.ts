import {
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type NonAttribute,
  type Sequelize,
} from 'sequelize';
import type { AccountRow } from './Account.js';
import { idOf } from './columns.js';

/** An account that a browser may change to without its password. */
interface BrowserSessionAccountRow extends Model<
  InferAttributes<BrowserSessionAccountRow>,
  InferCreationAttributes<BrowserSessionAccountRow>
> {
  session_id: number;
  account_id: number;

  // Asked for together with it, where it is.
  account?: NonAttribute<AccountRow>;
}

export const defineBrowserSessionAccount = (
  sequelize: Sequelize,
): ModelStatic<BrowserSessionAccountRow> =>
  sequelize.define<BrowserSessionAccountRow>(
    'BrowserSessionAccount',
    {
      session_id: idOf('browser_sessions', { primaryKey: true, onDelete: 'CASCADE' }),
      account_id: idOf('accounts', { primaryKey: true }),
    },
    { tableName: 'browser_session_accounts', timestamps: false },
  );
