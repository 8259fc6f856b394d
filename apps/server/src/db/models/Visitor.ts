import {
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type NonAttribute,
  type Sequelize,
} from 'sequelize';
import type { AccountRow } from './Account.js';
import type { SittingRow } from './Sitting.js';
import { code, fixedCode, flag, idOf, instant, oneOf, ownId, text } from './columns.js';

/** One person’s standing at a sitting. */
export interface VisitorRow extends Model<
  InferAttributes<VisitorRow>,
  InferCreationAttributes<VisitorRow>
> {
  id: CreationOptional<number>;
  sitting_id: number;
  /** Their account, or their browser where they have none. */
  visitor_key: string;
  account_id: CreationOptional<number | null>;
  person_id: CreationOptional<number | null>;
  session_id: CreationOptional<number | null>;
  name: string;
  account_kind: 'school' | 'personal' | 'none' | 'phone';
  on_roll: boolean;
  role: 'host' | 'presenter' | 'participant' | 'watcher';
  state: 'waiting' | 'let-in' | 'turned-away' | 'put-out';
  entry_code: CreationOptional<string | null>;
  inside: CreationOptional<boolean>;
  knocked_at: CreationOptional<string | null>;
  left_at: CreationOptional<string | null>;
  /** Let present for a while by a host. */
  may_present: CreationOptional<boolean>;
  /** Let share for a while by a host. */
  may_share: CreationOptional<boolean>;
  /** What the host has them read while they wait. */
  word: CreationOptional<string | null>;
  /** Who of the roll a host says it is; for the register alone. */
  taken_for: CreationOptional<number | null>;
  /** The ticket to the room that they have and have not used, as a hash; by machine time until when it is good. */
  ticket: CreationOptional<string | null>;
  ticket_until: CreationOptional<string | null>;
  /** Of whoever has no account: what their browser is known by, and the network that they came from. */
  browser: CreationOptional<string | null>;
  network: CreationOptional<string>;
  /** Their slot is over: whoever comes back knocks again. */
  turn_over: CreationOptional<boolean>;

  // Asked for together with it, where it is.
  sitting?: NonAttribute<SittingRow>;
  account?: NonAttribute<AccountRow | null>;
}

export const defineVisitor = (sequelize: Sequelize): ModelStatic<VisitorRow> =>
  sequelize.define<VisitorRow>(
    'Visitor',
    {
      id: ownId(),
      sitting_id: idOf('sittings'),
      visitor_key: code(40),
      account_id: idOf('accounts', { allowNull: true }),
      person_id: idOf('people', { allowNull: true }),
      session_id: idOf('browser_sessions', { allowNull: true, onDelete: 'SET NULL' }),
      name: text(120),
      account_kind: oneOf(['school', 'personal', 'none', 'phone']),
      on_roll: { ...flag('on_roll'), defaultValue: undefined },
      role: oneOf(['host', 'presenter', 'participant', 'watcher']),
      state: oneOf(['waiting', 'let-in', 'turned-away', 'put-out']),
      entry_code: text(60, { allowNull: true }),
      inside: flag('inside'),
      knocked_at: instant('knocked_at', { allowNull: true }),
      left_at: instant('left_at', { allowNull: true }),
      may_present: flag('may_present'),
      may_share: flag('may_share'),
      word: text(200, { allowNull: true }),
      taken_for: idOf('people', { allowNull: true }),
      ticket: fixedCode(43, { allowNull: true }),
      ticket_until: instant('ticket_until', { allowNull: true }),
      browser: fixedCode(43, { allowNull: true }),
      network: code(60, { defaultValue: '' }),
      turn_over: flag('turn_over'),
    },
    {
      tableName: 'visitors',
      timestamps: false,
      indexes: [
        { name: 'by_ticket_age', fields: ['ticket_until'] },
        { name: 'one_each', fields: ['sitting_id', 'visitor_key'], unique: true },
        { name: 'by_inside', fields: ['sitting_id', 'inside'] },
      ],
    },
  );
