import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Answer, Sent } from '@glen/contract';
import { lookAfterAppointments, tellChanges } from '../src/features/appointment/look.js';
import { mailsCome } from './mailTools.js';
import { moves, roomOf } from './roomTools.js';
import { startSchool, until, type Browser, type School } from './support.js';

// Evenings at which guests see several teachers, each by appointment on a link of its own.

let school: School;
let office: Browser;
let nobody: Browser;
let teachers: Answer<'appointments'>['teachers'];

beforeEach(async () => {
  school = await startSchool();
  office = await school.as('Perpetua Lund');
  nobody = await school.as(null);
  teachers = ((await office.get('/api/appointments')).body as Answer<'appointments'>).teachers;
});
afterEach(() => school.stop());

type Own = Answer<'ownAppointments'>;
type Evening = Answer<'appointmentEvening'>;

const IDA = 'ida@home.example';
const JON = 'jon@home.example';
const [BRAM, OTTOLINE, TOMAS] = ['Bram Osterholt', 'Ottoline Marsh', 'Tomas Verhage'] as const;
const NAMES = [BRAM, OTTOLINE, TOMAS];
const hostOf = (name: string, nth = 0) => {
  const { personId, classes } = teachers.find((one) => one.name === name)!;
  return { personId, classId: classes[nth]!.id };
};

const plan = (more: Partial<Sent<'addAppointments'>> = {}, by = office) =>
  by.post('/api/appointments', {
    title: 'Families’ evening',
    date: '2026-10-22',
    time: '18:00',
    minutes: 60,
    slots: { minutes: 10, gap: 2, breakEvery: 0, breakMinutes: 0 },
    hosts: NAMES.map((name) => hostOf(name)),
    guests: `Ida Quill <${IDA}>\n${JON}`,
    ...more,
  });

const read = async (id: number, by = office): Promise<Evening> =>
  (await by.get(`/api/appointments/${id}`)).body;

/** An evening, and where each guest chooses. */
async function planned(more: Partial<Sent<'addAppointments'>> = {}) {
  const { id } = (await plan(more)).body as Answer<'addAppointments'>;
  const { guests } = await read(id);
  const pathOf = (email: string): string => {
    const { address } = guests.find((guest) => guest.email === email)!;
    return `/api/own-appointments/${address.split('/').at(-1)!}`;
  };
  return { id, ida: pathOf(IDA), jon: pathOf(JON) };
}

const own = async (path: string): Promise<Own> => (await nobody.get(path)).body;

type Wish = [name: string, nth: number, about?: string];

/** Takes slots of teachers, by name, and gives others up. */
async function change(path: string, take: Wish[], drop: number[] = []) {
  const { version, hosts } = await own(path);
  const seriesOf = (name: string): number => hosts.find((one) => one.name === name)!.seriesId;
  return nobody.post(path, {
    version,
    take: take.map(([name, nth, about = '']) => ({ seriesId: seriesOf(name), nth, about })),
    drop,
  });
}
const has = async (path: string): Promise<string[]> =>
  (await own(path)).mine.map(({ time, host, about }) => `${time} ${host} ${about}`.trim());

