import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Answer } from '@glen/contract';
import { forgetArrivals } from '../src/features/register/forget.js';
import { settleByItself } from '../src/features/register/settle.js';
import { moves, roomOf } from './roomTools.js';
import { startSchool, type Browser, type School } from './support.js';

// A sign of being there, asked for in mid-lesson: once for each person, by those alone who were let in at the door.

let school: School;
let host: Browser;
let ansel: Browser;
let link: { id: number; code: string };
let room: string;
beforeEach(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
  ansel = await school.as('Ansel Grue');
  ({ link } = school.classes.get('N3')!);
  await school.setTime('10:50');
  const { go } = (await host.post(`/api/links/${link.id}/open`, { anyway: true })).body;
  room = roomOf(go);
  await moves(school, { room, type: 'arrived', name: 'Ottoline Marsh' });
  await comesIn(ansel, 'Ansel Grue');
});
afterEach(() => school.stop());

async function comesIn(who: Browser, name: string): Promise<void> {
  await who.post(`/api/door/${link.code}/enter`, {}, school.url);
  await host.post(`/api/links/${link.id}/let-all-in`);
  await moves(school, { room, type: 'arrived', name });
}

type AtDesk = Answer<'deskCheckIn'>;
type Asked = NonNullable<AtDesk['checkIn']>;
const atDesk = async (): Promise<AtDesk> =>
  (await host.get(`/api/links/${link.id}/check-in`)).body as AtDesk;
async function open(wish: object = {}): Promise<Asked & { token: string }> {
  const body = { minutes: 5, question: '', ...wish };
  const { checkIn } = (await host.post(`/api/links/${link.id}/check-in`, body)).body as AtDesk;
  const [, token] = /\/check-in\/([\w-]+)/.exec(checkIn!.message)!;
  return { ...checkIn!, token: token! };
}
const look = async (who: Browser, { token }: { token: string }): Promise<Answer<'checkIn'>> =>
  (await who.get(`/api/check-ins/${token}`)).body as Answer<'checkIn'>;
const give = (who: Browser, { token }: { token: string }, answer = '') =>
  who.post(`/api/check-ins/${token}`, { answer }, school.url);
const find = (who: Browser, code: string) => who.post('/api/check-ins', { code }, school.url);

