import type {
  InferAttributes,
  InferCreationAttributes,
  Model,
  ModelStatic,
  Sequelize,
} from 'sequelize';
import { idOf } from './columns.js';

/** Somebody of the school whom an offered time is for. */
interface PollPersonRow extends Model<
  InferAttributes<PollPersonRow>,
  InferCreationAttributes<PollPersonRow>
> {
  poll_id: number;
  person_id: number;
}

export const definePollPerson = (sequelize: Sequelize): ModelStatic<PollPersonRow> =>
  sequelize.define<PollPersonRow>(
    'PollPerson',
    {
      poll_id: idOf('polls', { primaryKey: true, onDelete: 'CASCADE' }),
      person_id: idOf('people', { primaryKey: true }),
    },
    { tableName: 'poll_people', timestamps: false },
  );
