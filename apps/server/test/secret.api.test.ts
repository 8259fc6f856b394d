import { createHash } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { moveIn, moving, startEmpty, type EmptyGlen } from './emptySchool.js';
import { Browser } from './support.js';

// What tokens are kept with: an installation's own secret.

const ANOTHER = 'another secret that only tests know';

let glen: EmptyGlen;
let browser: Browser;
beforeAll(async () => {
  glen = await startEmpty();
  browser = await moveIn(glen);
});
afterAll(() => glen.stop());

const isSignedIn = async (of: Browser): Promise<boolean> =>
  (await of.get('/api/me')).body.person !== null;

describe('a database', () => {
  it('goes on with the secret that it was begun with, and tells nobody’s token', async () => {
    const other = await glen.another();
    await other.stop();
    expect(await isSignedIn(browser)).toBe(true);
  });

  it('is not started with another one, unless that is meant', async () => {
    await expect(glen.another({ secret: ANOTHER })).rejects.toThrow(
      /GLEN_SECRET: this database was begun with another one/,
    );
    expect(await isSignedIn(browser)).toBe(true);
  });

  it('keeps whoever was signed in before there was a secret', async () => {
    const { models } = glen.running.glen.db;
    const token = 'a token from before';
    const plain = createHash('sha256').update(token).digest('hex');
    const account = (await models.Account.findOne())!;
    const session = await models.BrowserSession.create({
      account_id: account.id,
      token_hash: plain,
      begun_at: '2026-11-01T00:00:00Z',
      seen_at: '2098-12-31T00:00:00Z',
      expires_at: '2099-01-01T00:00:00Z',
    });
    const other = await glen.another();
    await other.stop();
    await session.reload();
    expect(session.token_hash).toBe(glen.running.glen.tokens.hash('session', token));
    const me = await fetch(`${glen.url}/api/me`, { headers: { Cookie: `glen_session=${token}` } });
    expect(((await me.json()) as { person: object }).person).toMatchObject({ name: 'Ines Okoro' });
  });

  it('begun anew with another secret signs everybody out, and asks for the new one from then on', async () => {
    const own = await startEmpty();
    try {
      const signedIn = await moveIn(own);
      expect(await isSignedIn(signedIn)).toBe(true);
      await (await own.another({ secret: ANOTHER, secretAnew: true })).stop();
      expect(await isSignedIn(signedIn)).toBe(false);
      await expect(own.another()).rejects.toThrow('GLEN_SECRET');
    } finally {
      await own.stop();
    }
  });
});

describe('behind https', () => {
  it('a browser’s session is kept under a name that no other host can set', async () => {
    const own = await startEmpty({ GLEN_PUBLIC_URL: 'https://glen.harbour.example' });
    try {
      const offer = (await own.offer()).split('/').at(-1)!;
      const inside = `http://127.0.0.1:${own.running.port}`;
      const answer = await fetch(`${inside}/api/move-in/${offer}/finish`, {
        method: 'POST',
        headers: {
          Origin: 'https://glen.harbour.example',
          'Content-Type': 'application/json',
        },
        body: JSON.stringify(moving()),
      });
      expect(answer.status).toBe(200);
      const cookie = answer.headers.getSetCookie()[0]!;
      expect(cookie).toMatch(/^__Host-glen_session=/);
      expect(cookie).toMatch(/; Path=\/; .*HttpOnly; Secure/);
      expect(cookie).not.toMatch(/Domain/i);
    } finally {
      await own.stop();
    }
  });
});
