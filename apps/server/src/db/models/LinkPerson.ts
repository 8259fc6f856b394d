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
import { fixedCode, idOf, looseId, oneOf } from './columns.js';

/**
 * What somebody is at a link: host or presenter by its class period, one who takes over while no host is in, tutor as host
 * at this link alone, member of its audience; or one of these with a class period that joins.
 */
export const MEANT_AS = [
  'host',
  'presenter',
  'takes-over',
  'tutor',
  'member',
  'joining-host',
  'joining-presenter',
  'joining-member',
] as const;
export type MeantAs = (typeof MEANT_AS)[number];

/** Who is meant by a link: kept for the questions that doors and days ask, and made anew with whatever it follows from. */
export interface LinkPersonRow extends Model<
  InferAttributes<LinkPersonRow>,
  InferCreationAttributes<LinkPersonRow>
> {
  link_id: number;
  person_id: number;
  as_what: MeantAs;
  /** Of a class period that joins: for this series alone; 0: always. */
  series_id: CreationOptional<number>;
  /** The same of one date of the series; empty: all of them. */
  key_date: CreationOptional<string>;

  // Asked for together with it, where it is.
  person?: NonAttribute<PersonRow>;
}

export const defineLinkPerson = (sequelize: Sequelize): ModelStatic<LinkPersonRow> =>
  sequelize.define<LinkPersonRow>(
    'LinkPerson',
    {
      link_id: idOf('links', { primaryKey: true }),
      person_id: idOf('people', { primaryKey: true }),
      as_what: oneOf(MEANT_AS, { primaryKey: true }),
      series_id: looseId({ primaryKey: true, defaultValue: 0 }),
      key_date: fixedCode(10, { primaryKey: true, defaultValue: '' }),
    },
    {
      tableName: 'link_people',
      timestamps: false,
      indexes: [{ name: 'by_person', fields: ['person_id', 'link_id'] }],
    },
  );
