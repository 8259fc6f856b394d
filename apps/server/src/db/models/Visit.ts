import {
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';
import { idOf, instant, ownId } from './columns.js';

/** One stay inside. */
interface VisitRow extends Model<InferAttributes<VisitRow>, InferCreationAttributes<VisitRow>> {
  id: CreationOptional<number>;
  visitor_id: number;
  arrived_at: string;
  left_at: CreationOptional<string | null>;
}

export const defineVisit = (sequelize: Sequelize): ModelStatic<VisitRow> =>
  sequelize.define<VisitRow>(
    'Visit',
    {
      id: ownId(),
      visitor_id: idOf('visitors'),
      arrived_at: instant('arrived_at'),
      left_at: instant('left_at', { allowNull: true }),
    },
    {
      tableName: 'visits',
      timestamps: false,
      indexes: [{ name: 'by_visitor', fields: ['visitor_id', 'left_at'] }],
    },
  );
