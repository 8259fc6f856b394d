import {
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';
import { idOf } from './columns.js';

/** Somebody on the roll of a class period. */
interface RollEntryRow extends Model<
  InferAttributes<RollEntryRow>,
  InferCreationAttributes<RollEntryRow>
> {
  class_id: number;
  person_id: number;
}

export const defineRollEntry = (sequelize: Sequelize): ModelStatic<RollEntryRow> =>
  sequelize.define<RollEntryRow>(
    'RollEntry',
    { class_id: idOf({ primaryKey: true }), person_id: idOf({ primaryKey: true }) },
    { tableName: 'roll', timestamps: false },
  );
