import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Answer, ClassItem, DeskVisitor } from '@glen/contract';
import { studentName } from '../../../demo/school.js';
import { moves, roomOf, visitorIn } from './roomTools.js';
import { startSchool, until, type Browser, type School } from './support.js';

let school: School;
let host: Browser;
let n3: ClassItem;
beforeEach(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
  n3 = school.classes.get('N3')!;
});
afterEach(() => school.stop());

const desk = async (browser = host): Promise<Answer<'desk'>> =>
  (await browser.get(`/api/links/${n3.link.id}/desk`)).body;
const door = async (browser: Browser): Promise<Answer<'door'>> =>
  (await browser.get(`/api/door/${n3.link.code}`)).body;
const enter = async (browser: Browser): Promise<Answer<'enterDoor'>> =>
  (await browser.post(`/api/door/${n3.link.code}/enter`, {})).body;
const visitorNamed = (room: string, name: string): Promise<number> => visitorIn(school, room, name);
const sits = (room: string, name: string): Promise<number> =>
  moves(school, { room, type: 'arrived', name });
const waiting = (d: Answer<'desk'>): string[] => d.waiting.map((v: DeskVisitor) => v.name);

/** A lesson with its host in the room. */
async function lesson(date = '2026-10-14'): Promise<string> {
  await school.setTime('10:46', date);
  const { go } = (await host.post(`/api/links/${n3.link.id}/open`)).body;
  const room = roomOf(go);
  await sits(room, 'Ottoline Marsh');
  return room;
}

describe('handing over', () => {
  it('makes a named presenter acting host until the end, and whoever handed over leaves', async () => {
    const room = await lesson();
    const signe = await school.as('Signe Aalto');
    expect((await signe.get(`/api/links/${n3.link.id}/desk`)).status).toBe(403);
    await enter(signe);
    await host.post(`/api/links/${n3.link.id}/let-all-in`);
    await enter(signe);
    await sits(room, 'Signe Aalto');
    const pupil = await school.as('Ansel Grue');
    await enter(pupil);

    expect(
      (
        await host.post(`/api/links/${n3.link.id}/hand-over`, {
          personId: school.person('Signe Aalto').id,
          leave: true,
        })
      ).status,
    ).toBe(200);
    await school.videoEvent({
      room,
      type: 'left',
      visitor: await visitorNamed(room, 'Ottoline Marsh'),
    });
    const hers = await desk(signe);
    expect(hers).toMatchObject({ acting: true, hostInside: true, door: 'open' });
    expect(hers.inside.map((v) => [v.name, v.role])).toEqual([['Signe Aalto', 'host']]);
    expect((await door(pupil)).decision.reason).toBe('lobby');
    expect((await signe.post(`/api/visitors/${hers.waiting[0]!.id}/let-in`)).status).toBe(200);
    expect((await door(pupil)).decision).toEqual({
      outcome: 'enter',
      role: 'participant',
      reason: 'straight-in',
    });
    expect((await signe.get('/api/today')).body.acting).toHaveLength(1);

    // Rules and plan are still not hers.
    expect((await signe.put(`/api/classes/${n3.id}/rules`, { version: 1, rules: {} })).status).toBe(
      403,
    );
    expect((await signe.post(`/api/links/${n3.link.id}/close-room`)).status).toBe(200);
    expect((await signe.get(`/api/links/${n3.link.id}/desk`)).status).toBe(403);
    // Opened again, it is its own hosts' alone.
    await host.post(`/api/links/${n3.link.id}/open`);
    expect((await signe.get(`/api/links/${n3.link.id}/desk`)).status).toBe(403);
  });
  it('goes to the class period’s own staff alone, and not to oneself', async () => {
    await lesson();
    for (const name of ['Bram Osterholt', 'Ansel Grue', 'Ottoline Marsh']) {
      const answer = await host.post(`/api/links/${n3.link.id}/hand-over`, {
        personId: school.person(name).id,
        leave: false,
      });
      expect({ name, status: answer.status, path: answer.body.errors?.[0].path }).toEqual({
        name,
        status: 422,
        path: 'personId',
      });
    }
    expect(
      (
        await host.post(`/api/links/${n3.link.id}/hand-over`, {
          personId: school.person('Tomas Verhage').id,
          leave: false,
        })
      ).status,
    ).toBe(200);
  });
  it('counts for this session alone: the next time the presenter is a presenter again', async () => {
    const room = await lesson();
    await host.post(`/api/links/${n3.link.id}/hand-over`, {
      personId: school.person('Signe Aalto').id,
      leave: false,
    });
    const signe = await school.as('Signe Aalto');
    expect((await door(signe)).decision).toMatchObject({ outcome: 'enter', role: 'host' });
    await school.videoEvent({
      room,
      type: 'left',
      visitor: await visitorNamed(room, 'Ottoline Marsh'),
    });
    await lesson('2026-10-21');
    expect((await door(signe)).decision).toMatchObject({ outcome: 'lobby', role: 'presenter' });
    expect((await signe.get(`/api/links/${n3.link.id}/desk`)).status).toBe(403);
  });
});

