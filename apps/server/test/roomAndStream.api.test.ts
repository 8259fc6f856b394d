import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import type { Answer } from '@glen/contract';
import { doorTools, type DoorTools } from './doorTools.js';
import { roomOf } from './roomTools.js';
import { startSchool, until, type Browser, type School } from './support.js';

let school: School;
let host: Browser;
let date: string;
let n3: DoorTools['n3'];
let enter: DoorTools['enter'];
let desk: DoorTools['desk'];
let hostGoesIn: DoorTools['hostGoesIn'];
let nextDay: DoorTools['nextDay'];
beforeAll(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
  ({ n3, enter, desk, hostGoesIn, nextDay } = doorTools(school, host));
});
afterAll(() => school.stop());
beforeEach(async () => {
  date = await nextDay();
});

describe('events of the video service', () => {
  it('are refused when forged or late, taken once when repeated, and each is noted', async () => {
    const { room, visitor } = await hostGoesIn();
    const left = { room, type: 'left', visitor, id: `once-${date}` };
    expect((await school.videoEvent(left, { secret: 'x'.repeat(32) })).status).toBe(401);
    expect((await school.videoEvent(left, { age: 301 })).status).toBe(401);
    expect((await desk()).inside).toHaveLength(1);
    expect((await school.videoEvent(left)).status).toBe(200);
    expect((await desk()).inside).toHaveLength(0);
    await school.videoEvent({ room, type: 'arrived', visitor });
    expect((await school.videoEvent(left)).status).toBe(200);
    expect((await desk()).inside).toHaveLength(1);
    const noted = await school.running.glen.db.models.AuditEntry.findAll({
      where: { action: ['refused-webhook', 'repeated-webhook'] },
      order: ['action'],
    });
    expect(noted.map((entry) => [entry.action, entry.after_state])).toEqual([
      ['refused-webhook', { times: 2 }],
      ['repeated-webhook', { times: 1 }],
    ]);
  });
  it('keep arrivals and leavings for who came', async () => {
    const { room } = await hostGoesIn();
    const pupil = await school.as('Ansel Grue');
    await enter(pupil);
    await host.post(`/api/links/${n3.link.id}/let-all-in`);
    await enter(pupil);
    const { id } = (await school.running.glen.db.one<{ id: number }>(
      `SELECT v.id FROM visitors v JOIN sittings m ON m.id = v.sitting_id WHERE m.room = :room AND v.role = 'participant'`,
      { room },
    ))!;
    const now = Date.parse(school.running.glen.clock.machine());
    for (const [i, type] of ['arrived', 'arrived', 'left', 'arrived'].entries()) {
      const at = new Date(now + (i - 4) * 1000).toISOString().replace('.000', '');
      await school.videoEvent({ room, type, visitor: id, at });
    }
    const visits = await school.running.glen.db.rows<{ left_at: string | null }>(
      'SELECT left_at FROM visits WHERE visitor_id = :id ORDER BY id',
      { id },
    );
    expect(visits.map((v) => v.left_at === null)).toEqual([false, true]);
    const { sessions } = (await host.get('/api/today')).body as Answer<'today'>;
    const lesson = sessions.find((s) => s.title === 'Lesson');
    expect(lesson).toMatchObject({ came: 1, inside: 2, door: 'open' });
  });
});

describe('tickets to the room', () => {
  it('open it once, and not when tampered with', async () => {
    const { go } = (await host.post(`/api/links/${n3.link.id}/open`)).body;
    const visit = async (address: string) => (await fetch(address, { redirect: 'manual' })).status;
    expect(await visit(`${go}x`)).toBe(403);
    expect(await visit(go)).toBe(303);
    expect(await visit(go)).toBe(403);
    const [head, , signature] = new URL(go).searchParams.get('ticket')!.split('.');
    const claims = Buffer.from(
      JSON.stringify({
        room: roomOf(go),
        name: 'Mallory',
        role: 'host',
        sub: '1',
        jti: 'x',
        iss: 'glen',
        aud: 'room',
        exp: 4e9,
      }),
    ).toString('base64url');
    expect(await visit(`${go.split('?')[0]}?ticket=${head}.${claims}.${signature}`)).toBe(403);
  });
});

describe('the stream of changes', () => {
  async function listen(
    browser: string | null,
    path = '/api/live',
  ): Promise<{ heard: string[]; stop: () => void }> {
    const sign =
      browser === null
        ? null
        : await fetch(`${school.url}/api/demo/sign-in`, {
            method: 'POST',
            headers: { 'Content-Type': 'application/json', Origin: school.url },
            body: JSON.stringify({
              accountId: school.people.find((p) => p.name === browser)!.accounts[0]!.id,
            }),
          });
    const stop = new AbortController();
    const response = await fetch(`${school.url}${path}`, {
      signal: stop.signal,
      headers: sign ? { Cookie: sign.headers.getSetCookie()[0]!.split(';')[0]! } : {},
    });
    const heard: string[] = [];
    void (async () => {
      for await (const chunk of response.body!.pipeThrough(new TextDecoderStream()))
        heard.push(chunk);
    })().catch(() => {});
    await until(
      async () => heard.join(''),
      (text) => text.includes('hello'),
    );
    return { heard, stop: () => stop.abort() };
  }
  it('tells the desk of a knock, and nobody else', async () => {
    await hostGoesIn();
    const listeners = {
      host: await listen('Ottoline Marsh'),
      stranger: await listen(null, `/api/live?doors=${n3.link.code}`),
      other: await listen('Bram Osterholt'),
      pupil: await listen('Caspian Holloway'),
    };
    await enter(await school.as('Ansel Grue'));
    await until(
      async () => listeners.host.heard.join(''),
      (text) => text.includes('"desk"'),
    );
    // A change that all hear follows, so whatever they were to hear before it they have heard.
    await school.setTime('11:58', date);
    for (const l of Object.values(listeners))
      await until(
        async () => l.heard.join(''),
        (text) => text.includes('"clock"'),
      );
    for (const who of ['stranger', 'other', 'pupil'] as const)
      expect(listeners[who].heard.join('')).not.toContain('"desk"');
    for (const l of Object.values(listeners)) l.stop();
  });
  it('tells whoever watches a door that it opened, with no names', async () => {
    const watcher = await listen(null, `/api/live?doors=${n3.link.code.toUpperCase()}`);
    await hostGoesIn();
    const text = await until(
      async () => watcher.heard.join(''),
      (t) => t.includes('"door"'),
    );
    expect(text).toContain(`{"thing":"door","id":${n3.link.id}}`);
    expect(text).not.toContain('Ottoline');
    watcher.stop();
  });
});
