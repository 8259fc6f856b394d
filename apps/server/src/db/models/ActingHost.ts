import {
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type NonAttribute,
  type Sequelize,
} from 'sequelize';
import type { SittingRow } from './Sitting.js';
import { idOf } from './columns.js';

/** A named presenter to whom a sitting was handed over, until it ends. */
interface ActingHostRow extends Model<
  InferAttributes<ActingHostRow>,
  InferCreationAttributes<ActingHostRow>
> {
  sitting_id: number;
  person_id: number;
  given_by: number;

  // Asked for together with it, where it is.
  sitting?: NonAttribute<SittingRow>;
}

export const defineActingHost = (sequelize: Sequelize): ModelStatic<ActingHostRow> =>
  sequelize.define<ActingHostRow>(
    'ActingHost',
    {
      sitting_id: idOf('sittings', { primaryKey: true }),
      person_id: idOf('people', { primaryKey: true }),
      given_by: idOf('people'),
    },
    { tableName: 'acting_hosts', timestamps: false },
  );
