import {
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';
import type { MoveInDraft } from '@glen/contract';
import { fixedCode, instant, json, onlyId, version } from './columns.js';

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
      id: onlyId(),
      token_hash: fixedCode(64, { allowNull: true }),
      draft: json({ defaultValue: {} }),
      version: version(),
      moved_in_at: instant('moved_in_at', { allowNull: true }),
    },
    { tableName: 'moving_in', timestamps: false },
  );
