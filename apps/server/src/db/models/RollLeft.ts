import {
  DataTypes,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';
import { idOf, instant } from './columns.js';

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
  taken_off_by: number | null;
  had: HadOnRoll;
}

export const defineRollLeft = (sequelize: Sequelize): ModelStatic<RollLeftRow> =>
  sequelize.define<RollLeftRow>(
    'RollLeft',
    {
      class_id: idOf({ primaryKey: true }),
      person_id: idOf({ primaryKey: true }),
      left_at: instant('left_at'),
      taken_off_by: { type: DataTypes.INTEGER.UNSIGNED, allowNull: true },
      had: { type: DataTypes.JSON, allowNull: false },
    },
    { tableName: 'roll_left', timestamps: false },
  );
