import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import type { Answer } from '@glen/contract';
import { DEMO_PASSWORD } from '../../../demo/school.js';
import { startSchool, until, type School } from './support.js';
import { Traveller, holderAt, troubleAt } from './traveller.js';

let school: School;
beforeAll(async () => {
  school = await startSchool();
});
afterAll(() => school.stop());
beforeEach(async () => {
  await troubleAt(school, 'school', 'none');
  await troubleAt(school, 'home', 'none');
});

const SIGNE = { subject: 's-1002', email: 's.aalto@merrow.example' };

describe('signing on at a provider of accounts', () => {
  it('comes in by the account whose address is proven, back at the page it was begun on', async () => {
    const browser = new Traveller(school);
    expect(await browser.signOn('school', SIGNE.subject, { next: '/plan?week=1' })).toBe(
      '/plan?week=1',
    );
    expect(await browser.me()).toBe(SIGNE.email);
    const own = await browser.json<Answer<'ownAccount'>>('GET', '/api/account');
    expect(own.accounts[0]!.signOns).toMatchObject([{ name: 'Merrow' }]);
  });
  it('asks with PKCE, a nonce and a state of its own each time (RFC 7636, 4.3; OpenID Connect Core 1.0, 3.1.2.1)', async () => {
    const browser = new Traveller(school);
    const asked = [
      await browser.begin('school'),
      await browser.begin('school', { anew: true }),
    ].map((address) => new URL(address).searchParams);
    for (const one of asked) {
      expect(one.get('response_type')).toBe('code');
      expect(one.get('code_challenge_method')).toBe('S256');
      expect(one.get('code_challenge')).toMatch(/^[\w-]{43}$/);
      expect(one.get('redirect_uri')).toBe(`${school.url}/sign-on/school/back`);
      expect(one.get('scope')).toContain('openid');
    }
    for (const name of ['state', 'nonce', 'code_challenge'])
      expect(asked[0]!.get(name)).not.toBe(asked[1]!.get(name));
    expect(asked.map((one) => one.get('prompt'))).toEqual([null, 'login']);
  });
  it('finds the same account by subject when the address has changed there, and follows it', async () => {
    const noor = {
      subject: 's-1003',
      name: 'Noor Achterberg',
      email: 'n.achterberg@merrow.example',
    };
    await new Traveller(school).signOn('school', noor.subject);
    await holderAt(school, 'school', { ...noor, email: 'noor@merrow.example' });
    const browser = new Traveller(school);
    await browser.signOn('school', noor.subject);
    expect(await browser.me()).toBe('noor@merrow.example');
    await holderAt(school, 'school', noor);
    await new Traveller(school).signOn('school', noor.subject);
  });
  it('makes somebody with a private account a guest, once, though they come twice at one moment', async () => {
    const both = [new Traveller(school), new Traveller(school)];
    const ways: URL[] = [];
    for (const one of both) ways.push(await one.goThere(await one.begin('home'), 'h-3'));
    const ends = await Promise.all(both.map((one, i) => one.comeBack(ways[i]!)));
    expect(ends).toEqual(['/', '/']);
    const [first, second] = await Promise.all(
      both.map((one) => one.json<Answer<'me'>>('GET', '/api/me')),
    );
    expect(first!.person).toMatchObject({ name: 'Rasmus Vane', roles: ['guest'] });
    expect(second!.person!.id).toBe(first!.person!.id);
  });
  it('takes what a provider claims as it can be kept, however long or odd it is', async () => {
    const odd = { subject: 'h-77', email: 'odd@home.example', name: `${'🌊'.repeat(50)}\u202e<b>` };
    await holderAt(school, 'home', odd);
    const browser = new Traveller(school);
    expect(await browser.signOn('home', odd.subject)).toBe('/');
    const { person } = await browser.json<Answer<'me'>>('GET', '/api/me');
    expect(person!.name).toBe(`${'🌊'.repeat(50)}<b>`);
  });
  it('lets nobody in by the school’s provider whom the school does not know, unless its map says so', async () => {
    const browser = new Traveller(school);
    expect(await browser.signOn('school', 's-2002', { next: '/today' })).toBe(
      '/today?trouble=unknown&at=school',
    );
    expect(await browser.me()).toBeNull();
    const office = await school.as('Perpetua Lund');
    const { version } = (await office.get('/api/school/sign-in')).body as Answer<'signInWays'>;
    const n3 = school.classes.get('N3')!;
    const rule = { provider: 'school', claim: 'groups', value: 'cadets', role: 'student' };
    const shut = { staff: [], students: [], guests: [] };
    const rules = [{ ...rule, classIds: [n3.id] }];
    const body = { version, shut, rules, asksPasskey: false };
    const set = await office.put('/api/school/sign-in', body);
    expect(set.status).toBe(200);
    expect(await browser.signOn('school', 's-2002')).toBe('/');
    const me = await browser.json<Answer<'me'>>('GET', '/api/me');
    expect(me.person).toMatchObject({ name: 'Fenna Ostrow', roles: ['student'] });
    const host = await school.as('Ottoline Marsh');
    const { roll } = (await host.get(`/api/classes/${n3.id}`)).body as Answer<'classPeriod'>;
    expect(roll.map((one) => one.name)).toContain('Fenna Ostrow');
  });
});

