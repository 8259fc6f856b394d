import {
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type NonAttribute,
  type Sequelize,
} from 'sequelize';
import type { RoomLookedAt, RuleSetting, KeptRules } from '@glen/core';
import type { ClassPeriodRow } from './ClassPeriod.js';
import { code, flag, idOf, instant, json, oneOf, ownId, small, text, version } from './columns.js';

/** A lasting join link of a class period. */
export interface LinkRow extends Model<InferAttributes<LinkRow>, InferCreationAttributes<LinkRow>> {
  id: CreationOptional<number>;
  /** The one that it goes by now; all that it has had are in `link_codes`. */
  code: string;
  class_id: number;
  label: string;
  state: CreationOptional<'live' | 'retired'>;
  made_at: string;
  kind: CreationOptional<RuleSetting['kind']>;
  purpose: CreationOptional<string>;
  /** Its place in the order of its class period. */
  place: CreationOptional<number>;
  /** Whether students find it in their day. */
  shown: CreationOptional<boolean>;
  rules: CreationOptional<KeptRules>;
  version: CreationOptional<number>;
  /** A room that a host has given; nothing: the video service makes one. */
  room_address: CreationOptional<string | null>;
  /** What has been looked at in such a room; of an earlier one it counts no more. */
  room_looked_at: CreationOptional<RoomLookedAt | null>;
  /** Its class period's teachers host it, and those named at it; or those alone, as long as one of them hosts the class period. */
  hosted_by: CreationOptional<'class' | 'named'>;
  /** Stopped together with its class period, to work again with it. */
  put_away: CreationOptional<boolean>;

  // Asked for together with it, where it is.
  classPeriod?: NonAttribute<ClassPeriodRow>;
}

export const defineLink = (sequelize: Sequelize): ModelStatic<LinkRow> =>
  sequelize.define<LinkRow>(
    'Link',
    {
      id: ownId(),
      code: code(40, { unique: true }),
      class_id: idOf('class_periods'),
      label: text(120),
      state: oneOf(['live', 'retired'], { defaultValue: 'live' }),
      made_at: instant('made_at'),
      kind: oneOf(['lesson', 'one-to-one', 'help', 'event', 'project'], { defaultValue: 'lesson' }),
      purpose: text(80, { defaultValue: '' }),
      place: small({ defaultValue: 0 }),
      shown: flag('shown', { defaultValue: true }),
      rules: json({ defaultValue: {} }),
      version: version(),
      room_address: text(500, { allowNull: true }),
      room_looked_at: json({ allowNull: true }),
      hosted_by: oneOf(['class', 'named'], { defaultValue: 'class' }),
      put_away: flag('put_away'),
    },
    {
      tableName: 'links',
      timestamps: false,
      indexes: [{ name: 'by_class', fields: ['class_id', 'place'] }],
    },
  );
