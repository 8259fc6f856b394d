import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { root } from '../scripts/build.mjs';
import { freePort, startDemo, startMariadb, startNode, statement } from '../scripts/processes.mjs';
import { fillSchool } from './bigSchool.mjs';
import { startBalancer } from './balancer.mjs';
import { takeInGuests } from './crowd.mjs';
import { percentile } from './numbers.mjs';

const PEOPLE = 1000;
const DOORS = 20;
const WITHIN_MS = 60_000;
/** When in it the first process is killed, when it is there again, and when the database restarts. */
const KILLED_AT_MS = 20_000;
const BACK_AT_MS = 25_000;
const DATABASE_AT_MS = 35_000;
const DATABASE_AWAY_MS = 3_000;
/** Whoever is not in by then is lost. */
const PATIENCE_MS = 180_000;

const pause = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

/** What Glen answered that it should not have, and how often it said that it could not just then. */
class Answers {
  wrong = [];
  away = 0;
  broken = 0;

  note(path, response) {
    if (response.status < 500) return;
    if (response.status === 503 && response.headers.get('retry-after')) this.away += 1;
    else this.wrong.push(`${response.status} at ${path}`);
  }
}

/** Hears a stream to its end, whatever it says, and where it breaks comes again, as a page does. */
async function stay(first, hear, signal) {
  for (let stream = first; !signal.aborted;) {
    try {
      const reader = stream.body.getReader();
      while (!(await reader.read()).done);
    } catch {
      // Broken off, or left.
    }
    await pause(1000);
    if (!signal.aborted) stream = await hear().catch(() => stream);
  }
}

/** A browser that asks again where no answer came, as Glen's pages do. */
class Visitor {
  cookie = '';
  constructor(origin, answers) {
    Object.assign(this, { origin, answers });
  }

  async once(path, method, body, key) {
    const { origin } = this;
    const response = await fetch(origin + path, {
      method,
      headers: {
        Origin: origin,
        'Content-Type': 'application/json',
        ...(this.cookie ? { Cookie: this.cookie } : {}),
        ...(key ? { 'Idempotency-Key': key } : {}),
      },
      ...(body ? { body: JSON.stringify(body) } : {}),
    });
    this.answers.note(path, response);
    const set = response.headers.getSetCookie()[0];
    if (set) this.cookie = set.split(';')[0];
    return { status: response.status, body: await response.json() };
  }

  /** Asks until it is answered; a press keeps its key. */
  async ask(path, method = 'GET', body = undefined) {
    const key = method === 'GET' ? undefined : randomUUID();
    for (;;) {
      try {
        const answer = await this.once(path, method, body, key);
        if (answer.status !== 503) return answer;
      } catch {
        this.answers.broken += 1;
      }
      await pause(300 + Math.random() * 500);
    }
  }

  post(path, body = {}) {
    return this.ask(path, 'POST', body);
  }

  /** Takes a way in to a room and stays there; false where the room does not take it. */
  async goIn(go) {
    try {
      const taken = await fetch(go, { redirect: 'manual' });
      if (taken.status !== 303) return false;
      const cookie = taken.headers.getSetCookie()[0].split(';')[0];
      const stop = new AbortController();
      const hear = () =>
        fetch(`${go.split('?')[0]}/stream`, { headers: { Cookie: cookie }, signal: stop.signal });
      const stream = await hear();
      if (!stream.ok) return false;
      this.leave = () => stop.abort();
      void stay(stream, hear, stop.signal);
      return true;
    } catch {
      return false;
    }
  }
}

/** A host: opens the door, goes in, and lets in whoever knocks, until it is over. */
async function host(visitor, linkId, isOver) {
  for (let isIn = false; !isIn && !isOver(); await pause(isIn ? 0 : 500)) {
    const { body } = await visitor.post(`/api/links/${linkId}/open`, { anyway: true });
    isIn = Boolean(body.go) && (await visitor.goIn(body.go));
  }
  while (!isOver()) {
    await visitor.post(`/api/links/${linkId}/let-all-in`);
    await pause(700);
  }
}

/** Somebody who comes at a moment of their own: knocks, waits, goes in. Gives how long that took; nothing where they never got in. */
async function guest(visitor, code, isOver) {
  await pause(Math.random() * WITHIN_MS);
  const begun = performance.now();
  const path = `/api/door/${code}`;
  while (!isOver()) {
    const { body } = await visitor.post(`${path}/enter`);
    if (body.go && (await visitor.goIn(body.go))) return performance.now() - begun;
    for (let outcome = 'lobby'; outcome !== 'enter' && !isOver();) {
      await pause(1000);
      outcome = (await visitor.ask(path)).body.decision?.outcome;
      // Turned to by a door that was not open yet, or has lost them: they knock again.
      if (outcome === 'lobby' && !(await visitor.ask(path)).body.knocked) break;
    }
  }
  return undefined;
}

