import type {
  InferAttributes,
  InferCreationAttributes,
  Model,
  ModelStatic,
  Sequelize,
} from 'sequelize';
import { idOf } from './columns.js';

/** A time that suits a guest. */
interface PollChoiceRow extends Model<
  InferAttributes<PollChoiceRow>,
  InferCreationAttributes<PollChoiceRow>
> {
  guest_id: number;
  time_id: number;
}

export const definePollChoice = (sequelize: Sequelize): ModelStatic<PollChoiceRow> =>
  sequelize.define<PollChoiceRow>(
    'PollChoice',
    {
      guest_id: idOf('poll_guests', { primaryKey: true, onDelete: 'CASCADE' }),
      time_id: idOf('poll_times', { primaryKey: true, onDelete: 'CASCADE' }),
    },
    { tableName: 'poll_choices', timestamps: false },
  );
