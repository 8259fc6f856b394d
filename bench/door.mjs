import { join } from 'node:path';
import { root } from '../scripts/build.mjs';
import { freePort, startNode, statement } from '../scripts/processes.mjs';
import { signIn, withDemo } from './demo.mjs';
import { requestsPerSecond } from './load.mjs';
import { median } from './numbers.mjs';

const LEAST_SHARE = 0.6;
/** A whole server takes longer until its paths are compiled than a bare one; both get the same. */
const WARM_UP_SECONDS = 6;

/** Express with one indexed SELECT, over the demo's own database. */
async function startBareExpress(mariadb) {
  const port = await freePort();
  const settings = {
    BARE_DATABASE_PORT: String(mariadb.port),
    BARE_DATABASE: 'bench',
    BARE_PORT: String(port),
    NODE_ENV: 'production',
  };
  const bare = startNode(join(root, 'bench/bareExpress.mjs'), settings, 'Bare Express is ready');
  await bare.started;
  return { port, stop: () => bare.stop() };
}

/** Decisions a second at a door for a signed-in student; beside it bare Express with one indexed SELECT. */
export const door = () =>
  withDemo(async (demo, mariadb) => {
    const cookie = await signIn(demo.publicUrl, 'Ansel Grue');
    const [{ code }] = await statement(
      mariadb,
      "SELECT l.code FROM bench.links l JOIN bench.class_periods c ON c.id = l.class_id WHERE c.ref = 'nav-3'",
    );
    const bare = await startBareExpress(mariadb);
    const ours = { port: Number(new URL(demo.publicUrl).port), path: `/api/door/${code}`, cookie };
    const theirs = { port: bare.port, path: `/links/${code}` };
    for (const one of [ours, theirs]) await requestsPerSecond({ ...one, seconds: WARM_UP_SECONDS });
    const values = [];
    const references = [];
    for (let i = 0; i < 5; i++) {
      values.push(await requestsPerSecond(ours));
      references.push(await requestsPerSecond(theirs));
    }
    await bare.stop();
    const [value, reference] = [median(values), median(references)];
    return {
      value,
      unit: 'requests/s',
      reference,
      target: `≥ ${LEAST_SHARE} of the reference`,
      ok: value / reference >= LEAST_SHARE,
    };
  });
