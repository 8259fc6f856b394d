import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { studentName } from '../../../demo/school.js';
import type { Answer, DeskVisitor } from '@glen/contract';
import { moves, roomOf, visitorIn } from './roomTools.js';
import { startSchool, type Browser, type School } from './support.js';

// Callers come by a number and a pin: what they hear, how a host sees them, and what a pin is not good for.

let school: School;
let host: Browser;
let door: { id: number; code: string; classId: number };
beforeEach(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
  const { id, link } = school.classes.get('N3')!;
  door = { id: link.id, code: link.code, classId: id };
  await allowPhones();
  await school.setTime('10:46');
});
afterEach(() => school.stop());

/** The school lets its teachers choose; the class period lets callers wait in the lobby. */
async function allowPhones(): Promise<void> {
  const head = await school.as('Noor Achterberg');
  const { version, layers } = (await head.get('/api/school/rules')).body as Answer<'schoolRules'>;
  const { rules } = layers[0]!;
  const free = { version, rules, locked: ['recording'] };
  expect((await head.put('/api/school/rules', free)).status).toBe(200);
  await setRules({ phone: 'lobby' });
}

async function setRules(rules: object): Promise<void> {
  const { version } = (await host.get(`/api/classes/${door.classId}/rules`)).body;
  const body = { version, rules: { straightIn: 'hosts', ...rules } };
  expect((await host.put(`/api/classes/${door.classId}/rules`, body)).status).toBe(200);
}

const invitation = async (who = host): Promise<Answer<'invitation'>> =>
  (await who.get(`/api/links/${door.id}/invitation`)).body;
const pin = async (): Promise<string> => (await invitation()).phonePin!;

const NUMBER = '+1 902 555 0177';
type Heard = Answer<'phoneCall'>;
const call = async (more: object = {}): Promise<Heard> =>
  (await school.phoneCall({ pin: await pin(), from: NUMBER, ...more })).body;
const desk = async (): Promise<Answer<'desk'>> =>
  (await host.get(`/api/links/${door.id}/desk`)).body;

/** The host is in; gives the room. */
async function open(): Promise<string> {
  const { go } = (await host.post(`/api/links/${door.id}/open`, { anyway: true })).body;
  const room = roomOf(go);
  await moves(school, { room, type: 'arrived', name: 'Ottoline Marsh' });
  return room;
}

async function waitingCaller(): Promise<DeskVisitor> {
  await call();
  return (await desk()).waiting.find((v) => v.account === 'phone')!;
}

