import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Answer } from '@glen/contract';
import { endThings } from '../src/features/afterLesson/things.js';
import { postTools } from './postTools.js';
import { moves, roomOf } from './roomTools.js';
import { startSchool, until, type Browser, type School } from './support.js';

// What is there after a lesson: recordings, notes, addresses, each for some people, until a day.

let school: School;
let host: Browser;
let ansel: Browser;
let link: { id: number; code: string };
let lesson: { seriesId: number; key: string };
beforeEach(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
  ansel = await school.as('Ansel Grue');
  const n3 = school.classes.get('N3')!;
  link = n3.link;
  const { sessions } = (await host.get(`/api/classes/${n3.id}`)).body as Answer<'classPeriod'>;
  lesson = sessions.find(({ date }) => date === '2026-10-14')!;
});
afterEach(() => school.stop());

type After = Answer<'afterLesson'>;
type Found = Answer<'doorAfterLessons'>['things'];
const path = (): string => `/api/series/${lesson.seriesId}/after`;
const after = async (): Promise<After> =>
  (await host.get(`${path()}?on=${lesson.key}`)).body as After;
const NOTE = {
  ...{ kind: 'note', title: 'Homework', words: 'Plot the passage to Merrow Point.' },
  ...{ seenBy: 'everyone', until: '2026-11-11' },
};
const add = (body: object = {}, by = host) => by.post(path(), { on: lesson.key, ...NOTE, ...body });
const found = async (by: Browser): Promise<Found> =>
  ((await by.get(`/api/door/${link.code}/after`)).body as Answer<'doorAfterLessons'>).things;
const titles = async (by: Browser): Promise<string[]> =>
  (await found(by)).map(({ title }) => title);

describe('notes and addresses', () => {
  it('stand under the link for those whom it is for, and for nobody else', async () => {
    await add();
    await add({ kind: 'address', title: 'Slides', address: 'https://files.merrow.example/n3' });
    expect(await titles(ansel)).toEqual(['Homework', 'Slides']);
    expect((await found(ansel))[1]).toMatchObject({
      address: 'https://files.merrow.example/n3',
      session: { title: 'Coastal Navigation, period 3', date: '2026-10-14', time: '10:45' },
    });
    expect(await titles(await school.as('Birgit Draycott'))).toEqual([]);
    expect(await titles(await school.as(null))).toEqual([]);
  });

  it('are for hosts alone, or for those who came, where a host says so', async () => {
    await add({ title: 'For us', seenBy: 'hosts' });
    await add({ title: 'For those who came', seenBy: 'came' });
    expect(await titles(host)).toEqual(['For us', 'For those who came']);
    expect(await titles(ansel)).toEqual([]);
    await school.setTime('10:50');
    await hostInRoom();
    await ansel.post(`/api/door/${link.code}/enter`, {});
    await host.post(`/api/links/${link.id}/let-all-in`);
    expect(await titles(ansel)).toEqual(['For those who came']);
  });

  it('are refused with what is wrong beside its field', async () => {
    const wrong = async (body: object): Promise<string> =>
      (await add(body)).body.errors[0].path as string;
    expect(await wrong({ title: '' })).toBe('title');
    expect(await wrong({ until: '2026-10-13' })).toBe('until');
    expect(await wrong({ until: '2026-02-30' })).toBe('until');
    expect(await wrong({ kind: 'address', address: 'http://files.example/n3' })).toBe('address');
    expect((await add({ on: '2026-10-15' })).status).toBe(404);
    expect((await add({}, ansel)).status).toBe(403);
  });

  it('are changed and taken away as their writer read them', async () => {
    const [kept] = ((await add()).body as After).things;
    const change = { on: lesson.key, id: kept!.id, version: 1, ...NOTE, title: 'For Friday' };
    expect((await host.post(`${path()}/edit`, change)).body.things[0]).toMatchObject({
      ...{ title: 'For Friday', version: 2, by: 'Ottoline Marsh' },
    });
    const late = await host.post(`${path()}/edit`, change);
    expect([late.status, late.body.current.things[0].version]).toEqual([409, 2]);
    const remove = { on: lesson.key, id: kept!.id };
    expect((await host.post(`${path()}/remove`, { ...remove, version: 1 })).status).toBe(409);
    expect((await host.post(`${path()}/remove`, { ...remove, version: 2 })).status).toBe(200);
    expect((await after()).things).toEqual([]);
    expect((await host.post(`${path()}/remove`, { ...remove, version: 2 })).status).toBe(404);
  });

  it('go by themselves after their last day, and not before', async () => {
    await school.running.glen.db.models.AfterLesson.destroy({ where: {} });
    await add();
    await school.setTime('23:59', '2026-11-11');
    expect([await titles(ansel), await endThings(school.running.glen)]).toEqual([['Homework'], 0]);
    await school.setTime('00:01', '2026-11-12');
    expect(await titles(ansel)).toEqual([]);
    expect(await endThings(school.running.glen)).toBe(1);
    expect(await school.running.glen.db.models.AfterLesson.count()).toBe(0);
  });
});

