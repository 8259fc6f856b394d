import type {
  CreationOptional,
  InferAttributes,
  InferCreationAttributes,
  Model,
  ModelStatic,
  Sequelize,
} from 'sequelize';
import { idOf, instant, ownId } from './columns.js';

/** One of the times that are offered. */
export interface PollTimeRow extends Model<
  InferAttributes<PollTimeRow>,
  InferCreationAttributes<PollTimeRow>
> {
  id: CreationOptional<number>;
  poll_id: number;
  start_at: string;
}

export const definePollTime = (sequelize: Sequelize): ModelStatic<PollTimeRow> =>
  sequelize.define<PollTimeRow>(
    'PollTime',
    {
      id: ownId(),
      poll_id: idOf('polls', { onDelete: 'CASCADE' }),
      start_at: instant('start_at'),
    },
    {
      tableName: 'poll_times',
      timestamps: false,
      indexes: [{ name: 'one_each', unique: true, fields: ['poll_id', 'start_at'] }],
    },
  );
