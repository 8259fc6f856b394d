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
import { idOf, instant, json } from './columns.js';

/** What ended with somebody's place on a roll: groups and private links, by their ids. */
export interface HadOnRoll {
  groups: number[];
  links: number[];
}

/** Somebody who stood on a roll and was taken off. */
interface RollLeftRow extends Model<
  InferAttributes<RollLeftRow>,
  InferCreationAttributes<RollLeftRow>
> {
  class_id: number;
  person_id: number;
  left_at: string;
  taken_off_by: CreationOptional<number | null>;
  had: HadOnRoll;

  // Asked for together with it, where it is.
  person?: NonAttribute<PersonRow>;
}

export const defineRollLeft = (sequelize: Sequelize): ModelStatic<RollLeftRow> =>
  sequelize.define<RollLeftRow>(
    'RollLeft',
    {
      class_id: idOf('class_periods', { primaryKey: true }),
      person_id: idOf('people', { primaryKey: true }),
      left_at: instant('left_at'),
      taken_off_by: idOf('people', { allowNull: true }),
      had: json(),
    },
    {
      tableName: 'roll_left',
      timestamps: false,
      indexes: [{ name: 'by_person', fields: ['person_id'] }],
    },
  );
