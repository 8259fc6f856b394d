import {
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type NonAttribute,
  type Sequelize,
} from 'sequelize';
import type { PersonRow } from './Person.js';
import { idOf, ownId, small, text } from './columns.js';

/** A group within a class period. */
export interface ClassGroupRow extends Model<
  InferAttributes<ClassGroupRow>,
  InferCreationAttributes<ClassGroupRow>
> {
  id: CreationOptional<number>;
  class_id: number;
  name: string;
  place: number;
  tutor_id: CreationOptional<number | null>;

  // Asked for together with it, where it is.
  tutor?: NonAttribute<PersonRow | null>;
}

export const defineClassGroup = (sequelize: Sequelize): ModelStatic<ClassGroupRow> =>
  sequelize.define<ClassGroupRow>(
    'ClassGroup',
    {
      id: ownId(),
      class_id: idOf('class_periods'),
      name: text(60),
      place: small(),
      tutor_id: idOf('people', { allowNull: true }),
    },
    {
      tableName: 'class_groups',
      timestamps: false,
      indexes: [{ name: 'by_class', fields: ['class_id', 'place'] }],
    },
  );
