import {
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type NonAttribute,
  type Sequelize,
} from 'sequelize';
import type { CoverRow } from './Cover.js';
import type { LinkRow } from './Link.js';
import type { PersonRow } from './Person.js';
import { idOf } from './columns.js';

/** Who hosts a link beside its class period’s teachers. */
interface LinkHostRow extends Model<
  InferAttributes<LinkHostRow>,
  InferCreationAttributes<LinkHostRow>
> {
  link_id: number;
  person_id: number;
  /** Only while this cover lasts. */
  cover_id: CreationOptional<number | null>;

  // Asked for together with it, where it is.
  person?: NonAttribute<PersonRow>;
  link?: NonAttribute<LinkRow>;
  cover?: NonAttribute<CoverRow | null>;
}

export const defineLinkHost = (sequelize: Sequelize): ModelStatic<LinkHostRow> =>
  sequelize.define<LinkHostRow>(
    'LinkHost',
    {
      link_id: idOf('links', { primaryKey: true }),
      person_id: idOf('people', { primaryKey: true }),
      cover_id: idOf('covers', { allowNull: true }),
    },
    {
      tableName: 'link_hosts',
      timestamps: false,
      indexes: [
        { name: 'by_person', fields: ['person_id'] },
        { name: 'by_cover', fields: ['cover_id'] },
      ],
    },
  );
