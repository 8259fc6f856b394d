import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Answer } from '@glen/contract';
import { takeInGuests } from '../../../bench/crowd.mjs';
import { startServer } from '../src/start.js';
import { moves, roomOf } from './roomTools.js';
import { Browser, startSchool, type School } from './support.js';

// Before a full room people wait in a line that their pages keep, and come in by its order.

let school: School;
let host: Browser;
let door: { id: number; code: string; classId: number };
beforeEach(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
  const { id, link } = school.classes.get('N3')!;
  door = { id: link.id, code: link.code, classId: id };
  await school.setTime('10:46');
});
afterEach(() => school.stop());

async function setRules(rules: object): Promise<void> {
  const { version } = (await host.get(`/api/classes/${door.classId}/rules`)).body;
  const body = { version, rules: { whoMayEnter: 'anyone', straightIn: 'everyone', ...rules } };
  expect((await host.put(`/api/classes/${door.classId}/rules`, body)).status).toBe(200);
}

type Entered = Answer<'enterDoor'>;
const ask = async (who: Browser, body: object = { wait: true }): Promise<Entered> =>
  (await who.post(`/api/door/${door.code}/enter`, body, school.url)).body;
const look = async (who: Browser): Promise<Answer<'door'>> =>
  (await who.get(`/api/door/${door.code}`)).body;

/** The host is in, and one seat more is left. */
async function roomForOne(): Promise<string> {
  await setRules({ capacity: 2, watching: true });
  const { go } = (await host.post(`/api/links/${door.id}/open`, { anyway: true })).body;
  const room = roomOf(go);
  await moves(school, { room, type: 'arrived', name: 'Ottoline Marsh' });
  return room;
}

const PUPILS = ['Ansel Grue', 'Birgit Tideman', 'Birgit Draycott'] as const;
const pupils = () => Promise.all(PUPILS.map((name) => school.as(name)));

describe('before a full room', () => {
  it('one waits in the order of coming, and a seat that comes free is kept for the first', async () => {
    const room = await roomForOne();
    const [first, second, third] = (await pupils()) as [Browser, Browser, Browser];
    expect((await ask(first)).go).not.toBeNull();
    await moves(school, { room, type: 'arrived', name: PUPILS[0] });
    expect(await ask(second)).toMatchObject({ decision: { reason: 'full' }, go: null });
    expect(await ask(third)).toMatchObject({ decision: { reason: 'full' }, go: null });
    expect(await look(second)).toMatchObject({ inLine: true, ahead: 0 });
    expect(await look(third)).toMatchObject({ inLine: true, ahead: 1 });
    const { inLine } = (await host.get(`/api/links/${door.id}/desk`)).body as Answer<'desk'>;
    expect(inLine).toBe(2);
    await moves(school, { room, type: 'left', name: PUPILS[0] });
    // Neither the next in line nor whoever comes by goes first.
    expect((await ask(third)).go).toBeNull();
    expect((await ask(await school.as('Caspian Muise'), {})).decision.reason).toBe('full');
    expect((await ask(second)).go).not.toBeNull();
    expect(await look(third)).toMatchObject({ inLine: true, ahead: 0 });
  });
  it('a seat is taken by whoever is on the way in, until their way in has lapsed', async () => {
    await roomForOne();
    const [first, second] = (await pupils()) as [Browser, Browser, Browser];
    expect((await ask(first)).go).not.toBeNull();
    expect((await ask(second)).decision.reason).toBe('full');
    await school.running.glen.db.models.Visitor.update(
      { ticket_until: school.running.glen.clock.machine(-1) },
      { where: { name: PUPILS[0] } },
    );
    expect((await ask(second)).go).not.toBeNull();
  });
  it('whose page sleeps is passed by, and has their place again when they are back', async () => {
    const room = await roomForOne();
    const [first, second, third] = (await pupils()) as [Browser, Browser, Browser];
    await ask(first);
    await moves(school, { room, type: 'arrived', name: PUPILS[0] });
    await ask(second);
    await ask(third);
    const sleeps = () =>
      school.running.glen.db.change(
        `UPDATE door_line SET seen_at = seen_at - INTERVAL 2 MINUTE ORDER BY id LIMIT 1`,
      );
    await sleeps();
    expect(await look(third)).toMatchObject({ ahead: 0 });
    await ask(second);
    expect(await look(third)).toMatchObject({ ahead: 1 });
    await sleeps();
    await moves(school, { room, type: 'left', name: PUPILS[0] });
    expect((await ask(third)).go).not.toBeNull();
  });
  it('one may watch meanwhile, which takes no seat', async () => {
    const room = await roomForOne();
    const [first, second, third] = (await pupils()) as [Browser, Browser, Browser];
    await ask(first);
    await moves(school, { room, type: 'arrived', name: PUPILS[0] });
    expect(await look(second)).toMatchObject({ mayWatch: true });
    const watching = await ask(second, { watchOnly: true });
    expect(watching.decision).toMatchObject({ outcome: 'enter', role: 'watcher' });
    await moves(school, { room, type: 'arrived', name: PUPILS[1] });
    await moves(school, { room, type: 'left', name: PUPILS[0] });
    expect((await ask(third)).go).not.toBeNull();
  });
  it('nobody waits who would not be let in, and none waits on when it is over', async () => {
    const room = await roomForOne();
    const [first, second] = (await pupils()) as [Browser, Browser, Browser];
    await ask(first);
    await moves(school, { room, type: 'arrived', name: PUPILS[0] });
    await ask(second);
    await setRules({ capacity: 2, whoMayEnter: 'roll' });
    const stranger = await ask(await school.as(null), { wait: true, name: 'Somebody' });
    expect(stranger.decision.reason).toBe('sign-in');
    await host.post(`/api/links/${door.id}/close-room`);
    expect(await look(second)).toMatchObject({ inLine: false, decision: { reason: 'ended' } });
    expect(await school.running.glen.db.models.InLine.count()).toBe(0);
  });
  it('strangers do not fill the line', async () => {
    await setRules({ capacity: 1 });
    const { go } = (await host.post(`/api/links/${door.id}/open`, { anyway: true })).body;
    await moves(school, { room: roomOf(go), type: 'arrived', name: 'Ottoline Marsh' });
    const statuses: number[] = [];
    for (let i = 0; i < 8; i++) {
      const stranger = await school.as(null);
      const body = { wait: true, name: `Somebody ${i}` };
      const { status } = await stranger.post(`/api/door/${door.code}/enter`, body);
      statuses.push(status);
    }
    expect(statuses.slice(0, 5)).toEqual([200, 200, 200, 200, 200]);
    expect(statuses.at(-1)).toBe(429);
  });
});

