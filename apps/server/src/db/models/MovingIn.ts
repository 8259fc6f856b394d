import {
  DataTypes,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';
import type { MoveInDraft } from '@glen/contract';
import { instant, version } from './columns.js';

/** How far somebody is with moving in; its only row has the id 1. */
export interface MovingInRow extends Model<
  InferAttributes<MovingInRow>,
  InferCreationAttributes<MovingInRow>
> {
  id: number;
  /** Of the one-time address that was told at the last start. */
  token_hash: string | null;
  /** What has been typed on the first two pages. */
  draft: CreationOptional<MoveInDraft>;
  version: CreationOptional<number>;
  moved_in_at: CreationOptional<string | null>;
}

export const defineMovingIn = (sequelize: Sequelize): ModelStatic<MovingInRow> =>
  sequelize.define<MovingInRow>(
    'MovingIn',
    {
      id: { type: DataTypes.TINYINT.UNSIGNED, primaryKey: true },
      token_hash: { type: DataTypes.STRING(64), allowNull: true },
      draft: { type: DataTypes.JSON, allowNull: false, defaultValue: {} },
      version: version(),
      moved_in_at: instant('moved_in_at', { allowNull: true }),
    },
    { tableName: 'moving_in', timestamps: false },
  );
