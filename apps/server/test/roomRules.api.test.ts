import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import type { Answer, ClassItem } from '@glen/contract';
import { Browser, startSchool, until, type School } from './support.js';
import { moves, roomOf } from './roomTools.js';

let school: School;
let host: Browser;
let n3: ClassItem;
let day = 3;
let seriesId: number;
let date: string;
beforeAll(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
  n3 = school.classes.get('N3')!;
});
afterAll(() => school.stop());

/** A day of its own for each test, with one session at 21:00. */
beforeEach(async () => {
  date = `2027-05-${String(day++).padStart(2, '0')}`;
  await school.setTime('20:58', date);
  const plan = { first: date, at: { time: '21:00', minutes: 50 } };
  const late = { title: 'Late', description: '', plan };
  const { body } = await host.post(`/api/classes/${n3.id}/sessions`, late);
  seriesId = (body as Answer<'addSession'>).session!.seriesId!;
  await setRules({ whoMayEnter: 'roll', straightIn: 'roll' });
});

async function setRules(rules: object): Promise<void> {
  const { version } = (await host.get(`/api/classes/${n3.id}/rules`)).body;
  const answer = await host.put(`/api/classes/${n3.id}/rules`, { version, rules });
  expect(answer.status).toBe(200);
}

/** What somebody in a seat sees of their room. */
interface RoomState {
  rules: { mayUnmute: boolean; sharing: string; chat: boolean; chime: boolean };
  shared: object | null;
  you: { role: string; microphone: string; may: { speak: boolean; share: boolean } };
}

/** A seat in the room, taken with a way in. */
async function seatAt(go: string) {
  const { origin } = new URL(go);
  const taken = await fetch(go, { redirect: 'manual' });
  const cookie = taken.headers.getSetCookie()[0]!.split(';')[0]!;
  const base = `${origin}/room/${roomOf(go)}`;
  return {
    look: async (): Promise<RoomState> =>
      (await (await fetch(`${base}/state`, { headers: { cookie } })).json()) as RoomState,
    does: async (what: string, body: object): Promise<number> => {
      const headers = { cookie, 'Content-Type': 'application/json' };
      const sent = { method: 'POST', headers, body: JSON.stringify(body) };
      return (await fetch(`${base}/${what}`, sent)).status;
    },
    /** Is connected to the room, as its page is. */
    sit: async (): Promise<() => void> => {
      const stop = new AbortController();
      await fetch(`${base}/stream`, { headers: { cookie }, signal: stop.signal });
      return () => stop.abort();
    },
  };
}

/** A host and a pupil in one room. */
async function lesson() {
  const opened = (await host.post(`/api/links/${n3.link.id}/open`)).body as Answer<'openDoor'>;
  const room = roomOf(opened.go);
  await seatAt(opened.go);
  await moves(school, { room, type: 'arrived', name: 'Ottoline Marsh' });
  const pupil = await school.as('Ansel Grue');
  const entered = (await pupil.post(`/api/door/${n3.link.code}/enter`, {})).body;
  const seat = await seatAt(entered.go);
  const leave = await seat.sit();
  const id = await moves(school, { room, type: 'arrived', name: 'Ansel Grue' });
  return { seat, id, leave };
}

const desk = async (): Promise<Answer<'desk'>> =>
  (await host.get(`/api/links/${n3.link.id}/desk`)).body;

describe('a rule that is changed while the room runs', () => {
  it('reaches the room, and stops what it no longer lets anybody do', async () => {
    const { seat, leave } = await lesson();
    expect(await seat.does('speak', { on: true })).toBe(200);
    await setRules({ whoMayEnter: 'roll', straightIn: 'roll', mayUnmute: false });
    await until(seat.look, ({ rules }) => !rules.mayUnmute);
    const after = await until(seat.look, ({ you }) => you.microphone === 'muted');
    expect(after.you.may.speak).toBe(false);
    expect(await seat.does('speak', { on: true })).toBe(403);
    leave();
  });

  it('reaches it from the session’s own rules, too', async () => {
    const { seat, leave } = await lesson();
    const path = `/api/series/${seriesId}/rules`;
    const { version } = (await host.get(`${path}?key=${date}`)).body;
    const set = await host.put(path, { version, key: date, rules: { chat: false } });
    expect(set.status).toBe(200);
    await until(seat.look, ({ rules }) => !rules.chat);
    leave();
  });

  it('gives those inside the part that the door would give them now', async () => {
    const { seat, leave } = await lesson();
    expect((await seat.look()).you.role).toBe('participant');
    await setRules({ whoMayEnter: 'roll', straightIn: 'roll', presenters: 'everyone' });
    await until(seat.look, ({ you }) => you.role === 'presenter');
    expect((await desk()).inside.map((v) => v.role)).toEqual(['host', 'presenter']);
    leave();
  });
});

