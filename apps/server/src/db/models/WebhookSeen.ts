import {
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';
import { code, instant } from './columns.js';

/** An event of the video service that was taken. */
interface WebhookSeenRow extends Model<
  InferAttributes<WebhookSeenRow>,
  InferCreationAttributes<WebhookSeenRow>
> {
  id: string;
  /** By machine time. */
  at: string;
}

export const defineWebhookSeen = (sequelize: Sequelize): ModelStatic<WebhookSeenRow> =>
  sequelize.define<WebhookSeenRow>(
    'WebhookSeen',
    {
      id: code(80, { primaryKey: true }),
      at: instant('at'),
    },
    {
      tableName: 'webhooks_seen',
      timestamps: false,
      indexes: [{ name: 'by_age', fields: ['at'] }],
    },
  );
