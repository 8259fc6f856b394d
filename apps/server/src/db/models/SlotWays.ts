import type {
  CreationOptional,
  InferAttributes,
  InferCreationAttributes,
  Model,
  ModelStatic,
  Sequelize,
} from 'sequelize';
import { idOf, oneOf, small, version } from './columns.js';

/** How the sessions of a series are cut into slots. */
export interface SlotWaysRow extends Model<
  InferAttributes<SlotWaysRow>,
  InferCreationAttributes<SlotWaysRow>
> {
  series_id: number;
  minutes: number;
  gap: number;
  break_every: number;
  break_minutes: number;
  /** So many may somebody have in a week; 0: as many as they like. */
  most: number;
  opens_days: number;
  closes_minutes: number;
  leaves: 'asked' | 'by-itself';
  missed_after: number;
  version: CreationOptional<number>;
}

export const defineSlotWays = (sequelize: Sequelize): ModelStatic<SlotWaysRow> =>
  sequelize.define<SlotWaysRow>(
    'SlotWays',
    {
      series_id: { ...idOf('series', { onDelete: 'CASCADE' }), primaryKey: true },
      minutes: small(),
      gap: small(),
      break_every: small(),
      break_minutes: small(),
      most: small(),
      opens_days: small(),
      closes_minutes: small(),
      leaves: oneOf(['asked', 'by-itself']),
      missed_after: small(),
      version: version(),
    },
    { tableName: 'slot_ways', timestamps: false },
  );
