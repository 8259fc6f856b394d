import {
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type NonAttribute,
  type Sequelize,
} from 'sequelize';
import type { Occurrence, RuleLayer } from '@glen/core';
import type { LinkRow } from './Link.js';
import type { SeriesRow } from './Series.js';
import type { SittingRow } from './Sitting.js';
import {
  fixedCode,
  flag,
  idOf,
  instant,
  json,
  longText,
  oneOf,
  ownId,
  small,
  text,
} from './columns.js';

/** One date of a series. */
export interface OccurrenceRow extends Model<
  InferAttributes<OccurrenceRow>,
  InferCreationAttributes<OccurrenceRow>
> {
  id: CreationOptional<number>;
  series_id: number;
  class_id: number;
  link_id: number;
  /** The date that the pattern gave it; it stays when the session is moved. */
  key_date: string;
  local_date: string;
  local_time: string;
  minutes: number;
  start_at: string;
  end_at: string;
  status: Occurrence['status'];
  why: CreationOptional<string | null>;
  /** As its series is, for what doors ask all day. */
  draft: CreationOptional<boolean>;
  /** Its register is settled. */
  settled: CreationOptional<boolean>;
  /** When people were in at it is kept no longer. */
  forgotten: CreationOptional<boolean>;
  /** Where it stood before it was moved. */
  was_date: CreationOptional<string | null>;
  was_time: CreationOptional<string | null>;
  was_minutes: CreationOptional<number | null>;
  title: CreationOptional<string>;
  description: CreationOptional<string>;
  /** Rules of its own, where there are any. */
  layers: CreationOptional<RuleLayer[] | null>;

  // Asked for together with it, where it is.
  series?: NonAttribute<SeriesRow>;
  link?: NonAttribute<LinkRow>;
  sitting?: NonAttribute<SittingRow | null>;
}

export const defineOccurrence = (sequelize: Sequelize): ModelStatic<OccurrenceRow> =>
  sequelize.define<OccurrenceRow>(
    'Occurrence',
    {
      id: ownId(),
      series_id: idOf('series'),
      class_id: idOf('class_periods'),
      link_id: idOf('links'),
      key_date: fixedCode(10),
      local_date: fixedCode(10),
      local_time: fixedCode(5),
      minutes: small(),
      start_at: instant('start_at'),
      end_at: instant('end_at'),
      status: oneOf(['planned', 'moved', 'cancelled', 'skipped']),
      why: text(500, { allowNull: true }),
      draft: flag('draft'),
      settled: flag('settled'),
      forgotten: flag('forgotten'),
      was_date: fixedCode(10, { allowNull: true }),
      was_time: fixedCode(5, { allowNull: true }),
      was_minutes: small({ allowNull: true }),
      title: text(200, { defaultValue: '' }),
      description: longText({ defaultValue: '' }),
      layers: json({ allowNull: true }),
    },
    {
      tableName: 'occurrences',
      timestamps: false,
      indexes: [
        { name: 'by_series', fields: ['series_id', 'key_date'], unique: true },
        { name: 'by_link', fields: ['link_id', 'start_at'] },
        { name: 'by_start', fields: ['start_at'] },
        { name: 'by_date', fields: ['local_date', 'class_id'] },
        { name: 'by_class', fields: ['class_id', 'start_at'] },
        { name: 'by_was_date', fields: ['was_date', 'class_id'] },
        { name: 'by_end', fields: ['series_id', 'end_at'] },
        { name: 'by_settled', fields: ['forgotten', 'settled', 'end_at'] },
        { name: 'by_link_date', fields: ['link_id', 'local_date'] },
        { name: 'by_link_was', fields: ['link_id', 'was_date'] },
      ],
    },
  );
