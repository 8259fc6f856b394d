import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Answer } from '@glen/contract';
import { startSchool, type Browser, type School } from './support.js';

let school: School;
let head: Browser;

beforeEach(async () => {
  school = await startSchool();
  head = await school.as('Noor Achterberg');
});
afterEach(() => school.stop());

const about = async (browser = head): Promise<Answer<'aboutSchool'>> =>
  (await browser.get('/api/school/about')).body;
async function set(part: object) {
  const { mayEdit: _, ...now } = await about();
  return head.put('/api/school/about', { ...now, ...part });
}
const n3 = async (browser: Browser): Promise<Answer<'classPeriod'>> =>
  (await browser.get(`/api/classes/${school.classes.get('N3')!.id}`)).body;

describe('what a school says of itself', () => {
  it('is read by its teachers and changed by head and office', async () => {
    const teacher = await school.as('Ottoline Marsh');
    expect(await about(teacher)).toMatchObject({ zone: 'America/Halifax', mayEdit: false });
    expect((await set({ name: 'Merrow Sound', help: 'the office, ext. 12' })).status).toBe(200);
    const { school: said } = (await teacher.get('/api/me')).body;
    expect(said).toMatchObject({ name: 'Merrow Sound', help: 'the office, ext. 12' });
  });

  it('leaves making class periods to the office', async () => {
    const teacher = await school.as('Ottoline Marsh');
    await set({ classesBy: 'office' });
    expect((await teacher.get('/api/me')).body.school.classesBy).toBe('office');
    expect((await teacher.post('/api/classes', { title: 'Knots' })).status).toBe(403);
    expect((await head.post('/api/classes', { title: 'Knots' })).status).toBe(200);
  });

  it('is saved by one of two; the other is shown how it stands', async () => {
    const { mayEdit: _, ...before } = await about();
    await set({ name: 'The first' });
    const { status, body } = await head.put('/api/school/about', { ...before, name: 'The second' });
    expect({ status, name: body.current.name }).toEqual({ status: 409, name: 'The first' });
  });

  it.each([
    ['name', { name: ' ' }],
    ['zone', { zone: 'Atlantis/Harbour' }],
    ['help', { help: 'x'.repeat(301) }],
  ])('says what is wrong beside %s', async (path, part) => {
    const { status, body } = await set(part);
    expect({ status, path: body.errors[0].path }).toEqual({ status: 422, path });
  });
});

describe('another time zone, with sessions on the books', () => {
  it('says first what would begin at another moment', async () => {
    const { body } = await head.post('/api/school/about/zone', { zone: 'Europe/Lisbon' });
    expect(body.notes[0].title).toMatch(/^\d+ sessions begin at another moment$/);
    expect(body.notes[0].text).toContain('4 hours earlier than now');
    expect((await head.post('/api/school/about/zone', { zone: 'Nowhere' })).status).toBe(422);
  });

  it('keeps every hour on the clock; what has begun stays, and hosts are told', async () => {
    const teacher = await school.as('Ottoline Marsh');
    const before = await n3(teacher);
    expect((await set({ zone: 'America/St_Johns' })).status).toBe(200);
    const after = await n3(teacher);
    // Today's would have begun already; it stays where it is, as the next test says.
    const clock = (c: Answer<'classPeriod'>) =>
      c.sessions.filter((s) => s.date !== '2026-10-14').map((s) => `${s.date} ${s.time}`);
    expect(clock(after)).toEqual(clock(before));
    const startOn = (c: Answer<'classPeriod'>, date: string) =>
      c.sessions.find((s) => s.date === date)!.start;
    // From memory: Newfoundland's clocks are half an hour ahead of Halifax's.
    expect([startOn(before, '2026-10-21'), startOn(after, '2026-10-21')]).toEqual([
      '2026-10-21T13:45:00Z',
      '2026-10-21T13:15:00Z',
    ]);
    expect(startOn(after, '2026-10-07')).toBe(startOn(before, '2026-10-07'));
    const { notes } = (await teacher.get('/api/today')).body;
    expect(JSON.stringify(notes)).toContain('The school’s time zone has changed');
  });

  it('is taken back whole: what would have begun already has stayed where it was', async () => {
    const teacher = await school.as('Ottoline Marsh');
    const starts = async () => (await n3(teacher)).sessions.map((s) => `${s.start} ${s.time}`);
    const before = await starts();
    await set({ zone: 'Europe/Lisbon' });
    const today = (await n3(teacher)).sessions.find((s) => s.date === '2026-10-14')!;
    expect(today).toMatchObject({ start: '2026-10-14T13:45:00Z', time: '14:45' });
    await set({ zone: 'America/Halifax' });
    expect(await starts()).toEqual(before);
  });

  it('takes along what has been put away', async () => {
    const teacher = await school.as('Ottoline Marsh');
    const { class: c, version } = await n3(teacher);
    const away = await teacher.post(`/api/classes/${c.id}/put-away`, { version });
    await set({ zone: 'America/St_Johns' });
    await teacher.post(`/api/classes/${c.id}/bring-back`, { version: away.body.version });
    const { sessions } = await n3(teacher);
    expect(sessions.find((s) => s.date === '2026-10-21')!.start).toBe('2026-10-21T13:15:00Z');
  });
});
