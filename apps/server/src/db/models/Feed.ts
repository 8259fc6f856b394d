import {
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';
import { fixedCode, idOf, instant, ownId, small } from './columns.js';

/** The private address of a calendar, an account’s or a class period’s, as a hash: it is told once, as it is made. */
interface FeedRow extends Model<InferAttributes<FeedRow>, InferCreationAttributes<FeedRow>> {
  id: CreationOptional<number>;
  token_hash: string;
  account_id: CreationOptional<number | null>;
  class_id: CreationOptional<number | null>;
  made_at: string;
  /** Minutes before a session at which calendars remind; null: they do not. */
  alarm_minutes: CreationOptional<number | null>;
}

export const defineFeed = (sequelize: Sequelize): ModelStatic<FeedRow> =>
  sequelize.define<FeedRow>(
    'Feed',
    {
      id: ownId(),
      token_hash: fixedCode(64, { unique: true }),
      account_id: idOf('accounts', { unique: true, allowNull: true, onDelete: 'CASCADE' }),
      class_id: idOf('class_periods', { unique: true, allowNull: true }),
      made_at: instant('made_at'),
      alarm_minutes: small({ allowNull: true, defaultValue: 10 }),
    },
    { tableName: 'feeds', timestamps: false },
  );
