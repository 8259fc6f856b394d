import {
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type NonAttribute,
  type Sequelize,
} from 'sequelize';
import type { SessionPlan, SessionWords, KeptRules } from '@glen/core';
import type { ClassPeriodRow } from './ClassPeriod.js';
import type { LinkRow } from './Link.js';
import { flag, idOf, instant, json, longText, ownId, text, version } from './columns.js';

/** A plan on the books; a session held once is a series of one date. */
export interface SeriesRow extends Model<
  InferAttributes<SeriesRow>,
  InferCreationAttributes<SeriesRow>
> {
  id: CreationOptional<number>;
  class_id: number;
  link_id: number;
  title: string;
  description: string;
  plan: SessionPlan;
  made_by: CreationOptional<number | null>;
  version: CreationOptional<number>;
  draft: CreationOptional<boolean>;
  /** Words of single dates, by key. */
  words: CreationOptional<Record<string, Partial<SessionWords>>>;
  /** A draft that has no date yet. */
  undated: CreationOptional<boolean>;
  /** Since when it is off the books as if it had never been; it has no dates then, and is found only by what takes that back. */
  removed_at: CreationOptional<string | null>;
  /** Kept by the database. */
  changed_at: CreationOptional<string>;
  rules: CreationOptional<KeptRules>;
  /** Rules of single dates, by key. */
  date_rules: CreationOptional<Record<string, KeptRules>>;

  // Asked for together with it, where it is.
  classPeriod?: NonAttribute<ClassPeriodRow>;
  link?: NonAttribute<LinkRow>;
}

export const defineSeries = (sequelize: Sequelize): ModelStatic<SeriesRow> =>
  sequelize.define<SeriesRow>(
    'Series',
    {
      id: ownId(),
      class_id: idOf('class_periods'),
      link_id: idOf('links'),
      title: text(200),
      description: longText(),
      plan: json(),
      made_by: idOf('people', { allowNull: true }),
      version: version(),
      draft: flag('draft'),
      words: json({ defaultValue: {} }),
      undated: flag('undated'),
      removed_at: { ...instant('removed_at'), allowNull: true },
      changed_at: {
        ...instant('changed_at'),
        defaultValue: sequelize.literal('CURRENT_TIMESTAMP'),
      },
      rules: json({ defaultValue: {} }),
      date_rules: json({ defaultValue: {} }),
    },
    { tableName: 'series', timestamps: false, defaultScope: { where: { removed_at: null } } },
  );