const runAt = (mariadb) => (sql) => statement(mariadb, sql, 'bench');

/** A school with twenty doors at which lessons have just begun, and people who may come to them. */
async function prepare(mariadb, prefix) {
  const run = runAt(mariadb);
  const accountIds = await takeInGuests(run, { prefix, count: PEOPLE });
  const links = await run(
    `SELECT l.id, l.code, a.id AS account_id FROM links l JOIN link_people lp ON lp.link_id = l.id AND lp.as_what = 'host'
     JOIN accounts a ON a.person_id = lp.person_id WHERE l.id > 1000000 ORDER BY l.id LIMIT ${DOORS}`,
  );
  return { run, accountIds, links: links.map((l) => ({ ...l, account_id: Number(l.account_id) })) };
}

/** Codes as links have them, whoever may be sent to them; and those who host are teachers. */
const DOORS_FOR_ALL = [
  `UPDATE link_codes SET code = CONCAT('heron-', LPAD(link_id, 11, '0')) WHERE link_id > 1000000`,
  `UPDATE links SET code = CONCAT('heron-', LPAD(id, 11, '0')),
     rules = '{"whoMayEnter":"signed-in","straightIn":"hosts","capacity":500}' WHERE id > 1000000`,
  `INSERT IGNORE INTO person_roles (person_id, role) SELECT person_id, 'teacher' FROM class_staff WHERE class_id > 1000000`,
];

/** What stands in the database afterwards. */
async function counted(run, prefix) {
  const of = `FROM visitors v JOIN people p ON p.id = v.person_id WHERE p.name LIKE '${prefix} %'`;
  const one = async (sql) => Number((await run(sql))[0].n);
  return {
    inside: await one(`SELECT COUNT(DISTINCT v.person_id) AS n ${of} AND v.inside = 1`),
    places: await one(
      `SELECT COUNT(*) AS n FROM (SELECT v.person_id ${of} GROUP BY v.person_id HAVING COUNT(*) > 1) t`,
    ),
    visits: await one(
      `SELECT COUNT(*) AS n FROM (SELECT x.visitor_id FROM visits x WHERE x.left_at IS NULL GROUP BY x.visitor_id HAVING COUNT(*) > 1) t`,
    ),
    sittings: await one(
      `SELECT COUNT(*) AS n FROM (SELECT m.link_id FROM sittings m JOIN occurrences o ON o.id = m.occurrence_id WHERE m.link_id > 1000000 AND m.ended_at IS NULL GROUP BY m.link_id, o.local_date HAVING COUNT(*) > 1) t`,
    ),
  };
}

/** Waits for what the rooms still have to tell. */
async function settled(run, prefix) {
  for (let i = 0; i < 60; i++) {
    const now = await counted(run, prefix);
    if (now.inside === PEOPLE) return now;
    await pause(1000);
  }
  return counted(run, prefix);
}

/** Seconds since the database was started. */
async function uptime(run) {
  const [{ Value: seconds }] = await run(`SHOW GLOBAL STATUS LIKE 'Uptime'`);
  return Number(seconds);
}

/** Waits until the rooms have told that everybody has left. */
async function allGone(run) {
  for (let i = 0; i < 120; i++) {
    const [{ n }] = await run('SELECT COUNT(*) AS n FROM visitors WHERE inside = 1');
    if (Number(n) === 0) return;
    await pause(1000);
  }
}

