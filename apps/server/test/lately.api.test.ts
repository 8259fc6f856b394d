import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Answer } from '@glen/contract';
import { startSchool, type Browser, type School } from './support.js';

let school: School;
let host: Browser;
beforeAll(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
});
afterAll(() => school.stop());

const call = { endpoint: 'takeBackChange', body: { touched: [{ seriesId: 1, version: 2 }] } };
const note = (browser: Browser, what: string, calls: object[] = [call]) =>
  browser.post('/api/lately', { what, calls });
const changesOf = async (browser: Browser) =>
  ((await browser.get('/api/lately')).body as Answer<'lately'>).changes;

describe('my last changes', () => {
  it('are kept with what takes each back, the newest first, until they are taken back', async () => {
    const first = await note(host, 'Moved: Tides, to Fri 16 Oct');
    await note(host, 'Cancelled: Tides, Mon 19 Oct');
    expect(await changesOf(host)).toMatchObject([
      { what: 'Cancelled: Tides, Mon 19 Oct', calls: [call], takenBack: false },
      { what: 'Moved: Tides, to Fri 16 Oct', calls: [call], takenBack: false },
    ]);
    const mark = () => host.post(`/api/lately/${first.body.id}/taken-back`, {});
    expect([(await mark()).status, (await mark()).status]).toEqual([200, 200]);
    expect((await changesOf(host)).map((c) => c.takenBack)).toEqual([false, true]);
  });
  it('are nobody else’s to read or to mark', async () => {
    const other = await school.as('Tomas Verhage');
    const mine = await note(host, 'Retitled: Quiz');
    expect((await changesOf(other)).map((c) => c.what)).not.toContain('Retitled: Quiz');
    expect((await other.post(`/api/lately/${mine.body.id}/taken-back`, {})).status).toBe(404);
  });
  it('are the last fifty', async () => {
    const other = await school.as('Tomas Verhage');
    for (let i = 1; i <= 53; i++) await note(other, `Change ${i}`);
    const changes = await changesOf(other);
    expect([changes.length, changes[0]!.what, changes.at(-1)!.what]).toEqual([
      50,
      'Change 53',
      'Change 4',
    ]);
  });
  it('take only ways back that there are, and no more than is kept', async () => {
    const pathOf = async (calls: object[]) =>
      (await note(host, 'x', calls)).body.errors?.[0]?.path as string;
    expect(await pathOf([{ endpoint: 'removeAccount' }])).toBe('calls.0.endpoint');
    expect(await pathOf([{ ...call, body: { words: 'x'.repeat(70_000) } }])).toBe('calls');
    expect(await pathOf([])).toBe('calls');
  });
});
