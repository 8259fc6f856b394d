import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Answer } from '@glen/contract';
import { tellNext } from '../src/features/evening/tellNext.js';
import { moves, roomOf } from './roomTools.js';
import { startSchool, type Browser, type School } from './support.js';

// What comes after what in one session: said by its hosts, read at its door, told in its room.

let school: School;
let host: Browser;
let lesson: { seriesId: number; key: string; linkId: number };
let code: string;

beforeEach(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
  const n3 = school.classes.get('N3')!;
  code = n3.link.code;
  const { sessions } = (await host.get(`/api/classes/${n3.id}`)).body as Answer<'classPeriod'>;
  // 10:45 to 11:35.
  lesson = sessions.find(({ date }) => date === '2026-10-14')!;
});
afterEach(() => school.stop());

const TEXT = '10:45 Welcome\n11:00 Charts (Tomas Verhage)\n11:20 Questions';
const path = (): string => `/api/series/${lesson.seriesId}/programme`;
const read = async (key = lesson.key): Promise<Answer<'programme'>> =>
  (await host.get(`${path()}?key=${key}`)).body;
const say = (text: string, version: number | null = null, by = host) =>
  by.put(path(), { key: lesson.key, version, text });
const shift = (from: number, by: number, version = 1) =>
  host.post(`${path()}/shift`, { key: lesson.key, version, from, by });
const atDoor = async (by: Browser): Promise<Answer<'doorProgramme'>> =>
  (await by.get(`/api/door/${code}/programme`)).body;
const times = ({ items }: Pick<Answer<'programme'>, 'items'>): string[] =>
  items.map(({ time, title }) => `${time} ${title}`);

describe('a programme', () => {
  it('is said by hosts, a line each, kept from a stale edit, and gone where nothing is left', async () => {
    expect(await read()).toMatchObject({ version: null, text: '', items: [] });
    const said = (await say(TEXT)).body as Answer<'setProgramme'>;
    expect([said.version, said.text]).toEqual([1, TEXT]);
    expect(said.items[1]).toEqual({
      at: '2026-10-14T14:00:00Z',
      time: '11:00',
      title: 'Charts',
      speaker: 'Tomas Verhage',
    });
    const stale = await say('10:50 Other', null);
    expect([stale.status, stale.body.current.text]).toEqual([409, TEXT]);
    expect((await say('', 1)).body).toMatchObject({ version: null, items: [] });
  });

  it('is refused beside the field where a line cannot be read, and by whom it is not', async () => {
    const wrong = await say('10:45 Welcome\nCharts');
    expect(wrong.body.errors[0]).toEqual({
      path: 'text',
      message: 'Line 2, “Charts”: It begins with no time, such as 18:30.',
    });
    expect((await say(TEXT, null, await school.as('Ansel Grue'))).status).toBe(403);
    expect((await host.get(`${path()}?key=2026-10-15`)).status).toBe(404);
  });

  it('has its rest begin later at one press, as long as the session lasts', async () => {
    await say(TEXT);
    expect(times((await shift(1, 10)).body)).toEqual([
      '10:45 Welcome',
      '11:10 Charts',
      '11:30 Questions',
    ]);
    expect((await shift(1, 10)).status).toBe(409);
    const late = await shift(1, 10, 2);
    expect([late.status, late.body.errors[0].path]).toEqual([422, 'by']);
    expect((await shift(1, -25, 2)).status).toBe(422);
  });

  it('follows its session to another time and day, and into a series of its own', async () => {
    await say(TEXT);
    const { version } = (
      (await host.get(`/api/series/${lesson.seriesId}?key=${lesson.key}`)).body as Answer<'session'>
    ).session;
    const change = { kind: 'move', date: '2026-10-15', time: '15:30', minutes: 50 };
    const one = { seriesId: lesson.seriesId, version, key: lesson.key, scope: 'one', change };
    const { touched } = (await host.post('/api/sessions/change', { changes: [one] })).body;
    expect(times(await read())).toEqual(['15:30 Welcome', '15:45 Charts', '16:05 Questions']);
    await host.post('/api/sessions/take-back', { touched });
    expect(times(await read())[0]).toBe('10:45 Welcome');
  });
});

describe('at the door', () => {
  it('a word of its hosts stands for whoever comes, with or without a programme', async () => {
    const word = 'Bring a pencil; the quay gate is locked at eight.';
    await host.put(path(), { key: lesson.key, version: null, text: '', word });
    const ansel = await school.as('Ansel Grue');
    expect(await atDoor(ansel)).toMatchObject({ word, items: [] });
    await host.put(path(), { key: lesson.key, version: 1, text: TEXT, word });
    await shift(1, 5, 2);
    expect((await atDoor(ansel)).word).toBe(word);
    await host.put(path(), { key: lesson.key, version: 3, text: '', word: ' ' });
    expect(await atDoor(ansel)).toMatchObject({ word: '', items: [] });
  });

  it('stands for all who may read what it is about', async () => {
    await say(TEXT);
    const ansel = await school.as('Ansel Grue');
    expect(times(await atDoor(ansel))).toEqual([
      '10:45 Welcome',
      '11:00 Charts',
      '11:20 Questions',
    ]);
    expect(await atDoor(ansel)).toMatchObject({ start: '2026-10-14T13:45:00Z' });
    const r5 = school.classes.get('R5')!;
    const none = (await ansel.get(`/api/door/${r5.link.code}/programme`)).body;
    expect(none.items).toEqual([]);
  });
});

describe('in the room', () => {
  const said = async (): Promise<string[]> =>
    (
      await school.running.glen.db.models.OutboxJob.findAll({
        where: { kind: 'room-word' },
        order: ['id'],
      })
    ).map(({ payload }) => String(payload.text));
  const look = (): Promise<void> =>
    tellNext(school.running.glen, `${lesson.seriesId}:${lesson.key}`);

  it('everybody inside is told two minutes before the next of it, each once', async () => {
    await say(TEXT);
    const { go } = (await host.post(`/api/links/${lesson.linkId}/open`, { anyway: true })).body;
    await moves(school, { room: roomOf(go), type: 'arrived', name: 'Ottoline Marsh' });
    await school.setTime('10:57');
    await look();
    expect(await said()).toEqual([]);
    await school.setTime('10:58');
    await look();
    await look();
    expect(await said()).toEqual(['In two minutes: Charts, Tomas Verhage.']);
    // It runs late: what was told comes later, and is told anew.
    await shift(1, 10);
    await school.setTime('11:08');
    await look();
    expect((await said()).slice(1)).toEqual(['In two minutes: Charts, Tomas Verhage.']);
    await school.setTime('11:28');
    await look();
    expect((await said()).at(-1)).toBe('In two minutes: Questions.');
  });
});