describe('a caller', () => {
  it('waits in the lobby by two digits of a number, is let in, and is inside as one of the others', async () => {
    const room = await open();
    expect(await call()).toEqual({
      say: 'You are in the lobby of Coastal Navigation, period 3. Ottoline Marsh sees that you are waiting.',
      goes: 'waits',
      go: null,
    });
    // Asked again while they wait, nothing is written twice.
    expect((await call()).goes).toBe('waits');
    const { waiting } = await desk();
    expect(waiting.map((v) => [v.name, v.account, v.onRoll])).toEqual([
      ['caller …77', 'phone', false],
    ]);
    await host.post(`/api/visitors/${waiting[0]!.id}/let-in`);
    const heard = await call();
    expect(heard).toMatchObject({ say: 'You are on to Coastal Navigation, period 3.', goes: 'in' });
    expect(roomOf(heard.go!)).toBe(room);
    const [, payload] = new URL(heard.go!).searchParams.get('ticket')!.split('.');
    const ticket = JSON.parse(Buffer.from(payload!, 'base64url').toString());
    expect(ticket).toMatchObject({ name: 'caller …77', role: 'participant' });
    await moves(school, { room, type: 'arrived', name: 'caller …77' });
    expect((await desk()).inside.map((v) => v.name)).toContain('caller …77');
    // Whoever drops out calls again and need not wait.
    await moves(school, { room, type: 'left', name: 'caller …77' });
    expect((await call({ call: 'two' })).goes).toBe('in');
  });
  it('who hangs up while they wait is seen waiting no longer', async () => {
    await open();
    await call();
    expect(await call({ isOver: true })).toEqual({ say: 'Goodbye.', goes: 'over', go: null });
    expect((await desk()).waiting).toEqual([]);
    expect(await call({ isOver: true })).toMatchObject({ goes: 'over' });
  });
  it('who was turned away is told so, however often they call; another caller is not', async () => {
    await open();
    const { id } = await waitingCaller();
    await host.post(`/api/visitors/${id}/turn-away`, { word: '' });
    const away = { say: 'The host has not let you in. Goodbye.', goes: 'over', go: null };
    expect(await call()).toEqual(away);
    expect(await call({ call: 'two' })).toEqual(away);
    // Their last two digits are the same.
    expect((await call({ from: '+1 902 555 0277' })).goes).toBe('waits');
  });
  it('who is put out is out, and hears it when they call again', async () => {
    const room = await open();
    await setRules({ phone: 'straight-in' });
    expect((await call()).goes).toBe('in');
    await moves(school, { room, type: 'arrived', name: 'caller …77' });
    const id = await visitorIn(school, room, 'caller …77');
    expect((await host.post(`/api/visitors/${id}/put-out`)).status).toBe(200);
    expect((await call()).goes).toBe('over');
  });
  it('without a number is another one with each call', async () => {
    await open();
    await call({ from: null });
    await call({ from: null, call: 'two' });
    const names = (await desk()).waiting.map((v) => v.name);
    expect(names).toEqual(['caller, number withheld', 'caller, number withheld']);
  });
  it('cannot be let present or share, nor be made a host', async () => {
    await open();
    const { id } = await waitingCaller();
    await host.post(`/api/visitors/${id}/let-in`);
    const present = await host.post(`/api/visitors/${id}/present`, { presents: true });
    expect([present.status, present.body.title]).toEqual([
      409,
      'Caller …77 is on the telephone, and cannot present.',
    ]);
    await call();
    expect((await host.post(`/api/visitors/${id}/share`, { shares: true })).status).toBe(409);
  });
  it('before a full room waits on the line, in turn', async () => {
    const room = await open();
    await setRules({ phone: 'straight-in', straightIn: 'roll', capacity: 2 });
    const pupil = await school.as('Ansel Grue');
    await pupil.post(`/api/door/${door.code}/enter`, {});
    await moves(school, { room, type: 'arrived', name: 'Ansel Grue' });
    expect((await call()).say).toContain('is full. Stay on the line');
    expect((await desk()).inLine).toBe(1);
    await moves(school, { room, type: 'left', name: 'Ansel Grue' });
    expect((await call()).goes).toBe('in');
  });
  it('is held by the phone rule alone: neither account nor code is asked of them', async () => {
    await open();
    await setRules({ phone: 'lobby', whoMayEnter: 'roll', entryCode: 'gull 472' });
    expect((await call()).goes).toBe('waits');
    await setRules({ phone: 'none', whoMayEnter: 'anyone', straightIn: 'everyone' });
    const asked = { pin: '', from: '+1 902 555 0188' };
    expect((await invitation()).phonePin).toBeNull();
    expect((await school.phoneCall(asked)).body.goes).toBe('again');
  });
  it('is turned back where the host asks everybody for an account from now on', async () => {
    await open();
    expect((await call()).goes).toBe('waits');
    expect((await host.post(`/api/links/${door.id}/ask-for-account`)).status).toBe(200);
    expect((await call()).say).toContain('takes no callers');
    expect((await desk()).waiting).toEqual([]);
  });
  it('hears when the door opens, and that nobody is in yet', async () => {
    await school.setTime('10:31');
    expect((await call()).say).toMatch(/opens at 10:\d\d\. Stay on the line\.$/);
    await school.setTime('06:00');
    expect((await call()).say).toMatch(/Please call again then\. Goodbye\.$/);
    await school.setTime('10:46');
    expect((await call()).say).toContain('Stay on the line until Ottoline Marsh comes');
  });
});

