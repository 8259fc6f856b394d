import {
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';
import { instant, ownId, text } from './columns.js';

/** Something that failed and is counted: a password, a code. */
interface FailureRow extends Model<
  InferAttributes<FailureRow>,
  InferCreationAttributes<FailureRow>
> {
  id: CreationOptional<number>;
  /** What is counted together. */
  bucket: string;
  /** By machine time. */
  at: string;
}

export const defineFailure = (sequelize: Sequelize): ModelStatic<FailureRow> =>
  sequelize.define<FailureRow>(
    'Failure',
    {
      id: ownId(),
      bucket: text(300),
      at: instant('at'),
    },
    {
      tableName: 'failures',
      timestamps: false,
      indexes: [
        { name: 'by_age', fields: ['at'] },
        { name: 'by_bucket', fields: ['bucket', 'at'] },
      ],
    },
  );