describe('signing out', () => {
  it('says where else, and the provider is told who', async () => {
    const browser = new Traveller(school);
    await browser.signOn('school', SIGNE.subject);
    const { there } = await browser.json<Answer<'signOut'>>('POST', '/api/sign-out', {});
    expect(there!.name).toBe('Merrow');
    const address = new URL(there!.address);
    expect(address.origin).toBe(school.signOn.school);
    expect(address.searchParams.get('id_token_hint')).toBeTruthy();
    expect(address.searchParams.get('post_logout_redirect_uri')).toBe(`${school.url}/`);
    expect((await browser.ask(address.href)).status).toBe(200);
    expect(await browser.me()).toBeNull();
  });
  it('at the provider ends it here (OpenID Connect Back-Channel Logout 1.0)', async () => {
    const browser = new Traveller(school);
    await browser.signOn('school', SIGNE.subject);
    const other = await school.as('Signe Aalto');
    const address = new URL(`${school.signOn.school}/session/end`);
    const page = await (await browser.ask(address.href)).text();
    const xsrf = /name="xsrf" value="([^"]+)"/.exec(page)![1]!;
    await browser.ask(`${address.href}/confirm`, {
      method: 'POST',
      body: new URLSearchParams({ xsrf, logout: 'yes' }),
    });
    await until(
      () => browser.me(),
      (email) => email === null,
    );
    // Who came in otherwise is in.
    expect(((await other.get('/api/me')).body as Answer<'me'>).account?.email).toBe(SIGNE.email);
  });
});

describe('signing out at one of two providers', () => {
  it('leaves whoever uses the other’s account in', async () => {
    const browser = new Traveller(school);
    await browser.signOn('school', SIGNE.subject);
    await holderAt(school, 'home', {
      subject: 'h-8',
      name: 'Signe',
      email: 'signe.a@home.example',
    });
    await browser.signOn('home', 'h-8', { join: true });
    // Somebody else there: the provider signs the first out, everywhere.
    await browser.signOn('home', 'h-4', { join: true, anew: true, next: '/account' });
    await until(
      () => browser.json<Answer<'me'>>('GET', '/api/me'),
      ({ accounts }) => !accounts.some((a) => a.email === 'signe.a@home.example'),
    );
    expect(await browser.me()).toBe(SIGNE.email);
  });
});