describe('at the desk', () => {
  it('lets in the roll and leaves others waiting; turns away with a word', async () => {
    const room = await lesson();
    const [a, b, colleague] = [
      await school.as(studentName(0)),
      await school.as(studentName(1)),
      await school.as('Signe Aalto'),
    ];
    for (const browser of [a, colleague, b]) await enter(browser);
    expect((await door(b)).ahead).toBe(2);
    expect((await host.post(`/api/links/${n3.link.id}/let-all-in`, { only: 'roll' })).body).toEqual(
      { letIn: 2 },
    );
    expect(waiting(await desk())).toEqual(['Signe Aalto']);
    const word = 'Come <b>back</b> at 11:00.';
    await host.post(`/api/visitors/${await visitorNamed(room, 'Signe Aalto')}/turn-away`, { word });
    expect(await door(colleague)).toMatchObject({ turnedAway: true, word });
    await host.post(`/api/visitors/${await visitorNamed(room, 'Signe Aalto')}/let-back`);
    expect(await door(colleague)).toMatchObject({
      turnedAway: false,
      word: null,
      decision: { outcome: 'enter' },
    });
    expect(
      (
        await host.post(`/api/visitors/${await visitorNamed(room, 'Signe Aalto')}/turn-away`, {
          word: 'x'.repeat(201),
        })
      ).status,
    ).toBe(422);
  });
  it('lets a student present for a while, also after a dropped line, and no longer when taken back', async () => {
    const room = await lesson();
    const pupil = await school.as('Ansel Grue');
    await enter(pupil);
    await host.post(`/api/links/${n3.link.id}/let-all-in`);
    await enter(pupil);
    const visitor = await sits(room, 'Ansel Grue');
    const role = async (): Promise<[string, boolean]> => {
      const v = (await desk()).inside.find((x) => x.id === visitor)!;
      return [v.role, v.mayPresent];
    };
    expect((await host.post(`/api/visitors/${visitor}/present`, { presents: true })).status).toBe(
      200,
    );
    expect(await role()).toEqual(['presenter', true]);
    expect((await host.post(`/api/visitors/${visitor}/present`, { presents: true })).status).toBe(
      409,
    );
    await school.videoEvent({ room, type: 'left', visitor });
    expect((await enter(pupil)).decision).toMatchObject({ outcome: 'enter', role: 'presenter' });
    await school.videoEvent({ room, type: 'arrived', visitor });
    expect((await host.post(`/api/visitors/${visitor}/present`, { presents: false })).status).toBe(
      200,
    );
    expect(await role()).toEqual(['participant', false]);
    expect(
      (
        await host.post(`/api/visitors/${await visitorNamed(room, 'Ottoline Marsh')}/present`, {
          presents: true,
        })
      ).status,
    ).toBe(409);
  });
  it('brings people in by name or address: they need not knock, this once', async () => {
    await lesson();
    const hedda = await school.as('Hedda Grue', 'personal');
    expect((await door(hedda)).decision.reason).toBe('use-school-account');
    expect(
      (await host.post(`/api/links/${n3.link.id}/bring-in`, { email: 'Hedda.Grue@home.example' }))
        .body,
    ).toEqual({ name: 'Hedda Grue', ofSchool: false });
    expect((await door(hedda)).decision).toMatchObject({ outcome: 'enter', role: 'participant' });
    expect(
      (
        await host.post(`/api/links/${n3.link.id}/bring-in`, {
          personId: school.person('Bram Osterholt').id,
        })
      ).body,
    ).toEqual({ name: 'Bram Osterholt', ofSchool: true });
    expect(
      (await host.post(`/api/links/${n3.link.id}/bring-in`, { email: 'nobody.yet@home.example' }))
        .body,
    ).toEqual({ name: 'nobody.yet@home.example', ofSchool: false });
    await host.post(`/api/links/${n3.link.id}/bring-in`, { email: 'hedda.grue@home.example' });
    expect((await desk()).invited.map((i) => [i.name, i.ofSchool])).toEqual([
      ['Hedda Grue', false],
      ['Bram Osterholt', true],
      ['nobody.yet@home.example', false],
    ]);
    for (const body of [{ email: 'no address' }, {}, { personId: 1, email: 'a@home.example' }])
      expect((await host.post(`/api/links/${n3.link.id}/bring-in`, body)).status).toBe(422);
    expect(
      (await host.post(`/api/links/${n3.link.id}/bring-in`, { personId: 999999 })).body.errors[0]
        .path,
    ).toBe('personId');
    expect((await hedda.get('/api/my-day')).body.doors).toHaveLength(1);
    await lesson('2026-10-21');
    expect((await door(hedda)).decision.reason).toBe('use-school-account');
  });
});

