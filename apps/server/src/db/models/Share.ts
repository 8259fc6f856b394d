import {
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type NonAttribute,
  type Sequelize,
} from 'sequelize';
import type { ClassPeriodRow } from './ClassPeriod.js';
import type { LinkRow } from './Link.js';
import type { SeriesRow } from './Series.js';
import { fixedCode, idOf, oneOf, ownId } from './columns.js';

/** A class period that meets at another’s door: always, for a series, or for one of its dates. */
export interface ShareRow extends Model<
  InferAttributes<ShareRow>,
  InferCreationAttributes<ShareRow>
> {
  id: CreationOptional<number>;
  link_id: number;
  class_id: number;
  /** Nothing: always. */
  series_id: CreationOptional<number | null>;
  /** Nothing: all dates of the series. */
  key_date: CreationOptional<string | null>;
  /** What its own door does meanwhile. */
  own_door: 'leads' | 'shut';
  made_by: number;

  // Asked for together with it, where it is.
  classPeriod?: NonAttribute<ClassPeriodRow>;
  series?: NonAttribute<SeriesRow | null>;
  link?: NonAttribute<LinkRow>;
}

export const defineShare = (sequelize: Sequelize): ModelStatic<ShareRow> =>
  sequelize.define<ShareRow>(
    'Share',
    {
      id: ownId(),
      link_id: idOf('links'),
      class_id: idOf('class_periods'),
      series_id: idOf('series', { allowNull: true }),
      key_date: fixedCode(10, { allowNull: true }),
      own_door: oneOf(['leads', 'shut']),
      made_by: idOf('people'),
    },
    {
      tableName: 'shares',
      timestamps: false,
      indexes: [{ name: 'by_class', fields: ['class_id'] }],
    },
  );