describe('accounts of one person are joined by proving both', () => {
  it('where one of them is a guest’s', async () => {
    const browser = new Traveller(school);
    await browser.signOn('school', SIGNE.subject);
    await holderAt(school, 'home', { subject: 'h-9', name: 'Signe', email: 'signe@home.example' });
    expect(await browser.signOn('home', 'h-9', { join: true, next: '/account' })).toBe('/account');
    const own = await browser.json<Answer<'ownAccount'>>('GET', '/api/account');
    const emails = own.accounts.map((a) => a.email);
    expect(emails).toEqual(expect.arrayContaining([SIGNE.email, 'signe@home.example']));
    expect(await browser.me()).toBe(SIGNE.email);
    const me = await browser.json<Answer<'me'>>('GET', '/api/me');
    expect(me.accounts.map((a) => a.email)).toContain('signe@home.example');
  });
  it('and not where both are known to the school in their own right', async () => {
    const browser = new Traveller(school);
    await browser.signOn('school', SIGNE.subject);
    expect(await browser.signOn('home', 'h-1', { join: true, next: '/account' })).toBe(
      '/account?trouble=two-people&at=home',
    );
    expect(await browser.me()).toBe(SIGNE.email);
  });
});

describe('the school says which ways are open', () => {
  it('to whom; what is shut is refused with where else, and whoever shut it can come in again', async () => {
    const office = await school.as('Perpetua Lund');
    const read = async () => (await office.get('/api/school/sign-in')).body as Answer<'signInWays'>;
    const { version, rules, asksPasskey } = await read();
    const shut = { staff: ['password' as const], students: [], guests: [] };
    const set = { version, shut, rules, asksPasskey };
    expect((await office.put('/api/school/sign-in', set)).status).toBe(200);
    const typed = { email: SIGNE.email, password: DEMO_PASSWORD };
    const refused = await (await school.as(null)).post('/api/sign-in', typed);
    expect([refused.status, refused.body.title]).toEqual([
      403,
      'The school has you sign on at Merrow.',
    ]);
    // A wrong password learns nothing of that.
    const wrong = await (
      await school.as(null)
    ).post('/api/sign-in', { ...typed, password: 'not this one' });
    expect(wrong.status).toBe(422);
    const stale = await office.put('/api/school/sign-in', set);
    expect(stale.status).toBe(409);
    const none = { staff: [], students: ['password', 'sign-on:school'], guests: [] };
    const now = await read();
    const all = await office.put('/api/school/sign-in', { ...now, shut: none });
    expect([all.status, all.body.errors[0].path]).toEqual([422, 'shut.students']);
    const open = { staff: [], students: [], guests: [] };
    await office.put('/api/school/sign-in', { ...now, shut: open });
  });
});

