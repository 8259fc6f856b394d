import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startDemo, startMariadb } from '../scripts/processes.mjs';

/** A demo on a throwaway database, for as long as `work` needs it. */
export async function withDemo(work) {
  const dir = mkdtempSync(join(tmpdir(), 'glen-bench-'));
  const mariadb = await startMariadb(dir, { throwaway: true });
  const demo = await startDemo({ mariadb, database: 'bench', at: '2026-10-14T10:31' });
  try {
    return await work(demo, mariadb);
  } finally {
    await demo.stop();
    await mariadb.stop();
    rmSync(dir, { recursive: true, force: true });
  }
}

/** Signs somebody of the demo school in; gives the cookie that says so. */
export async function signIn(url, name) {
  const { people } = await (await fetch(`${url}/api/demo/people`)).json();
  const account = people.find((p) => p.name === name).accounts.find((a) => a.kind === 'school');
  const answer = await fetch(`${url}/api/demo/sign-in`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', Origin: url },
    body: JSON.stringify({ accountId: account.id }),
  });
  return answer.headers.getSetCookie()[0].split(';')[0];
}
