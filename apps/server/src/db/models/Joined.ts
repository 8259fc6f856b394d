import {
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type NonAttribute,
  type Sequelize,
} from 'sequelize';
import type { ClassPeriodRow } from './ClassPeriod.js';
import type { OccurrenceRow } from './Occurrence.js';
import { idOf, oneOf } from './columns.js';

/** What the shares come to, date by date. */
interface JoinedRow extends Model<InferAttributes<JoinedRow>, InferCreationAttributes<JoinedRow>> {
  occurrence_id: number;
  class_id: number;
  own_door: 'leads' | 'shut';

  // Asked for together with it, where it is.
  classPeriod?: NonAttribute<ClassPeriodRow>;
  occurrence?: NonAttribute<OccurrenceRow>;
}

export const defineJoined = (sequelize: Sequelize): ModelStatic<JoinedRow> =>
  sequelize.define<JoinedRow>(
    'Joined',
    {
      occurrence_id: idOf('occurrences', { primaryKey: true, onDelete: 'CASCADE' }),
      class_id: idOf('class_periods', { primaryKey: true }),
      own_door: oneOf(['leads', 'shut']),
    },
    {
      tableName: 'joined',
      timestamps: false,
      indexes: [{ name: 'by_class', fields: ['class_id'] }],
    },
  );
