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
import { idOf, ownId } from './columns.js';

/** Whom a link is for: in each row a class period, a group, or a person. */
interface LinkAudienceRow extends Model<
  InferAttributes<LinkAudienceRow>,
  InferCreationAttributes<LinkAudienceRow>
> {
  id: CreationOptional<number>;
  link_id: number;
  class_id: CreationOptional<number | null>;
  group_id: CreationOptional<number | null>;
  person_id: CreationOptional<number | null>;

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
    },
    {
      tableName: 'link_audience',
      timestamps: false,
      indexes: [{ name: 'by_link', fields: ['link_id'] }],
    },
  );
