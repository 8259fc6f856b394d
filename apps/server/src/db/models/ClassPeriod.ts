import {
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';
import type { KeptRules } from '@glen/core';
import type { Pennant } from '@glen/contract';
import { code, flag, instant, json, oneOf, ownId, text, version } from './columns.js';

/** A group of students taught together at one place in the timetable. */
export interface ClassPeriodRow extends Model<
  InferAttributes<ClassPeriodRow>,
  InferCreationAttributes<ClassPeriodRow>
> {
  id: CreationOptional<number>;
  /** What the course site knows it by. */
  ref: string;
  title: string;
  period: string | null;
  pennant: Pennant;
  rules: CreationOptional<KeptRules>;
  version: CreationOptional<number>;
  groups_version: CreationOptional<number>;
  /** Over, and kept with all it had. */
  put_away_at: CreationOptional<string | null>;
  /** Its rules let anyone knock, until the roll is filled. */
  knock_until_roll: CreationOptional<boolean>;
  /** A teacher has tried its door as somebody. */
  door_tried: CreationOptional<boolean>;
  /** An occasion is no class: it has no period and no roll. */
  kind: CreationOptional<'class' | 'occasion'>;
  /** By its period, those without one last: the order of lists; kept by the database. */
  listed: CreationOptional<string | null>;
}

export const defineClassPeriod = (sequelize: Sequelize): ModelStatic<ClassPeriodRow> =>
  sequelize.define<ClassPeriodRow>(
    'ClassPeriod',
    {
      id: ownId(),
      ref: code(40, { unique: true }),
      title: text(200),
      period: text(40, { allowNull: true }),
      pennant: json(),
      rules: json({ defaultValue: {} }),
      version: version(),
      groups_version: version(),
      put_away_at: instant('put_away_at', { allowNull: true }),
      knock_until_roll: flag('knock_until_roll'),
      door_tried: flag('door_tried'),
      kind: oneOf(['class', 'occasion'], { defaultValue: 'class' }),
      listed: text(41, { allowNull: true }),
    },
    {
      tableName: 'class_periods',
      timestamps: false,
      indexes: [{ name: 'in_order', fields: ['put_away_at', 'listed', 'title', 'id'] }],
    },
  );
