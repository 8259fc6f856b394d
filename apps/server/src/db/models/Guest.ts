import {
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type NonAttribute,
  type Sequelize,
} from 'sequelize';
import { GUEST_COMES, type GuestComes } from '@glen/core';
import type { LinkRow } from './Link.js';
import { fixedCode, idOf, instant, looseId, oneOf, ownId, text, version } from './columns.js';

/** A guest from outside the school, meant by an address: at a link always, at the dates of a series, or at one of them. */
export interface GuestRow extends Model<
  InferAttributes<GuestRow>,
  InferCreationAttributes<GuestRow>
> {
  id: CreationOptional<number>;
  version: CreationOptional<number>;
  link_id: number;
  email: string;
  /** What the host calls them; empty: not said. */
  name: CreationOptional<string>;
  comes: CreationOptional<GuestComes>;
  /** 0: always. */
  series_id: CreationOptional<number>;
  /** Empty: all dates of the series. */
  key_date: CreationOptional<string>;
  /** What they said when asked whether they will come. */
  said: CreationOptional<'yes' | 'no' | null>;
  /** Who is withdrawn counts no more; who has ended, all being over, is kept as a number without name and address. */
  state: CreationOptional<'invited' | 'withdrawn' | 'ended'>;
  /** Since when they are not invited any more, by machine time. */
  left_at: CreationOptional<string | null>;

  // Asked for together with it, where it is.
  link?: NonAttribute<LinkRow>;
}

export const defineGuest = (sequelize: Sequelize): ModelStatic<GuestRow> =>
  sequelize.define<GuestRow>(
    'Guest',
    {
      id: ownId(),
      version: version({ defaultValue: 1 }),
      link_id: idOf('links'),
      email: text(254),
      name: text(120, { defaultValue: '' }),
      comes: oneOf(GUEST_COMES, { defaultValue: 'inside' }),
      series_id: looseId({ defaultValue: 0 }),
      key_date: fixedCode(10, { defaultValue: '' }),
      said: oneOf(['yes', 'no'], { allowNull: true }),
      state: oneOf(['invited', 'withdrawn', 'ended'], { defaultValue: 'invited' }),
      left_at: instant('left_at', { allowNull: true }),
    },
    {
      tableName: 'guests',
      timestamps: false,
      indexes: [
        {
          name: 'one_each',
          fields: ['link_id', 'email', 'series_id', 'key_date'],
          unique: true,
        },
        { name: 'by_email', fields: ['email'] },
      ],
    },
  );
