// The week's return of a school of 1,000 class periods: who came to every session; beside it one scan of that week's stays.
import { statement } from '../scripts/processes.mjs';
import { WHOLE, fillSchool } from './bigSchool.mjs';
import { signIn, withDemo } from './demo.mjs';
import { median } from './numbers.mjs';

const MOST_TIMES = 3;
const ROUNDS = 7;
const DATES = 60;
const WEEK = { from: '2026-10-05', until: '2026-10-11' };
/** Weeks around it have registers, too, so that the week is found among others. */
const WITH_REGISTERS = "o.local_date BETWEEN '2026-09-21' AND '2026-10-11'";
const CROWD = 'o.series_id > 1000000';

/** Who came to three weeks of the crowd's sessions: most were in, one in twelve was not; all of it settled. */
const STATEMENTS = [
  // Else the server would settle by itself what has no register here.
  `UPDATE occurrences o SET o.settled = 1 WHERE ${CROWD}`,
  `INSERT INTO sittings (occurrence_id, link_id, opened_at, ended_at) SELECT o.id, o.link_id, o.start_at, o.end_at FROM occurrences o WHERE ${CROWD} AND ${WITH_REGISTERS}`,
  `INSERT INTO visitors (sitting_id, visitor_key, person_id, name, account_kind, on_roll, role, state)
    SELECT m.id, CONCAT('p', r.person_id), r.person_id, 'Crowd', 'school', 1, 'participant', 'let-in'
    FROM occurrences o JOIN sittings m ON m.occurrence_id = o.id JOIN roll r ON r.class_id = o.class_id
    WHERE ${CROWD} AND ${WITH_REGISTERS} AND (r.person_id + o.id) % 12 > 0`,
  `INSERT INTO visits (visitor_id, arrived_at, left_at) SELECT v.id, o.start_at, o.end_at
    FROM occurrences o JOIN sittings m ON m.occurrence_id = o.id JOIN visitors v ON v.sitting_id = m.id WHERE ${CROWD} AND ${WITH_REGISTERS}`,
  `INSERT INTO registers (series_id, key_date, settled_at) SELECT o.series_id, o.key_date, o.end_at FROM occurrences o WHERE ${CROWD} AND ${WITH_REGISTERS}`,
  `INSERT INTO register_rows (series_id, key_date, person_id, status, stands, minutes)
    SELECT o.series_id, o.key_date, r.person_id, IF((r.person_id + o.id) % 12 > 0, 'present', 'absent'), IF((r.person_id + o.id) % 12 > 0, 'present', 'absent'), 45
    FROM occurrences o JOIN roll r ON r.class_id = o.class_id WHERE ${CROWD} AND ${WITH_REGISTERS}`,
  'ANALYZE TABLE occurrences, sittings, visitors, visits, registers, register_rows',
];

/** The stays of that week, found by its days and added up by session. */
const SCAN = `SELECT m.id, COUNT(*) AS stays, SUM(TIMESTAMPDIFF(SECOND, t.arrived_at, t.left_at)) AS seconds
  FROM occurrences o JOIN sittings m ON m.occurrence_id = o.id JOIN visitors v ON v.sitting_id = m.id JOIN visits t ON t.visitor_id = v.id
  WHERE o.local_date BETWEEN '${WEEK.from}' AND '${WEEK.until}' GROUP BY m.id`;

async function timed(work) {
  const started = performance.now();
  const told = await work();
  return { ms: performance.now() - started, told };
}

/** The whole school's week, page by page, as the head reads it; gives how many sessions. */
async function wholeWeek(url, cookie) {
  let [after, sessions] = ['', 0];
  do {
    const answer = await fetch(`${url}/api/registers?week=${WEEK.from}${after}`, {
      headers: { Cookie: cookie },
    });
    if (answer.status !== 200) throw new Error(`The week was answered with ${answer.status}.`);
    const { classes, more } = await answer.json();
    sessions += classes.reduce((sum, one) => sum + one.sessions.length, 0);
    after = more === null ? null : `&after=${more}`;
  } while (after !== null);
  return sessions;
}

/** Milliseconds for the week's return of all class periods; beside it one indexed scan of that week's stays. */
export const register = () =>
  withDemo(async (demo, mariadb) => {
    const run = (sql) => statement(mariadb, sql, 'bench');
    await fillSchool(run, { ...WHOLE, dates: DATES });
    for (const sql of STATEMENTS) await run(sql);
    const cookie = await signIn(demo.publicUrl, 'Noor Achterberg');
    const [returns, scans] = [[], []];
    let sessions = 0;
    for (let round = 0; round < ROUNDS; round++) {
      const scan = await timed(() => run(SCAN));
      const week = await timed(() => wholeWeek(demo.publicUrl, cookie));
      scans.push(scan.ms);
      returns.push(week.ms);
      sessions = week.told;
    }
    const [value, reference] = [median(returns), median(scans)];
    return {
      value,
      unit: `ms for ${sessions} sessions`,
      reference,
      target: `≤ ${MOST_TIMES} times one indexed scan of the week's stays`,
      ok: value <= MOST_TIMES * reference,
    };
  });
