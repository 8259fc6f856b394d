import {
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type NonAttribute,
  type Sequelize,
} from 'sequelize';
import type { EntryRules, Occurrence, RuleLayer } from '@glen/core';
import type { LinkRow } from './Link.js';
import { code, flag, flagIfSaid, idOf, instant, json, ownId, small, text } from './columns.js';

/** What is told of the date that a door was opened for. */
interface DateOfSitting {
  series_id: number;
  key_date: string;
  link_id: number;
  layers: RuleLayer[] | null;
  title: string;
  local_date: string;
  start_at: string;
  end_at: string;
  status: Occurrence['status'];
  draft: boolean;
}

/** What happens behind the door of one occurrence; there is one once anybody entered or opened it. */
export interface SittingRow extends Model<
  InferAttributes<SittingRow>,
  InferCreationAttributes<SittingRow>
> {
  id: CreationOptional<number>;
  occurrence_id: number;
  link_id: number;
  opened_at: CreationOptional<string | null>;
  ended_at: CreationOptional<string | null>;
  /** Since when no host is in. */
  host_left_at: CreationOptional<string | null>;
  /** Its name at the video service. */
  room: CreationOptional<string | null>;
  room_ready: CreationOptional<boolean>;
  rooms_made: CreationOptional<number>;
  /** A pasted room, as it was when it was opened. */
  room_address: CreationOptional<string | null>;
  /** A host lets nobody knock without an account for the rest of it. */
  asks_account: CreationOptional<boolean>;
  /** What its room was last told to hold. */
  rules_told: CreationOptional<Partial<EntryRules> | null>;
  /** A host lets everybody share for the rest of it. */
  all_share: CreationOptional<boolean>;
  /** Whether comings and goings are announced, where a host says so for the rest of it. */
  chime: CreationOptional<boolean | null>;

  // Asked for together with it, where it is.
  link?: NonAttribute<LinkRow>;
  /** What its door was opened for. */
  occurrence?: NonAttribute<DateOfSitting>;
}

export const defineSitting = (sequelize: Sequelize): ModelStatic<SittingRow> =>
  sequelize.define<SittingRow>(
    'Sitting',
    {
      id: ownId(),
      occurrence_id: idOf('occurrences', { unique: true }),
      link_id: idOf('links'),
      opened_at: instant('opened_at', { allowNull: true }),
      ended_at: instant('ended_at', { allowNull: true }),
      host_left_at: instant('host_left_at', { allowNull: true }),
      room: code(80, { allowNull: true, unique: true }),
      room_ready: flag('room_ready'),
      rooms_made: small({ defaultValue: 0 }),
      asks_account: flag('asks_account'),
      rules_told: json({ allowNull: true }),
      all_share: flag('all_share'),
      chime: flagIfSaid('chime'),
      room_address: text(500, { allowNull: true }),
    },
    {
      tableName: 'sittings',
      timestamps: false,
      indexes: [{ name: 'by_link', fields: ['link_id', 'ended_at'] }],
    },
  );