describe('a pin', () => {
  it('is told to those it is for, in the invitation and on the page for students', async () => {
    expect(await invitation()).toMatchObject({ phoneNumber: '+1 902 555 0142' });
    const how = async (who: Browser): Promise<string | null> =>
      (await who.get(`/api/door/${door.code}/how`)).body.phone;
    expect(await how(await school.as('Ansel Grue'))).toContain(await pin());
    for (const other of ['Bram Osterholt', studentName(60), null])
      expect(await how(await school.as(other))).toBeNull();
  });
  it('stops with the code that it was made for, and leads on as that does', async () => {
    const old = await pin();
    const { version } = (await host.get(`/api/links/${door.id}`)).body as Answer<'link'>;
    const body = { version, how: 'stop', why: 'leaked' };
    const replaced = await host.post(`/api/links/${door.id}/replace`, body);
    expect(replaced.status).toBe(200);
    await open();
    expect(await pin()).not.toBe(old);
    expect((await call({ pin: old })).goes).toBe('again');
    expect((await call()).goes).toBe('waits');
  });
  it('opens nothing else: it is no code of a door, and says nothing unsigned', async () => {
    const keyed = (await pin()).replaceAll(' ', '');
    expect((await host.get(`/api/door/${keyed}`)).status).toBe(404);
    const asked = { pin: keyed, from: NUMBER };
    expect((await school.phoneCall(asked, { secret: 'x'.repeat(40) })).status).toBe(401);
    expect((await school.phoneCall(asked, { age: 301 })).status).toBe(401);
    expect((await school.phoneCall({ ...asked, from: 'x'.repeat(41) })).status).toBe(422);
  });
  it('is not guessed: six wrong ones from a number, and many from anywhere, hold up whoever comes anew', async () => {
    await open();
    const known = await call();
    expect(known.goes).toBe('waits');
    const wrong = { pin: '1000000', from: '+1 902 555 0199' };
    for (let i = 0; i < 6; i++) expect((await school.phoneCall(wrong)).body.goes).toBe('again');
    const right = { pin: await pin(), from: wrong.from };
    expect((await school.phoneCall(right)).body).toMatchObject({ goes: 'over' });
    for (let i = 0; i < 114; i++)
      await school.phoneCall({ ...wrong, from: `+1 902 555 ${1000 + i}` });
    const fresh = { ...right, from: '+1 902 555 0111' };
    expect((await school.phoneCall(fresh)).body.say).toContain('Too many pins');
    expect((await call()).goes).toBe('waits');
    // Nor is whoever waits there cut off by what others key in under their number.
    for (let i = 0; i < 6; i++) await school.phoneCall({ ...wrong, from: NUMBER });
    expect((await call()).goes).toBe('waits');
  });
  it('is not given where the room is one that a host gave', async () => {
    const link = (await host.get(`/api/links/${door.id}`)).body as Answer<'link'>;
    const old = await pin();
    const room = { version: link.version, address: 'https://rooms.example/n3' };
    expect((await host.put(`/api/links/${door.id}/room`, room)).status).toBe(200);
    expect((await invitation()).phonePin).toBeNull();
    expect((await call({ pin: old })).say).toContain('takes no callers');
  });
});

describe('the door tried as a caller', () => {
  it('says what the door would', async () => {
    await open();
    const tried = async (): Promise<string> =>
      (await host.post(`/api/links/${door.id}/try`, { kind: 'caller' })).body.decision.reason;
    expect(await tried()).toBe('lobby');
    await setRules({ phone: 'straight-in' });
    expect(await tried()).toBe('straight-in');
    await setRules({ phone: 'none' });
    expect(await tried()).toBe('no-phone');
  });
});