describe('below a post on the course page', () => {
  const onThePage = (withAfterLessons: boolean): object => ({
    ...{ words: 'Bring dividers.', linkWords: 'Join the lesson' },
    places: [
      {
        ...{ classId: school.classes.get('N3')!.id, kind: 'item', section: { title: 'Doors' } },
        withAfterLessons,
      },
    ],
  });
  const tools = () => postTools(school, host);

  it('stands what is for everyone, and goes when it does; what is for some is not named', async () => {
    const { post, pageShows } = tools();
    await add();
    await add({ title: 'For those who came', seenBy: 'came' });
    await post('N3', onThePage(true));
    const page = await pageShows('nav-3', (text) => text.includes('Homework'));
    expect(page).toContain(`/door/${link.code}#after-`);
    expect(page).not.toContain('For those who came');
    await add({ title: 'Slides of today' });
    await pageShows('nav-3', (text) => text.includes('Slides of today'));
    await school.setTime('00:01', '2026-11-12');
    await endThings(school.running.glen);
    await pageShows('nav-3', (text) => !text.includes('Homework'));
  });

  it('stands nothing where it is not wished, and the preview shows what will', async () => {
    const { post, pageShows } = tools();
    await add();
    await post('N3', onThePage(false));
    const page = await pageShows('nav-3', (text) => text.includes('Join the lesson'));
    expect(page).not.toContain('Homework');
    const shown = async (withAfterLessons: boolean): Promise<string> =>
      (
        await host.post(
          `/api/classes/${school.classes.get('N3')!.id}/posts/preview`,
          onThePage(withAfterLessons),
        )
      ).body.places[0].html;
    expect(await shown(true)).toContain('Homework');
    expect(await shown(false)).not.toContain('Homework');
  });
});

interface InRoom {
  room: string;
  record: (on: boolean) => Promise<number>;
  write: (text: string) => Promise<number>;
}

/** A host in the room itself, as a browser is: with the room's cookie, and listening. */
async function hostInRoom(): Promise<InRoom> {
  const { go } = (await host.post(`/api/links/${link.id}/open`, { anyway: true })).body;
  const room = roomOf(go);
  const came = await fetch(go, { redirect: 'manual' });
  const Cookie = came.headers.getSetCookie()[0]!.split(';')[0]!;
  const at = `${new URL(go).origin}/room/${room}`;
  await moves(school, { room, type: 'arrived', name: 'Ottoline Marsh' });
  const press = async (what: string, body: object): Promise<number> => {
    const headers = { Cookie, 'Content-Type': 'application/json' };
    const options = { method: 'POST', headers, body: JSON.stringify(body) };
    return (await fetch(`${at}/${what}`, options)).status;
  };
  return {
    room,
    record: (on) => press('record', { on }),
    write: (text) => press('chat', { text }),
  };
}

