import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import type { School } from './support.js';
import { startSchool, until } from './support.js';

// A stream of changes ends with the signing-in that it was opened under.

let school: School;
beforeAll(async () => {
  school = await startSchool();
});
afterAll(() => school.stop());

const PASSWORD = 'fair-winds-2026';

/** A browser by its cookies, of which streams are opened. */
async function signedIn(email: string) {
  let cookie = '';
  const post = async (path: string, body: object = {}) => {
    const answer = await fetch(`${school.url}${path}`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', Origin: school.url, Cookie: cookie },
      body: JSON.stringify(body),
    });
    const set = answer.headers.getSetCookie().map((one) => one.split(';')[0]!);
    if (set.length > 0) cookie = set.join('; ');
    return { status: answer.status, body: (await answer.json()) as Record<string, never> };
  };
  const me = (await post('/api/sign-in', { email, password: PASSWORD })).body;
  return { post, me, cookie: () => cookie };
}
type SignedIn = Awaited<ReturnType<typeof signedIn>>;

/** A stream that is open, and whether it has ended. */
async function listen(cookie: string) {
  const stop = new AbortController();
  const response = await fetch(`${school.url}/api/live`, {
    signal: stop.signal,
    headers: { Cookie: cookie },
  });
  const state = { heard: '', hasEnded: false };
  void (async () => {
    for await (const chunk of response.body!.pipeThrough(new TextDecoderStream()))
      state.heard += chunk;
    state.hasEnded = true;
  })().catch(() => {});
  await until(
    async () => state.heard,
    (heard) => heard.includes('hello'),
  );
  return { state, stop: () => stop.abort() };
}

const ends = ({ state }: Awaited<ReturnType<typeof listen>>) =>
  until(
    async () => state.hasEnded,
    (hasEnded) => hasEnded,
  );

describe('a stream ends', () => {
  let browser: SignedIn;
  beforeEach(async () => {
    browser = await signedIn('o.marsh@merrow.example');
  });

  it('with the sign-out', async () => {
    const stream = await listen(browser.cookie());
    await browser.post('/api/sign-out');
    await ends(stream);
  });

  it('and what is told in the same moment is not written after its end', async () => {
    const stream = await listen(browser.cookie());
    const { db, announce } = school.running.glen;
    const sessions = await db.models.BrowserSession.findAll({ order: [['id', 'DESC']], limit: 1 });
    await db.transaction(async () => {
      await announce(`session:${sessions[0]!.id}`, { thing: 'me', id: 1 });
      for (let i = 0; i < 20; i++) await announce('clock', { thing: 'clock', id: 1 });
    });
    await ends(stream);
    expect(stream.state.heard).not.toContain('"clock"');
    expect((await browser.post('/api/sign-out')).status).toBe(200);
  });

  it('with a switch to another account', async () => {
    await browser.post('/api/sign-in', { email: 'ottoline@home.example', password: PASSWORD });
    const stream = await listen(browser.cookie());
    const atSchool = school.person('Ottoline Marsh').id;
    const { accounts } = school.people.find((p) => p.id === atSchool)!;
    const { id } = accounts.find((account) => account.kind === 'school')!;
    expect((await browser.post('/api/switch-account', { accountId: id })).status).toBe(200);
    await ends(stream);
  });

  it('with another signing-in at the same browser', async () => {
    const stream = await listen(browser.cookie());
    await browser.post('/api/sign-in', { email: 's.aalto@merrow.example', password: PASSWORD });
    await ends(stream);
  });

  it('with a new password, everywhere else', async () => {
    const elsewhere = await signedIn('o.marsh@merrow.example');
    const streams = [await listen(browser.cookie()), await listen(elsewhere.cookie())] as const;
    const body = { now: PASSWORD, next: 'another fair wind' };
    expect((await browser.post('/api/account/password', body)).status).toBe(200);
    await ends(streams[1]);
    expect(streams[0].state.hasEnded).toBe(false);
    streams[0].stop();
    await browser.post('/api/account/password', { now: body.next, next: PASSWORD });
  });
});

describe('of streams nobody has all', () => {
  it('a signing-in has twenty at most, and another one again as soon as one is closed', async () => {
    const browser = await signedIn('i.kellaway@merrow.example');
    const open = await Promise.all(Array.from({ length: 20 }, () => listen(browser.cookie())));
    const ask = async () => {
      const stop = new AbortController();
      const { status } = await fetch(`${school.url}/api/live`, {
        signal: stop.signal,
        headers: { Cookie: browser.cookie() },
      });
      stop.abort();
      return status;
    };
    expect(await ask()).toBe(429);
    open.pop()!.stop();
    await until(ask, (status) => status === 200);
    for (const stream of open) stream.stop();
  });

  it('somebody else at the same place is not held up by that', async () => {
    const browser = await signedIn('i.kellaway@merrow.example');
    const other = await signedIn('s.aalto@merrow.example');
    const open = await Promise.all(Array.from({ length: 20 }, () => listen(browser.cookie())));
    open.push(await listen(other.cookie()), await listen(''));
    for (const stream of open) stream.stop();
  });
});
