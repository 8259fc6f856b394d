import {
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type NonAttribute,
  type Sequelize,
} from 'sequelize';
import type { PersonRow } from './Person.js';
import { idOf, ownId, text } from './columns.js';

/** Brought in to one session, by name or by an address that may have no account yet. */
interface InvitedRow extends Model<
  InferAttributes<InvitedRow>,
  InferCreationAttributes<InvitedRow>
> {
  id: CreationOptional<number>;
  occurrence_id: number;
  person_id: CreationOptional<number | null>;
  email: CreationOptional<string | null>;
  given_by: number;

  // Asked for together with it, where it is.
  person?: NonAttribute<PersonRow | null>;
}

export const defineInvited = (sequelize: Sequelize): ModelStatic<InvitedRow> =>
  sequelize.define<InvitedRow>(
    'Invited',
    {
      id: ownId(),
      occurrence_id: idOf('occurrences'),
      person_id: idOf('people', { allowNull: true }),
      email: text(254, { allowNull: true }),
      given_by: idOf('people'),
    },
    {
      tableName: 'invited',
      timestamps: false,
      indexes: [
        { name: 'one_person', fields: ['occurrence_id', 'person_id'], unique: true },
        { name: 'one_address', fields: ['occurrence_id', 'email'], unique: true },
      ],
    },
  );