describe('whoever tries to come in as somebody else', () => {
  const refusals: [trouble: string, said: string][] = [
    ['wrong-audience', 'wrong'],
    ['wrong-nonce', 'wrong'],
    ['wrong-issuer', 'wrong'],
    ['forged', 'wrong'],
    ['clock-off', 'clock'],
    ['refusing', 'refused'],
  ];
  it.each(refusals)(
    'is not let in by what is %s (OpenID Connect Core 1.0, 3.1.3.7)',
    async (trouble, said) => {
      const browser = new Traveller(school);
      await troubleAt(school, 'school', trouble);
      expect(await browser.signOn('school', SIGNE.subject)).toBe(`/?trouble=${said}&at=school`);
      expect(await browser.me()).toBeNull();
    },
  );
  it('but by a clock that is a few minutes off', async () => {
    const browser = new Traveller(school);
    await troubleAt(school, 'school', 'clock-slow');
    expect(await browser.signOn('school', SIGNE.subject)).toBe('/');
    expect(await browser.me()).toBe(SIGNE.email);
  });
  it('hears that the provider is down, before and in the middle; and comes in when it is there again', async () => {
    const browser = new Traveller(school);
    const back = await browser.goThere(await browser.begin('school'), SIGNE.subject);
    await troubleAt(school, 'school', 'down');
    expect(await browser.comeBack(back)).toBe('/?trouble=down&at=school');
    await troubleAt(school, 'school', 'none');
    expect(await browser.signOn('school', SIGNE.subject)).toBe('/');
  });
  it('hears that the provider does not answer, instead of waiting for it', async () => {
    const browser = new Traveller(school);
    const back = await browser.goThere(await browser.begin('school'), SIGNE.subject);
    await troubleAt(school, 'school', 'silent');
    expect(await browser.comeBack(back)).toBe('/?trouble=slow&at=school');
    expect(await browser.me()).toBeNull();
  });
  it('cannot use a way back twice, nor one that another browser began (RFC 6749, 10.12)', async () => {
    const browser = new Traveller(school);
    const back = await browser.goThere(await browser.begin('school'), SIGNE.subject);
    const victim = new Traveller(school);
    expect(await victim.comeBack(back)).toBe('/?trouble=stale&at=school');
    expect(await victim.me()).toBeNull();
    // A victim who has begun one too is not led into the other’s account either.
    await victim.begin('school');
    expect(await victim.comeBack(back)).toBe('/?trouble=stale&at=school');
    const kept = browser.cookie('glen_sign_on_')!;
    expect(await browser.comeBack(back)).toBe('/');
    expect(await browser.comeBack(back)).toBe('/?trouble=stale&at=school');
    // Whoever has stolen what the browser kept comes too late: the code is used.
    const { createHash } = await import('node:crypto');
    const state = back.searchParams.get('state')!;
    const digest = createHash('sha256').update(state).digest('hex').slice(0, 16);
    const thief = new Traveller(school);
    thief.setCookie(`glen_sign_on_${digest}`, kept);
    expect(await thief.comeBack(back)).toBe('/?trouble=used&at=school');
    expect(await thief.me()).toBeNull();
  });
  it('cannot mix up providers: what one began, another does not end (RFC 9207)', async () => {
    const browser = new Traveller(school);
    const back = await browser.goThere(await browser.begin('home'), 'h-1');
    const mixed = new URL(back.href.replace('/sign-on/home/', '/sign-on/school/'));
    expect(await browser.comeBack(mixed)).toBe('/?trouble=stale&at=school');
    back.searchParams.set('iss', school.signOn.school);
    expect(await browser.comeBack(back)).toBe('/?trouble=wrong&at=home');
    expect(await browser.me()).toBeNull();
  });
  it('is not sent on to another site (CWE-601)', async () => {
    for (const next of ['https://elsewhere.example', '//elsewhere.example', '/\\elsewhere.example'])
      expect(await new Traveller(school).signOn('school', SIGNE.subject, { next })).toBe('/');
  });
  it('has no session that was there before (session fixation), and another person’s ends', async () => {
    const browser = new Traveller(school);
    await browser.signOn('school', SIGNE.subject);
    const before = browser.cookie('glen_session')!;
    await browser.signOn('school', 's-1003', { anew: true });
    const after = browser.cookie('glen_session')!;
    expect(after).not.toBe(before);
    expect(await browser.me()).toBe('n.achterberg@merrow.example');
    const old = new Traveller(school);
    old.setCookie('glen_session', before);
    expect(await old.me()).toBeNull();
  });
  it('comes in though the provider has changed its keys meanwhile', async () => {
    await new Traveller(school).signOn('school', SIGNE.subject);
    await fetch(`${school.signOn.school}/keys`, { method: 'POST', redirect: 'manual' });
    const browser = new Traveller(school);
    expect(await browser.signOn('school', SIGNE.subject)).toBe('/');
  });
  it('is nobody by an address that the provider has not proven, or that another there had before', async () => {
    const bram = { name: 'Bram Osterholt', email: 'b.osterholt@merrow.example' };
    await holderAt(school, 'school', { ...bram, subject: 's-31', proven: false });
    expect(await new Traveller(school).signOn('school', 's-31')).toBe(
      '/?trouble=not-proven&at=school',
    );
    await holderAt(school, 'school', { ...bram, subject: 's-31' });
    expect(await new Traveller(school).signOn('school', 's-31')).toBe('/');
    await holderAt(school, 'school', { ...bram, subject: 's-32' });
    expect(await new Traveller(school).signOn('school', 's-32')).toBe(
      '/?trouble=other-subject&at=school',
    );
    // The office unbinds the first, and the second is who has the address now.
    const office = await school.as('Perpetua Lund');
    const { id } = school.person(bram.name);
    const { person } = (await office.get(`/api/people/${id}`)).body as Answer<'person'>;
    const signOnId = person.accounts[0]!.signOns[0]!.id;
    const ended = await office.post(`/api/people/${id}/sign-ons/${signOnId}/end`);
    expect(ended.status).toBe(200);
    expect(await new Traveller(school).signOn('school', 's-32')).toBe('/');
  });
  it('is no staff by a private provider that claims an address of the school’s', async () => {
    const claimed = {
      subject: 'h-66',
      name: 'Noor Achterberg',
      email: 'n.achterberg@merrow.example',
    };
    await holderAt(school, 'home', claimed);
    expect(await new Traveller(school).signOn('home', 'h-66')).toBe('/?trouble=other-kind&at=home');
  });
  it('cannot sign anybody out by a token that the provider did not make', async () => {
    const browser = new Traveller(school);
    await browser.signOn('school', SIGNE.subject);
    const { SignJWT, generateKeyPair } = await import('jose');
    const { privateKey } = await generateKeyPair('ES256');
    const token = await new SignJWT({
      events: { 'http://schemas.openid.net/event/backchannel-logout': {} },
    })
      .setProtectedHeader({ alg: 'ES256' })
      .setIssuer(school.signOn.school)
      .setAudience('glen')
      .setSubject(SIGNE.subject)
      .setJti('1')
      .setIssuedAt()
      .sign(privateKey);
    for (const logout_token of [token, 'nonsense']) {
      const told = await fetch(`${school.url}/api/sign-on/school/signed-out`, {
        method: 'POST',
        body: new URLSearchParams({ logout_token }),
      });
      expect(told.status).toBe(400);
    }
    expect(await browser.me()).toBe(SIGNE.email);
  });
});

