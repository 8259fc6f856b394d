import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { CONFIRM_FIRST, type Answer } from '@glen/contract';
import { SoftKey } from './softKey.js';
import { startSchool, type Browser, type School } from './support.js';

let school: School;
let here: { origin: string };
beforeAll(async () => {
  school = await startSchool({ byName: true });
  here = { origin: school.url };
});
afterAll(() => school.stop());

type Options = Answer<'passkeyOptions'>['options'];

const optionsAt = async (browser: Browser, path: string): Promise<Options> =>
  ((await browser.post(path)).body as Answer<'passkeyOptions'>).options;

/** Adds a passkey to whoever uses a browser. */
async function add(browser: Browser, key = new SoftKey(), name = 'My laptop') {
  const options = await optionsAt(browser, '/api/account/passkeys/options');
  key.handle = (options['user'] as { id: string }).id;
  const response = key.made(options.challenge, here);
  return { key, added: await browser.post('/api/account/passkeys', { name, response }) };
}

const toSignIn = (browser: Browser): Promise<Options> =>
  optionsAt(browser, '/api/sign-in/passkey/options');

async function signIn(
  browser: Browser,
  key: SoftKey,
  where: Parameters<SoftKey['used']>[1] = here,
) {
  const { challenge } = await toSignIn(browser);
  return browser.post('/api/sign-in/passkey', { response: key.used(challenge, where) });
}

describe('a passkey', () => {
  it('is added, named, signs in without an address, and is taken away again', async () => {
    const tomas = await school.as('Tomas Verhage');
    const { key, added } = await add(tomas);
    expect(added.status).toBe(200);
    const [kept] = (added.body as Answer<'passkeys'>).passkeys;
    expect(kept).toMatchObject({ name: 'My laptop', usedAt: null, isShared: false });
    const renamed = await tomas.put(`/api/account/passkeys/${kept!.id}`, { name: 'Old laptop' });
    expect((renamed.body as Answer<'passkeys'>).passkeys[0]!.name).toBe('Old laptop');
    const browser = await school.as(null);
    const me = (await signIn(browser, key)).body as Answer<'me'>;
    expect(me.account!.email).toBe('t.verhage@merrow.example');
    const removed = await tomas.post(`/api/account/passkeys/${kept!.id}/remove`);
    expect((removed.body as Answer<'passkeys'>).passkeys).toEqual([]);
    expect((await signIn(await school.as(null), key)).status).toBe(422);
  });
  it('asks for user verification and tells no device apart (Web Authentication level 2, 5.4)', async () => {
    const options = await optionsAt(
      await school.as('Tomas Verhage'),
      '/api/account/passkeys/options',
    );
    expect(options).toMatchObject({
      attestation: 'none',
      rp: { id: 'localhost', name: 'Merrow Sound School of Seamanship' },
      authenticatorSelection: { residentKey: 'required', userVerification: 'required' },
    });
    expect(JSON.stringify(options['user'])).not.toContain('"id":"t.verhage');
    expect(Buffer.from(options.challenge, 'base64url').length).toBeGreaterThanOrEqual(16);
  });
  it('that is the only way in to an account stays', async () => {
    const kestra = await school.as('Kestra Muise');
    const { added } = await add(kestra);
    const { id } = (added.body as Answer<'passkeys'>).passkeys[0]!;
    await school.running.glen.db.change(
      `UPDATE accounts SET password_hash = NULL WHERE person_id = ${school.person('Kestra Muise').id}`,
    );
    expect((await kestra.post(`/api/account/passkeys/${id}/remove`)).status).toBe(409);
    await add(kestra);
    expect((await kestra.post(`/api/account/passkeys/${id}/remove`)).status).toBe(200);
  });
  it('is nobody else’s to name or take away', async () => {
    const { added } = await add(await school.as('Idris Kellaway'));
    const { id } = (added.body as Answer<'passkeys'>).passkeys[0]!;
    const other = await school.as('Ottoline Marsh');
    expect((await other.put(`/api/account/passkeys/${id}`, { name: 'Mine' })).status).toBe(404);
    expect((await other.post(`/api/account/passkeys/${id}/remove`)).status).toBe(404);
  });
});

