import { afterAll, beforeAll, expect, it } from 'vitest';
import { crowd, takeInGuests } from '../../../bench/crowd.mjs';
import { startSchool, type School } from './support.js';

let school: School;
beforeAll(async () => {
  school = await startSchool();
});
afterAll(() => school.stop());

const COUNT = 300;

it('300 people at one door within some seconds, while the host lets all in: nobody lost, nobody doubled', async () => {
  const { link, id } = school.classes.get('N3')!;
  const host = await school.as('Ottoline Marsh');
  const { version } = (await host.get(`/api/classes/${id}/rules`)).body;
  await host.put(`/api/classes/${id}/rules`, {
    version,
    rules: { whoMayEnter: 'anyone', capacity: 1000, withoutHost: true },
  });
  await school.setTime('10:46');
  const account = school.people.find((p) => p.name === 'Ottoline Marsh')!.accounts[0]!;
  const signedIn = await fetch(`${school.url}/api/demo/sign-in`, {
    method: 'POST',
    headers: { Origin: school.url, 'Content-Type': 'application/json' },
    body: JSON.stringify({ accountId: account.id }),
  });
  const cookie = signedIn.headers.getSetCookie()[0]!.split(';')[0]!;
  const { delays, tickets } = await crowd({
    origin: school.url,
    cookie,
    link,
    accountIds: await takeInGuests((sql) => school.running.glen.db.rows(sql), {
      prefix: 'Guest',
      count: COUNT,
    }),
    withinMs: 8000,
    prefix: 'Guest',
  });
  expect(new Set(tickets).size).toBe(COUNT);
  expect(delays).toHaveLength(COUNT);
  const rows = await school.running.glen.db.rows<{ name: string; state: string }>(
    `SELECT v.name, v.state FROM visitors v JOIN sittings m ON m.id = v.sitting_id WHERE m.link_id = :id AND m.ended_at IS NULL AND v.name LIKE 'Guest %'`,
    { id: link.id },
  );
  expect(rows).toHaveLength(COUNT);
  expect(new Set(rows.map((r) => r.name)).size).toBe(COUNT);
  expect(rows.filter((r) => r.state !== 'let-in')).toEqual([]);
  expect((await host.get(`/api/links/${link.id}/desk`)).body.waiting).toEqual([]);
});
