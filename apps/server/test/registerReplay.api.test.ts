import { randomUUID } from 'node:crypto';
import fc from 'fast-check';
import { createConnection, type Connection } from 'mariadb';
import { DatabaseError } from 'sequelize';
import type { Response } from 'supertest';
import { afterAll, beforeAll, expect, inject, it } from 'vitest';
import type { Answer, Session } from '@glen/contract';
import { startSchool, type Browser, type School } from './support.js';

/*
 * What a video service tells of a lesson may come in any order, twice, late, or with gaps, and to a server that is cut
 * off from its database while it writes. The register in the end is the one of the same words told in order.
 */

const LESSONS = 100;
const GUESTS = 3;
/** In seconds. */
const PERIOD = 3000;

let school: School;
let host: Browser;
let session: Session;
/** Beside the server’s own connections to its database. */
let apart: Connection;
let database: string;
beforeAll(async () => {
  school = await startSchool();
  const port = inject('mariadbPort');
  apart = await createConnection({ host: '127.0.0.1', port, user: 'root' });
  const { glen } = school.running;
  database = new URL(glen.config.databaseUrl).pathname.slice(1);
  host = await school.as('Ottoline Marsh');
  await school.setTime('11:45');
  const { id } = school.classes.get('N3')!;
  const { sessions } = (await host.get(`/api/classes/${id}`)).body as Answer<'classPeriod'>;
  session = sessions.find(({ date, time }) => date === '2026-10-14' && time === '10:45')!;
});
afterAll(async () => {
  await apart.end();
  await school.stop();
});

interface Told {
  /** Which of those at the door; nobody where the room ended. */
  who: number | null;
  type: 'arrived' | 'left' | 'ended';
  /** Seconds since the lesson began. */
  at: number;
}

const told: fc.Arbitrary<Told> = fc.record({
  who: fc.integer({ min: 0, max: GUESTS - 1 }),
  type: fc.constantFrom<Told['type']>('arrived', 'arrived', 'left'),
  at: fc.integer({ min: 0, max: PERIOD }),
});
/** Some words of a lesson, and the same as they may come. */
const lesson = fc
  .tuple(fc.array(told, { minLength: 1, maxLength: 7 }), fc.option(fc.nat(PERIOD)))
  .map(([words, end]): Told[] =>
    end === null ? words : [...words, { who: null, type: 'ended', at: end }],
  )
  .chain((words) =>
    fc.record({
      words: fc.constant(words),
      asItComes: fc.shuffledSubarray([...words.keys(), ...words.keys()], {
        minLength: words.length * 2,
      }),
      isCutOff: fc.boolean(),
    }),
  );

/** A sitting of the lesson with people let in, as a door that was opened leaves it. */
async function openedDoor(): Promise<{ room: string; visitors: number[] }> {
  const { Occurrence, Sitting, Visit, Visitor } = school.running.glen.db.models;
  const where = { series_id: session.seriesId, key_date: session.key };
  const occurrence = (await Occurrence.findOne({ where }))!;
  const before = await Sitting.findOne({ where: { occurrence_id: occurrence.id } });
  if (before) {
    const seats = await Visitor.findAll({ where: { sitting_id: before.id } });
    const ids = seats.map((seat) => seat.id);
    await Visit.destroy({ where: { visitor_id: ids } });
    await Visitor.destroy({ where: { id: ids } });
    await before.destroy();
  }
  const sitting = await Sitting.create({
    occurrence_id: occurrence.id,
    link_id: occurrence.link_id,
    opened_at: session.start,
    rooms_made: 1,
  });
  const room = `g${sitting.id}-1`;
  await sitting.update({ room });
  const visitors: number[] = [];
  for (let i = 0; i < GUESTS; i++) {
    const { id } = await Visitor.create({
      sitting_id: sitting.id,
      visitor_key: `guest ${i}`,
      name: `Guest ${i}`,
      account_kind: 'none',
      on_roll: false,
      role: 'participant',
      state: 'let-in',
    });
    visitors.push(id);
  }
  return { room, visitors };
}

/** Cuts the server off from its database, whatever it is at; by a connection that is not the server's. */
async function cutOff(): Promise<void> {
  const others: { id: number }[] = await apart.query(
    'SELECT id FROM information_schema.processlist WHERE db = ?',
    [database],
  );
  // One may have gone by itself meanwhile.
  for (const { id } of others) await apart.query(`KILL ${id}`).catch(() => {});
}

const MOST_TRIES = 50;

/** Does something with the database as often as it takes after the server was cut off from it. */
async function again<Answer>(work: () => Promise<Answer>): Promise<Answer> {
  for (let tries = 1; ; tries++)
    try {
      return await work();
    } catch (error) {
      if (!(error instanceof DatabaseError) || tries === MOST_TRIES) throw error;
    }
}

/** Asks the server until it has its database back. */
async function heard(ask: () => Promise<Response>): Promise<Response> {
  for (let tries = 1; tries < MOST_TRIES; tries++) {
    const answer = await ask();
    if (answer.status < 500) return answer;
  }
  return ask();
}

/** The register, after some words were told in an order. */
async function registerAfter(
  words: Told[],
  order: number[],
  isCutOff: boolean,
): Promise<Answer<'register'>['rows']> {
  const { room, visitors } = await again(openedDoor);
  const { clock } = school.running.glen;
  // Services know machine time only.
  const ahead = Date.parse(clock.school()) - Date.parse(clock.machine());
  const begun = Date.parse(session.start) - ahead;
  const events = words.map(({ who, type, at }, nth) => ({
    id: randomUUID(),
    room,
    type,
    nth,
    at: new Date(begun + at * 1000).toISOString().replace('.000', ''),
    ...(who === null ? {} : { visitor: visitors[who]! }),
  }));
  for (const i of order) {
    const told = heard(() => school.videoEvent(events[i]!));
    if (isCutOff && i % 3 === 0) await cutOff();
    expect((await told).status).toBe(200);
  }
  const path = `/api/series/${session.seriesId}/register?on=${session.key}`;
  const { rows } = (await heard(() => host.get(path))).body as Answer<'register'>;
  return rows.map((row) => ({ ...row, key: row.name }));
}

const inOrder = (words: Told[]): number[] =>
  [...words.keys()].sort((a, b) => words[a]!.at - words[b]!.at || a - b);

it(
  'the register is the same however it is told who came and left',
  { timeout: 600_000 },
  async () => {
    await fc.assert(
      fc.asyncProperty(lesson, async ({ words, asItComes, isCutOff }) => {
        const once = await registerAfter(words, inOrder(words), false);
        const again = await registerAfter(words, asItComes, isCutOff);
        expect(again).toEqual(once);
      }),
      // A lesson made smaller would take minutes: each is told over HTTP.
      { numRuns: LESSONS, endOnFailure: true },
    );
  },
);
