import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Answer, Sent } from '@glen/contract';
import { lookAfterPoll } from '../src/features/poll/settle.js';
import { mailsCome } from './mailTools.js';
import { startSchool, until, type Browser, type School } from './support.js';

// Times that are offered to guests, who need no account, and that settle by themselves.

let school: School;
let host: Browser;
let nobody: Browser;
let classId: number;

beforeEach(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
  nobody = await school.as(null);
  classId = school.classes.get('N3')!.id;
});
afterEach(() => school.stop());

const [EARLY, MIDDLE, LATE] = [
  '2026-10-15T14:40:00Z',
  '2026-10-15T15:40:00Z',
  '2026-10-16T18:30:00Z',
] as const;
const IDA = 'ida@home.example';
const JON = 'jon@home.example';

const offer = (more: Partial<Sent<'addPoll'>> = {}, by = host) =>
  by.post(`/api/classes/${classId}/polls`, {
    title: 'About the boat trip',
    minutes: 30,
    times: [EARLY, MIDDLE, LATE],
    personIds: [school.person('Signe Aalto').id],
    guests: `Ida Quill <${IDA}>\n${JON}`,
    closes: { date: '2026-10-15', time: '09:00' },
    ...more,
  });

interface Offered {
  id: number;
  ida: string;
  jon: string;
}

async function offered(more: Partial<Sent<'addPoll'>> = {}): Promise<Offered> {
  const { polls, addresses } = (await offer(more)).body as Answer<'addPoll'>;
  const pathOf = (email: string): string =>
    `/api/choose/${addresses
      .find((one) => one.email === email)
      ?.address.split('/')
      .at(-1)}`;
  return { id: polls[0]!.id, ida: pathOf(IDA), jon: pathOf(JON) };
}

const choosing = async (path: string): Promise<Answer<'choosing'>> => (await nobody.get(path)).body;
async function choose(path: string, ...starts: string[]) {
  const { version, times } = await choosing(path);
  const timeIds = times.filter(({ start }) => starts.includes(start)).map(({ id }) => id);
  return nobody.post(path, { version, timeIds });
}
const poll = async (): Promise<Answer<'polls'>['polls'][number]> =>
  ((await host.get('/api/polls')).body as Answer<'polls'>).polls[0]!;
const settled = () => until(poll, ({ state }) => state !== 'open');
const words = async (): Promise<string[]> =>
  ((await host.get('/api/words')).body as Answer<'words'>).words.map(({ text }) => text);

describe('offering times', () => {
  it('asks each guest by a letter with an address of their own, without an account', async () => {
    const { ida } = await offered();
    const [letter] = await mailsCome(school, IDA, 1);
    expect(letter!.subject).toBe('Which time suits you? About the boat trip');
    expect(letter!.text).toContain('Thu 15 Oct 2026, 11:40–12:10');
    expect(letter!.text).toContain(ida.replace('/api', ''));
    expect(await choosing(ida)).toMatchObject({
      host: 'Ottoline Marsh',
      title: 'About the boat trip',
      email: IDA,
      state: 'open',
      answered: false,
      closes: { date: '2026-10-15', time: '09:00' },
    });
  });

  it('is refused beside the field where it makes no sense', async () => {
    const path = async (more: Partial<Sent<'addPoll'>>): Promise<string> =>
      (await offer(more)).body.errors[0].path;
    expect(await path({ times: [EARLY] })).toBe('times');
    expect(await path({ times: [EARLY, EARLY] })).toBe('times');
    expect(await path({ times: ['2026-10-14T12:00:00Z', LATE] })).toBe('times');
    expect(await path({ guests: 'nobody' })).toBe('guests');
    expect(await path({ guests: ' ' })).toBe('guests');
    expect(await path({ closes: { date: '2026-10-14', time: '09:00' } })).toBe('closes.date');
    expect(await path({ closes: { date: '2026-10-16', time: '09:00' } })).toBe('closes.date');
    expect((await offer({}, await school.as('Bram Osterholt'))).status).toBe(403);
  });

  it('is taken back as it was read, and those asked are told', async () => {
    const { id, ida } = await offered();
    const stop = (version: number) =>
      host.post(`/api/classes/${classId}/polls/stop`, { id, version });
    expect((await stop(9)).status).toBe(409);
    expect((await stop(1)).status).toBe(200);
    expect((await choosing(ida)).state).toBe('stopped');
    expect((await choose(ida, EARLY)).status).toBe(409);
    const letters = await mailsCome(school, IDA, 2);
    expect(letters.map(({ subject }) => subject)).toContain(
      'About the boat trip: no time is asked for any more',
    );
  });
});

