import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Answer, Sent } from '@glen/contract';
import { lookAfterSlots } from '../src/features/desk/slotTurns.js';
import { seriesWithSlots } from '../src/features/slot/signUpStore.js';
import { startSchool, type Browser, type School } from './support.js';

// Slots are said as a session is planned, and go along wherever its series goes.

let school: School;
let host: Browser;
let birgit: Browser;
let clinic: { id: number; link: { id: number; code: string } };

beforeEach(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
  birgit = await school.as('Birgit Tideman');
  clinic = school.classes.get('C')!;
});
afterEach(() => school.stop());

type Edited = Answer<'addSession'>;
const plan: Sent<'addSession'>['plan'] = {
  first: '2026-10-15',
  at: { time: '15:40', minutes: 60 },
  repeat: { every: 'week', on: ['TH'], times: 4 },
};
const words = { title: 'Knots, one by one', description: '', plan };
const add = (slots?: object) =>
  host.post(`/api/classes/${clinic.id}/sessions`, { ...words, ...(slots ? { slots } : {}) });
const added = async (): Promise<Edited> => (await add({ minutes: 15, gap: 5 })).body;
const waysOf = async (seriesId: number): Promise<Answer<'seriesSlots'>['ways']> =>
  (await host.get(`/api/series/${seriesId}/slots`)).body.ways;
const take = (seriesId: number, on: string, nth: number) =>
  birgit.post(`/api/sign-up/${clinic.link.code}`, { seriesId, on, nth });
/** Where Ansel Grue's slots are: series, date, number. */
const slotsOfBirgit = async (): Promise<[number, string, number | null][]> => {
  const { sessions } = (await birgit.get(`/api/sign-up/${clinic.link.code}`))
    .body as Answer<'signUps'>;
  return sessions.flatMap(({ seriesId, on, mine }) =>
    mine
      .filter(() => on > '2026-10-14')
      .map(({ nth }): [number, string, number | null] => [seriesId, on, nth]),
  );
};
const cutFrom = async (seriesId: number, key: string): Promise<Edited> =>
  (
    await host.put(`/api/series/${seriesId}`, {
      ...words,
      version: 1,
      scope: 'onwards',
      key,
      plan: { ...plan, first: key, at: { time: '16:00', minutes: 60 } },
    })
  ).body;

const wordsOfBirgit = async (): Promise<string[]> =>
  ((await birgit.get('/api/words')).body as Answer<'words'>).words.map(({ text }) => text);

describe('a session that is planned in slots', () => {
  it('is cut as it was said, and shown so on the strip', async () => {
    const { session } = await added();
    expect(await waysOf(session.seriesId)).toMatchObject({ minutes: 15, gap: 5, breakEvery: 0 });
    const strip = (await host.get('/api/strip?from=2026-10-12&to=2026-10-30'))
      .body as Answer<'strip'>;
    const series = strip.series.find(({ id }) => id === session.seriesId)!;
    expect(series.slots).toEqual({ minutes: 15, gap: 5, breakEvery: 0, breakMinutes: 0 });
    expect(series.words).toMatch(/, in slots of 15 minutes with 5 between$/);
  });

  it('is cut by no other way than what is said', async () => {
    const { session } = (await add()).body as Edited;
    expect(await waysOf(session.seriesId)).toBeNull();
  });

  it('is refused beside the field where its numbers cannot be', async () => {
    const wrong = await add({ minutes: 1, gap: 0 });
    expect([wrong.status, wrong.body.errors[0].path]).toEqual([422, 'slots.minutes']);
  });

  it('has its breaks', async () => {
    const { session } = await added();
    const ways = { ...(await waysOf(session.seriesId))!, gap: 0, breakEvery: 2, breakMinutes: 10 };
    await host.post(`/api/series/${session.seriesId}/slots`, { version: 1, ways });
    const { sessions } = (await host.get(`/api/series/${session.seriesId}/slots`))
      .body as Answer<'seriesSlots'>;
    expect(sessions[0]!.slots.map(({ start }) => start)).toEqual([
      '2026-10-15T18:40:00Z',
      '2026-10-15T18:55:00Z',
      '2026-10-15T19:20:00Z',
    ]);
  });
});

