import {
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';
import { idOf, text } from './columns.js';

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
      word: text(64, { primaryKey: true }),
      person_id: idOf('people', { primaryKey: true, onDelete: 'CASCADE' }),
    },
    {
      tableName: 'person_words',
      timestamps: false,
      indexes: [{ name: 'by_person', fields: ['person_id'] }],
    },
  );
