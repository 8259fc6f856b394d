import { Op, literal } from 'sequelize';
import type { Clock } from '../clock.js';
import type { Db } from '../db/connect.js';
import { idleSince } from '../http/idle.js';

/** So many rows at a time: whoever works meanwhile waits for none of them noticeably. */
export const STEP = 500;

const DAY_SECONDS = 86400;
const WAYS_BACK_DAYS = 60;

/** What is of no use any more after some days, by machine time. */
interface Leftover {
  table: string;
  /** Takes some away; gives how many. */
  takeSome: (db: Db, ago: (days: number) => string) => Promise<number>;
}

const olderThan = (instant: string) => ({ [Op.lt]: instant });

/** Requests outside are looked back at for a while; what has failed, longer. */
const JOBS: Leftover[] = [
  {
    table: 'outbox',
    takeSome: ({ models }, ago) =>
      models.OutboxJob.destroy({
        where: { state: 'done', due_at: olderThan(ago(7)) },
        limit: STEP,
      }),
  },
  {
    table: 'outbox',
    takeSome: ({ models }, ago) =>
      models.OutboxJob.destroy({
        where: { state: 'failed', due_at: olderThan(ago(90)) },
        limit: STEP,
      }),
  },
];

/** What is counted against somebody is of no account long before. */
const COUNTS: Leftover[] = [
  {
    table: 'door_line',
    takeSome: ({ models }, ago) =>
      models.InLine.destroy({ where: { seen_at: olderThan(ago(1)) }, limit: STEP }),
  },
  {
    table: 'failures',
    takeSome: ({ models }, ago) =>
      models.Failure.destroy({ where: { at: olderThan(ago(2)) }, limit: STEP }),
  },
  {
    table: 'slowed',
    takeSome: ({ models }, ago) =>
      models.Slowed.destroy({ where: { last_at: olderThan(ago(30)) }, limit: STEP }),
  },
];

/** Browsers keep what they are known by no longer than 400 days (RFC 6265bis, 5.5). */
const BROWSERS: Leftover[] = [
  {
    table: 'known_browsers',
    takeSome: ({ models }, ago) =>
      models.KnownBrowser.destroy({ where: { seen_at: olderThan(ago(400)) }, limit: STEP }),
  },
  {
    table: 'password_addresses',
    takeSome: ({ models }, ago) =>
      models.PasswordAddress.destroy({ where: { expires_at: olderThan(ago(30)) }, limit: STEP }),
  },
  {
    table: 'guest_addresses',
    takeSome: ({ models }, ago) =>
      models.GuestAddress.destroy({ where: { until_at: olderThan(ago(30)) }, limit: STEP }),
  },
];

const STANDING = literal("(SELECT p.id FROM placements p WHERE p.wish <> 'gone')");

/** Of no row of another table, or of none of some. */
const orOfNone = (ids: ReturnType<typeof literal>) => ({
  [Op.or]: [{ [Op.is]: null }, { [Op.notIn]: ids }],
});

/** What has been told or answered, and is asked for again only soon after. */
const TOLD: Leftover[] = [
  {
    table: 'letters',
    takeSome: ({ models }, ago) =>
      models.Letter.destroy({
        // As long as a post by mail stands, whom it was written to is known: nobody gets it twice.
        where: { made_at: olderThan(ago(60)), placement_id: orOfNone(STANDING) },
        limit: STEP,
      }),
  },
  {
    table: 'reminded',
    takeSome: ({ models }, ago) =>
      models.Reminded.destroy({ where: { start_at: olderThan(ago(30)) }, limit: STEP }),
  },
  {
    // Of the year before, at the least.
    table: 'told_dates',
    takeSome: ({ models }, ago) =>
      models.ToldDate.destroy({
        where: { key_date: { [Op.lt]: ago(400).slice(0, 10) } },
        limit: STEP,
      }),
  },
  {
    table: 'changes',
    takeSome: ({ models }, ago) =>
      models.Change.destroy({ where: { at: olderThan(ago(1)) }, limit: STEP }),
  },
  {
    table: 'presses',
    takeSome: ({ models }, ago) =>
      models.Press.destroy({ where: { made_at: olderThan(ago(1)) }, limit: STEP }),
  },
  {
    table: 'webhooks_seen',
    takeSome: ({ models }, ago) =>
      models.WebhookSeen.destroy({ where: { at: olderThan(ago(2)) }, limit: STEP }),
  },
  {
    table: 'visitors',
    takeSome: async ({ models }, ago) => {
      const [changed] = await models.Visitor.update(
        { ticket: null, ticket_until: null },
        { where: { ticket_until: olderThan(ago(0)) }, limit: STEP },
      );
      return changed;
    },
  },
];

/** Browsers that nobody is signed in with any more. */
const sessions = (clock: Clock): Leftover => ({
  table: 'browser_sessions',
  takeSome: ({ models }, ago) =>
    models.BrowserSession.destroy({
      where: {
        [Op.or]: [{ expires_at: olderThan(ago(0)) }, { seen_at: olderThan(idleSince(clock)) }],
      },
      limit: STEP,
    }),
});

/** What takes a change back may hold words and codes of then: of use for some weeks of school time. */
const lately = (clock: Clock): Leftover => ({
  table: 'lately',
  takeSome: ({ models }) =>
    models.Lately.destroy({
      where: { at: olderThan(clock.school(-WAYS_BACK_DAYS * DAY_SECONDS)) },
      limit: STEP,
    }),
});

/** What happened is kept for as long as the school says. */
const audit = (days: number): Leftover => ({
  table: 'audit_log',
  takeSome: ({ models }, ago) =>
    models.AuditEntry.destroy({ where: { at: olderThan(ago(days)) }, limit: STEP }),
});

interface Keeping {
  db: Db;
  clock: Clock;
  auditDays: number;
}

/** Everything that is of no use any more, each to be taken away some at a time; gives how many went. */
export const leftovers = ({ db, clock, auditDays }: Keeping) => {
  const ago = (days: number): string => clock.machine(-days * DAY_SECONDS);
  return [
    ...JOBS,
    ...COUNTS,
    ...BROWSERS,
    ...TOLD,
    sessions(clock),
    lately(clock),
    audit(auditDays),
  ].map(({ table, takeSome }) => ({ table, takeSome: () => takeSome(db, ago) }));
};
