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
import { instant, ownId, version } from './columns.js';

/** What a retired person had, by its ids: given back as far as it still stands when they come back. */
export interface HadByRetired {
  rolls: number[];
  teaches: { classId: number; as: 'host' | 'co-teacher' | 'presenter' }[];
  groups: number[];
  links: number[];
  hostsLinks: number[];
  /** Groups that they were tutor of. */
  tutors: number[];
}

/** What somebody wishes to be told. Left out: told. */
interface ToldWishes {
  /** A notice when others change what one's own sessions rest on. */
  changes?: boolean;
}

/** Somebody of the school, or a guest who is known by name. What they are to the school stands in `person_roles`. */
interface PersonRow extends Model<InferAttributes<PersonRow>, InferCreationAttributes<PersonRow>> {
  id: CreationOptional<number>;
  name: string;
  /** A teacher's own defaults of the entry rules. */
  rules: CreationOptional<Partial<EntryRules>>;
  version: CreationOptional<number>;
  /** Here no longer: no account of theirs signs in. */
  retired_at: CreationOptional<string | null>;
  retired_had: CreationOptional<HadByRetired | null>;
  /** Turned out to be this other person. */
  merged_into: CreationOptional<number | null>;
  /** Nothing: as their machine has it. */
  theme: CreationOptional<'light' | 'dark' | null>;
  told: CreationOptional<ToldWishes>;
}

export const definePerson = (sequelize: Sequelize): ModelStatic<PersonRow> =>
  sequelize.define<PersonRow>(
    'Person',
    {
      id: ownId(),
      name: { type: DataTypes.STRING(120), allowNull: false },
      rules: { type: DataTypes.JSON, allowNull: false, defaultValue: {} },
      version: version(),
      retired_at: instant('retired_at', { allowNull: true }),
      retired_had: { type: DataTypes.JSON, allowNull: true },
      merged_into: { type: DataTypes.INTEGER.UNSIGNED, allowNull: true },
      theme: { type: DataTypes.ENUM('light', 'dark'), allowNull: true },
      told: { type: DataTypes.JSON, allowNull: false, defaultValue: {} },
    },
    { tableName: 'people', timestamps: false },
  );
