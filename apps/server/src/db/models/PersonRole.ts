import {
  DataTypes,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';
import { PERSON_ROLES, type PersonRole } from '@glen/core';
import { idOf } from './columns.js';

/** One of the things that somebody is to the school. */
interface PersonRoleRow extends Model<
  InferAttributes<PersonRoleRow>,
  InferCreationAttributes<PersonRoleRow>
> {
  person_id: number;
  role: PersonRole;
}

export const definePersonRole = (sequelize: Sequelize): ModelStatic<PersonRoleRow> =>
  sequelize.define<PersonRoleRow>(
    'PersonRole',
    {
      person_id: idOf({ primaryKey: true }),
      role: { type: DataTypes.ENUM(...PERSON_ROLES), allowNull: false, primaryKey: true },
    },
    { tableName: 'person_roles', timestamps: false },
  );