describe('what happened', () => {
  it('tells of sign-ons that failed and of bindings, by the provider’s name', async () => {
    const browser = new Traveller(school);
    await troubleAt(school, 'school', 'forged');
    await browser.signOn('school', SIGNE.subject);
    await troubleAt(school, 'school', 'none');
    await browser.signOn('school', 's-1001');
    const office = await school.as('Perpetua Lund');
    const { entries } = (await office.get('/api/happened?kind=signing-in'))
      .body as Answer<'happened'>;
    const told = entries.map(({ what, to }) => `${what} ${to}`);
    expect(told).toContain('was not signed in by Merrow');
    expect(told.some((one) => one.startsWith('signed on for the first time for'))).toBe(true);
  });
});

describe('one’s own ways of signing on', () => {
  it('end where there is another way in, and are nobody else’s to end', async () => {
    const browser = new Traveller(school);
    await browser.signOn('school', SIGNE.subject);
    const own = await browser.json<Answer<'ownAccount'>>('GET', '/api/account');
    const { id } = own.accounts[0]!.signOns[0]!;
    const other = await school.as('Ottoline Marsh');
    expect((await other.post(`/api/account/sign-ons/${id}/end`)).status).toBe(404);
    const ended = await browser.call('POST', `/api/account/sign-ons/${id}/end`, {});
    expect(ended.status).toBe(200);
    const guest = new Traveller(school);
    await guest.signOn('home', 'h-3');
    const theirs = await guest.json<Answer<'ownAccount'>>('GET', '/api/account');
    const only = theirs.accounts[0]!.signOns[0]!.id;
    expect((await guest.call('POST', `/api/account/sign-ons/${only}/end`, {})).status).toBe(409);
  });
});
