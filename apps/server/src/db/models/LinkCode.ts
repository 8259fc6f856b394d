import {
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type NonAttribute,
  type Sequelize,
} from 'sequelize';
import type { ReplaceHow } from '@glen/core';
import type { LinkRow } from './Link.js';
import type { PersonRow } from './Person.js';
import { code, idOf, instant, oneOf, small } from './columns.js';

/** A code that a link has, or has had. */
export interface LinkCodeRow extends Model<
  InferAttributes<LinkCodeRow>,
  InferCreationAttributes<LinkCodeRow>
> {
  code: string;
  link_id: number;
  turn: CreationOptional<number>;
  /** What became of it; nothing for the one in force. */
  how: CreationOptional<ReplaceHow | null>;
  until_at: CreationOptional<string | null>;
  why: CreationOptional<'leaked' | 'tidy-up' | 'new-year' | 'other' | null>;
  replaced_at: CreationOptional<string | null>;
  replaced_by: CreationOptional<number | null>;

  // Asked for together with it, where it is.
  link?: NonAttribute<LinkRow>;
  replacedBy?: NonAttribute<PersonRow | null>;
}

export const defineLinkCode = (sequelize: Sequelize): ModelStatic<LinkCodeRow> =>
  sequelize.define<LinkCodeRow>(
    'LinkCode',
    {
      code: code(40, { primaryKey: true }),
      link_id: idOf('links'),
      turn: small({ defaultValue: 0 }),
      how: oneOf(['keep', 'forward', 'stop'], { allowNull: true }),
      until_at: instant('until_at', { allowNull: true }),
      why: oneOf(['leaked', 'tidy-up', 'new-year', 'other'], { allowNull: true }),
      replaced_at: instant('replaced_at', { allowNull: true }),
      replaced_by: idOf('people', { allowNull: true }),
    },
    {
      tableName: 'link_codes',
      timestamps: false,
      indexes: [{ name: 'in_turn', fields: ['link_id', 'turn'], unique: true }],
    },
  );
