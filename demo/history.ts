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

/** A few come late; a few leave a quarter of an hour before the end; a few lose their line for some minutes. */
const ARRIVES = `o.start_at + INTERVAL IF(${LOT} % 19 = 0, 420 + ${LOT} % 240, ${LOT} % 200 - 120) SECOND`;
const LEAVES = `IF(${LOT} % 23 = 5, o.end_at - INTERVAL 900 + ${LOT} % 120 SECOND, o.end_at)`;
const LOSES_LINE = `${LOT} % 17 = 3`;
const GAP = { from: 'o.start_at + INTERVAL 1200 SECOND', to: 'o.start_at + INTERVAL 1560 SECOND' };

/** Places at a door that are over, with what belongs to them. */
const PLACES = `visitors v JOIN sittings m ON m.id = v.sitting_id JOIN occurrences o ON o.id = m.occurrence_id JOIN people p ON p.id = v.person_id`;

interface AtDoor {
  role: 'host' | 'participant';
  onRoll: 0 | 1;
  from: string;
  arrives: string;
  leaves: string;
}

/** Gives some people places at all doors that are over. */
const places = (glen: Glen, { role, onRoll, from, arrives, leaves }: AtDoor): Promise<number> =>
  glen.db.change(
    `INSERT INTO visitors (sitting_id, visitor_key, account_id, person_id, name, account_kind, on_roll, role, state, knocked_at, left_at)
     SELECT m.id, CONCAT('a', a.id), a.id, p.id, p.name, 'school', ${onRoll}, '${role}', 'let-in', ${arrives}, ${leaves}
     FROM sittings m JOIN occurrences o ON o.id = m.occurrence_id ${from} JOIN people p ON p.id = x.person_id JOIN accounts a ON a.person_id = p.id AND a.kind = 'school'`,
    {},
  );

/** Sets down that people came or left, and the stays that follow from it. */
async function comings(glen: Glen): Promise<void> {
  const told = (kind: 'came' | 'left', at: string, where = '1'): Promise<number> =>
    glen.db.change(
      `INSERT INTO room_words (sitting_id, visitor_id, at, kind) SELECT v.sitting_id, v.id, ${at}, '${kind}' FROM ${PLACES} WHERE ${where}`,
      {},
    );
  const stays = (from: string, to: string, where: string): Promise<number> =>
    glen.db.change(
      `INSERT INTO visits (visitor_id, arrived_at, left_at) SELECT v.id, ${from}, ${to} FROM ${PLACES} WHERE ${where}`,
      {},
    );
  const loses = `v.role = 'participant' AND ${LOSES_LINE}`;
  await told('came', 'v.knocked_at');
  await told('left', 'v.left_at');
  await told('left', GAP.from, loses);
  await told('came', GAP.to, loses);
  await stays('v.knocked_at', 'v.left_at', `NOT (${loses})`);
  await stays('v.knocked_at', GAP.from, loses);
  await stays(GAP.to, 'v.left_at', loses);
}

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
    await places(glen, {
      role: 'host',
      onRoll: 0,
      from: `JOIN class_staff x ON x.class_id = o.class_id AND x.as_what = 'host'`,
      arrives: 'm.opened_at',
      leaves: 'o.end_at',
    });
    await places(glen, {
      role: 'participant',
      onRoll: 1,
      from: 'JOIN roll x ON x.class_id = o.class_id',
      arrives: ARRIVES,
      leaves: LEAVES,
    });
    await glen.db.change(
      `DELETE v FROM visitors v JOIN sittings m ON m.id = v.sitting_id JOIN people p ON p.id = v.person_id WHERE v.role = 'participant' AND ${LOT} % 14 = 1`,
      {},
    );
    await comings(glen);
  });
}
