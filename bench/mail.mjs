// 2,000 reminders due within five minutes, two server processes that are killed again and again, and a mail service that refuses every fifth letter for now and breaks every third connection off.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from '../scripts/build.mjs';
import { statement } from '../scripts/processes.mjs';
import { fillSchool } from './bigSchool.mjs';
import { withDemo } from './demo.mjs';
import { killAgainAndAgain, outboxSettings, pause, secondProcess } from './kills.mjs';
import { percentile } from './numbers.mjs';

const SESSIONS = 80;
const ON_A_ROLL = 25;
const LETTERS = SESSIONS * ON_A_ROLL;
/** As many people as keep each on one roll alone, with their teachers. */
const PEOPLE = LETTERS + 100;
const SPREAD_SECONDS = 300;
const KILLS_EACH = 10;
/** Seconds after the last is due in which all must have come. */
const GRACE_SECONDS = 300;
const CROWD = 1_000_000;

/** How long before a session people are reminded, as the server has it. */
function beforeMinutes() {
  const source = readFileSync(join(root, 'apps/server/src/features/mail/remind.ts'), 'utf8');
  return Number(/BEFORE_MINUTES = (\d+)/.exec(source)[1]);
}

/** Puts a session of each class period on the books so that its reminders are due one after another, the first in `lead` seconds. */
async function plan(run, lead) {
  const due = `DATE_ADD(UTC_TIMESTAMP(), INTERVAL (SELECT offset_seconds FROM bench.school_clock) + ${lead} + FLOOR(k.seq * ${SPREAD_SECONDS} / ${SESSIONS}) SECOND)`;
  const start = `DATE_ADD(${due}, INTERVAL ${beforeMinutes()} MINUTE)`;
  await run(
    `UPDATE bench.people SET told = '{"reminders":"mail"}' WHERE id IN (SELECT person_id FROM bench.roll WHERE class_id > ${CROWD})`,
  );
  await run(
    `INSERT INTO bench.occurrences (series_id, class_id, link_id, key_date, local_date, local_time, minutes, start_at, end_at, status, title, description)
      SELECT l.id, l.class_id, l.id, '2026-10-14', '2026-10-14', '11:40', 45, ${start}, DATE_ADD(${start}, INTERVAL 45 MINUTE), 'planned', 'Crowd lesson', ''
      FROM bench.links l JOIN bench.seq_1_to_${SESSIONS} k ON l.id = ${CROWD} + k.seq`,
  );
}

/** What has come, to whom, and how many seconds after it was due. */
async function arrived(run) {
  const rows = await run(
    `SELECT m.box, COUNT(*) AS times, MIN(UNIX_TIMESTAMP(m.at)) - (UNIX_TIMESTAMP(CONVERT_TZ(MIN(o.start_at), '+00:00', @@session.time_zone)) - ${beforeMinutes() * 60} - (SELECT offset_seconds FROM bench.school_clock)) AS late
      FROM bench_standins.mails m JOIN bench.accounts a ON a.email = m.box JOIN bench.roll r ON r.person_id = a.person_id AND r.class_id > ${CROWD}
      JOIN bench.occurrences o ON o.class_id = r.class_id AND o.key_date = '2026-10-14' GROUP BY m.box`,
  );
  return rows.map((row) => ({ times: Number(row.times), late: Math.max(0, Number(row.late)) }));
}

async function remindAll(demo, mariadb) {
  const run = (sql) => statement(mariadb, sql);
  await fillSchool((sql) => statement(mariadb, sql, 'bench'), {
    people: PEOPLE,
    classes: SESSIONS,
    dates: 1,
  });
  await fetch(`${demo.mail}/trouble`, {
    method: 'POST',
    body: new URLSearchParams({ kind: 'moody' }),
    redirect: 'manual',
  });
  const other = await secondProcess(demo);
  await plan(run, 10);
  const { kills, last } = await killAgainAndAgain(demo, other, {
    seconds: SPREAD_SECONDS,
    times: KILLS_EACH,
  });
  const deadline = Date.now() + GRACE_SECONDS * 1000;
  let rows = await arrived(run);
  while (rows.length < LETTERS && Date.now() < deadline) {
    await pause(1000);
    rows = await arrived(run);
  }
  await last.stop();
  const late = rows.map((row) => row.late);
  return {
    came: rows.length,
    repeats: rows.reduce((sum, row) => sum + row.times - 1, 0),
    kills,
    median: percentile(late, 0.5),
    worst: Math.max(...late),
  };
}

/** Seconds by which the latest of 2,000 reminders is late; beside it the lease after which another takes a dead process's work over. */
export const mail = () =>
  withDemo(async (demo, mariadb) => {
    const { lease, tries } = outboxSettings();
    const { came, repeats, kills, median, worst } = await remindAll(demo, mariadb);
    return {
      value: worst,
      unit: `s late at worst, ${median.toFixed(1)} s median; ${came} of ${LETTERS} came, ${repeats} repeated, ${kills} kills`,
      reference: lease,
      target: 'none lost, at most one repeat a kill',
      ok: came === LETTERS && repeats <= kills,
      beside: `lease ${lease} s, ${tries} tries with pauses of 2, 4, 8 … s`,
    };
  });
