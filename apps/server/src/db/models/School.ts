import {
  DataTypes,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';
import type { EntryRules, RuleField, SchoolCalendar } from '@glen/core';
import { version } from './columns.js';

/** The one school of this installation; its only row has the id 1. */
interface SchoolRow extends Model<InferAttributes<SchoolRow>, InferCreationAttributes<SchoolRow>> {
  id: number;
  name: string;
  calendar: SchoolCalendar;
  /** Rises with the calendar. */
  version: CreationOptional<number>;
  rules: EntryRules;
  locked: RuleField[];
  rules_version: CreationOptional<number>;
  /** Where public holidays are looked up: a country, or a part of one (`CA-NS`). */
  region: string | null;
  date_order: CreationOptional<'dmy' | 'mdy' | 'ymd'>;
  hours: CreationOptional<'24' | '12'>;
  /** Whom students ask when something technical fails; shown at doors. */
  help: CreationOptional<string>;
  /** One teacher, and no office. */
  alone: CreationOptional<boolean>;
  /** Who makes class periods. */
  classes_by: CreationOptional<'teachers' | 'office'>;
  /** Who gives a student a new way in when they have lost theirs, beside the office. */
  resets_by: CreationOptional<'office' | 'hosts'>;
  /** Rises with what the school says of itself. */
  about_version: CreationOptional<number>;
}

export const defineSchool = (sequelize: Sequelize): ModelStatic<SchoolRow> =>
  sequelize.define<SchoolRow>(
    'School',
    {
      id: { type: DataTypes.TINYINT.UNSIGNED, primaryKey: true },
      name: { type: DataTypes.STRING(200), allowNull: false },
      calendar: { type: DataTypes.JSON, allowNull: false },
      version: version(),
      rules: { type: DataTypes.JSON, allowNull: false },
      locked: { type: DataTypes.JSON, allowNull: false },
      rules_version: version(),
      region: { type: DataTypes.STRING(20), allowNull: true },
      date_order: { type: DataTypes.ENUM('dmy', 'mdy', 'ymd'), defaultValue: 'dmy' },
      hours: { type: DataTypes.ENUM('24', '12'), defaultValue: '24' },
      help: { type: DataTypes.STRING(300), defaultValue: '' },
      alone: { type: DataTypes.BOOLEAN, defaultValue: false },
      classes_by: { type: DataTypes.ENUM('teachers', 'office'), defaultValue: 'teachers' },
      resets_by: { type: DataTypes.ENUM('office', 'hosts'), defaultValue: 'office' },
      about_version: version(),
    },
    { tableName: 'school', timestamps: false },
  );
