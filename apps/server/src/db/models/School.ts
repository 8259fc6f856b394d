import {
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';
import type {
  ClaimRule,
  EntryRules,
  RegisterWays,
  RuleField,
  SchoolCalendar,
  ShutWays,
  ToldWishes,
} from '@glen/core';
import { flag, json, oneOf, onlyId, text, version } from './columns.js';

/** The one school of this installation; its only row has the id 1. */
interface SchoolRow extends Model<InferAttributes<SchoolRow>, InferCreationAttributes<SchoolRow>> {
  id: number;
  name: string;
  calendar: SchoolCalendar;
  rules: EntryRules;
  locked: RuleField[];
  /** Rises with the calendar. */
  version: CreationOptional<number>;
  /** Where public holidays are looked up: a country, or a part of one (`CA-NS`). */
  region: CreationOptional<string | null>;
  rules_version: CreationOptional<number>;
  date_order: CreationOptional<'dmy' | 'mdy' | 'ymd'>;
  hours: CreationOptional<'24' | '12'>;
  /** Whom students ask when something technical fails; shown at doors. */
  help: CreationOptional<string>;
  /** One teacher, and no office. */
  alone: CreationOptional<boolean>;
  /** Who makes class periods. */
  classes_by: CreationOptional<'teachers' | 'office'>;
  /** Rises with what the school says of itself. */
  about_version: CreationOptional<number>;
  /** Who gives a student a new way in when they have lost theirs, beside the office. */
  resets_by: CreationOptional<'office' | 'hosts'>;
  /** The ways of signing in that are shut, and to whom. */
  shut_ways: CreationOptional<ShutWays>;
  /** What the school makes of what its provider of accounts claims. */
  claim_rules: CreationOptional<ClaimRule[]>;
  /** How people hear of things, where they have not said so themselves. */
  told: CreationOptional<ToldWishes>;
  /** What changes everybody asks for a passkey of whoever changes it. */
  asks_passkey: CreationOptional<boolean>;
  /** What it does with its registers, as far as it has said so. */
  registers: CreationOptional<Partial<RegisterWays>>;
  registers_version: CreationOptional<number>;
  /** Rises with all of these. */
  ways_version: CreationOptional<number>;
}

export const defineSchool = (sequelize: Sequelize): ModelStatic<SchoolRow> =>
  sequelize.define<SchoolRow>(
    'School',
    {
      id: onlyId(),
      name: text(200),
      calendar: json(),
      rules: json(),
      locked: json(),
      version: version(),
      region: text(20, { allowNull: true }),
      rules_version: version(),
      date_order: oneOf(['dmy', 'mdy', 'ymd'], { defaultValue: 'dmy' }),
      hours: oneOf(['24', '12'], { defaultValue: '24' }),
      help: text(300, { defaultValue: '' }),
      alone: flag('alone'),
      classes_by: oneOf(['teachers', 'office'], { defaultValue: 'teachers' }),
      about_version: version(),
      resets_by: oneOf(['office', 'hosts'], { defaultValue: 'office' }),
      shut_ways: json({ defaultValue: {} }),
      claim_rules: json({ defaultValue: [] }),
      told: json({ defaultValue: {} }),
      registers: json({ defaultValue: {} }),
      registers_version: version(),
      ways_version: version(),
      asks_passkey: flag('asks_passkey'),
    },
    { tableName: 'school', timestamps: false },
  );
