import { createConnection, type Connection } from 'mariadb';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { endpointNames, endpointOf, type Answer, type EndpointName } from '@glen/contract';
import { fillSchool } from '../../../bench/bigSchool.mjs';
import { startSchool, type Browser, type School } from './support.js';

// What endpoints read in a school of a crowd, by the database server's own count of rows (`userstat`), beside what they
// read in the demo school alone: nobody of the crowd has to do with those who ask, so that is what they need.

const CROWD = { people: 4000, classes: 160, dates: 120 };
/** So many rows may be looked at for each that is needed. */
const ROWS_FOR_ONE = 5;

type Who = ReturnType<typeof endpointOf>['who'];

let school: School;
let server: Connection;

/** A look that somebody takes, and how many rows beside the demo's its answer needs. */
interface Look {
  name: string;
  by: Browser;
  path: string;
  /** Of the crowd, where it is in the answer. */
  ofCrowd: number;
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

const LOOKS = 3;

/** The fewest of a few looks: what the server reads meanwhile, for jobs of its own, is counted too. */
async function fewestReadBy(look: Look, enough: number): Promise<number> {
  let fewest = Infinity;
  for (let i = 0; i < LOOKS && fewest > enough; i++)
    fewest = Math.min(fewest, await rowsReadBy(look));
  return fewest;
}

const MONTH = 'from=2026-10-01&to=2026-10-31';
/** A page of all class periods: thirty of them, each with its link, its roll counted, and its dates of a month. */
const A_PAGE = 30 * (25 + 31 + 8);

/** Those that read nothing of the school, go on for ever, are there only before there is a school, or of a place that the demo has nothing at yet. */
const NOT_LOOKED_AT: EndpointName[] = [
  'live',
  'openapi',
  'demoPeople',
  'moveIn',
  'moveInHolidays',
  'passwordFor',
  'calendarFeed',
  'newsFeed',
  'placementForms',
  'placementLetter',
  // By secrets alone.
  'signOnBack',
  'checkIn',
  // There is none here.
  'recording',
  'letterStop',
  'guestFor',
  'choosing',
  'ownAppointments',
];
const OF_OFFICE: Who[] = ['school-office', 'person-keeper'];
/** Of others, for them alone and the office. */
const OF_THEM: EndpointName[] = ['hosted'];

interface Known {
  seriesId: number;
  postId: number;
  placementId: number;
  eveningId: number;
  /** Two of the roll. */
  personId: number;
  otherId: number;
}

/** What is asked for, where an endpoint wants to be told. */
const QUERIES: Partial<Record<EndpointName, (known: Known) => string>> = {
  strip: () => `?${MONTH}`,
  bookings: () => `?${MONTH}`,
  register: () => '?on=2026-10-14',
  afterLesson: () => '?on=2026-10-14',
  programme: () => '?key=2026-10-14',
  find: () => '?q=navig',
  holidays: () => '?region=CA-NS',
  rollTouched: ({ personId }) => `?personId=${personId}`,
  studentSees: ({ personId }) => `?personId=${personId}`,
  mergeFacts: ({ otherId }) => `?other=${otherId}`,
};
/** Everybody of the staff. */
const OF_STAFF = 3 * Math.ceil(CROWD.classes / 5);
/** Those whose answers hold something of the crowd: how many rows that takes. */
const OF_CROWD: Partial<Record<EndpointName, number>> = {
  // A page of a hundred with their addresses; everybody is counted.
  people: CROWD.people + 300,
  // Whoever of the staff could be a group's tutor.
  groups: OF_STAFF,
  // Whoever of the staff could cover, act for somebody, or take over.
  covers: OF_STAFF,
  helping: OF_STAFF,
  hosted: OF_STAFF,
};

async function knownThings(teacher: Browser, classId: number): Promise<Known> {
  const page = (await teacher.get(`/api/classes/${classId}`)).body as Answer<'classPeriod'>;
  const { db } = school.running.glen;
  const evening = (await db.models.AppointmentEvening.findOne())!;
  const placement = (await db.models.Placement.findOne({ order: ['id'] }))!;
  const seriesId = page.sessions[0]!.seriesId;
  const [personId, otherId] = page.roll.map((person) => person.id) as [number, number];
  return {
    ...{ seriesId, personId, otherId },
    postId: placement.post_id,
    placementId: placement.id,
    eveningId: evening.id,
  };
}

/** Every endpoint that is read, by somebody who may, and some more that the crowd could make slow. */
async function looks(): Promise<Look[]> {
  const teacher = await school.as('Ottoline Marsh');
  const student = await school.as('Ansel Grue');
  const office = await school.as('Perpetua Lund');
  const { id: classId, link } = school.classes.get('N1')!;
  const known = await knownThings(teacher, classId);
  const ids: Record<string, string | number> = {
    ...known,
    ...{ classId, linkId: link.id, code: link.code },
  };
  const all = endpointNames
    .filter((name) => endpointOf(name).method === 'GET' && !NOT_LOOKED_AT.includes(name))
    .map((name): Look => {
      const { path, who } = endpointOf(name);
      const filled = path.replace(/:(\w+)/g, (_, param: string) => String(ids[param]));
      const by = OF_OFFICE.includes(who) || OF_THEM.includes(name) ? office : teacher;
      return {
        name,
        by,
        path: filled + (QUERIES[name]?.(known) ?? ''),
        ofCrowd: OF_CROWD[name] ?? 0,
      };
    });
  return [
    ...all,
    { name: 'a student’s day', by: student, path: '/api/my-day', ofCrowd: 0 },
    { name: 'everybody’s plan', by: teacher, path: `/api/strip?${MONTH}&of=all`, ofCrowd: A_PAGE },
    { name: 'somebody of many', by: office, path: '/api/find?q=crowd12', ofCrowd: 16 },
    { name: 'a letter', by: office, path: '/api/find?q=c', ofCrowd: 16 },
    // With the roll of each counted.
    { name: 'all class periods', by: office, path: '/api/classes', ofCrowd: CROWD.classes * 30 },
  ];
}

/** An evening by appointment, to be read. */
async function planEvening(): Promise<void> {
  const teacher = await school.as('Ottoline Marsh');
  const personId = school.person('Ottoline Marsh').id;
  const { status } = await teacher.post('/api/appointments', {
    title: 'Families’ evening',
    ...{ date: '2026-10-22', time: '18:00', minutes: 60 },
    slots: { minutes: 10, gap: 2, breakEvery: 0, breakMinutes: 0 },
    hosts: [{ personId, classId: school.classes.get('N1')!.id }],
    guests: 'ida@home.example',
  });
  expect(status).toBe(200);
}

const needs = new Map<string, number>();

beforeAll(async () => {
  school = await startSchool();
  server = await createConnection({ host: '127.0.0.1', port: inject('mariadbPort'), user: 'root' });
  await server.query('SET GLOBAL userstat = 1');
  await planEvening();
  for (const look of await looks()) needs.set(look.name, await rowsReadBy(look));
  await server.query(`USE ${ofDatabase()}`);
  await fillSchool((sql) => server.query(sql), CROWD);
});
afterAll(async () => {
  await server.end();
  await school.stop();
});

describe('in a school of many', () => {
  it(`no endpoint that is read looks at more than ${ROWS_FOR_ONE} rows for each that it needs`, async () => {
    const told: string[] = [];
    for (const look of await looks()) {
      const most = ROWS_FOR_ONE * Math.max(1, needs.get(look.name)! + look.ofCrowd);
      const rows = await fewestReadBy(look, most);
      if (rows > most) told.push(`${look.name}: ${rows}, at most ${most}`);
    }
    expect(told).toEqual([]);
  });
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
