import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Answer } from '@glen/contract';
import { DEMO_PASSWORD } from '../../../demo/school.js';
import { startSchool, type Browser, type School } from './support.js';

type Own = Answer<'ownAccount'>;

let school: School;

beforeAll(async () => {
  school = await startSchool();
});
afterAll(() => school.stop());

const own = async (browser: Browser): Promise<Own> => (await browser.get('/api/account')).body;
const wish = async (browser: Browser, wishes: Partial<Own>) => {
  const { mayRename: _, accounts: __, ...now } = await own(browser);
  return browser.put('/api/account', { ...now, ...wishes });
};

describe('one’s own account', () => {
  it('keeps name and wishes; two windows that differ are both shown', async () => {
    const tomas = await school.as('Tomas Verhage');
    const before = await own(tomas);
    const told = {
      changes: 'none',
      reminders: null,
      mornings: null,
      evenings: null,
      posts: null,
      weeks: null,
    } as const;
    const kept = await wish(tomas, { name: 'Tomas Verhage-Lie', theme: 'dark', told });
    expect(kept.body).toMatchObject({ name: 'Tomas Verhage-Lie', theme: 'dark', told });
    expect((await tomas.get('/api/me')).body).toMatchObject({
      theme: 'dark',
      person: { name: 'Tomas Verhage-Lie' },
    });
    const { mayRename: _, accounts: __, ...wishes } = before;
    const late = await tomas.put('/api/account', { ...wishes, name: 'Tom' });
    expect([late.status, late.body.current.name]).toEqual([409, 'Tomas Verhage-Lie']);
  });

  it('writes dates and times as the school does, or as its owner wishes', async () => {
    const tomas = await school.as('Tomas Verhage');
    const writes = async () => (await tomas.get('/api/me')).body.writes;
    expect(await writes()).toEqual({ dateOrder: 'dmy', hours: '24' });
    await wish(tomas, { dateOrder: 'mdy' });
    expect(await writes()).toEqual({ dateOrder: 'mdy', hours: '24' });
    const office = await school.as('Perpetua Lund');
    const { mayEdit: _, ...about } = (await office.get('/api/school/about')).body;
    await office.put('/api/school/about', { ...about, hours: '12', dateOrder: 'ymd' });
    expect(await writes()).toEqual({ dateOrder: 'mdy', hours: '12' });
    await wish(tomas, { dateOrder: null, hours: '24' });
    expect(await writes()).toEqual({ dateOrder: 'ymd', hours: '24' });
  });

  it('is told nothing of a changed calendar by whoever wishes not to be', async () => {
    const [host, office] = [await school.as('Ottoline Marsh'), await school.as('Perpetua Lund')];
    const co = await school.as('Tomas Verhage');
    await wish(co, {
      told: {
        changes: 'none',
        reminders: null,
        mornings: null,
        evenings: null,
        posts: null,
        weeks: null,
      },
    });
    const { calendar, version, region } = (await office.get('/api/school/calendar'))
      .body as Answer<'schoolCalendar'>;
    const day = { name: 'Wharf Day', first: '2026-10-21', last: '2026-10-21', kind: 'holiday' };
    const closures = [...calendar.closures, day];
    const changed = { version, region, calendar: { ...calendar, closures } };
    expect((await office.put('/api/school/calendar', changed)).status).toBe(200);
    const words = async (browser: Browser): Promise<string> =>
      JSON.stringify(((await browser.get('/api/today')).body as Answer<'today'>).notes);
    expect(await words(host)).toContain('The calendar changed 5 of your sessions');
    expect(await words(co)).not.toContain('The calendar changed');
    await wish(co, {
      told: {
        changes: null,
        reminders: null,
        mornings: null,
        evenings: null,
        posts: null,
        weeks: null,
      },
    });
  });

  it('a student keeps the name and the address that the school knows them by', async () => {
    const ansel = await school.as('Ansel Grue');
    const { mayRename, accounts } = await own(ansel);
    expect(mayRename).toBe(false);
    expect((await wish(ansel, { name: 'Ottoline Marsh' })).status).toBe(422);
    const address = await ansel.post('/api/account/address', {
      accountId: accounts.find((a) => a.kind === 'school')!.id,
      email: 'o.marsh2@merrow.example',
      now: DEMO_PASSWORD,
    });
    expect(address.status).toBe(403);
    expect((await wish(ansel, { theme: 'light' })).status).toBe(200);
  });
});

describe('password and address', () => {
  it('change for whoever knows the password; other browsers are signed out', async () => {
    const [here, there] = [await school.as('Signe Aalto'), await school.as('Signe Aalto')];
    const change = (now: string) =>
      here.post('/api/account/password', { now, next: 'a pilot on the bridge' });
    const wrong = await change('not this one');
    expect([wrong.status, wrong.body.errors[0].path]).toEqual([422, 'now']);
    expect((await change(DEMO_PASSWORD)).status).toBe(200);
    expect((await here.get('/api/me')).body.account).not.toBeNull();
    expect((await there.get('/api/me')).body.account).toBeNull();
    const [account] = (await own(here)).accounts;
    const moved = await here.post('/api/account/address', {
      accountId: account!.id,
      email: 'Signe@merrow.example',
      now: 'a pilot on the bridge',
    });
    expect(moved.body.accounts[0].email).toBe('signe@merrow.example');
    const [, home] = (await own(await school.as('Ottoline Marsh'))).accounts;
    const other = await (
      await school.as('Ottoline Marsh')
    ).post('/api/account/address', {
      accountId: home!.id,
      email: 'elsewhere@home.example',
      now: DEMO_PASSWORD,
    });
    expect(other.status).toBe(409);
    const taken = await here.post('/api/account/address', {
      accountId: account!.id,
      email: 'o.marsh@merrow.example',
      now: 'a pilot on the bridge',
    });
    expect([taken.status, taken.body.errors[0].path]).toEqual([422, 'email']);
  });

  it('of somebody else are out of reach', async () => {
    const bram = await school.as('Bram Osterholt');
    const theirs = school.people.find((p) => p.name === 'Idris Kellaway')!.accounts[0]!.id;
    const no = await bram.post('/api/account/address', {
      accountId: theirs,
      email: 'mine@merrow.example',
      now: DEMO_PASSWORD,
    });
    expect([no.status, no.body.errors[0].path]).toEqual([422, 'accountId']);
  });

  it('guessing is slowed down', async () => {
    const idris = await school.as('Idris Kellaway');
    const guess = () =>
      idris.post('/api/account/password', { now: 'a guess', next: 'another password' });
    const answers: number[] = [];
    while (!answers.includes(429) && answers.length < 20) answers.push((await guess()).status);
    expect(answers.slice(0, 5)).toEqual([422, 422, 422, 422, 422]);
    expect(answers.at(-1)).toBe(429);
  });
});
