import { toSql } from '../apps/server/src/db/sqlTime.js';
import type { Glen } from '../apps/server/src/glen.js';

/** A link's former code went out of use two days before the demo's day. */
export const replacedTwoDaysAgo = (glen: Glen, linkId: number): Promise<number> =>
  glen.db.change(
    'UPDATE link_codes SET replaced_at = :at WHERE link_id = :linkId AND how IS NOT NULL',
    { linkId, at: toSql(glen.clock.school(-2 * 86400)) },
  );

/** A number of its own for each person at each session, the same at every loading. */
const LOT = `CAST(CRC32(CONCAT(m.occurrence_id, '-', p.id)) AS SIGNED)`;

/**
 * Who came to the sessions that are over: most of the roll, a few late, one or two not at all. Set down as the door and
 * the room would have, all at once; walking hundreds of people through their doors would keep a first start waiting.
 */
export async function loadHistory(glen: Glen): Promise<void> {
  const now = toSql(glen.clock.school());
  await glen.db.transaction(async () => {
    await glen.db.change(
      `INSERT INTO sittings (occurrence_id, link_id, opened_at, ended_at)
       SELECT id, link_id, start_at - INTERVAL 4 MINUTE, end_at FROM occurrences WHERE end_at <= :now AND status IN ('planned', 'moved') AND draft = 0`,
      { now },
    );
    const visitors = (
      role: string,
      onRoll: number,
      from: string,
      arrives: string,
    ): Promise<number> =>
      glen.db.change(
        `INSERT INTO visitors (sitting_id, visitor_key, account_id, person_id, name, account_kind, on_roll, role, state, knocked_at, left_at)
       SELECT m.id, CONCAT('a', a.id), a.id, p.id, p.name, 'school', ${onRoll}, '${role}', 'let-in', ${arrives}, o.end_at
       FROM sittings m JOIN occurrences o ON o.id = m.occurrence_id ${from} JOIN people p ON p.id = x.person_id JOIN accounts a ON a.person_id = p.id AND a.kind = 'school'`,
        {},
      );
    await visitors(
      'host',
      0,
      `JOIN class_staff x ON x.class_id = o.class_id AND x.as_what = 'host'`,
      'm.opened_at',
    );
    await visitors(
      'participant',
      1,
      'JOIN roll x ON x.class_id = o.class_id',
      `o.start_at + INTERVAL IF(${LOT} % 19 = 0, 420 + ${LOT} % 240, ${LOT} % 200 - 120) SECOND`,
    );
    await glen.db.change(
      `DELETE v FROM visitors v JOIN sittings m ON m.id = v.sitting_id JOIN people p ON p.id = v.person_id WHERE v.role = 'participant' AND ${LOT} % 14 = 1`,
      {},
    );
    await glen.db.change(
      'INSERT INTO visits (visitor_id, arrived_at, left_at) SELECT id, knocked_at, left_at FROM visitors',
      {},
    );
  });
}
