import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Answer, LinkDetail } from '@glen/contract';
import type { Browser } from './support.js';
import { startSchool, type School } from './support.js';

let school: School;
let host: Browser;
let linkId: number;
beforeAll(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
  linkId = school.classes.get('N3')!.link.id;
});
afterAll(() => school.stop());

const read = async (): Promise<LinkDetail> => (await host.get(`/api/links/${linkId}`)).body;
async function put(path: string, body: object): Promise<{ status: number; body: LinkDetail }> {
  const { version } = await read();
  return host.put(`/api/links/${linkId}/${path}`, { version, ...body });
}
const done = ({ lookedAt }: LinkDetail): string[] =>
  lookedAt!.checks.filter((c) => c.done).map((c) => c.key);

describe('what has been looked at in a room that a host gave', () => {
  it('is nothing where the room is the school’s', async () => {
    await put('room', { address: null });
    expect((await read()).lookedAt).toBeNull();
    expect((await put('room/looked-at', { ticked: ['code'] })).status).toBe(409);
  });

  it('is kept, asked again for another address, and there again when that is taken back', async () => {
    await put('room', { address: 'https://rooms.example/deck' });
    await put('room/looked-at', { ticked: ['code', 'time'], powers: ' Ottoline ' });
    expect(done(await read())).toEqual(['code', 'time']);
    expect((await read()).lookedAt!.powers).toBe('Ottoline');
    await put('room', { address: 'https://rooms.example/hold' });
    expect(done(await read())).toEqual([]);
    await put('room', { address: 'https://rooms.example/deck' });
    expect(done(await read())).toEqual(['code', 'time']);
  });

  it('is told at the desk, as far as it is left', async () => {
    await put('room', { address: 'https://rooms.example/bridge' });
    const desk = async (): Promise<Answer<'desk'>> =>
      (await host.get(`/api/links/${linkId}/desk`)).body;
    const { checks } = (await read()).lookedAt!;
    expect((await desk()).unseen).toBe(checks.length);
    const ticked = checks.map((c) => c.key);
    await put('room/looked-at', { ticked, powers: 'Tomas, home account' });
    expect(await desk()).toMatchObject({ unseen: 0, powers: 'Tomas, home account' });
  });

  it('is not overwritten by who read it earlier', async () => {
    await put('room', { address: 'https://rooms.example/galley' });
    const { version } = await read();
    await put('room/looked-at', { ticked: ['code'] });
    const late = await host.put(`/api/links/${linkId}/room/looked-at`, { version, ticked: [] });
    expect(late.status).toBe(409);
    expect(done(await read())).toEqual(['code']);
  });
});
