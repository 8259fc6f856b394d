import {
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type NonAttribute,
  type Sequelize,
} from 'sequelize';
import type { ClassGroupRow } from './ClassGroup.js';
import type { ClassPeriodRow } from './ClassPeriod.js';
import type { LinkRow } from './Link.js';
import type { PersonRow } from './Person.js';
import { idOf, oneOf, ownId, text } from './columns.js';

/** Whom a link is for: in each row a class period, a group, a person, or a guest’s address. */
interface LinkAudienceRow extends Model<
  InferAttributes<LinkAudienceRow>,
  InferCreationAttributes<LinkAudienceRow>
> {
  id: CreationOptional<number>;
  link_id: number;
  class_id: CreationOptional<number | null>;
  group_id: CreationOptional<number | null>;
  person_id: CreationOptional<number | null>;
  email: CreationOptional<string | null>;
  /** Of a guest by address: as one of the others inside, or to speak. */
  comes: CreationOptional<'inside' | 'speaker'>;

  // Asked for together with it, where it is.
  link?: NonAttribute<LinkRow>;
  classPeriod?: NonAttribute<ClassPeriodRow | null>;
  group?: NonAttribute<ClassGroupRow | null>;
  person?: NonAttribute<PersonRow | null>;
}

export const defineLinkAudience = (sequelize: Sequelize): ModelStatic<LinkAudienceRow> =>
  sequelize.define<LinkAudienceRow>(
    'LinkAudience',
    {
      id: ownId(),
      link_id: idOf('links'),
      class_id: idOf('class_periods', { allowNull: true }),
      group_id: idOf('class_groups', { allowNull: true }),
      person_id: idOf('people', { allowNull: true }),
      email: text(254, { allowNull: true }),
      comes: oneOf(['inside', 'speaker'], { defaultValue: 'inside' }),
    },
    {
      tableName: 'link_audience',
      timestamps: false,
      indexes: [
        { name: 'by_link', fields: ['link_id'] },
        { name: 'by_email', fields: ['email'] },
      ],
    },
  );