describe('a session that runs', () => {
  it('runs longer, on the books too, and says by how much', async () => {
    await school.setTime('11:45');
    const clinic = school.classes.get('C')!;
    expect((await host.post(`/api/links/${clinic.link.id}/extend`, { minutes: 10 })).status).toBe(
      409,
    );
    const room = roomOf((await host.post(`/api/links/${clinic.link.id}/open`)).body.go);
    await sits(room, 'Ottoline Marsh');
    expect((await host.post(`/api/links/${clinic.link.id}/extend`, { minutes: 10 })).body).toEqual({
      end: '2026-10-14T15:50:00Z',
    });
    expect((await host.post(`/api/links/${clinic.link.id}/extend`, { minutes: 5 })).body).toEqual({
      end: '2026-10-14T15:55:00Z',
    });
    const session = (await host.get('/api/today')).body.sessions.find(
      (s: { linkId: number }) => s.linkId === clinic.link.id,
    );
    expect(session).toMatchObject({
      time: '11:40',
      minutes: 75,
      was: { date: '2026-10-14', time: '11:40', minutes: 60 },
      status: 'moved',
    });
    for (const minutes of [0, 241, 2.5])
      expect((await host.post(`/api/links/${clinic.link.id}/extend`, { minutes })).status).toBe(
        422,
      );
  });
  it('tells the room of each: role changed, seat taken away', async () => {
    const room = await lesson();
    const signe = await school.as('Signe Aalto');
    await enter(signe);
    await host.post(`/api/links/${n3.link.id}/let-all-in`);
    const { go } = await enter(signe);
    const page = await fetch(go!, { redirect: 'manual' });
    const cookie = page.headers.getSetCookie()[0]!.split(';')[0]!;
    const state = async () =>
      fetch(`${school.video}/room/${room}/state`, { headers: { Cookie: cookie } });
    expect(((await (await state()).json()) as { you: { role: string } }).you.role).toBe(
      'presenter',
    );
    await sits(room, 'Signe Aalto');
    await host.post(`/api/links/${n3.link.id}/hand-over`, {
      personId: school.person('Signe Aalto').id,
      leave: false,
    });
    await until(
      async () => ((await (await state()).json()) as { you: { role: string } }).you.role,
      (role) => role === 'host',
    );
    await host.post(`/api/visitors/${await visitorNamed(room, 'Signe Aalto')}/put-out`);
    await until(
      async () => (await state()).status,
      (status) => status === 403,
    );
  });
});
