import {
  DataTypes,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';
import type { EntryRules } from '@glen/core';
import { ownId, version } from './columns.js';

/** Somebody of the school, or a guest who is known by name. */
export interface PersonRow extends Model<
  InferAttributes<PersonRow>,
  InferCreationAttributes<PersonRow>
> {
  id: CreationOptional<number>;
  name: string;
  role: 'student' | 'teacher' | 'head' | 'office' | 'guest';
  /** A teacher's own defaults of the entry rules. */
  rules: CreationOptional<Partial<EntryRules>>;
  version: CreationOptional<number>;
}

export const definePerson = (sequelize: Sequelize): ModelStatic<PersonRow> =>
  sequelize.define<PersonRow>(
    'Person',
    {
      id: ownId(),
      name: { type: DataTypes.STRING(120), allowNull: false },
      role: {
        type: DataTypes.ENUM('student', 'teacher', 'head', 'office', 'guest'),
        allowNull: false,
      },
      rules: { type: DataTypes.JSON, allowNull: false, defaultValue: {} },
      version: version(),
    },
    { tableName: 'people', timestamps: false },
  );