describe('slots and their series', () => {
  it('go on in the second half where it is cut, with whoever has one, and come back with it', async () => {
    const { seriesId } = (await added()).session;
    expect((await take(seriesId, '2026-10-15', 0)).status).toBe(200);
    expect((await take(seriesId, '2026-10-22', 1)).status).toBe(200);
    const { touched } = await cutFrom(seriesId, '2026-10-22');
    const second = touched[1]!.seriesId;
    expect(await waysOf(second)).toEqual({ ...(await waysOf(seriesId)) });
    expect(await slotsOfBirgit()).toEqual([
      [seriesId, '2026-10-15', 0],
      [second, '2026-10-22', 1],
    ]);
    await host.post('/api/sessions/take-back', { touched });
    expect(await slotsOfBirgit()).toEqual([
      [seriesId, '2026-10-15', 0],
      [seriesId, '2026-10-22', 1],
    ]);
  });

  it('follow when the whole series goes to another weekday', async () => {
    const { seriesId } = (await added()).session;
    await take(seriesId, '2026-10-22', 1);
    const fridays = {
      ...plan,
      first: '2026-10-16',
      repeat: { every: 'week', on: ['FR'], times: 4 },
    };
    const sent = { ...words, version: 1, scope: 'whole', key: '2026-10-15', plan: fridays };
    expect((await host.put(`/api/series/${seriesId}`, sent)).status).toBe(200);
    await lookAfterSlots(school.running.glen, seriesId);
    expect(await slotsOfBirgit()).toEqual([[seriesId, '2026-10-23', 1]]);
    expect((await wordsOfBirgit())[0]).toBe(
      'Your slot has moved: Fri 23 Oct, 16:00, not Thu 22 Oct, 16:00.',
    );
  });

  it('are gone with a series that is removed, which whoever had one is told', async () => {
    const { session, touched } = await added();
    await take(session.seriesId, '2026-10-22', 1);
    const removed = await host.post('/api/sessions/change', {
      changes: [
        {
          seriesId: session.seriesId,
          version: touched[0]!.version,
          key: session.key,
          scope: 'whole',
          change: { kind: 'remove' },
        },
      ],
    });
    expect(removed.status).toBe(200);
    const { glen } = school.running;
    expect(await seriesWithSlots(glen.db, clinic.id)).toContain(session.seriesId);
    await lookAfterSlots(school.running.glen, session.seriesId);
    expect(await slotsOfBirgit()).toEqual([]);
    expect((await wordsOfBirgit())[0]).toBe(
      'Your slot on Thu 22 Oct, 16:00 is off: the session is not held.',
    );
  });

  it('are told to be off where the planning of a series is taken back', async () => {
    const { session, touched } = await added();
    await take(session.seriesId, '2026-10-22', 1);
    expect((await host.post('/api/sessions/take-back', { touched })).status).toBe(200);
    expect((await wordsOfBirgit())[0]).toBe(
      'Your slot on Thu 22 Oct, 16:00 is off: the session is not held.',
    );
  });

  it('are copied to another class period with it, without who has one', async () => {
    const { seriesId } = (await added()).session;
    await take(seriesId, '2026-10-15', 0);
    const copied = (
      await host.post(`/api/series/${seriesId}/copy`, { classIds: [school.classes.get('N3')!.id] })
    ).body as Answer<'copySeries'>;
    const there = (await host.get(`/api/series/${copied.touched[0]!.seriesId}/slots`))
      .body as Answer<'seriesSlots'>;
    expect(there.ways).toMatchObject({ minutes: 15, gap: 5 });
    expect(there.sessions.flatMap(({ slots }) => slots).some(({ signUp }) => signUp)).toBe(false);
  });

  it('are told of in how to get in, to those whom the link is for', async () => {
    const how = async (who: Browser): Promise<string | null> =>
      (await who.get(`/api/door/${clinic.link.code}/how`)).body.slots;
    const nobody = await school.as(null);
    expect(await how(birgit)).toContain('Take a slot beforehand');
    expect(await how(nobody)).toBeNull();
  });
});