describe('what a host does in the room from the desk', () => {
  it('mutes one and all; who may speak may switch it on again', async () => {
    const { seat, id, leave } = await lesson();
    const isMuted = ({ you }: RoomState): boolean => you.microphone === 'muted';
    for (const path of [`/api/visitors/${id}/mute`, `/api/links/${n3.link.id}/mute-all`]) {
      await seat.does('speak', { on: true });
      expect((await seat.look()).you.microphone).toBe('on');
      expect((await host.post(path)).status).toBe(200);
      await until(seat.look, isMuted);
    }
    expect(await seat.does('speak', { on: true })).toBe(200);
    leave();
  });

  it('lets one share, and no longer; what is shared then stops', async () => {
    await setRules({ whoMayEnter: 'roll', straightIn: 'roll', sharing: 'hosts' });
    const { seat, id, leave } = await lesson();
    expect(await seat.does('share', { slide: 1 })).toBe(403);
    await host.post(`/api/visitors/${id}/share`, { shares: true });
    await until(seat.look, ({ you }) => you.may.share);
    expect((await desk()).inside[1]).toMatchObject({ name: 'Ansel Grue', mayShare: true });
    expect(await seat.does('share', { slide: 1 })).toBe(200);
    await host.post(`/api/visitors/${id}/share`, { shares: false });
    await until(seat.look, ({ you }) => !you.may.share);
    await until(seat.look, ({ shared }) => shared === null);
    leave();
  });

  it('lets all share for this session alone', async () => {
    await setRules({ whoMayEnter: 'roll', straightIn: 'roll', sharing: 'hosts' });
    const { seat, leave } = await lesson();
    await host.post(`/api/links/${n3.link.id}/let-all-share`, { share: true });
    await until(seat.look, ({ you }) => you.may.share);
    // A rule that is changed meanwhile takes it from nobody.
    await setRules({ whoMayEnter: 'roll', straightIn: 'roll', sharing: 'hosts', chat: false });
    await until(seat.look, ({ rules }) => !rules.chat);
    expect((await seat.look()).you.may.share).toBe(true);
    await host.post(`/api/links/${n3.link.id}/close-room`);
    await host.post(`/api/links/${n3.link.id}/open`);
    expect((await desk()).allShare).toBe(false);
    leave();
  });

  it('whether comings and goings are announced is said at the desk for one session', async () => {
    const { seat, leave } = await lesson();
    const { chimes } = await desk();
    expect((await seat.look()).rules.chime).toBe(chimes);
    await host.post(`/api/links/${n3.link.id}/chime`, { chime: !chimes });
    await until(seat.look, ({ rules }) => rules.chime !== chimes);
    expect((await desk()).chimes).toBe(!chimes);
    await host.post(`/api/links/${n3.link.id}/close-room`);
    await host.post(`/api/links/${n3.link.id}/open`);
    await until(desk, (now) => now.chimes === chimes);
    leave();
  });

  it('is refused where the room is an address that Glen cannot look into', async () => {
    const { id, leave } = await lesson();
    await school.running.glen.db.change(
      `UPDATE sittings SET room_address = 'https://rooms.example/deck' WHERE ended_at IS NULL`,
    );
    expect((await host.post(`/api/visitors/${id}/mute`)).status).toBe(409);
    expect((await host.post(`/api/visitors/${id}/share`, { shares: true })).status).toBe(409);
    expect((await host.post(`/api/links/${n3.link.id}/mute-all`)).status).toBe(409);
    const all = await host.post(`/api/links/${n3.link.id}/let-all-share`, { share: true });
    expect(all.status).toBe(409);
    const chime = await host.post(`/api/links/${n3.link.id}/chime`, { chime: true });
    expect(chime.status).toBe(409);
    leave();
  });
});
