import type {
  CreationOptional,
  InferAttributes,
  InferCreationAttributes,
  Model,
  ModelStatic,
  Sequelize,
} from 'sequelize';
import { idOf, instant, looseId, oneOf, ownId, small } from './columns.js';

/** One word of who came or left, as it was told: stays are worked out from all of them. */
interface RoomWordRow extends Model<
  InferAttributes<RoomWordRow>,
  InferCreationAttributes<RoomWordRow>
> {
  id: CreationOptional<number>;
  sitting_id: number;
  /** Null: whoever is in. */
  visitor_id: number | null;
  at: string;
  kind: 'came' | 'left';
  /** Counts what a service tells; null where nobody counts. */
  nth: CreationOptional<number | null>;
  /** Which of the sitting's rooms, one after another. */
  room: CreationOptional<number>;
}

export const defineRoomWord = (sequelize: Sequelize): ModelStatic<RoomWordRow> =>
  sequelize.define<RoomWordRow>(
    'RoomWord',
    {
      id: ownId(),
      sitting_id: idOf('sittings', { onDelete: 'CASCADE' }),
      visitor_id: idOf('visitors', { allowNull: true, onDelete: 'CASCADE' }),
      at: instant('at'),
      kind: oneOf(['came', 'left']),
      nth: { ...looseId(), allowNull: true },
      room: small({ defaultValue: 0 }),
    },
    {
      tableName: 'room_words',
      timestamps: false,
      indexes: [{ name: 'by_sitting', fields: ['sitting_id', 'visitor_id'] }],
    },
  );
