import {
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';
import type { LiveChange } from '@glen/contract';
import { code, instant, looseId, ownId } from './columns.js';

/** Something that changed, for those who may know. */
interface ChangeRow extends Model<InferAttributes<ChangeRow>, InferCreationAttributes<ChangeRow>> {
  id: CreationOptional<number>;
  topic: string;
  thing: LiveChange['thing'];
  thing_id: number;
  /** By machine time. */
  at: string;
}

export const defineChange = (sequelize: Sequelize): ModelStatic<ChangeRow> =>
  sequelize.define<ChangeRow>(
    'Change',
    {
      id: ownId(),
      topic: code(40),
      thing: code(20),
      thing_id: looseId(),
      at: instant('at'),
    },
    { tableName: 'changes', timestamps: false, indexes: [{ name: 'by_at', fields: ['at'] }] },
  );
