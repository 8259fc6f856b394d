import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { addDays } from '@glen/core';
import type { Answer, Session } from '@glen/contract';
import { forgetArrivals } from '../src/features/register/forget.js';
import { settleByItself } from '../src/features/register/settle.js';
import { beginWeek, tellWeek } from '../src/features/register/weekWord.js';
import { mailsCome, mailsFor, wish } from './mailTools.js';
import { startSchool, until, type Browser, type School } from './support.js';

// What a school does with its registers: whom it tells, what students see, and how long arrivals are kept.

let school: School;
let host: Browser;
let office: Browser;
beforeEach(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
  office = await school.as('Perpetua Lund');
});
afterEach(() => school.stop());

const OTTOLINE = 'o.marsh@merrow.example';
const HEAD = 'n.achterberg@merrow.example';
const FRIDAY = '2026-10-16';

const ways = async (by = office): Promise<Answer<'registerWays'>> =>
  (await by.get('/api/school/registers')).body as Answer<'registerWays'>;
const setWays = async (change: object) => {
  const { mayEdit: _, ...kept } = await ways();
  return office.put('/api/school/registers', { ...kept, ...change });
};
const sessionsOf = async (letters: string): Promise<Session[]> => {
  const { id } = school.classes.get(letters)!;
  return ((await host.get(`/api/classes/${id}`)).body as Answer<'classPeriod'>).sessions;
};
const registerOf = async ({ seriesId, key }: Session): Promise<Answer<'register'>> =>
  (await host.get(`/api/series/${seriesId}/register?on=${key}`)).body as Answer<'register'>;

describe('a school’s ways with its registers', () => {
  it('are changed by the head and the office, read by the staff, and kept from a stale edit', async () => {
    const before = await ways(host);
    expect(before).toMatchObject({ returnDay: 5, seenBy: 'own', missedInRow: 3, mayEdit: false });
    expect((await setWays({ missedInRow: 2 })).body).toMatchObject({ missedInRow: 2, version: 2 });
    const late = await setWays({ missedInRow: 4, version: 1 });
    expect([late.status, late.body.current.missedInRow]).toEqual([409, 2]);
  });

  it('are refused where a number is out of bounds, beside its field', async () => {
    expect((await setWays({ keptDays: 1 })).body.errors[0].path).toBe('keptDays');
    expect((await setWays({ missedInRow: -1 })).body.errors[0].path).toBe('missedInRow');
  });
});

describe('the week’s return', () => {
  it('is told to hosts of theirs and to the head of all, on the school’s day, once', async () => {
    await wish(host, { weeks: 'mail' });
    const { glen } = school.running;
    await school.setTime('15:59', FRIDAY);
    await beginWeek(glen);
    expect(await glen.db.models.WeekTold.count()).toBe(0);
    await school.setTime('16:01', FRIDAY);
    await Promise.all([beginWeek(glen), beginWeek(glen)]);
    const [letter] = await mailsCome(school, OTTOLINE, 1);
    expect(letter!.subject).toMatch(/^Who came this week: \d+ sessions$/);
    expect(letter!.text).toContain('Marine Weather, period 2:');
    expect(letter!.text).toContain('/registers?week=2026-10-12');
    const [all] = await mailsCome(school, HEAD, 1);
    const held = (text: string): number =>
      Number(/(\d+) sessions? (?:was|were) held/.exec(text)![1]);
    expect(held(all!.text!)).toBeGreaterThan(held(letter!.text!));
    await tellWeek(glen, '2026-10-12:0');
    expect(await mailsFor(school, OTTOLINE)).toHaveLength(1);
  });

  it('is told on no day where the school wishes so', async () => {
    await setWays({ returnDay: null });
    await school.setTime('16:01', FRIDAY);
    await beginWeek(school.running.glen);
    expect(await school.running.glen.db.models.WeekTold.count()).toBe(0);
  });
});

describe('lessons missed in a row', () => {
  it('are told to the hosts once, as the register of the last is settled', async () => {
    await setWays({ missedInRow: 2 });
    const all = await sessionsOf('W2');
    const past = all.filter(({ date, status }) => date <= '2026-10-14' && status === 'planned');
    const [before, last] = past.slice(-2);
    const { rows } = await registerOf(before!);
    const personId = rows.find((row) => row.stands === 'present')!.personId!;
    const name = rows.find((row) => row.personId === personId)!.name;
    const miss = { personId, status: 'absent', reason: 'Away', version: null };
    for (const { seriesId, key } of past.slice(-3, -2))
      await host.post(`/api/series/${seriesId}/register/correct`, {
        ...miss,
        status: 'present',
        on: key,
      });
    for (const { seriesId, key } of [before!, last!])
      await host.post(`/api/series/${seriesId}/register/correct`, { ...miss, on: key });
    const body = { on: last!.key };
    await host.post(`/api/series/${last!.seriesId}/register/settle`, body);
    const told = await until(
      async () => ((await host.get('/api/words')).body as Answer<'words'>).words,
      (words) => words.some(({ title }) => title === `${name} has missed 2 lessons in a row`),
    );
    expect(told.filter(({ title }) => title.includes('lessons in a row'))).toHaveLength(1);
  });
});

describe('a term', () => {
  const termOf = async (by: Browser, id: number) =>
    (await by.get(`/api/people/${id}/term`)).body as Answer<'personTerm'>;

  it('is told week by week, to hosts of what they host and to students of their own', async () => {
    const { id } = school.person('Ansel Grue');
    const seen = await termOf(office, id);
    const own = (await (await school.as('Ansel Grue')).get('/api/my-term'))
      .body as Answer<'ownTerm'>;
    expect(own.shown).toEqual(seen);
    expect(seen.weeks[0]!.week).toBe('2026-09-07');
    const lessons = seen.weeks.reduce((sum, { present, partly, absent, excused }) => {
      return sum + present + partly + absent + excused;
    }, 0);
    const byClass = seen.classes.reduce((sum, { present, partly, absent, excused }) => {
      return sum + present + partly + absent + excused;
    }, 0);
    expect([lessons, lessons > 0]).toEqual([byClass, true]);
    const { people } = (await host.get(`/api/classes/${school.classes.get('N3')!.id}/term`))
      .body as Answer<'classTerm'>;
    expect(people.find((person) => person.id === id)).toBeDefined();
  });

  it('is shown to no student where the school wishes so', async () => {
    await setWays({ seenBy: 'nobody' });
    const pupil = await school.as('Ansel Grue');
    expect((await pupil.get('/api/my-term')).body).toMatchObject({ shown: null });
  });
});

describe('arrivals', () => {
  it('are forgotten after as long as the school keeps them; how registers stood stays', async () => {
    const { glen } = school.running;
    const session = (await sessionsOf('N1')).find(({ came }) => came > 0)!;
    const before = await registerOf(session);
    expect(before.rows.some(({ spans }) => spans.length > 0)).toBe(true);
    await setWays({ keptDays: 7 });
    await school.setTime('10:00', addDays(session.date, 9));
    await settleByItself(glen);
    while ((await forgetArrivals(glen)) > 0);
    const after = await registerOf(session);
    expect(after.inWords).toBe(before.inWords);
    expect(after.rows.every(({ spans }) => spans.length === 0)).toBe(true);
    const bare = ({ rows }: typeof before) => rows.map(({ spans: _, ...row }) => row);
    expect(bare(after)).toEqual(bare(before));
    const again = (await sessionsOf('N1')).find(({ key }) => key === session.key)!;
    expect(again.came).toBe(session.came);
  });
});
