import {
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';
import { fixedCode, onlyId } from './columns.js';

/** What tells with which secret this database keeps its tokens; there is one row. */
interface SecretCheckRow extends Model<
  InferAttributes<SecretCheckRow>,
  InferCreationAttributes<SecretCheckRow>
> {
  id: number;
  hash: string;
}

export const defineSecretCheck = (sequelize: Sequelize): ModelStatic<SecretCheckRow> =>
  sequelize.define<SecretCheckRow>(
    'SecretCheck',
    { id: onlyId(), hash: fixedCode(43) },
    { tableName: 'secret_check', timestamps: false },
  );