describe('a check-in', () => {
  it('is given once, by its address or by the letters that were read out, and seen at the desk', async () => {
    const asked = await open();
    expect(await atDesk()).toMatchObject({ inside: 1, checkIn: { isOpen: true, given: [] } });
    expect(await look(ansel, asked)).toMatchObject({ state: 'may', as: 'Ansel Grue' });
    const spelled = [...asked.code.toLowerCase()].join(' ');
    expect((await find(ansel, spelled)).body).toEqual({ token: asked.token });
    expect((await give(ansel, asked)).body).toMatchObject({ state: 'given' });
    expect((await give(ansel, asked)).body).toMatchObject({ state: 'given' });
    const { checkIn } = await atDesk();
    expect(checkIn!.given).toMatchObject([{ name: 'Ansel Grue', answer: '', with: [] }]);
  });

  it('is worth nothing to a friend at home to whom its address was passed', async () => {
    const asked = await open({ question: 'Which buoy is it?' });
    for (const who of [await school.as('Birgit Draycott'), await school.as(null)]) {
      const seen = await look(who, asked);
      expect(seen).toEqual({
        ...{ state: 'not-let-in', as: null, title: null, question: '', closes: null },
      });
      expect((await give(who, asked, 'A red one')).status).toBe(403);
      expect((await find(who, asked.code)).body.errors[0].path).toBe('code');
    }
    expect((await atDesk()).checkIn!.given).toEqual([]);
  });

  it('is over after its minutes, when it is ended, and when another is asked for', async () => {
    const first = await open();
    const second = await open();
    expect((await look(ansel, first)).state).toBe('closed');
    expect((await give(ansel, first)).status).toBe(409);
    const end = { checkInId: second.id };
    expect((await host.post(`/api/links/${link.id}/check-in/end`, end)).body.checkIn.isOpen).toBe(
      false,
    );
    expect((await give(ansel, second)).status).toBe(409);
    const third = await open({ minutes: 3 });
    await school.setTime('10:55');
    expect((await find(ansel, third.code)).body.errors[0].path).toBe('code');
    expect((await give(ansel, third)).body.title).toContain('over');
  });

  it('asks the teacher’s question, and is not given without an answer', async () => {
    const asked = await open({ question: 'Which buoy is it?' });
    expect(asked.message).toContain('Question: Which buoy is it?');
    expect((await look(ansel, asked)).question).toBe('Which buoy is it?');
    expect((await give(ansel, asked)).body.errors[0].path).toBe('answer');
    await give(ansel, asked, '  The red one ');
    expect((await atDesk()).checkIn!.given).toMatchObject([{ answer: 'The red one' }]);
  });

  it('notices two friends on one device, and accuses neither', async () => {
    const { roll } = (await host.get(`/api/classes/${school.classes.get('N3')!.id}`))
      .body as Answer<'classPeriod'>;
    const { name: friend } = roll.find(({ name }) => name !== 'Ansel Grue')!;
    await comesIn(await school.as(friend), friend);
    const asked = await open();
    await give(ansel, asked);
    await ansel.post('/api/demo/sign-in', {
      accountId: school.person(friend).accounts[0]!.id,
    });
    expect((await give(ansel, asked)).body).toMatchObject({ state: 'given' });
    const { checkIn } = await atDesk();
    expect(checkIn!.given.map(({ name, with: others }) => [name, others])).toEqual([
      ['Ansel Grue', [friend]],
      [friend, ['Ansel Grue']],
    ]);
  });

  it('is given once though it is pressed on two devices at once', async () => {
    const asked = await open();
    const phone = await school.as('Ansel Grue');
    await Promise.all([give(ansel, asked), give(phone, asked), give(ansel, asked)]);
    expect((await atDesk()).checkIn!.given).toHaveLength(1);
  });

  it('is asked for while a session runs, for at least a minute, and by a host alone', async () => {
    const wrong = await host.post(`/api/links/${link.id}/check-in`, { minutes: 0, question: '' });
    expect(wrong.body.errors[0].path).toBe('minutes');
    const body = { minutes: 5, question: '' };
    expect((await ansel.post(`/api/links/${link.id}/check-in`, body)).status).toBe(403);
    await host.post(`/api/links/${link.id}/close-room`);
    expect((await host.post(`/api/links/${link.id}/check-in`, body)).status).toBe(409);
  });

  it('ends with the session', async () => {
    const asked = await open();
    await host.post(`/api/links/${link.id}/close-room`);
    expect((await give(ansel, asked)).status).toBe(409);
  });

  it('stands in the register, and is forgotten with the arrivals', async () => {
    const asked = await open({ question: 'Which buoy is it?' });
    await give(ansel, asked, 'The red one');
    await host.post(`/api/links/${link.id}/close-room`);
    const { sessions } = (await host.get(`/api/classes/${school.classes.get('N3')!.id}`))
      .body as Answer<'classPeriod'>;
    const { seriesId, key } = sessions.find(({ date }) => date === '2026-10-14')!;
    const register = async () =>
      (await host.get(`/api/series/${seriesId}/register?on=${key}`)).body as Answer<'register'>;
    const { questions, rows } = await register();
    expect(questions).toMatchObject([{ question: 'Which buoy is it?' }]);
    const own = rows.find(({ name }) => name === 'Ansel Grue')!;
    expect(own.checkedIn).toMatchObject([{ answer: 'The red one', with: [] }]);
    await school.setTime('10:50', '2026-10-20');
    await settleByItself(school.running.glen);
    await school.setTime('10:50', '2027-06-20');
    while ((await forgetArrivals(school.running.glen)) > 0);
    expect((await register()).questions).toEqual([]);
    expect(await school.running.glen.db.models.CheckedIn.count()).toBe(0);
  });
});
