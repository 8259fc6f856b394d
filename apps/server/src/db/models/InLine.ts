import {
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';
import { code, idOf, instant, ownId } from './columns.js';

/** Somebody who waits for a seat in a full room; the order is that of the ids. */
interface InLineRow extends Model<InferAttributes<InLineRow>, InferCreationAttributes<InLineRow>> {
  id: CreationOptional<number>;
  sitting_id: number;
  /** As in `visitors`. */
  visitor_key: string;
  /** When their page asked last, by machine time. */
  seen_at: string;
}

export const defineInLine = (sequelize: Sequelize): ModelStatic<InLineRow> =>
  sequelize.define<InLineRow>(
    'InLine',
    {
      id: ownId(),
      sitting_id: idOf('sittings'),
      visitor_key: code(20),
      seen_at: instant('seen_at'),
    },
    {
      tableName: 'door_line',
      timestamps: false,
      indexes: [
        { name: 'one_each', fields: ['sitting_id', 'visitor_key'], unique: true },
        { name: 'by_seen', fields: ['seen_at'] },
      ],
    },
  );
