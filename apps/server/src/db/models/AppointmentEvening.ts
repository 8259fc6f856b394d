import type {
  CreationOptional,
  InferAttributes,
  InferCreationAttributes,
  Model,
  ModelStatic,
  Sequelize,
} from 'sequelize';
import { idOf, instant, oneOf, ownId, text, version } from './columns.js';

/** Whether guests can still choose for themselves. */
export const APPOINTMENT_STATES = ['open', 'closed'] as const;

/** An evening at which guests see several teachers, each by appointment. */
export interface AppointmentEveningRow extends Model<
  InferAttributes<AppointmentEveningRow>,
  InferCreationAttributes<AppointmentEveningRow>
> {
  id: CreationOptional<number>;
  title: string;
  /** As it was planned, by school time; a teacher’s own session can lie otherwise. */
  start_at: string;
  end_at: string;
  state: CreationOptional<(typeof APPOINTMENT_STATES)[number]>;
  made_by: number;
  made_at: string;
  /** When guests were sent what they have, the day before. */
  reminded_at: CreationOptional<string | null>;
  version: CreationOptional<number>;
}

export const defineAppointmentEvening = (
  sequelize: Sequelize,
): ModelStatic<AppointmentEveningRow> =>
  sequelize.define<AppointmentEveningRow>(
    'AppointmentEvening',
    {
      id: ownId(),
      title: text(200),
      start_at: instant('start_at'),
      end_at: instant('end_at'),
      state: oneOf([...APPOINTMENT_STATES], { defaultValue: 'open' }),
      made_by: idOf('people'),
      made_at: instant('made_at'),
      reminded_at: instant('reminded_at', { allowNull: true }),
      version: version(),
    },
    {
      tableName: 'appointment_evenings',
      timestamps: false,
      indexes: [{ name: 'by_end', fields: ['end_at'] }],
    },
  );