describe('planning an evening', () => {
  it('gives each teacher a session in slots, on a fresh link of its own for those who have an appointment', async () => {
    const { id } = await planned();
    const { hosts, mayChange, date, time, until: ends } = await read(id);
    expect({ date, time, ends, mayChange }).toEqual({
      ...{ date: '2026-10-22', time: '18:00', ends: '19:00', mayChange: true },
    });
    expect(hosts.map(({ name }) => name)).toEqual(NAMES);
    expect(hosts[1]!.slots.map((slot) => slot.time)).toEqual([
      ...['18:00', '18:12', '18:24', '18:36', '18:48'],
    ]);
    expect(new Set(hosts.map(({ linkId }) => linkId)).size).toBe(3);
    const host = await school.as(OTTOLINE);
    const { body } = await host.get(`/api/links/${hosts[1]!.linkId}/rules`);
    expect(body.layers.at(-1).rules).toMatchObject({
      ...{ whoMayEnter: 'signed-in', straightIn: 'hosts' },
    });
    expect(hosts[1]!.linkId).not.toBe(school.classes.get('N3')!.link.id);
  });

  it('writes to each guest, with an address of their own', async () => {
    const { ida } = await planned();
    const [letter] = await mailsCome(school, IDA, 1);
    expect(letter!.subject).toBe('Choose your times: Families’ evening');
    expect(letter!.text).toContain('Thu 22 Oct 2026, 18:00–19:00');
    expect(letter!.text).toContain('Bram Osterholt');
    expect(letter!.text).toContain(ida.replace('/api/own-appointments', '/appointments/for'));
  });

  it('is for class periods that one hosts, each teacher once; all of it is made or nothing', async () => {
    const host = await school.as(OTTOLINE);
    expect((await plan({}, host)).status).toBe(403);
    expect((await plan({ hosts: [hostOf(OTTOLINE)] }, host)).status).toBe(200);
    const twice = await plan({ hosts: [hostOf(OTTOLINE), hostOf(OTTOLINE, 1)] });
    expect(twice.body.errors[0]).toMatchObject({ path: 'hosts' });
    const strange = { ...hostOf(OTTOLINE), classId: hostOf(BRAM).classId };
    expect((await plan({ hosts: [strange] })).status).toBe(403);
    const unread = await plan({ guests: 'Ida Quill' });
    expect(unread.body.errors[0]).toMatchObject({ path: 'guests' });
    const past = await plan({ date: '2026-10-13' });
    expect(past.body.errors[0]).toMatchObject({ path: 'date' });
    const { evenings } = (await office.get('/api/appointments')).body as Answer<'appointments'>;
    expect(evenings).toHaveLength(1);
  });

  it('shows a teacher their own part alone, and nothing to who takes no part', async () => {
    const { id, ida } = await planned();
    await change(ida, [[BRAM, 1, 'Odo, ropework']]);
    const bram = await read(id, await school.as(BRAM));
    expect(bram.hosts.map(({ name }) => name)).toEqual([BRAM]);
    expect(bram.hosts[0]!.slots[1]).toMatchObject({ who: 'Ida Quill', about: 'Odo, ropework' });
    expect(bram.guests).toEqual([]);
    const idris = await school.as('Idris Kellaway');
    expect((await idris.get(`/api/appointments/${id}`)).status).toBe(404);
    const closing = { version: 1, state: 'closed' };
    expect((await idris.put(`/api/appointments/${id}`, closing)).status).toBe(403);
  });
});

describe('a parent of two', () => {
  it('takes three at one go, and is written what they have', async () => {
    const { id, ida } = await planned();
    const taken = await change(ida, [
      [OTTOLINE, 0, 'Odo'],
      [BRAM, 1, 'Odo'],
      [TOMAS, 2, 'Liv'],
    ]);
    expect(taken.status).toBe(200);
    expect(await has(ida)).toEqual([
      '18:00 Ottoline Marsh Odo',
      '18:12 Bram Osterholt Odo',
      '18:24 Tomas Verhage Liv',
    ]);
    const [letter] = await mailsCome(school, IDA, 2);
    expect(letter!.subject).toBe('Your times: Families’ evening');
    expect(letter!.text).toContain('18:12–18:22 Bram Osterholt');
    const { guests } = await read(id);
    const guest = guests.find(({ email }) => email === IDA);
    expect(guest!.appointments.map(({ host }) => host)).toEqual([OTTOLINE, BRAM, TOMAS]);
  });

  it('has no two at one time, and of what cannot be had nothing is taken', async () => {
    const { ida } = await planned();
    const both = await change(ida, [
      [OTTOLINE, 0],
      [BRAM, 0],
    ]);
    expect(both.body.errors[0].message).toBe('You are with Ottoline Marsh at that time.');
    expect(await has(ida)).toEqual([]);
  });

  it('sees one teacher about both children, and not a third time', async () => {
    const { ida } = await planned();
    await change(ida, [
      [OTTOLINE, 0, 'Odo'],
      [OTTOLINE, 1, 'Liv'],
    ]);
    expect(await has(ida)).toHaveLength(2);
    expect((await change(ida, [[OTTOLINE, 3]])).body.errors[0].message).toContain('2 slots');
  });

  it('changes one for another at once, and gives one up', async () => {
    const { ida } = await planned();
    await change(ida, [[OTTOLINE, 0]]);
    const [first] = (await own(ida)).mine;
    expect((await change(ida, [[OTTOLINE, 4]], [first!.id])).status).toBe(200);
    expect(await has(ida)).toEqual(['18:48 Ottoline Marsh']);
    await change(ida, [], [(await own(ida)).mine[0]!.id]);
    expect(await has(ida)).toEqual([]);
  });

  it('is told where somebody was faster, with how all stands', async () => {
    const { ida, jon } = await planned();
    await change(ida, [[OTTOLINE, 0]]);
    const late = await change(jon, [
      [BRAM, 1],
      [OTTOLINE, 0],
    ]);
    expect(late.status).toBe(409);
    expect((late.body.current as Own).hosts[1]!.slots[0]!.state).toBe('taken');
    expect(await has(jon)).toEqual([]);
  });

  it('is told where their page is older than what was chosen by their address', async () => {
    const { ida } = await planned();
    const { version } = await own(ida);
    await change(ida, [[OTTOLINE, 0]]);
    const again = await nobody.post(ida, { version, take: [], drop: [] });
    expect(again.status).toBe(409);
    expect((again.body.current as Own).mine).toHaveLength(1);
  });

  it('learns nothing of the others, and gives up nothing of theirs', async () => {
    const { ida, jon } = await planned();
    await change(ida, [[OTTOLINE, 0, 'Odo']]);
    const seen = await own(jon);
    expect(JSON.stringify(seen)).not.toMatch(/Ida|Odo/);
    expect(seen.hosts[1]!.slots[0]!.state).toBe('taken');
    const [theirs] = (await own(ida)).mine;
    expect((await change(jon, [], [theirs!.id])).status).toBe(404);
    expect(await has(ida)).toHaveLength(1);
  });
});