describe('choosing', () => {
  it('is changed as often as one likes, and told to the address that it was sent to', async () => {
    const { ida } = await offered();
    expect((await choose(ida, EARLY, LATE)).status).toBe(200);
    expect((await choose(ida, MIDDLE)).status).toBe(200);
    const { times, answered } = await choosing(ida);
    expect([answered, times.map(({ suits }) => suits)]).toEqual([true, [false, true, false]]);
    const letters = await mailsCome(school, IDA, 3);
    const said = letters.filter(({ subject }) => subject!.startsWith('What suits you'));
    expect(said.some(({ text }) => text!.includes('11:40') && text!.includes('15:30'))).toBe(true);
    expect((await poll()).times.map(({ chosen }) => chosen)).toEqual([0, 1, 0]);
  });

  it('loses nobody’s words where two answer by one address', async () => {
    const { ida } = await offered();
    const { version, times } = await choosing(ida);
    const ids = times.map(({ id }) => id);
    await nobody.post(ida, { version, timeIds: [ids[0]] });
    const second = await nobody.post(ida, { version, timeIds: [ids[1]] });
    expect([second.status, second.body.current.times[0].suits]).toEqual([409, true]);
  });

  it('is for those alone who have the address, and for what is offered', async () => {
    const { ida } = await offered();
    expect((await nobody.get('/api/choose/nothing')).status).toBe(404);
    const { version } = await choosing(ida);
    const { status, body } = await nobody.post(ida, { version, timeIds: [999999] });
    expect([status, body.errors[0].path]).toEqual([422, 'timeIds']);
    expect(JSON.stringify(await choosing(ida))).not.toContain(JON);
  });
});

describe('settling', () => {
  it('comes as soon as all have answered: the best time is scheduled, and guests are let know', async () => {
    const { ida, jon } = await offered();
    await choose(ida, EARLY, MIDDLE);
    await choose(jon, MIDDLE, LATE);
    const { state, seriesId, times } = await settled();
    expect([state, times.map(({ isSettled }) => isSettled)]).toEqual([
      'booked',
      [false, true, false],
    ]);
    const { session } = (await host.get(`/api/series/${seriesId}`)).body as Answer<'session'>;
    expect(session).toMatchObject({ date: '2026-10-15', time: '12:40', minutes: 30 });
    const { guests } = (await host.get(`/api/links/${session.linkId}/guests`))
      .body as Answer<'guests'>;
    expect(guests.map(({ email, name }) => [email, name])).toEqual([
      [IDA, 'Ida Quill'],
      [JON, ''],
    ]);
    const letters = await mailsCome(school, JON, 3);
    expect(letters.some(({ subject }) => subject!.startsWith('You are invited'))).toBe(true);
    expect((await words())[0]).toBe('Scheduled for Thu 15 Oct, 12:40: it suits 2 of 2.');
  });

  it('comes when it closes, with those who have answered; the others are told', async () => {
    const { id, ida } = await offered();
    await choose(ida, LATE);
    await school.setTime('09:01', '2026-10-15');
    await lookAfterPoll(school.running.glen, id);
    expect((await poll()).state).toBe('booked');
    const letters = await mailsCome(school, JON, 2);
    const told = letters.find(
      ({ subject }) => subject === 'About the boat trip: how it was settled',
    );
    expect(told!.text).toContain('Fri 16 Oct 2026, 15:30–16:00');
    expect((await choose(ida, EARLY)).status).toBe(409);
  });

  it('takes no time that is taken meanwhile by whoever must come', async () => {
    const { ida, jon } = await offered();
    await host.post(`/api/classes/${classId}/sessions`, {
      title: 'In between',
      description: '',
      plan: { first: '2026-10-15', at: { time: '12:30', minutes: 30 } },
    });
    await choose(ida, MIDDLE, LATE);
    await choose(jon, MIDDLE);
    expect((await settled()).times.map(({ isSettled }) => isSettled)).toEqual([false, false, true]);
  });

  it('plans nothing at a class period that is put away meanwhile', async () => {
    const { ida, jon } = await offered();
    const { version } = (await host.get(`/api/classes/${classId}`)).body as Answer<'classPeriod'>;
    expect((await host.post(`/api/classes/${classId}/put-away`, { version })).status).toBe(200);
    await choose(ida, MIDDLE);
    await choose(jon, MIDDLE);
    expect((await settled()).state).toBe('nobody');
  });

  it('plans nothing where nothing suits', async () => {
    const { ida, jon } = await offered();
    await choose(ida);
    await choose(jon);
    expect((await settled()).state).toBe('nobody');
    expect((await words())[0]).toBe('No time has come about: 2 of 2 have answered.');
  });

  it('happens once, however often it is looked at, and is forgotten two weeks after', async () => {
    const { id, ida, jon } = await offered();
    await choose(ida, MIDDLE);
    await choose(jon, MIDDLE);
    await settled();
    await Promise.all([1, 2, 3].map(() => lookAfterPoll(school.running.glen, id)));
    const { sessions } = (await host.get(`/api/classes/${classId}`)).body as Answer<'classPeriod'>;
    expect(sessions.filter(({ title }) => title === 'About the boat trip')).toHaveLength(1);
    await school.setTime('09:00', '2026-10-29');
    await lookAfterPoll(school.running.glen, id);
    expect(await school.running.glen.db.models.PollGuest.count()).toBe(0);
  });
});
