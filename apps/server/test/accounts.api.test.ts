import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { hashPassword, passwordFits } from '../src/features/accounts/passwords.js';
import { readConfig } from '../src/config.js';
import { Browser, startSchool, type School } from './support.js';

let school: School;
beforeAll(async () => {
  school = await startSchool();
});
afterAll(() => school.stop());

const PASSWORD = 'fair-winds-2026';

describe('signing in', () => {
  it('begins a browser session whose cookie no script reads and no other site sends', async () => {
    const browser = new Browser(school.url);
    const answer = await browser.post('/api/sign-in', {
      email: ' O.Marsh@merrow.example ',
      password: PASSWORD,
    });
    expect(answer.status).toBe(200);
    expect(answer.body).toMatchObject({
      person: { name: 'Ottoline Marsh', roles: ['teacher'] },
      account: { kind: 'school' },
    });
    const cookie = String(answer.headers['set-cookie']);
    expect(cookie).toMatch(/HttpOnly/);
    expect(cookie).toMatch(/SameSite=Lax/);
    expect(cookie).not.toMatch(/Domain/);
  });
  it('gives unknown people and wrong passwords the same answer', async () => {
    const browser = new Browser(school.url);
    const wrong = await browser.post('/api/sign-in', {
      email: 's.aalto@merrow.example',
      password: 'x',
    });
    const unknown = await browser.post('/api/sign-in', {
      email: 'nobody@merrow.example',
      password: 'x',
    });
    expect(wrong.status).toBe(422);
    expect(unknown.body).toEqual(wrong.body);
    expect(wrong.body.errors).toEqual([
      { path: 'password', message: 'Address and password do not fit together.' },
    ]);
  });
  it('changes the session’s token each time and keeps the other account at hand', async () => {
    const browser = new Browser(school.url);
    const first = await browser.post('/api/sign-in', {
      email: 'o.marsh@merrow.example',
      password: PASSWORD,
    });
    const second = await browser.post('/api/sign-in', {
      email: 'ottoline@home.example',
      password: PASSWORD,
    });
    expect(String(second.headers['set-cookie'])).not.toBe(String(first.headers['set-cookie']));
    expect(second.body.account.kind).toBe('personal');
    expect(second.body.accounts.map((a: { kind: string }) => a.kind)).toEqual([
      'school',
      'personal',
    ]);
    const back = await browser.post('/api/switch-account', { accountId: first.body.account.id });
    expect(back.body.account.kind).toBe('school');
    expect((await browser.post('/api/switch-account', { accountId: 9999 })).status).toBe(404);
    const gone = await browser.post('/api/sign-out');
    expect(gone.status).toBe(200);
    expect((await browser.get('/api/me')).body.account).toBeNull();
  });
  it('says what is missing beside each field', async () => {
    const { body } = await new Browser(school.url).post('/api/sign-in', { email: '' });
    expect(body).toMatchObject({
      status: 422,
      errors: expect.arrayContaining([{ path: 'email', message: 'Give your address.' }]),
    });
    expect(body.errors.map((e: { path: string }) => e.path)).toContain('password');
  });
});

describe('every change', () => {
  it('must come from Glen’s own pages', async () => {
    const browser = await school.as('Ottoline Marsh');
    expect((await browser.post('/api/sign-out', {}, 'https://elsewhere.example')).status).toBe(403);
    expect((await browser.get('/api/me')).body.account).not.toBeNull();
  });
  it('is answered in problem details where it cannot be read', async () => {
    const response = await fetch(`${school.url}/api/sign-in`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', Origin: school.url },
      body: '{',
    });
    expect(response.status).toBe(400);
    expect(response.headers.get('content-type')).toContain('application/problem+json');
    expect(await (await fetch(`${school.url}/api/nothing`)).json()).toMatchObject({ status: 404 });
  });
});

describe('a teacher’s home account', () => {
  it('may not do what the school account may', async () => {
    const home = await school.as('Ottoline Marsh', 'personal');
    const answer = await home.get('/api/today');
    expect(answer.status).toBe(403);
    expect(answer.body.title).toContain('school account');
  });
});

describe('passwords', () => {
  it('are kept as argon2id with the parameters of the OWASP guidance (published)', async () => {
    const stored = await hashPassword('a password');
    expect(stored).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/);
    expect(await passwordFits(stored, 'a password')).toBe(true);
    expect(await passwordFits(stored, 'another')).toBe(false);
    expect(await passwordFits(undefined, 'nobody has this password')).toBe(false);
  });
});

describe('a school’s own server', () => {
  it('names everything that its environment lacks', () => {
    expect(() => readConfig({ GLEN_VIDEO_SECRET: 'short' })).toThrow(
      /GLEN_DATABASE_URL: .*MariaDB[\s\S]*GLEN_PUBLIC_URL[\s\S]*GLEN_VIDEO_SECRET: at least 32/,
    );
  });
});
