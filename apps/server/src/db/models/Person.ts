import {
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type NonAttribute,
  type Sequelize,
} from 'sequelize';
import type {
  ClockHours,
  DateOrder,
  PersonRole,
  KeptRules,
  Presents,
  ToldWishes,
} from '@glen/core';
import { idOf, instant, json, oneOf, ownId, text, version } from './columns.js';

/** What a retired person had, by its ids: given back as far as it still stands when they come back. */
export interface HadByRetired {
  rolls: number[];
  teaches: { classId: number; as: 'host' | 'co-teacher' | 'presenter' }[];
  groups: number[];
  links: number[];
  hostsLinks: number[];
  /** Where they were named to present; left out by those retired before there was such a thing. */
  presents?: (Pick<Presents, 'seriesId' | 'key'> & Partial<Presents> & { linkId: number })[];
  /** Groups that they were tutor of. */
  tutors: number[];
}

/** Somebody of the school, or a guest who is known by name. What they are to the school stands in `person_roles`. */
export interface PersonRow extends Model<
  InferAttributes<PersonRow>,
  InferCreationAttributes<PersonRow>
> {
  id: CreationOptional<number>;
  name: string;
  /** A teacher's own defaults of the entry rules. */
  rules: CreationOptional<KeptRules>;
  version: CreationOptional<number>;
  /** Here no longer: no account of theirs signs in. */
  retired_at: CreationOptional<string | null>;
  retired_had: CreationOptional<HadByRetired | null>;
  /** Turned out to be this other person. */
  merged_into: CreationOptional<number | null>;
  /** Nothing: as their machine has it. */
  theme: CreationOptional<'light' | 'dark' | null>;
  /** Nothing: as the school has it. */
  date_order: CreationOptional<DateOrder | null>;
  hours: CreationOptional<ClockHours | null>;
  /** How they wish to hear of things; left out: as the school has it. */
  told: CreationOptional<ToldWishes>;
  /** The last word of the name, for the order of lists; kept by the database. */
  family: CreationOptional<string | null>;

  // Asked for together with it, where it is.
  accounts?: NonAttribute<{ email: string; kind: 'school' | 'personal' }[]>;
  roles?: NonAttribute<{ role: PersonRole }[]>;
}

export const definePerson = (sequelize: Sequelize): ModelStatic<PersonRow> =>
  sequelize.define<PersonRow>(
    'Person',
    {
      id: ownId(),
      name: text(120),
      rules: json({ defaultValue: {} }),
      version: version(),
      retired_at: instant('retired_at', { allowNull: true }),
      retired_had: json({ allowNull: true }),
      merged_into: idOf('people', { allowNull: true }),
      theme: oneOf(['light', 'dark'], { allowNull: true }),
      date_order: oneOf(['dmy', 'mdy', 'ymd'], { allowNull: true }),
      hours: oneOf(['24', '12'], { allowNull: true }),
      told: json({ defaultValue: {} }),
      family: text(120, { allowNull: true }),
    },
    {
      tableName: 'people',
      timestamps: false,
      indexes: [
        { name: 'by_name', fields: ['retired_at', 'name', 'id'] },
        { name: 'by_family', fields: ['retired_at', 'family', 'id'] },
      ],
    },
  );
