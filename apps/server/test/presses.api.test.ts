import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { Browser, startSchool, type School } from './support.js';

let school: School;
let host: Browser;
let classId: number;
beforeAll(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
  classId = school.classes.get('N3')!.id;
});
afterAll(() => school.stop());

const path = (): string => `/api/classes/${classId}/sessions`;
/** A session by its title, on a day of its own. */
const session = (title: string) => ({
  title,
  description: '',
  plan: { first: '2026-11-19', at: { time: '19:00', minutes: 30 } },
});
const count = (title: string): Promise<number> =>
  school.running.glen.db.models.Occurrence.count({ where: { title } });

const rows = () => school.running.glen.db.models.Press.findAll();

describe('a write that comes with a key', () => {
  it('is done once, and answered twice alike', async () => {
    const key = randomUUID();
    const first = await host.press(key, path(), session('Once'));
    const second = await host.press(key, path(), session('Once'));
    expect([first.status, second.status]).toEqual([200, 200]);
    expect(second.body).toEqual(first.body);
    expect(await count('Once')).toBe(1);
  });

  it('is done once where it comes ten times at once', async () => {
    const key = randomUUID();
    const answers = await Promise.all(
      Array.from({ length: 10 }, () => host.press(key, path(), session('Ten'))),
    );
    expect(new Set(answers.map((a) => a.status))).toEqual(new Set([200]));
    expect(new Set(answers.map((a) => JSON.stringify(a.body))).size).toBe(1);
    expect(await count('Ten')).toBe(1);
  });

  it('is another for another press, and for another browser', async () => {
    const key = randomUUID();
    await host.press(key, path(), session('Others'));
    await host.press(randomUUID(), path(), session('Others'));
    const colleague = await school.as('Tomas Verhage');
    expect((await colleague.press(key, path(), session('Others'))).status).toBe(200);
    expect(await count('Others')).toBe(3);
  });

  it('is refused where the key came with something else before', async () => {
    const key = randomUUID();
    await host.press(key, path(), session('One'));
    expect((await host.press(key, path(), session('Another'))).status).toBe(422);
    expect(await count('Another')).toBe(0);
  });

  it('may be mended and sent again where it came to nothing', async () => {
    const key = randomUUID();
    expect((await host.press(key, path(), { ...session('Mended'), title: '' })).status).toBe(422);
    expect((await host.press(key, path(), session('Mended'))).status).toBe(200);
  });

  it('asks for a key that nobody has by chance', async () => {
    for (const key of ['1', 'x'.repeat(101), 'sixteen letters and some'])
      expect((await host.press(key, path(), session('Odd'))).status).toBe(400);
  });

  it('signs in once, and has the browser keep it again', async () => {
    const { accounts } = school.person('Ansel Grue');
    const accountId = accounts[0]!.id;
    const key = randomUUID();
    const [first, second] = [new Browser(school.url), new Browser(school.url)];
    await first.press(key, '/api/demo/sign-in', { accountId });
    await second.press(key, '/api/demo/sign-in', { accountId });
    const who = async (browser: Browser) => (await browser.get('/api/me')).body;
    expect((await who(second)).account).toEqual((await who(first)).account);
    expect((await who(second)).person.name).toBe('Ansel Grue');
  });
});

describe('a process that is killed', () => {
  it('after it has done it, and before it could tell: nothing is done twice', async () => {
    const key = randomUUID();
    const before = new Set((await rows()).map((row) => row.key_hash));
    await host.press(key, path(), session('Killed after'));
    const { key_hash: keyHash } = (await rows()).find((row) => !before.has(row.key_hash))!;
    const { db } = school.running.glen;
    await db.models.Press.update({ answer: null }, { where: { key_hash: keyHash } });
    const again = await host.press(key, path(), session('Killed after'));
    expect(again.status).toBe(409);
    expect(again.body.type).toBe('urn:glen:asked-already');
    expect(await count('Killed after')).toBe(1);
  });

  it('before it has done anything: whoever comes a minute later does it', async () => {
    const key = randomUUID();
    await host.press(key, path(), session('Killed before'));
    const { db } = school.running.glen;
    const all = await rows();
    const last = all.toSorted((a, b) => a.made_at.localeCompare(b.made_at)).at(-1)!;
    expect(last.state).toBe('done');
    for (const { key_hash } of all)
      await db.models.Press.update(
        { state: 'going', answer: null, until_at: '2026-01-01T00:00:00Z' },
        { where: { key_hash } },
      );
    expect((await host.press(key, path(), session('Killed before'))).status).toBe(200);
    expect(await count('Killed before')).toBe(2);
  });
});

describe('what is kept of answers', () => {
  it('is sealed under a key that is kept nowhere', async () => {
    const key = randomUUID();
    await host.press(key, path(), session('Sealed with wax'));
    const kept = JSON.stringify(await rows());
    expect(kept).not.toContain('with wax');
    expect(kept).not.toContain(key);
    const { tokens } = school.running.glen;
    const sealed = tokens.seal(key, 'Sealed with wax');
    expect(tokens.open(key, sealed)).toBe('Sealed with wax');
    expect(() => tokens.open(randomUUID(), sealed)).toThrow();
  });
});
