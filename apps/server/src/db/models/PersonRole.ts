import {
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';
import { PERSON_ROLES, type PersonRole } from '@glen/core';
import { idOf, oneOf } from './columns.js';

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
      person_id: idOf('people', { primaryKey: true, onDelete: 'CASCADE' }),
      role: oneOf(PERSON_ROLES, { primaryKey: true }),
    },
    {
      tableName: 'person_roles',
      timestamps: false,
      indexes: [{ name: 'by_role', fields: ['role', 'person_id'] }],
    },
  );
