import type {
  InferAttributes,
  InferCreationAttributes,
  Model,
  ModelStatic,
  Sequelize,
} from 'sequelize';
import { fixedCode, instant, looseId, oneOf } from './columns.js';

/** A session before which people have been reminded. */
interface RemindedRow extends Model<
  InferAttributes<RemindedRow>,
  InferCreationAttributes<RemindedRow>
> {
  series_id: number;
  key_date: string;
  start_at: string;
  /** How long before: an hour, or a week before an evening. */
  kind: 'hour' | 'week';
}

export const defineReminded = (sequelize: Sequelize): ModelStatic<RemindedRow> =>
  sequelize.define<RemindedRow>(
    'Reminded',
    {
      series_id: looseId({ primaryKey: true }),
      key_date: fixedCode(10, { primaryKey: true }),
      start_at: { ...instant('start_at'), primaryKey: true },
      kind: { ...oneOf(['hour', 'week'], { defaultValue: 'hour' }), primaryKey: true },
    },
    {
      tableName: 'reminded',
      timestamps: false,
      indexes: [{ name: 'by_start', fields: ['start_at'] }],
    },
  );