describe('whoever tries to come in by a passkey that is not theirs', () => {
  let key: SoftKey;
  beforeAll(async () => {
    ({ key } = await add(await school.as('Signe Aalto')));
  });

  it('is refused what another site had made (level 2, 7.2, 9 and 11)', async () => {
    const browser = await school.as(null);
    const elsewhere = { origin: 'http://glen.elsewhere.example', host: 'localhost' };
    expect((await signIn(browser, key, elsewhere)).status).toBe(422);
    expect((await signIn(browser, key, { ...here, host: 'elsewhere.example' })).status).toBe(422);
  });
  it('is refused without having shown that it is them (7.2, 13)', async () => {
    expect((await signIn(await school.as(null), key, { ...here, isVerified: false })).status).toBe(
      422,
    );
  });
  it('is refused a signature that is used again, or made for another challenge', async () => {
    const browser = await school.as(null);
    const { challenge } = await toSignIn(browser);
    const response = key.used(challenge, here);
    expect((await browser.post('/api/sign-in/passkey', { response })).status).toBe(200);
    expect((await browser.post('/api/sign-in/passkey', { response })).status).toBe(409);
    const thief = await school.as(null);
    await toSignIn(thief);
    expect((await thief.post('/api/sign-in/passkey', { response })).status).toBe(422);
    expect((await (await school.as(null)).post('/api/sign-in/passkey', { response })).status).toBe(
      409,
    );
  });
  it('is refused a passkey that counts backwards: it was copied (7.2, 17)', async () => {
    key.counter = 50;
    expect((await signIn(await school.as(null), key)).status).toBe(200);
    key.counter = 0;
    expect((await signIn(await school.as(null), key)).status).toBe(422);
    key.counter = 100;
    expect((await signIn(await school.as(null), key)).status).toBe(200);
  });
  it('is refused a key that Glen never saw, one for another account’s handle, and nonsense', async () => {
    const browser = await school.as(null);
    expect((await signIn(browser, new SoftKey())).status).toBe(422);
    const handle = key.handle;
    key.handle = Buffer.alloc(32).toString('base64url');
    expect((await signIn(browser, key)).status).toBe(422);
    key.handle = handle;
    await toSignIn(browser);
    const parts = { type: 'public-key', response: { clientDataJSON: 'x', authenticatorData: 5 } };
    for (const id of ['x', 'é', '../x', 'x'.repeat(1401)]) {
      await toSignIn(browser);
      const response = { id, rawId: id, ...parts };
      expect((await browser.post('/api/sign-in/passkey', { response })).status).toBe(422);
    }
  });
  it('cannot add one made for another’s challenge, or one that somebody has', async () => {
    const ottoline = await school.as('Ottoline Marsh');
    const bram = await school.as('Bram Osterholt');
    const { challenge } = await optionsAt(ottoline, '/api/account/passkeys/options');
    const response = new SoftKey().made(challenge, here);
    const stolen = await bram.post('/api/account/passkeys', { name: 'x', response });
    expect(stolen.status).toBe(409);
    const { added } = await add(bram, key);
    expect(added.status).toBe(422);
  });
  it('is out once they are retired', async () => {
    const { key: theirs } = await add(await school.as('Birgit Tideman'));
    const office = await school.as('Perpetua Lund');
    const { id } = school.person('Birgit Tideman');
    const { person } = (await office.get(`/api/people/${id}`)).body as Answer<'person'>;
    const retired = await office.post(`/api/people/${id}/retire`, { version: person.version });
    expect(retired.status).toBe(200);
    expect((await signIn(await school.as(null), theirs)).status).toBe(422);
    const { version } = (retired.body as Answer<'person'>).person;
    await office.post(`/api/people/${id}/bring-back`, { version });
  });
});

describe('what changes everybody asks for a passkey, where the school says so', () => {
  const about = async (browser: Browser) => {
    const kept = (await browser.get('/api/school/about')).body as Answer<'aboutSchool'>;
    const { mayEdit: _, ...body } = kept;
    return browser.put('/api/school/about', { ...body, help: `${body.help}.` });
  };
  const ways = async (browser: Browser, asksPasskey: boolean) => {
    const { version, shut, rules } = (await browser.get('/api/school/sign-in'))
      .body as Answer<'signInWays'>;
    return browser.put('/api/school/sign-in', { version, shut, rules, asksPasskey });
  };
  const confirm = async (browser: Browser, key: SoftKey) => {
    const { challenge } = await optionsAt(browser, '/api/account/confirm/options');
    return browser.post('/api/account/confirm', { response: key.used(challenge, here) });
  };

  it('of whoever has one, each time after ten minutes; and nobody shuts themselves out', async () => {
    const office = await school.as('Perpetua Lund');
    const without = await ways(office, true);
    expect([without.status, without.body.errors[0].path]).toEqual([422, 'asksPasskey']);
    const { key } = await add(office);
    expect((await ways(office, true)).status).toBe(200);
    expect((await about(office)).status).toBe(200);
    const again = await school.as('Perpetua Lund');
    const refused = await about(again);
    expect([refused.status, refused.body.type]).toEqual([403, CONFIRM_FIRST]);
    expect((await confirm(again, key)).status).toBe(200);
    expect((await about(again)).status).toBe(200);
    // Eleven minutes later.
    await school.running.glen.db.change(
      'UPDATE browser_sessions SET confirmed_at = confirmed_at - INTERVAL 11 MINUTE',
    );
    expect((await about(again)).body.type).toBe(CONFIRM_FIRST);
    const head = await school.as('Noor Achterberg');
    expect((await head.post('/api/account/confirm/options')).status).toBe(409);
    // The last passkey stays while it is asked for.
    const { passkeys } = (await again.get('/api/account/passkeys')).body as Answer<'passkeys'>;
    const last = await again.post(`/api/account/passkeys/${passkeys[0]!.id}/remove`);
    expect(last.status).toBe(409);
    // Another’s passkey confirms nothing.
    const { key: heads } = await add(head);
    const { challenge } = await optionsAt(again, '/api/account/confirm/options');
    const foreign = await again.post('/api/account/confirm', {
      response: heads.used(challenge, here),
    });
    expect(foreign.status).toBe(422);
    await confirm(again, key);
    expect((await ways(again, false)).status).toBe(200);
    expect((await about(await school.as('Perpetua Lund'))).status).toBe(200);
  });
  it('and teachers’ own work goes on without', async () => {
    const { status } = await (await school.as('Ottoline Marsh')).get('/api/today');
    expect(status).toBe(200);
  });
});
