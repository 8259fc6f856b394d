import type {
  CreationOptional,
  InferAttributes,
  InferCreationAttributes,
  Model,
  ModelStatic,
  Sequelize,
} from 'sequelize';
import { fixedCode, flag, idOf, instant, looseId, oneOf, ownId, text, version } from './columns.js';

/** What a guest has in their calendar by a letter of ours. */
export interface CalendarEntryRow extends Model<
  InferAttributes<CalendarEntryRow>,
  InferCreationAttributes<CalendarEntryRow>
> {
  id: CreationOptional<number>;
  link_id: number;
  email: string;
  series_id: number;
  /** Empty: all dates of the series. */
  key_date: CreationOptional<string>;
  /** They are a guest of the link at any time, and this is what is held there. */
  always: CreationOptional<boolean>;
  /** What it was called when they were last told. */
  title: string;
  /** Rises with each message (RFC 5546 §2.1.4). */
  sequence: CreationOptional<number>;
  /** Which the last message was. */
  method: CreationOptional<'REQUEST' | 'CANCEL'>;
  /** Of what the last message told; empty: nothing was told yet, or they were told that they are invited no more. */
  digest: CreationOptional<string>;
  /** When their calendar answered last, by its own clock. */
  answered_at: CreationOptional<string | null>;
}

export const defineCalendarEntry = (sequelize: Sequelize): ModelStatic<CalendarEntryRow> =>
  sequelize.define<CalendarEntryRow>(
    'CalendarEntry',
    {
      id: ownId(),
      link_id: idOf('links'),
      email: text(254),
      series_id: looseId(),
      key_date: fixedCode(10, { defaultValue: '' }),
      always: flag('always'),
      title: text(200),
      sequence: version({ defaultValue: 0 }),
      method: oneOf(['REQUEST', 'CANCEL'], { defaultValue: 'REQUEST' }),
      digest: fixedCode(43, { defaultValue: '' }),
      answered_at: instant('answered_at', { allowNull: true }),
    },
    {
      tableName: 'calendar_entries',
      timestamps: false,
      indexes: [
        {
          name: 'one_each',
          fields: ['link_id', 'email', 'series_id', 'key_date'],
          unique: true,
        },
        { name: 'by_series', fields: ['series_id'] },
      ],
    },
  );
