import {
  DataTypes,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';
import type { EntryRules } from '@glen/core';
import type { Pennant } from '@glen/contract';
import { instant, ownId, version } from './columns.js';

/** A group of students taught together at one place in the timetable. */
export interface ClassPeriodRow extends Model<
  InferAttributes<ClassPeriodRow>,
  InferCreationAttributes<ClassPeriodRow>
> {
  id: CreationOptional<number>;
  /** What the course site knows it by. */
  ref: string;
  title: string;
  /** An occasion is no class: it has no period and no roll. */
  kind: CreationOptional<'class' | 'occasion'>;
  period: string | null;
  pennant: Pennant;
  rules: CreationOptional<Partial<EntryRules>>;
  version: CreationOptional<number>;
  groups_version: CreationOptional<number>;
  /** Over, and kept with all it had. */
  put_away_at: CreationOptional<string | null>;
  /** Its rules let anyone knock, until the roll is filled. */
  knock_until_roll: CreationOptional<boolean>;
  /** A teacher has tried its door as somebody. */
  door_tried: CreationOptional<boolean>;
}

export const defineClassPeriod = (sequelize: Sequelize): ModelStatic<ClassPeriodRow> =>
  sequelize.define<ClassPeriodRow>(
    'ClassPeriod',
    {
      id: ownId(),
      ref: { type: DataTypes.STRING(40), allowNull: false, unique: true },
      title: { type: DataTypes.STRING(200), allowNull: false },
      kind: { type: DataTypes.ENUM('class', 'occasion'), allowNull: false, defaultValue: 'class' },
      period: { type: DataTypes.STRING(40), allowNull: true },
      pennant: { type: DataTypes.JSON, allowNull: false },
      rules: { type: DataTypes.JSON, allowNull: false, defaultValue: {} },
      version: version(),
      groups_version: version(),
      put_away_at: instant('put_away_at', { allowNull: true }),
      door_tried: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
      knock_until_roll: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
    },
    { tableName: 'class_periods', timestamps: false },
  );
