import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Answer } from '@glen/contract';
import { Browser, startSchool, type School } from './support.js';

// What the log keeps of coming and going, and what it never tells.

let school: School;
let office: Browser;
beforeAll(async () => {
  school = await startSchool();
  office = await school.as('Perpetua Lund');
});
afterAll(() => school.stop());

type Entry = Answer<'happened'>['entries'][number];

const log = async (query: string): Promise<Entry[]> =>
  ((await office.get(`/api/happened?${query}`)).body as Answer<'happened'>).entries;
const lines = (entries: Entry[]): string[] =>
  entries.map(({ by, what, to }) => `${by?.name ?? 'Glen'} ${what} ${to}`);

describe('the log', () => {
  it('has sign-ins, failures counted, switches and sign-outs, for the office to filter', async () => {
    const browser = new Browser(school.url);
    const signIn = (password: string, email = 'o.marsh@merrow.example') =>
      browser.post('/api/sign-in', { email, password });
    for (let i = 0; i < 3; i++) await signIn('a slip');
    await signIn('fair-winds-2026');
    await signIn('fair-winds-2026', 'ottoline@home.example');
    const { accounts } = school.person('Ottoline Marsh');
    await browser.post('/api/switch-account', { accountId: accounts[0]!.id });
    await browser.post('/api/sign-out');
    const entries = await log('kind=signing-in');
    const own = 'Ottoline Marsh (o.marsh@merrow.example)';
    expect(lines(entries).slice(0, 5)).toEqual([
      `Ottoline Marsh signed out of ${own}`,
      `Ottoline Marsh changed to ${own}`,
      'Ottoline Marsh signed in to Ottoline Marsh (ottoline@home.example)',
      `Ottoline Marsh signed in to ${own}`,
      `Glen was refused a wrong password of ${own}`,
    ]);
    expect(entries[4]!.changes).toEqual([{ field: 'times', before: '', after: '3' }]);
  });

  it('counts refused webhooks, and tells of them where services are asked for', async () => {
    const event = { room: 'g1-1', type: 'ended' };
    for (let i = 0; i < 4; i++) await school.videoEvent(event, { secret: 'x'.repeat(40) });
    const [entry] = await log('kind=services');
    expect(lines([entry!])).toEqual(['Glen was refused as the video service']);
    expect(entry!.changes).toEqual([{ field: 'times', before: '', after: '4' }]);
    expect(lines(await log('')).join()).not.toContain('video service');
  });

  it('never holds an entry code, but tells that there is another', async () => {
    const host = await school.as('Ottoline Marsh');
    const { id } = school.classes.get('W2')!;
    const set = async (entryCode: string | null) => {
      const { version } = (await host.get(`/api/classes/${id}/rules`)).body;
      await host.put(`/api/classes/${id}/rules`, { version, rules: { entryCode } });
    };
    await set('Tide 42');
    await set('Foghorn "7"');
    const { db } = school.running.glen;
    const rows = await db.rows<{ said: string | null }>(
      "SELECT CONCAT_WS(' ', before_state, after_state) AS said FROM audit_log",
    );
    const all = rows.map((row) => row.said).join(' ');
    expect(all).not.toMatch(/Tide 42|Foghorn/);
    const [last] = await log('kind=classes');
    expect(last!.changes).toEqual([
      { field: 'entry code', before: 'set', after: 'set to another' },
    ]);
  });
});
