import { parse } from 'csv-parse/sync';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Answer } from '@glen/contract';
import { startSchool, type Browser, type School } from './support.js';

// The week's return: for each class period and for the head, by session and by person.

let school: School;
let host: Browser;
let head: Browser;
beforeAll(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
  head = await school.as('Noor Achterberg');
});
afterAll(() => school.stop());

const week = async (by: Browser, query = ''): Promise<Answer<'weekRegisters'>> => {
  const answer = await by.get(`/api/registers?week=2026-10-07${query}`);
  expect([answer.status, answer.body]).toEqual([200, answer.body]);
  return answer.body as Answer<'weekRegisters'>;
};
const file = async (by: Browser, query = ''): Promise<Record<string, string>[]> => {
  const { text, headers } = await by.get(`/api/registers.csv?week=2026-10-07${query}`);
  expect(headers['content-type']).toBe('text/csv; charset=utf-8');
  expect(headers['content-disposition']).toContain('who-came-2026-10-05.csv');
  return parse(text, { columns: true, bom: true, record_delimiter: '\r\n' });
};

describe('the week', () => {
  it('is told from Monday to Sunday, by session, as each register says it', async () => {
    const { week: monday, until, classes, ofSchool } = await week(host);
    expect([monday, until, ofSchool]).toEqual(['2026-10-05', '2026-10-11', false]);
    for (const { sessions } of classes)
      for (const { seriesId, key, counts, state } of sessions) {
        expect(state).toBe('held');
        const path = `/api/series/${seriesId}/register?on=${key}`;
        const { rows } = (await host.get(path)).body as Answer<'register'>;
        const of = (stands: string): number => rows.filter((row) => row.stands === stands).length;
        expect(counts).toEqual({
          present: of('present'),
          partly: of('partly'),
          excused: of('excused'),
          absent: of('absent'),
          guests: of('guest'),
          late: rows.filter((row) => row.late).length,
        });
      }
  });

  it('has for the head what everybody hosts, and for a host their own alone', async () => {
    const all = await week(head);
    const own = await week(host);
    expect(all.ofSchool).toBe(true);
    const ids = (of: typeof all): number[] => of.classes.map(({ id }) => id);
    expect(ids(all)).toEqual(expect.arrayContaining(ids(own)));
    expect(ids(all).length).toBeGreaterThan(ids(own).length);
    const another = await week(await school.as('Signe Aalto'));
    expect(another.classes).toEqual([]);
  });

  it('tells of one class period by person, and of nobody where one does not host it', async () => {
    const { id } = school.classes.get('N3')!;
    const { people, classes } = await week(host, `&classId=${id}`);
    expect(classes.map((one) => one.id)).toEqual([id]);
    const marks = people!.flatMap((person) => person.marks);
    const present = marks.filter(({ stands }) => stands === 'present').length;
    const counted = classes[0]!.sessions.reduce((sum, { counts }) => sum + counts!.present, 0);
    expect(present).toBe(counted);
    const stranger = await school.as('Signe Aalto');
    expect(await week(stranger, `&classId=${id}`)).toMatchObject({ classes: [], people: [] });
  });

  it('is refused for a day that is none', async () => {
    const answer = await host.get('/api/registers?week=2026-13-45');
    expect([answer.status, answer.body.errors[0].path]).toEqual([422, 'week']);
  });

  it('says which doors nobody opened, and what is to come', async () => {
    const { classes } = (await host.get('/api/registers')).body as Answer<'weekRegisters'>;
    const n6 = classes.find(({ id }) => id === school.classes.get('N6')!.id)!;
    expect(n6.sessions.map(({ state }) => state)).toContain('to-come');
    await school.setTime('16:00');
    const later = (await host.get('/api/registers')).body as Answer<'weekRegisters'>;
    const now = later.classes.find(({ id }) => id === n6.id)!;
    expect(now.sessions.find(({ date }) => date === '2026-10-14')).toMatchObject({
      state: 'not-opened',
      counts: null,
    });
    await school.setTime('10:31');
  });

  it('is a file with a line for each person and session, settled or not', async () => {
    const rows = await file(host);
    const { classes } = await week(host);
    const sizes = classes.flatMap(({ sessions }) =>
      sessions.map(({ counts }) => {
        const { present, partly, excused, absent } = counts!;
        return present + partly + excused + absent;
      }),
    );
    expect(rows).toHaveLength(sizes.reduce((sum, size) => sum + size, 0));
    const { id } = school.classes.get('N3')!;
    const corrected = (await file(host, `&classId=${id}`)).filter((row) => row.Reason !== '');
    expect(corrected.every((row) => row['Class period'] === 'Coastal Navigation, period 3')).toBe(
      true,
    );
    const notSettled = await host.get('/api/registers.csv');
    const today = parse(notSettled.text, { columns: true, bom: true }) as Record<string, string>[];
    expect(new Set(today.map((row) => row.Settled))).toEqual(new Set(['yes', 'no']));
  });
});
