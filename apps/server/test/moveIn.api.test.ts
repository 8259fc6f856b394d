import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { NOT_MOVED_IN } from '@glen/contract';
import { readConfig } from '../src/config.js';
import { offerMovingIn } from '../src/features/moveIn/service.js';
import { SECRET, moveIn, moving, someCalendar, startEmpty, type EmptyGlen } from './emptySchool.js';
import type { Browser } from './support.js';

let glen: EmptyGlen;
let browser: Browser;

beforeEach(async () => {
  glen = await startEmpty();
  browser = glen.browser();
});
afterEach(() => glen.stop());

const finish = (token: string, body = moving(), by = browser) =>
  by.post(`/api/move-in/${token}/finish`, body);

describe('before anybody has moved in', () => {
  it('says so, and what to do', async () => {
    const { status, body } = await browser.get('/api/me');
    expect({ status, type: body.type }).toEqual({ status: 409, type: NOT_MOVED_IN });
    expect(body.detail).toContain('Open the address');
  });

  it('keeps what has been typed, right or wrong, also over a start that tells another address', async () => {
    const first = await glen.offer();
    const draft = { you: { name: 'In', email: 'not an address' } };
    const kept = await browser.put(`/api/move-in/${first}`, { version: 1, draft });
    expect(kept.body).toMatchObject({ version: 2, draft });
    const second = await glen.offer();
    expect((await browser.get(`/api/move-in/${first}`)).status).toBe(404);
    expect((await glen.browser().get(`/api/move-in/${second}`)).body).toMatchObject({ draft });
  });

  it('tells the slower of two who type at once, and shows what stands there', async () => {
    const token = await glen.offer();
    const put = (name: string) =>
      browser.put(`/api/move-in/${token}`, { version: 1, draft: { you: { name, email: '' } } });
    expect((await put('Ines')).status).toBe(200);
    const slower = await put('Inez');
    expect(slower.status).toBe(409);
    expect(slower.body.current.draft.you.name).toBe('Ines');
  });

  it('knows public holidays of a region', async () => {
    const token = await glen.offer();
    const ask = (query: string) => browser.get(`/api/move-in/${token}/holidays?${query}`);
    const { body } = await ask('region=CA-NS&first=2026-09-01&last=2026-12-18');
    expect(body.holidays).toContainEqual({ name: 'Remembrance Day', date: '2026-11-11' });
    expect((await ask('region=nowhere&first=2026-09-01&last=2026-12-18')).body.holidays).toEqual(
      [],
    );
    expect(
      (await browser.get('/api/move-in/x/holidays?region=CA&first=2026-09-01&last=2026-12-18'))
        .status,
    ).toBe(404);
  });

  it('an address that nobody was told opens nothing', async () => {
    await glen.offer();
    for (const token of ['x', 'null', 'undefined', '%E2%80%AE'])
      expect((await finish(token)).status).toBe(404);
  });
});

describe('moving in', () => {
  it('makes the school and the first account, signs it in, and is done for good', async () => {
    const token = await glen.offer();
    const { status, body } = await finish(token);
    expect(status).toBe(200);
    expect(body).toMatchObject({
      school: { name: 'Harbour Street Evening School', zone: 'America/Halifax' },
      demo: false,
      services: { video: false, courseSite: false },
      person: { name: 'Ines Okoro', roles: ['office', 'teacher'] },
      account: { email: 'ines@harbour.example', kind: 'school' },
    });
    expect((await browser.get('/api/classes')).body.classes).toEqual([]);
    expect((await browser.get(`/api/move-in/${token}`)).status).toBe(404);
    expect((await finish(token)).status).toBe(404);
    expect(await offerMovingIn(glen.running.glen)).toBeNull();
  });

  it('lets the account in again by its password, written in another case too', async () => {
    await moveIn(glen);
    const other = glen.browser();
    const answer = await other.post('/api/sign-in', {
      email: 'INES@harbour.example',
      password: 'paper and thread',
    });
    expect(answer.body.person.name).toBe('Ines Okoro');
  });

  it('is won by one of two who finish at once', async () => {
    const token = await glen.offer();
    const answers = await Promise.all([
      finish(token),
      finish(token, moving(), glen.browser()),
      finish(token, moving(), glen.browser()),
    ]);
    expect(answers.map((a) => a.status).sort()).toEqual([200, 404, 404]);
  });

  it.each([
    ['school.name', { school: { ...moving().school, name: ' ' } }],
    ['you.name', { you: { ...moving().you, name: '' } }],
    ['you.email', { you: { ...moving().you, email: 'ines' } }],
    ['you.password', { you: { ...moving().you, password: 'short' } }],
    ['calendar.terms', { calendar: { ...someCalendar(), terms: [] } }],
    ['calendar.zone', { calendar: { ...someCalendar(), zone: 'Atlantis' } }],
  ])('says what is wrong beside %s, and makes nothing', async (path, more) => {
    const token = await glen.offer();
    const { status, body } = await finish(token, moving(more as object));
    expect({ status, paths: body.errors.map((e: { path: string }) => e.path) }).toEqual({
      status: 422,
      paths: [expect.stringContaining(path)],
    });
    expect((await browser.get('/api/me')).status).toBe(409);
    expect((await finish(token)).status).toBe(200);
  });

  it.each(['Q', 'Ngũgĩ wa Thiong’o', '山田', 'x'.repeat(120)])(
    'takes the name %s',
    async (name) => {
      const token = await glen.offer();
      const answer = await finish(token, moving({ you: { ...moving().you, name } }));
      expect(answer.body.person.name).toBe(name);
    },
  );
});