/** One meeting of all: with faults, or without. */
async function meeting({ mariadb, demo, date, faults, prefix }) {
  const answers = new Answers();
  const origin = demo.publicUrl;
  const { run, accountIds, links } = await prepare(mariadb, prefix);
  const clerk = new Visitor(origin, answers);
  await clerk.post('/api/demo/clock', { date, time: '09:02' });
  const signedIn = async (accountId) => {
    const visitor = new Visitor(origin, answers);
    await visitor.post('/api/demo/sign-in', { accountId });
    return visitor;
  };
  const hosts = [];
  for (const { account_id: id } of links) hosts.push(await signedIn(id));
  const guests = [];
  for (const id of accountIds) guests.push(await signedIn(id));

  let over = false;
  const isOver = () => over;
  const deadline = setTimeout(() => {
    over = true;
  }, PATIENCE_MS);
  const hosting = hosts.map((visitor, i) => host(visitor, links[i].id, isOver));
  const trouble = faults ? faults() : Promise.resolve();
  const took = await Promise.all(
    guests.map((visitor, i) => guest(visitor, links[i % DOORS].code, isOver)),
  );
  if (process.env.GLEN_TELL)
    console.error(
      'took',
      took.filter((x) => x !== undefined).length,
      answers.away,
      answers.broken,
      answers.wrong.slice(0, 5),
    );
  const stood = await settled(run, prefix);
  over = true;
  clearTimeout(deadline);
  await Promise.all([...hosting, trouble]);
  for (const visitor of [...hosts, ...guests]) visitor.leave?.();
  await allGone(run);
  const times = took.filter((ms) => ms !== undefined);
  return { times, stood, answers };
}

/** Another process of Glen beside the demo's, on the same database and behind the same address. */
const another = (demo, port) =>
  startNode(
    join(root, 'apps/server/dist/demo.js'),
    { ...demo.server, GLEN_PORT: String(port) },
    'Glen is ready',
    { quiet: true },
  );

const wrongIn = ({ stood, answers }) => ({
  lost: PEOPLE - stood.inside,
  doubled: stood.places + stood.visits + stood.sittings,
  wrong: answers.wrong.length,
});

/**
 * 1,000 people come to 20 doors within a minute and are let in by their hosts, through two processes behind one
 * address, of which one is killed and comes back, and whose database restarts. Beside it the same without faults. Nobody is lost, nothing is doubled, and no
 * answer is of 5xx but 503 that says when to ask again.
 */
export async function storm() {
  const dir = mkdtempSync(join(tmpdir(), 'glen-storm-'));
  let mariadb = await startMariadb(dir);
  const demo = await startDemo({ mariadb, database: 'bench', at: '2026-10-14T10:31', quiet: true });
  // Both stand behind the address that people type: the demo's own process goes to another port.
  const [ownPort, otherPort] = [await freePort(), await freePort()];
  const there = { GLEN_PORT: String(ownPort) };
  await demo.restartServer('SIGTERM', there);
  const other = another(demo, otherPort);
  await other.started;
  const balancer = await startBalancer(Number(new URL(demo.publicUrl).port), [ownPort, otherPort]);
  try {
    await fillSchool((sql) => statement(mariadb, sql, 'bench'), {
      people: 200,
      classes: DOORS,
      dates: 90,
    });
    for (const sql of DOORS_FOR_ALL) await statement(mariadb, sql, 'bench');
    const calm = await meeting({ mariadb, demo, date: '2026-10-14', prefix: 'Calm' });
    const faults = async () => {
      await pause(KILLED_AT_MS);
      await demo.stopServer('SIGKILL');
      await pause(BACK_AT_MS - KILLED_AT_MS);
      await demo.restartServer('SIGKILL', there);
      await pause(DATABASE_AT_MS - BACK_AT_MS);
      const { port } = mariadb;
      await mariadb.stop();
      await pause(DATABASE_AWAY_MS);
      mariadb = await startMariadb(dir, { port });
    };
    const stormy = await meeting({ mariadb, demo, date: '2026-10-15', faults, prefix: 'Storm' });
    const isRestarted = (await uptime(runAt(mariadb))) < (WITHIN_MS + PATIENCE_MS) / 1000;
    if (!isRestarted) throw new Error('The database has not restarted.');
    const { lost, doubled, wrong } = wrongIn(stormy);
    if (wrong > 0) console.error([...new Set(stormy.answers.wrong)].join('\n'));
    return {
      value: percentile(stormy.times, 0.95) / 1000,
      unit: 's',
      reference: percentile(calm.times, 0.95) / 1000,
      target: 'none lost, none doubled, no 5xx but 503 with Retry-After',
      ok: [...Object.values(wrongIn(stormy)), ...Object.values(wrongIn(calm))].every(
        (n) => n === 0,
      ),
      beside: `${PEOPLE - lost} of ${PEOPLE} in, ${doubled} doubled, ${wrong} wrong answers, ${stormy.answers.away} of 503, ${stormy.answers.broken} broken off`,
    };
  } finally {
    await balancer.stop();
    await other.stop();
    await demo.stop();
    await mariadb.stop();
    rmSync(dir, { recursive: true, force: true });
  }
}
