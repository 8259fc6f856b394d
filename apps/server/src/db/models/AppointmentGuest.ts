import type {
  CreationOptional,
  InferAttributes,
  InferCreationAttributes,
  Model,
  ModelStatic,
  Sequelize,
} from 'sequelize';
import { code, fixedCode, idOf, ownId, text, version } from './columns.js';

/** A guest of an evening by appointment, who comes to its page by an address of their own. */
export interface AppointmentGuestRow extends Model<
  InferAttributes<AppointmentGuestRow>,
  InferCreationAttributes<AppointmentGuestRow>
> {
  id: CreationOptional<number>;
  evening_id: number;
  email: string;
  name: string;
  token_hash: string;
  /** The token itself, which opens with the installation’s secret alone. */
  sealed_token: string;
  /** A digest of what they were told last that they have; null: nothing yet. */
  told: CreationOptional<string | null>;
  version: CreationOptional<number>;
}

export const defineAppointmentGuest = (sequelize: Sequelize): ModelStatic<AppointmentGuestRow> =>
  sequelize.define<AppointmentGuestRow>(
    'AppointmentGuest',
    {
      id: ownId(),
      evening_id: idOf('appointment_evenings', { onDelete: 'CASCADE' }),
      email: text(254),
      name: text(120),
      token_hash: fixedCode(43),
      sealed_token: code(120),
      told: fixedCode(64, { allowNull: true }),
      version: version(),
    },
    {
      tableName: 'appointment_guests',
      timestamps: false,
      indexes: [
        { name: 'one_each', unique: true, fields: ['evening_id', 'email'] },
        { name: 'by_token', unique: true, fields: ['token_hash'] },
      ],
    },
  );
