// Two hundred who want one of six slots at the same moment, by two processes of Glen that are killed meanwhile.
import { randomUUID } from 'node:crypto';
import { freePort, statement } from '../scripts/processes.mjs';
import { takeInGuests } from './crowd.mjs';
import { withDemo } from './demo.mjs';
import { pause, secondProcess } from './kills.mjs';
import { percentile } from './numbers.mjs';

const PEOPLE = 200;
const SLOTS = 6;
/** 60 minutes of the demo's clinic in six. */
const MINUTES = 10;
const KILLS = 3;

/** Puts people on the clinic's roll, with school accounts; gives their accounts, and where they sign up. */
async function prepare(run) {
  const accountIds = await takeInGuests(run, { prefix: 'Keen', count: PEOPLE });
  await run(
    `UPDATE accounts a JOIN people p ON p.id = a.person_id SET a.kind = 'school' WHERE p.name LIKE 'Keen %'`,
  );
  await run(
    `UPDATE person_roles r JOIN people p ON p.id = r.person_id SET r.role = 'student' WHERE p.name LIKE 'Keen %'`,
  );
  const [clinic] = await run(
    `SELECT c.id AS class_id, l.id AS link_id, l.code, s.id AS series_id FROM class_periods c JOIN links l ON l.class_id = c.id
     JOIN series s ON s.link_id = l.id WHERE c.ref = 'clinic'`,
  );
  const { class_id: classId, link_id: linkId, series_id: seriesId } = clinic;
  const keen = `FROM people WHERE name LIKE 'Keen %'`;
  await run(`INSERT INTO roll (class_id, person_id) SELECT ${classId}, id ${keen}`);
  await run(
    `INSERT INTO link_people (link_id, person_id, as_what) SELECT ${linkId}, id, 'member' ${keen}`,
  );
  await run(`DELETE FROM sign_ups`);
  await run(`UPDATE slot_ways SET minutes = ${MINUTES} WHERE series_id = ${seriesId}`);
  return { accountIds, code: clinic.code, seriesId };
}

/** A browser at one of the processes, which asks again where no answer came; a press keeps its key. */
class Browser {
  cookie = '';
  constructor(at, origin) {
    Object.assign(this, { at, origin });
  }

  async ask(path, body) {
    const key = randomUUID();
    for (;;) {
      try {
        const response = await fetch(this.at() + path, {
          method: body ? 'POST' : 'GET',
          headers: {
            Origin: this.origin,
            'Content-Type': 'application/json',
            ...(this.cookie ? { Cookie: this.cookie } : {}),
            ...(body ? { 'Idempotency-Key': key } : {}),
          },
          ...(body ? { body: JSON.stringify(body) } : {}),
        });
        const set = response.headers.getSetCookie()[0];
        if (set) this.cookie = set.split(';')[0];
        if (response.status !== 503)
          return { status: response.status, body: await response.json() };
      } catch {
        // Killed meanwhile.
      }
      await pause(100 + Math.random() * 300);
    }
  }
}

/** Wants any slot of a day until they have one, or all are taken; gives what they were told, and how long it took. */
async function want(browser, { code, seriesId }, on) {
  const begun = performance.now();
  const path = `/api/sign-up/${code}`;
  let left = Array.from({ length: SLOTS }, (_, nth) => nth);
  while (left.length > 0) {
    const nth = left[Math.floor(Math.random() * left.length)];
    const { status, body } = await browser.ask(path, { seriesId, on, nth });
    if (status === 200) return { told: nth, ms: performance.now() - begun };
    if (status !== 409) throw new Error(`${status} ${JSON.stringify(body)}`);
    // Whether a press that was cut off is done, is to be looked at.
    const { sessions } = body.current ?? (await browser.ask(path)).body;
    const now = sessions.find((session) => session.on === on);
    const mine = now.slots.find(({ state }) => state === 'mine');
    if (mine) return { told: mine.nth, ms: performance.now() - begun };
    left = now.slots.filter(({ state }) => state === 'free').map((slot) => slot.nth);
  }
  return { told: null, ms: performance.now() - begun };
}

/** All at once; how many were told what is not so, and how the database stands. */
async function race(run, browsers, { where, on, trouble }) {
  const [found] = await Promise.all([
    Promise.all(browsers.map((browser) => want(browser, where, on))),
    trouble(),
  ]);
  const held = await run(
    `SELECT s.nth, p.name FROM sign_ups s JOIN people p ON p.id = s.person_id WHERE s.key_date = '${on}' AND s.nth IS NOT NULL`,
  );
  const byName = new Map(held.map(({ nth, name }) => [name, Number(nth)]));
  const lies = found.filter(({ told }, i) => (byName.get(`Keen ${i}`) ?? null) !== told).length;
  return {
    lies,
    taken: new Set(held.map(({ nth }) => nth)).size,
    rows: held.length,
    worst: percentile(
      found.map(({ ms }) => ms),
      0.95,
    ),
  };
}

/** Seconds in which 19 of 20 know whether they have a slot, while both processes are killed in turn; beside it the same in peace. */
export const slots = () =>
  withDemo(async (demo, mariadb) => {
    const run = (sql) => statement(mariadb, sql, 'bench');
    const where = await prepare(run);
    const port = await freePort();
    let other = await secondProcess(demo, port);
    const origins = [() => demo.publicUrl, () => `http://127.0.0.1:${port}`];
    const browsers = [];
    for (const [i, accountId] of where.accountIds.entries()) {
      const browser = new Browser(origins[i % 2], demo.publicUrl);
      await browser.ask('/api/demo/sign-in', { accountId });
      browsers.push(browser);
    }
    const calm = await race(run, browsers, { where, on: '2026-10-21', trouble: () => pause(0) });
    const trouble = async () => {
      for (let i = 0; i < KILLS; i++) {
        await pause(400);
        await demo.restartServer('SIGKILL');
        await pause(400);
        await other.stop('SIGKILL');
        other = await secondProcess(demo, port);
      }
    };
    const stormy = await race(run, browsers, { where, on: '2026-10-28', trouble });
    await other.stop();
    const isRight = ({ lies, taken, rows }) => lies === 0 && taken === SLOTS && rows === SLOTS;
    return {
      value: stormy.worst / 1000,
      unit: 's',
      reference: calm.worst / 1000,
      target: `${SLOTS} taken, none doubled, each told the truth`,
      ok: isRight(stormy) && isRight(calm),
      beside: `${PEOPLE} for ${SLOTS}: ${stormy.taken} taken by ${stormy.rows}, ${stormy.lies} told what is not so, ${KILLS * 2} kills`,
    };
  });