describe('recordings', () => {
  beforeEach(async () => {
    const head = await school.as('Noor Achterberg');
    const { version: read, layers } = (await head.get('/api/school/rules'))
      .body as Answer<'schoolRules'>;
    await head.put('/api/school/rules', {
      ...{ version: read, rules: layers[0]!.rules, locked: [] },
    });
    const { version } = (await host.get(`/api/classes/${school.classes.get('N3')!.id}/rules`)).body;
    await host.put(`/api/classes/${school.classes.get('N3')!.id}/rules`, {
      version,
      rules: { recording: 'by-host' },
    });
    await school.setTime('10:50');
  });

  it('come about where the rules let them, for hosts alone until a host says who sees them', async () => {
    const { record } = await hostInRoom();
    expect(await record(true)).toBe(200);
    expect(await record(false)).toBe(200);
    const [kept] = (await until(after, ({ things }) => things.length === 1)).things;
    expect(kept).toMatchObject({ kind: 'recording', minutes: 1, seenBy: 'hosts', by: null });
    expect(await found(ansel)).toEqual([]);
    const open = (by: Browser) => by.get(`/api/recordings/${kept!.id}`);
    expect((await open(ansel)).status).toBe(404);
    const said = { title: 'The lesson', words: '', seenBy: 'everyone', until: '2026-10-20' };
    await host.post(`${path()}/edit`, { on: lesson.key, id: kept!.id, version: 1, ...said });
    expect(await titles(ansel)).toEqual(['The lesson']);
    const way = await open(ansel);
    expect(way.status).toBe(303);
    const file = await fetch(way.headers.location!);
    expect(file.headers.get('content-type')).toBe('audio/wav');
    const bytes = Buffer.from(await file.arrayBuffer());
    expect([bytes.toString('latin1', 0, 4), bytes.length]).toEqual(['RIFF', 8044]);
    expect((await open(await school.as(null))).status).toBe(404);
    await host.post(`${path()}/remove`, { on: lesson.key, id: kept!.id, version: 2 });
    await until(
      async () => (await fetch(way.headers.location!)).status,
      (status) => status === 403,
    );
  });

  it('are told once, however often the video service tells of them', async () => {
    const { room } = await hostInRoom();
    const told = { room, type: 'recorded', recording: 'a1', minutes: 50 };
    const event = { ...told, id: 'told-once' };
    await Promise.all([school.videoEvent(event), school.videoEvent(event)]);
    expect((await school.videoEvent({ ...told, id: 'told-again' })).status).toBe(200);
    expect((await after()).things).toMatchObject([{ minutes: 50, until: '2026-11-11' }]);
    await school.videoEvent({ ...told, id: 'of-no-room', room: 'g999999-1', recording: 'b2' });
    expect((await after()).things).toHaveLength(1);
  });
});

describe('what is written in the chat', () => {
  const keepChats = async (keepsChat: boolean): Promise<number> => {
    const office = await school.as('Perpetua Lund');
    const { mayEdit: _, ...ways } = (await office.get('/api/school/registers')).body;
    return (await office.put('/api/school/registers', { ...ways, keepsChat })).status;
  };
  /** A lesson in which something is written, from its beginning to its end. */
  const holdLesson = async (): Promise<void> => {
    await school.setTime('10:50');
    const { write } = await hostInRoom();
    expect(await write('Chart 4012: https://files.merrow.example/4012')).toBe(200);
    expect((await host.post(`/api/links/${link.id}/close-room`, {})).status).toBe(200);
  };

  it('is kept for the session’s hosts where the school wishes it, and all who come know before', async () => {
    expect(await keepChats(true)).toBe(200);
    expect((await ansel.get('/api/me')).body.school.keepsChat).toBe(true);
    expect(JSON.stringify((await ansel.get(`/api/door/${link.code}/how`)).body)).toContain(
      'the chat is kept after the session',
    );
    await holdLesson();
    const [kept] = (await until(after, ({ things }) => things.length === 1)).things;
    expect(kept).toMatchObject({ title: 'Chat', kind: 'recording', minutes: null });
    expect(kept!.seenBy).toBe('hosts');
    expect(await titles(ansel)).toEqual([]);
    const way = await host.get(`/api/recordings/${kept!.id}`);
    const file = await fetch(way.headers.location!);
    expect(file.headers.get('content-type')).toContain('text/plain');
    expect(await file.text()).toBe(
      'Ottoline Marsh: Chart 4012: https://files.merrow.example/4012\n',
    );
    await host.post(`${path()}/remove`, { on: lesson.key, id: kept!.id, version: 1 });
    await until(
      async () => (await fetch(way.headers.location!)).status,
      (status) => status === 403,
    );
  });

  it('goes with the room otherwise', async () => {
    await holdLesson();
    await until(
      async () => (await host.get(`/api/links/${link.id}/desk`)).body.here?.length ?? 0,
      (inside) => inside === 0,
    );
    expect((await after()).things).toEqual([]);
  });
});
