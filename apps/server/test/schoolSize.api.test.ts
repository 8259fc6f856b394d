import { createConnection, type Connection } from 'mariadb';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { fillSchool } from '../../../bench/bigSchool.mjs';
import { startSchool, type Browser, type School } from './support.js';

// What endpoints read in a school of a crowd, by the database server's own count of rows (`userstat`), beside what they
// read in the demo school alone: nobody of the crowd has to do with those who ask, so that is what they need.

const CROWD = { people: 4000, classes: 160, dates: 120 };
/** So many rows may be looked at for each that is needed. */
const ROWS_FOR_ONE = 5;

let school: School;
let server: Connection;

/** A look that somebody takes, and how many rows beside the demo's its answer needs. */
interface Look {
  name: string;
  by: Browser;
  path: string;
  /** Of the crowd, where it is in the answer. */
  ofCrowd?: number;
}

const ofDatabase = (): string => new URL(school.running.glen.config.databaseUrl).pathname.slice(1);

async function rowsReadSoFar(): Promise<number> {
  // What the outbox and the feed of changes look at goes on beside.
  const [row] = (await server.query(
    `SELECT COALESCE(SUM(ROWS_READ), 0) AS n FROM information_schema.TABLE_STATISTICS
     WHERE TABLE_SCHEMA = ? AND TABLE_NAME NOT IN ('outbox', 'changes', 'school_clock')`,
    [ofDatabase()],
  )) as { n: bigint | number }[];
  return Number(row!.n);
}

async function rowsReadBy({ by, path }: Look): Promise<number> {
  const before = await rowsReadSoFar();
  const answer = await by.get(path);
  expect([path, answer.status]).toEqual([path, 200]);
  return (await rowsReadSoFar()) - before;
}

const MONTH = 'from=2026-10-01&to=2026-10-31';
/** A page of all class periods: thirty of them, each with its link, its roll counted, and its dates of a month. */
const A_PAGE = 30 * (25 + 31 + 8);

async function looks(): Promise<Look[]> {
  const [teacher, student, office] = await Promise.all(
    ['Ottoline Marsh', 'Ansel Grue', 'Noor Achterberg'].map((name) => school.as(name)),
  );
  const { id, link } = school.classes.get('N1')!;
  const as = (by: Browser) => (name: string, path: string, ofCrowd?: number) => ({
    ...{ name, by, path },
    ...(ofCrowd === undefined ? {} : { ofCrowd }),
  });
  const [ofTeacher, ofStudent, ofOffice] = [as(teacher!), as(student!), as(office!)];
  return [
    ofTeacher('a teacher’s day', '/api/today'),
    ofTeacher('their class periods', '/api/classes'),
    ofTeacher('the page of one', `/api/classes/${id}`),
    ofTeacher('their plan', `/api/strip?${MONTH}`),
    ofTeacher('everybody’s plan', `/api/strip?${MONTH}&of=all`, A_PAGE),
    ofTeacher('what is booked', `/api/classes/${id}/bookings?${MONTH}`),
    ofTeacher('their links', '/api/links'),
    ofTeacher('their posts', '/api/posts'),
    ofTeacher('their feeds', '/api/feeds'),
    ofTeacher('what they look for', '/api/find?q=navig'),
    ofTeacher('who they are', '/api/me'),
    ofStudent('a student’s day', '/api/my-day'),
    ofStudent('a door', `/api/door/${link.code}`),
    ofOffice('whom they look for', '/api/find?q=crowd12', 16),
    ofOffice('whom they look for by a letter', '/api/find?q=c', 16),
    // A page of a hundred with their addresses; everybody is counted.
    ofOffice('people', '/api/people', CROWD.people + 300),
    // With the roll of each counted.
    ofOffice('all class periods', '/api/classes', CROWD.classes * (25 + 5)),
    ofOffice('what happened', '/api/happened'),
  ];
}

const needs = new Map<string, number>();

beforeAll(async () => {
  school = await startSchool();
  server = await createConnection({ host: '127.0.0.1', port: inject('mariadbPort'), user: 'root' });
  await server.query('SET GLOBAL userstat = 1');
  for (const look of await looks()) needs.set(look.name, await rowsReadBy(look));
  await server.query(`USE ${ofDatabase()}`);
  await fillSchool((sql) => server.query(sql), CROWD);
}, 180000);
afterAll(async () => {
  await server.end();
  await school.stop();
});

describe('in a school of many', () => {
  it(`nobody’s look reads more than ${ROWS_FOR_ONE} rows for each that it needs`, async () => {
    const told: string[] = [];
    for (const look of await looks()) {
      const rows = await rowsReadBy(look);
      const needed = Math.max(1, needs.get(look.name)! + (look.ofCrowd ?? 0));
      if (rows > ROWS_FOR_ONE * needed) told.push(`${look.name}: ${rows} for ${needed}`);
    }
    expect(told).toEqual([]);
  }, 60000);
  it('everybody’s plan comes in pages, each class period once and in order', async () => {
    const teacher = await school.as('Ottoline Marsh');
    const seen: { id: number; period: string | null; title: string }[] = [];
    let after = '';
    for (let hasMore = true; hasMore;) {
      const { body } = await teacher.get(`/api/strip?${MONTH}&of=all${after}`);
      expect(body.classes.length).toBeLessThanOrEqual(30);
      seen.push(...body.classes);
      ({ hasMore } = body);
      after = `&after=${seen.at(-1)!.id}`;
    }
    expect(new Set(seen.map((c) => c.id)).size).toBe(seen.length);
    expect(seen.length).toBeGreaterThan(CROWD.classes);
    const periods = seen.map((c) => c.period ?? '~');
    expect(periods).toEqual([...periods].sort());
  });
});
