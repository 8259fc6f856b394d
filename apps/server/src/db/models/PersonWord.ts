import {
  DataTypes,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';
import { idOf } from './columns.js';

/** A word that somebody is found by. */
interface PersonWordRow extends Model<
  InferAttributes<PersonWordRow>,
  InferCreationAttributes<PersonWordRow>
> {
  word: string;
  person_id: number;
}

export const definePersonWord = (sequelize: Sequelize): ModelStatic<PersonWordRow> =>
  sequelize.define<PersonWordRow>(
    'PersonWord',
    {
      word: { type: DataTypes.STRING(64), allowNull: false, primaryKey: true },
      person_id: idOf({ primaryKey: true }),
    },
    { tableName: 'person_words', timestamps: false },
  );
