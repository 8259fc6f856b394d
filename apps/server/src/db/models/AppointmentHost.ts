import type {
  InferAttributes,
  InferCreationAttributes,
  Model,
  ModelStatic,
  Sequelize,
} from 'sequelize';
import { idOf } from './columns.js';

/** A session, cut into slots, that is one teacher's of an evening by appointment. */
interface AppointmentHostRow extends Model<
  InferAttributes<AppointmentHostRow>,
  InferCreationAttributes<AppointmentHostRow>
> {
  evening_id: number;
  series_id: number;
}

export const defineAppointmentHost = (sequelize: Sequelize): ModelStatic<AppointmentHostRow> =>
  sequelize.define<AppointmentHostRow>(
    'AppointmentHost',
    {
      evening_id: idOf('appointment_evenings', { primaryKey: true, onDelete: 'CASCADE' }),
      series_id: idOf('series', { primaryKey: true, onDelete: 'CASCADE' }),
    },
    { tableName: 'appointment_hosts', timestamps: false },
  );
