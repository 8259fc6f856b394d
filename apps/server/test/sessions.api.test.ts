import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Answer } from '@glen/contract';
import { Browser, startSchool, type School } from './support.js';

// Browsers that somebody is signed in with.

let school: School;
beforeAll(async () => {
  school = await startSchool();
});
afterAll(() => school.stop());

const DAY = 86400;

const isSignedIn = async (browser: Browser): Promise<boolean> =>
  (await browser.get('/api/me')).body.person !== null;

const listOf = async (browser: Browser): Promise<Answer<'ownSessions'>['sessions']> =>
  (await browser.get('/api/account/sessions')).body.sessions;

const thisOne = async (browser: Browser): Promise<number> =>
  (await listOf(browser)).find((session) => session.isThis)!.id;

/** Has a browser have been used last, or have begun, some days ago. */
async function backdate(
  browser: Browser,
  { seenDays = 0, endsInDays = 90 }: { seenDays?: number; endsInDays?: number },
): Promise<void> {
  const { db, clock } = school.running.glen;
  const id = await thisOne(browser);
  const columns = {
    seen_at: clock.machine(-seenDays * DAY),
    expires_at: clock.machine(endsInDays * DAY),
  };
  await db.models.BrowserSession.update(columns, { where: { id } });
}

describe('a browser that somebody is signed in with', () => {
  it('is over after 14 days without use, at doors too', async () => {
    const pupil = await school.as('Ansel Grue');
    const { code } = school.classes.get('N3')!.link;
    await backdate(pupil, { seenDays: 13 });
    expect(await isSignedIn(pupil)).toBe(true);
    await backdate(pupil, { seenDays: 15 });
    expect((await pupil.get(`/api/door/${code}`)).body.decision.reason).toBe('sign-in');
    expect(await isSignedIn(pupil)).toBe(false);
  });

  it('goes on with each use, for 90 days at most', async () => {
    const host = await school.as('Ottoline Marsh');
    await backdate(host, { seenDays: 13 });
    await host.get('/api/me');
    const { seenAt } = (await listOf(host)).find((session) => session.isThis)!;
    expect(seenAt >= school.running.glen.clock.machine(-60)).toBe(true);
    const { expires_at: ends } = (await school.running.glen.db.models.BrowserSession.findByPk(
      await thisOne(await school.as('Bram Osterholt')),
    ))!;
    expect(ends <= school.running.glen.clock.machine(90 * DAY)).toBe(true);
    await backdate(host, { endsInDays: -1 });
    expect(await isSignedIn(host)).toBe(false);
  });

  it('holds accounts of one person: another’s signing-in begins a new one', async () => {
    const browser = await school.as('Ottoline Marsh');
    const before = await thisOne(browser);
    await browser.post('/api/demo/sign-in', {
      accountId: school.person('Signe Aalto').accounts[0]!.id,
    });
    const { accounts } = (await browser.get('/api/me')).body;
    expect(accounts.map((account: { name: string }) => account.name)).toEqual(['Signe Aalto']);
    const own = school.person('Ottoline Marsh').accounts[0]!.id;
    expect((await browser.post('/api/switch-account', { accountId: own })).status).toBe(404);
    expect(await school.running.glen.db.models.BrowserSession.findByPk(before)).toBeNull();
  });

  it('keeps a school and a home account of the same person at hand', async () => {
    const browser = await school.as('Ottoline Marsh');
    const home = school.person('Ottoline Marsh').accounts.find((a) => a.kind === 'personal')!;
    await browser.post('/api/demo/sign-in', { accountId: home.id });
    expect((await browser.get('/api/me')).body.accounts).toHaveLength(2);
  });
});

describe('one’s browsers', () => {
  it('are listed, and signed out there', async () => {
    const here = await school.as('Idris Kellaway');
    const there = await school.as('Idris Kellaway');
    const id = await thisOne(there);
    const before = await listOf(here);
    expect(before.map((session) => session.id)).toContain(id);
    expect(before.filter((session) => session.isThis)).toHaveLength(1);
    const { status, body } = await here.post(`/api/account/sessions/${id}/end`);
    expect(status).toBe(200);
    expect(body.sessions.map((session: { id: number }) => session.id)).not.toContain(id);
    expect([await isSignedIn(here), await isSignedIn(there)]).toEqual([true, false]);
  });

  it('are nobody else’s to sign out', async () => {
    const there = await school.as('Bram Osterholt');
    const stranger = await school.as('Ansel Grue');
    const id = await thisOne(there);
    expect((await stranger.post(`/api/account/sessions/${id}/end`)).status).toBe(404);
    expect(await isSignedIn(there)).toBe(true);
  });

  it('are all signed out at one press', async () => {
    const here = await school.as('Tomas Verhage');
    const there = await school.as('Tomas Verhage');
    await here.post('/api/account/sign-out-everywhere');
    expect([await isSignedIn(here), await isSignedIn(there)]).toEqual([false, false]);
  });

  it('say what they are', async () => {
    const answer = await fetch(`${school.url}/api/demo/sign-in`, {
      method: 'POST',
      headers: {
        'Content-Type': 'application/json',
        Origin: school.url,
        'User-Agent': 'Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0',
      },
      body: JSON.stringify({ accountId: school.person('Perpetua Lund').accounts[0]!.id }),
    });
    expect(answer.status).toBe(200);
    const [session] = await listOf(await school.as('Perpetua Lund'));
    expect(session!.browser).toBe('');
    const all = await listOf(await school.as('Perpetua Lund'));
    expect(all.map((one) => one.browser)).toContain('Firefox on Linux');
  });
});
