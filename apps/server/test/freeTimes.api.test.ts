import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Answer, Sent } from '@glen/contract';
import { startSchool, type Browser, type School } from './support.js';

// Times at which people are free, asked for by a teacher on the demo's Wed 14 Oct, 10:31.

let school: School;
let host: Browser;

beforeEach(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
});
afterEach(() => school.stop());

const id = (name: string): number => school.person(name).id;
const asked = (more: Partial<Sent<'freeTimes'>>): Sent<'freeTimes'> => ({
  must: [id('Ottoline Marsh')],
  may: [],
  from: '2026-10-15',
  to: '2026-10-15',
  hours: { from: '08:00', to: '16:00' },
  days: 'school',
  minutes: 50,
  bells: false,
  ...more,
});
const ask = (more: Partial<Sent<'freeTimes'>>, by = host) =>
  by.post('/api/free-times', asked(more));
const found = async (more: Partial<Sent<'freeTimes'>>): Promise<Answer<'freeTimes'>> =>
  (await ask(more)).body;
const clock = ({ busy }: Answer<'freeTimes'>['people'][number]): string[] =>
  busy
    .filter(({ start }) => start.startsWith('2026-10-15'))
    .map(({ start, end }) => `${start.slice(11, 16)}-${end.slice(11, 16)}`);

describe('free times', () => {
  it('lie between the sessions of whoever must come, on the books of nobody', async () => {
    const { times, misses, people, windows } = await found({});
    // Thursday: Marine Weather 09:35, Ropework 13:20, Navigation 14:15 (Halifax is three hours behind).
    expect(clock(people[0]!)).toEqual(['12:35-13:25', '16:20-17:10', '17:15-18:05']);
    expect(times.map(({ time, until, missing }) => [time, until, missing])).toEqual([
      ['08:00', '08:50', []],
      ['10:25', '11:15', []],
      ['11:15', '12:05', []],
    ]);
    expect(misses).toEqual([]);
    expect(windows).toEqual([
      { date: '2026-10-15', start: '2026-10-15T11:00:00Z', end: '2026-10-15T19:00:00Z' },
    ]);
  });

  it('count when class periods are taught, too, where that is asked', async () => {
    const { times } = await found({ bells: true });
    expect(times.map(({ time }) => time)).toEqual(['11:35', '12:25', '15:05']);
  });

  it('put first when most of those can come who may, and say who cannot', async () => {
    const may = [id('Tomas Verhage'), id('Signe Aalto')];
    const { times, people } = await found({ may, bells: true });
    const counts = times.map(({ missing }) => missing.length);
    expect(counts).toEqual([...counts].sort());
    expect(people.map(({ name, must }) => [name, must])).toEqual([
      ['Ottoline Marsh', true],
      ['Tomas Verhage', false],
      ['Signe Aalto', false],
    ]);
  });

  it('never say with what somebody is busy', async () => {
    const text = JSON.stringify(await found({ must: [id('Ansel Grue')] }));
    expect(text).not.toMatch(/Navigation|Ropework|title/);
  });

  it('are not kept from whom drop-in hours are for, but while their own slot is', async () => {
    const today = { from: '2026-10-14', to: '2026-10-14', must: [id('Ansel Grue')] };
    const { people } = await found(today);
    const busy = people[0]!.busy.filter(({ start }) => start.startsWith('2026-10-14'));
    expect(busy).toContainEqual({ start: '2026-10-14T14:40:00Z', end: '2026-10-14T14:55:00Z' });
    const other = (await found({ ...today, must: [id('Birgit Tideman')] })).people[0]!;
    expect(other.busy.some(({ start }) => start === '2026-10-14T14:40:00Z')).toBe(false);
  });

  it('begin no sooner than now', async () => {
    const { times } = await found({ from: '2026-10-14', to: '2026-10-14', minutes: 10 });
    expect(times.every(({ start }) => start >= '2026-10-14T13:31:00Z')).toBe(true);
  });

  it('are told as near misses, with who is in the way, where there are none', async () => {
    const { times, misses } = await found({ hours: { from: '09:30', to: '10:30' }, minutes: 60 });
    expect(times).toEqual([]);
    expect(misses).toMatchObject([{ time: '09:30', missing: [id('Ottoline Marsh')] }]);
  });

  it('are told of staff, and of students whom one teaches; of everybody to the office', async () => {
    const must = [id('Ansel Grue')];
    const stranger = await school.as('Bram Osterholt');
    expect((await ask({ must })).status).toBe(200);
    expect((await ask({ must }, stranger)).status).toBe(403);
    expect((await ask({ must: [id('Tomas Verhage')] }, stranger)).status).toBe(200);
    expect((await ask({ must }, await school.as('Perpetua Lund'))).status).toBe(200);
    expect((await ask({}, await school.as('Ansel Grue'))).status).toBe(403);
  });

  it('are refused beside the field where the question makes no sense', async () => {
    const path = async (more: Partial<Sent<'freeTimes'>>): Promise<string> =>
      (await ask(more)).body.errors[0].path;
    expect(await path({ must: [] })).toBe('must');
    expect(await path({ must: [999999] })).toBe('must');
    expect(await path({ to: '2026-10-14' })).toBe('to');
    expect(await path({ to: '2027-06-30' })).toBe('to');
    expect(await path({ hours: { from: '12:00', to: '12:00' } })).toBe('hours.to');
    expect(await path({ minutes: 4 })).toBe('minutes');
  });
});

describe('a session at a free time', () => {
  it('is scheduled on a fresh link for those alone, and that goes with it', async () => {
    const { id: classId } = school.classes.get('N3')!;
    const people = [id('Ottoline Marsh'), id('Signe Aalto'), id('Ansel Grue')];
    const { body } = await host.post(`/api/classes/${classId}/sessions`, {
      title: 'About the tide tables',
      description: '',
      plan: { first: '2026-10-15', at: { time: '11:35', minutes: 50 } },
      freshLink: true,
      freshFor: people,
    });
    const link = (await host.get(`/api/links/${body.session.linkId}`)).body as Answer<'link'>;
    expect(link.audience).toEqual([
      { kind: 'person', id: id('Signe Aalto'), name: 'Signe Aalto' },
      { kind: 'person', id: id('Ansel Grue'), name: 'Ansel Grue' },
    ]);
    const day = (await found({ must: [id('Ansel Grue')] })).people[0]!;
    expect(clock(day)).toContain('14:35-15:25');
    await host.post('/api/sessions/take-back', { touched: body.touched });
    expect(clock((await found({ must: [id('Ansel Grue')] })).people[0]!)).not.toContain(
      '14:35-15:25',
    );
  });

  it('is for nobody who is not known', async () => {
    const { id: classId } = school.classes.get('N3')!;
    const { status, body } = await host.post(`/api/classes/${classId}/sessions`, {
      title: 'With whom?',
      description: '',
      plan: { first: '2026-10-15', at: { time: '11:35', minutes: 50 } },
      freshLink: true,
      freshFor: [999999],
    });
    expect([status, body.errors[0].path]).toEqual([422, 'freshFor']);
  });
});
