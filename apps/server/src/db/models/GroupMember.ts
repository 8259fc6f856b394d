import {
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type NonAttribute,
  type Sequelize,
} from 'sequelize';
import type { ClassGroupRow } from './ClassGroup.js';
import type { PersonRow } from './Person.js';
import { idOf } from './columns.js';

/** Somebody in a group. */
interface GroupMemberRow extends Model<
  InferAttributes<GroupMemberRow>,
  InferCreationAttributes<GroupMemberRow>
> {
  group_id: number;
  person_id: number;

  // Asked for together with it, where it is.
  person?: NonAttribute<PersonRow>;
  group?: NonAttribute<ClassGroupRow>;
}

export const defineGroupMember = (sequelize: Sequelize): ModelStatic<GroupMemberRow> =>
  sequelize.define<GroupMemberRow>(
    'GroupMember',
    {
      group_id: idOf('class_groups', { primaryKey: true, onDelete: 'CASCADE' }),
      person_id: idOf('people', { primaryKey: true }),
    },
    {
      tableName: 'group_members',
      timestamps: false,
      indexes: [{ name: 'by_person', fields: ['person_id'] }],
    },
  );