it('gives one slot to one of many who press at the same moment', async () => {
  const emails = Array.from({ length: 6 }, (_, n) => `parent${n}@home.example`);
  const { id } = await planned({ guests: [...emails, IDA, JON].join('\n') });
  const { guests } = await read(id);
  const answers = await Promise.all(
    guests.map(({ address }) =>
      change(`/api/own-appointments/${address.split('/').at(-1)!}`, [[BRAM, 2]]),
    ),
  );
  const statuses = answers.map(({ status }) => status).sort();
  expect(statuses).toEqual([200, ...Array.from({ length: 7 }, () => 409)]);
});

describe('on the evening', () => {
  /** What was taken stands: the slots have been looked at since. */
  async function comesIn(path: string, seriesId: number): Promise<Browser> {
    expect((await nobody.post(`${path}/way-in`, { seriesId })).status).toBe(200);
    const letters = await until(
      () => mailsCome(school, IDA, 3),
      (all) => all.some(({ subject }) => subject?.startsWith('You are invited')),
    );
    const letter = letters.find(({ subject }) => subject?.startsWith('You are invited'))!;
    const [, token] = /\/guest\/([\w-]+)/.exec(letter.text!)!;
    const guest = await school.as(null);
    const come = await guest.post(`/api/guest/${token!}`, { name: 'Ida Quill' });
    expect(come.status).toBe(200);
    return guest;
  }

  it('comes in by the letter, though three teachers invite them, and goes straight in at each when it is their turn', async () => {
    const { id, ida } = await planned();
    await change(ida, [
      [OTTOLINE, 0],
      [BRAM, 1],
    ]);
    const [first, second] = (await own(ida)).mine;
    const guest = await comesIn(ida, first!.seriesId);
    for (const [one, name, time] of [
      [first!, OTTOLINE, '18:00'],
      [second!, BRAM, '18:12'],
    ] as const) {
      await school.setTime(time, '2026-10-22');
      const code = one.door.split('/').at(-1)!;
      const host = await school.as(name);
      const linkId = (await read(id)).hosts.find((other) => other.name === name)!.linkId;
      const { go } = (await host.post(`/api/links/${linkId}/open`, { anyway: true })).body;
      await moves(school, { room: roomOf(go), type: 'arrived', name });
      const entered = await guest.post(`/api/door/${code}/enter`, {});
      expect(entered.body.go).not.toBeNull();
    }
  });

  it('keeps a guest’s slot when its session is looked at again', async () => {
    const { ida } = await planned();
    await change(ida, [[OTTOLINE, 2]]);
    await school.setTime('17:59', '2026-10-22');
    await school.setTime('18:01', '2026-10-22');
    expect(await has(ida)).toEqual(['18:24 Ottoline Marsh']);
  });

  it('says that a teacher is ill, and lets another time be taken elsewhere', async () => {
    const { id, ida } = await planned();
    await change(ida, [[OTTOLINE, 0]]);
    const host = await school.as(OTTOLINE);
    const { seriesId } = (await read(id)).hosts[1]!;
    const called = await host.post('/api/sessions/change', {
      changes: [
        { seriesId, version: 1, key: '2026-10-22', scope: 'one', change: { kind: 'cancel' } },
      ],
    });
    expect(called.status).toBe(200);
    const seen = await own(ida);
    expect(seen.hosts[1]).toMatchObject({ off: 'Not there: it is called off.', slots: [] });
    expect(seen.mine).toEqual([]);
    // Once no more of it comes for two minutes, however often it is looked at.
    const { glen } = school.running;
    const waiting = await glen.db.models.OutboxJob.count({ where: { subject: `${id}:told` } });
    expect(waiting).toBe(1);
    await tellChanges(glen, id);
    await tellChanges(glen, id);
    const letters = await mailsCome(school, IDA, 3);
    const news = letters.filter(({ subject }) => subject?.startsWith('Your times have changed'));
    expect(news).toHaveLength(1);
    expect(news[0]!.text).toContain('You have no appointment now.');
    expect((await change(ida, [[BRAM, 0]])).status).toBe(200);
  });

  it('goes along where a teacher moves their part to another day, which is said', async () => {
    const { id, ida } = await planned();
    await change(ida, [[OTTOLINE, 1]]);
    const host = await school.as(OTTOLINE);
    const { seriesId } = (await read(id)).hosts[1]!;
    const to = { kind: 'move', date: '2026-10-23', time: '17:00', minutes: 60 };
    const moved = await host.post('/api/sessions/change', {
      changes: [{ seriesId, version: 1, key: '2026-10-22', scope: 'one', change: to }],
    });
    expect(moved.status).toBe(200);
    const seen = await own(ida);
    expect(seen.mine[0]).toMatchObject({ date: '2026-10-23', time: '17:12', host: OTTOLINE });
    expect(seen.hosts[1]).toMatchObject({ date: '2026-10-23' });
    // At what was its time on the evening somebody else can be seen now.
    expect((await change(ida, [[BRAM, 1]])).status).toBe(200);
  });

  it('is closed by whoever planned it: what is taken stands, and nothing more is chosen', async () => {
    const { id, ida } = await planned();
    await change(ida, [[OTTOLINE, 0]]);
    await office.put(`/api/appointments/${id}`, { version: 1, state: 'closed' });
    expect((await change(ida, [[BRAM, 2]])).status).toBe(403);
    expect(await has(ida)).toHaveLength(1);
    const stale = await office.put(`/api/appointments/${id}`, { version: 1, state: 'open' });
    expect(stale.status).toBe(409);
  });

  it('is over for a guest who is taken off it, with what they had', async () => {
    const { id, ida } = await planned();
    await change(ida, [[OTTOLINE, 0]]);
    const guest = (await read(id)).guests.find(({ email }) => email === IDA);
    await office.post(`/api/appointments/${id}/guests/drop`, { guestId: guest!.id });
    expect((await nobody.get(ida)).status).toBe(404);
    expect((await read(id)).hosts[1]!.slots[0]!.who).toBeNull();
  });

  it('invites more guests, those who are invited already once', async () => {
    const { id } = await planned();
    const more = (text: string) => office.post(`/api/appointments/${id}/guests`, { text });
    expect((await more(`${IDA}\nkai@home.example`)).status).toBe(200);
    expect((await read(id)).guests).toHaveLength(3);
    expect((await more(IDA)).body.errors[0].path).toBe('text');
  });

  it('has a way in to pass on where no letters go out', async () => {
    const { id, ida } = await planned();
    const guest = (await read(id)).guests.find(({ email }) => email === IDA);
    const pass = () => office.post(`/api/appointments/${id}/way-in`, { guestId: guest!.id });
    expect((await pass()).body.errors[0].message).toBe('They have no appointment yet.');
    await change(ida, [
      [OTTOLINE, 0],
      [BRAM, 1],
    ]);
    const { address } = (await pass()).body as Answer<'appointmentWayIn'>;
    const path = `/api/guest/${address.split('/').at(-1)!}`;
    expect((await nobody.get(path)).body).toMatchObject({ email: IDA, signsIn: false });
  });

  it('is written to those who have something the day before, once, and is forgotten two weeks after', async () => {
    const { id, ida } = await planned();
    await change(ida, [[OTTOLINE, 0]]);
    await school.setTime('18:01', '2026-10-21');
    const mails = await until(
      () => mailsCome(school, IDA, 3),
      (all) => all.some(({ subject }) => subject === 'Tomorrow: Families’ evening'),
    );
    expect(mails.filter(({ subject }) => subject?.startsWith('Tomorrow'))).toHaveLength(1);
    await lookAfterAppointments(school.running.glen, id);
    expect((await mailsCome(school, JON, 1)).map(({ subject }) => subject)).toEqual([
      'Choose your times: Families’ evening',
    ]);
    await school.setTime('19:01', '2026-11-05');
    await until(
      () => nobody.get(ida),
      ({ status }) => status === 404,
    );
  });
});
