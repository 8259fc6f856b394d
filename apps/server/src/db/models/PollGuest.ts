import type {
  CreationOptional,
  InferAttributes,
  InferCreationAttributes,
  Model,
  ModelStatic,
  Sequelize,
} from 'sequelize';
import { fixedCode, idOf, instant, ownId, text, version } from './columns.js';

/** A guest who is asked to choose, by an address of their own. */
export interface PollGuestRow extends Model<
  InferAttributes<PollGuestRow>,
  InferCreationAttributes<PollGuestRow>
> {
  id: CreationOptional<number>;
  poll_id: number;
  email: string;
  name: string;
  token_hash: string;
  answered_at: CreationOptional<string | null>;
  version: CreationOptional<number>;
}

export const definePollGuest = (sequelize: Sequelize): ModelStatic<PollGuestRow> =>
  sequelize.define<PollGuestRow>(
    'PollGuest',
    {
      id: ownId(),
      poll_id: idOf('polls', { onDelete: 'CASCADE' }),
      email: text(254),
      name: text(120),
      token_hash: fixedCode(43),
      answered_at: instant('answered_at', { allowNull: true }),
      version: version(),
    },
    {
      tableName: 'poll_guests',
      timestamps: false,
      indexes: [
        { name: 'one_each', unique: true, fields: ['poll_id', 'email'] },
        { name: 'by_token', unique: true, fields: ['token_hash'] },
      ],
    },
  );
