// A thousand timed posts within five minutes of school time, two server processes that are killed again and again, and a course site that fails one call in five.
import { statement } from '../scripts/processes.mjs';
import { withDemo } from './demo.mjs';
import { killAgainAndAgain, outboxSettings, pause, secondProcess } from './kills.mjs';
import { percentile } from './numbers.mjs';

const POSTS = 1000;
const SPREAD_SECONDS = 300;
const KILLS_EACH = 10;
/** Seconds after the last is due in which all must stand. */
const GRACE_SECONDS = 240;

/** Puts the posts on the books as the service does, evenly over the streams of all class periods; the first is due in `lead` seconds. */
async function plan(mariadb, lead) {
  const run = (sql) => statement(mariadb, sql);
  const [{ first }] = await run(
    `SELECT DATE_ADD(UTC_TIMESTAMP(), INTERVAL offset_seconds + ${lead} SECOND) AS first FROM bench.school_clock`,
  );
  const due = `DATE_ADD('${first.toISOString().slice(0, 19).replace('T', ' ')}', INTERVAL FLOOR(n.seq * ${SPREAD_SECONDS} / ${POSTS}) SECOND)`;
  const nth = `FROM seq_1_to_${POSTS} n JOIN (SELECT c.id, ROW_NUMBER() OVER (ORDER BY c.id) - 1 AS place, COUNT(*) OVER () AS many FROM bench.class_periods c) k ON k.place = n.seq % k.many`;
  await run(`INSERT INTO bench.posts (class_id, made_by, words, link_words, timing) SELECT k.id, (SELECT person_id FROM bench.class_staff s WHERE s.class_id = k.id AND s.as_what = 'host' LIMIT 1), JSON_QUOTE(CONCAT('Timed post ', n.seq, '.')), 'Join',
    JSON_OBJECT('kind', 'at', 'at', CONCAT(DATE_FORMAT(${due}, '%Y-%m-%dT%H:%i:%s'), 'Z')) ${nth.replace('seq_1', 'bench.seq_1')}`);
  await run(`INSERT INTO bench.post_places (post_id, class_id, link_id, kind, shape) SELECT p.id, p.class_id, (SELECT MIN(l.id) FROM bench.links l WHERE l.class_id = p.class_id AND l.state = 'live'), 'stream',
    '{"readers":"class","words":null,"title":"","section":null,"position":0,"inText":false,"newTab":true,"name":""}' FROM bench.posts p WHERE p.words LIKE '"Timed post %'`);
  await run(
    `INSERT INTO bench.outbox (kind, subject, payload, due_school, due_at) SELECT 'post', p.id, '{}', STR_TO_DATE(JSON_VALUE(p.timing, '$.at'), '%Y-%m-%dT%H:%i:%sZ'), UTC_TIMESTAMP() FROM bench.posts p WHERE p.words LIKE '"Timed post %'`,
  );
}

/** What stands, and how late each came, in seconds after its time. */
async function standing(mariadb) {
  const rows = await statement(
    mariadb,
    `SELECT p.id, COUNT(t.thing_key) AS times, MIN(t.shown_at) / 1000 - (UNIX_TIMESTAMP(CONVERT_TZ(STR_TO_DATE(JSON_VALUE(p.timing, '$.at'), '%Y-%m-%dT%H:%i:%sZ'), '+00:00', @@session.time_zone)) - (SELECT offset_seconds FROM bench.school_clock)) AS late
    FROM bench.posts p LEFT JOIN bench_standins.board_things t ON t.gone = 0 AND t.kind = 'post' AND JSON_VALUE(t.body, '$.html') LIKE CONCAT('%', JSON_UNQUOTE(p.words), '%') WHERE p.words LIKE '"Timed post %' GROUP BY p.id`,
  );
  return rows.map((r) => ({ times: Number(r.times), late: Number(r.late) }));
}

/** Runs it all; throws where a post stands twice or not at all. */
async function timedPosts(demo, mariadb) {
  const other = await secondProcess(demo);
  await fetch(`${demo.courseSite}/trouble`, {
    method: 'POST',
    body: new URLSearchParams({ kind: 'moody' }),
    redirect: 'manual',
  });
  await plan(mariadb, 10);
  const { kills, last } = await killAgainAndAgain(demo, other, {
    seconds: SPREAD_SECONDS,
    times: KILLS_EACH,
  });
  const deadline = Date.now() + GRACE_SECONDS * 1000;
  let rows = await standing(mariadb);
  while (rows.some((r) => r.times === 0) && Date.now() < deadline) {
    await pause(500);
    rows = await standing(mariadb);
  }
  const [{ calls, made }] = await statement(
    mariadb,
    `SELECT COUNT(*) AS calls, SUM(made) AS made FROM bench_standins.board_calls WHERE what = 'put' AND item_key IN (SELECT CONCAT('glen-', pl.id) FROM bench.placements pl JOIN bench.posts p ON p.id = pl.post_id WHERE p.words LIKE '"Timed post %')`,
  );
  await last.stop();
  const late = rows.map((r) => Math.max(0, r.late));
  return {
    posts: rows.length,
    once: rows.filter((r) => r.times === 1).length,
    lost: rows.filter((r) => r.times === 0).length,
    kills,
    calls: Number(calls),
    made: Number(made),
    median: percentile(late, 0.5),
    worst: Math.max(...late),
  };
}

const wordsOf = ({ median, once, posts: all, lost, calls, kills }) =>
  `s late at worst, ${median.toFixed(1)} s median; ${once} of ${all} stand exactly once, ${lost} lost, ${calls} calls, ${kills} kills`;

/** Seconds by which the latest of a thousand timed posts is late, with processes killed and the site failing; beside it the lease after which another takes a dead process's work over. */
export const posts = () =>
  withDemo(async (demo, mariadb) => {
    const { lease, tries } = outboxSettings();
    const found = await timedPosts(demo, mariadb);
    const ok = found.once === POSTS && found.lost === 0 && found.made === POSTS;
    return {
      value: found.worst,
      unit: wordsOf(found),
      reference: lease,
      target: 'each stands exactly once, none lost',
      ok,
      beside: `lease ${lease} s, ${tries} tries with pauses of 2, 4, 8 … s`,
    };
  });
