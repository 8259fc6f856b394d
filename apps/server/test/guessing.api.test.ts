import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { Browser, startSchool, type School } from './support.js';

// Guessing is slowed down, and nobody is shut out by what others guess.

let school: School;
beforeAll(async () => {
  school = await startSchool();
});
afterAll(() => school.stop());

const PASSWORD = 'fair-winds-2026';

const signIn = (browser: Browser, email: string, password: string) =>
  browser.post('/api/sign-in', { email, password });

/** Guesses from browsers that nobody knows until one is told to wait; what each was told. */
async function guessUntilHeldUp(email: string): Promise<number[]> {
  const answers: number[] = [];
  while (!answers.includes(429) && answers.length < 20)
    answers.push((await signIn(new Browser(school.url), email, `guess ${answers.length}`)).status);
  return answers;
}

describe('guesses at an account', () => {
  it('are slowed down, whatever browser they come from, and others’ accounts are not', async () => {
    const answers = await guessUntilHeldUp('b.osterholt@merrow.example');
    expect(answers.slice(0, 5)).toEqual([422, 422, 422, 422, 422]);
    expect(answers.at(-1)).toBe(429);
    const right = await signIn(new Browser(school.url), 'b.osterholt@merrow.example', PASSWORD);
    expect(right.status).toBe(429);
    expect(right.body.title).toMatch(/^Too many tries. Wait \d+ (seconds?|minutes?), then try/);
    const other = await signIn(new Browser(school.url), 'i.kellaway@merrow.example', PASSWORD);
    expect(other.status).toBe(200);
  });

  it('keep nobody out who has signed in from their browser before', async () => {
    const email = 'o.marsh@merrow.example';
    const own = new Browser(school.url);
    expect((await signIn(own, email, PASSWORD)).status).toBe(200);
    await own.post('/api/sign-out');
    expect((await guessUntilHeldUp(email)).at(-1)).toBe(429);
    expect((await signIn(own, email, PASSWORD)).status).toBe(200);
  });

  it('from a known browser make it count as any other', async () => {
    const email = 't.verhage@merrow.example';
    const own = new Browser(school.url);
    expect((await signIn(own, email, PASSWORD)).status).toBe(200);
    const answers: number[] = [];
    while (!answers.includes(429) && answers.length < 30)
      answers.push((await signIn(own, email, `guess ${answers.length}`)).status);
    expect(answers.at(-1)).toBe(429);
    expect(answers.length).toBeGreaterThan(10);
  });

  it('made all at once are no way around it', async () => {
    const email = 's.aalto@merrow.example';
    const tries = Array.from({ length: 40 }, (_, i) =>
      signIn(new Browser(school.url), email, `guess ${i}`),
    );
    const answers = await Promise.all(tries);
    const checked = answers.filter(({ status }) => status === 422);
    expect(checked.length).toBeLessThanOrEqual(10);
    expect(answers.filter(({ status }) => status === 429).length).toBe(40 - checked.length);
  });

  it('made all at once from a known browser are none either', async () => {
    const email = 'i.kellaway@merrow.example';
    const own = new Browser(school.url);
    expect((await signIn(own, email, PASSWORD)).status).toBe(200);
    const tries = Array.from({ length: 40 }, (_, i) => signIn(own, email, `guess ${i}`));
    const checked = (await Promise.all(tries)).filter(({ status }) => status === 422);
    expect(checked.length).toBeLessThanOrEqual(20);
  });

  it('at an address that nobody has are told the same', async () => {
    const answers = await guessUntilHeldUp('nobody@merrow.example');
    expect(answers.slice(0, 5)).toEqual([422, 422, 422, 422, 422]);
    expect(answers.at(-1)).toBe(429);
  });

  it('that are right begin the count anew', async () => {
    const email = 'n.achterberg@merrow.example';
    for (let i = 0; i < 4; i++) {
      expect((await signIn(new Browser(school.url), email, 'a slip')).status).toBe(422);
      expect((await signIn(new Browser(school.url), email, 'a slip')).status).toBe(422);
      expect((await signIn(new Browser(school.url), email, PASSWORD)).status).toBe(200);
    }
  });

  it('from one network have a ceiling that many a school’s slips stay below', async () => {
    const { db, clock } = school.running.glen;
    const at = clock.machine();
    const bucket = 'sign-in-from:127.0.0.1';
    await db.models.Failure.destroy({ where: { bucket } });
    const wrong = Array.from({ length: 290 }, () => ({ bucket, at }));
    await db.models.Failure.bulkCreate(wrong);
    const stranger = new Browser(school.url);
    expect((await signIn(stranger, 'office@merrow.example', 'x')).status).toBe(422);
    await db.models.Failure.bulkCreate(wrong);
    const known = await school.as('Noor Achterberg');
    expect((await signIn(stranger, 'office@merrow.example', PASSWORD)).status).toBe(429);
    expect((await signIn(known, 'n.achterberg@merrow.example', PASSWORD)).status).toBe(200);
    await db.models.Failure.destroy({ where: { bucket } });
  });
});