describe('several processes', () => {
  it('tell addresses of their own; the newest works, at any of them', async () => {
    const other = await glen.another();
    try {
      const first = await glen.offer();
      const address = (await offerMovingIn(other.glen))!;
      expect((await finish(first)).status).toBe(404);
      expect((await finish(address.split('/').at(-1)!)).status).toBe(200);
    } finally {
      await other.stop();
    }
  });
});

describe('the environment', () => {
  const least = {
    GLEN_DATABASE_URL: 'mariadb://x',
    GLEN_PUBLIC_URL: 'http://127.0.0.1:1',
    GLEN_SECRET: SECRET,
  };

  it('needs no service outside', () => {
    expect(readConfig(least)).toMatchObject({ video: null, courseSite: null });
  });

  it('wants a secret of some length', () => {
    expect(() => readConfig({ ...least, GLEN_SECRET: 'short' })).toThrow(
      'GLEN_SECRET: at least 32',
    );
    expect(() => readConfig({ ...least, GLEN_SECRET: undefined })).toThrow('GLEN_SECRET');
  });

  it.each(['http://glen.school.example', 'http://192.168.1.20:4880', 'http://127.school.example'])(
    'refuses %s, where anybody on the way can read along',
    (address) => {
      const open = { ...least, GLEN_PUBLIC_URL: address };
      expect(() => readConfig(open)).toThrow('--insecure');
      expect(readConfig({ ...open, GLEN_INSECURE: '1' }).publicUrl).toBe(address);
    },
  );

  it.each(['http://localhost:1', 'http://127.0.0.9:1', 'http://[::1]:1', 'https://glen.example'])(
    'takes %s',
    (address) => {
      expect(readConfig({ ...least, GLEN_PUBLIC_URL: address }).publicUrl).toBe(address);
    },
  );

  it('takes providers of accounts, and names what is wrong with one', () => {
    const provider = {
      id: 'school',
      name: 'Merrow',
      kind: 'school',
      issuer: 'https://accounts.merrow.example',
      clientId: 'glen',
      clientSecret: 'given by the provider',
    };
    const read = (...providers: object[]) =>
      readConfig({ ...least, GLEN_SIGN_ON: JSON.stringify(providers) }).signOn;
    expect(read(provider)).toEqual([{ ...provider, provesAddresses: false }]);
    expect(readConfig(least).signOn).toEqual([]);
    const wrong: [object, string][] = [
      [{ ...provider, kind: 'private' }, 'GLEN_SIGN_ON 0.kind: school or personal'],
      [{ ...provider, id: 'The School' }, 'GLEN_SIGN_ON 0.id: small letters'],
      [{ ...provider, issuer: 'http://accounts.merrow.example' }, 'is plain http'],
      [{ ...provider, secret: 'x' }, 'GLEN_SIGN_ON 0'],
    ];
    for (const [given, said] of wrong) expect(() => read(given)).toThrow(said);
    expect(() => read(provider, provider)).toThrow('two have the same id');
    expect(() => readConfig({ ...least, GLEN_SIGN_ON: 'school' })).toThrow('JSON such as');
  });

  it('names what goes with what where half a service is set', () => {
    expect(() => readConfig({ ...least, GLEN_VIDEO_URL: 'http://video.example' })).toThrow(
      'GLEN_VIDEO_SECRET: GLEN_VIDEO_URL and GLEN_VIDEO_SECRET go together',
    );
  });
});