const COUNT = 100;
const SEATS = 10;

it(`${COUNT} wait for ${SEATS} seats at two servers: never more are in, all come in in their order, none twice`, async () => {
  const { glen } = school.running;
  const other = await startServer({ ...glen.config, port: 0 });
  try {
    // The host takes one seat of them.
    await setRules({ capacity: SEATS + 1 });
    const { go } = (await host.post(`/api/links/${door.id}/open`, { anyway: true })).body;
    const room = roomOf(go);
    await moves(school, { room, type: 'arrived', name: 'Ottoline Marsh' });
    const accounts = await takeInGuests((sql) => glen.db.rows(sql), {
      prefix: 'Waiting',
      count: COUNT,
    });
    const urls = [school.url, `http://127.0.0.1:${other.port}`];
    const waiting = await Promise.all(
      accounts.map(async (accountId, i) => {
        const browser = new Browser(urls[i % 2]!);
        await browser.post('/api/demo/sign-in', { accountId }, school.url);
        return { browser, name: `Waiting ${i}` };
      }),
    );
    const inside = new Set<string>();
    const came: string[] = [];
    const comeIn = async (name: string): Promise<void> => {
      expect(inside.has(name)).toBe(false);
      inside.add(name);
      came.push(name);
      await moves(school, { room, type: 'arrived', name });
    };
    const first = await Promise.all(waiting.map(({ browser }) => ask(browser)));
    for (const [i, { go: way }] of first.entries()) if (way) await comeIn(waiting[i]!.name);
    expect(inside.size).toBe(SEATS);
    const order = await glen.db.rows<{ name: string }>(
      `SELECT p.name FROM door_line l JOIN accounts a ON l.visitor_key = CONCAT('a', a.id) JOIN people p ON p.id = a.person_id ORDER BY l.id`,
    );
    expect(order).toHaveLength(COUNT - SEATS);
    const left = new Set<string>();
    while (came.length < COUNT) {
      const leaving = [...inside].slice(0, 3);
      for (const name of leaving) {
        inside.delete(name);
        left.add(name);
        await moves(school, { room, type: 'left', name });
      }
      // Those in front ask, and some behind them too.
      const still = waiting.filter(({ name }) => !inside.has(name) && !left.has(name));
      const asked = still.filter(({ name }) => {
        const place = order.slice(came.length - SEATS).findIndex((one) => one.name === name);
        return place < 8;
      });
      const answers = await Promise.all(asked.map(({ browser }) => ask(browser)));
      for (const [i, { go: way }] of answers.entries()) if (way) await comeIn(asked[i]!.name);
      expect(inside.size).toBeLessThanOrEqual(SEATS);
    }
    expect(new Set(came).size).toBe(COUNT);
    // By threes, as seats came free.
    const inThrees = (names: string[]): string[][] =>
      Array.from({ length: names.length / 3 }, (_, i) => names.slice(3 * i, 3 * i + 3).toSorted());
    expect(inThrees(came.slice(SEATS))).toEqual(inThrees(order.map((one) => one.name)));
  } finally {
    await other.stop();
  }
}, 120000);
