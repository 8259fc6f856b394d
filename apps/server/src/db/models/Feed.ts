import {
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';
import { code, idOf, instant, ownId } from './columns.js';

/** The private address of a calendar: a person’s or a class period’s. */
export interface FeedRow extends Model<InferAttributes<FeedRow>, InferCreationAttributes<FeedRow>> {
  id: CreationOptional<number>;
  token: string;
  person_id: CreationOptional<number | null>;
  class_id: CreationOptional<number | null>;
  made_at: string;
}

export const defineFeed = (sequelize: Sequelize): ModelStatic<FeedRow> =>
  sequelize.define<FeedRow>(
    'Feed',
    {
      id: ownId(),
      token: code(40, { unique: true }),
      person_id: idOf('people', { unique: true, allowNull: true }),
      class_id: idOf('class_periods', { unique: true, allowNull: true }),
      made_at: instant('made_at'),
    },
    { tableName: 'feeds', timestamps: false },
  );
