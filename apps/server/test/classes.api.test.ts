import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Answer } from '@glen/contract';
import { ansel, classTools } from './classTools.js';
import { moveIn, startEmpty, type EmptyGlen } from './emptySchool.js';
import type { Browser } from './support.js';

let glen: EmptyGlen;
let ines: Browser;

beforeEach(async () => {
  glen = await startEmpty();
  ines = await moveIn(glen);
});
afterEach(() => glen.stop());

const { make, add, rollOf } = classTools(() => ines);

/** A student who has set a password by the address that the teacher was given. */
async function studentWithPassword(classId: number): Promise<Browser> {
  await add(classId, [ansel]);
  const id = (await rollOf(classId))[0]!.id;
  const { body } = await ines.post(`/api/classes/${classId}/password-addresses`, {
    personIds: [id],
  });
  const browser = glen.browser();
  const token = body.addresses[0].address.split('/').at(-1);
  await browser.post(`/api/password/${token}`, { password: 'a door of my own' });
  return browser;
}

describe('a class period made from nothing', () => {
  it('has its lasting link at once, a pennant of its own, and its maker as host', async () => {
    const first = await make();
    expect(first).toMatchObject({
      title: 'Bookbinding, Tuesday group',
      period: null,
      mine: 'host',
      rollSize: 0,
      pennant: { letters: 'BT' },
    });
    expect(first.link.address).toMatch(/\/door\/[a-z]+-[0-9a-z]{11}$/);
    const second = await make();
    expect(`${second.pennant.pattern} ${second.pennant.hue}`).not.toBe(
      `${first.pennant.pattern} ${first.pennant.hue}`,
    );
    expect((await ines.get('/api/today')).body.classes).toHaveLength(2);
  });

  it('takes its room and its lessons in the same breath', async () => {
    const { id, link } = await make({
      room: ' https://rooms.example/ines-okoro ',
      plan: {
        first: '2026-09-08',
        at: { time: '18:30', minutes: 90 },
        closures: 'skip',
        repeat: { every: 'week', until: 'term-end' },
      },
    });
    const { sessions } = (await ines.get(`/api/classes/${id}`)).body as Answer<'classPeriod'>;
    expect(sessions.length).toBeGreaterThan(0);
    expect((await ines.get(`/api/links/${link.id}`)).body.room).toBe(
      'https://rooms.example/ines-okoro',
    );
  });

  it.each([
    ['title', { title: '  ' }],
    ['room', { room: 'rooms.example/ines' }],
    ['plan.at.period', { plan: { first: '2026-09-08', at: { period: '3' }, closures: 'skip' } }],
  ])('says what is wrong beside %s, and makes nothing', async (path, more) => {
    const { status, body } = await ines.post('/api/classes', { title: 'X', ...more });
    expect({ status, path: body.errors[0].path }).toEqual({ status: 422, path });
    expect((await ines.get('/api/classes')).body.classes).toEqual([]);
  });

  it('keeps names of any script, and of one sign', async () => {
    for (const title of ['製本', 'переплёт', '📚'])
      expect((await make({ title })).title).toBe(title);
  });

  it('is made by the office alone where the school says so', async () => {
    const { id } = await make();
    const student = await studentWithPassword(id);
    expect((await student.post('/api/classes', { title: 'Mine' })).status).toBe(403);
    await glen.running.glen.db.models.School.update({ classes_by: 'office' }, { where: { id: 1 } });
    // Whoever moved in looks after the school, and may.
    expect((await ines.post('/api/classes', { title: 'Another' })).status).toBe(200);
  });
});

describe('what is left to do', () => {
  const left = async () => (await ines.get('/api/today')).body.left as Answer<'today'>['left'];

  it('goes one by one, as each is done', async () => {
    const { id, link } = await make();
    const steps = { roll: false, room: false, posted: false, tried: false };
    expect(await left()).toMatchObject([{ classId: id, ...steps }]);
    await add(id, [ansel]);
    await ines.post(`/api/links/${link.id}/try`, {});
    const { version } = (await ines.get(`/api/links/${link.id}`)).body;
    const address = 'https://rooms.example/ines-okoro';
    await ines.put(`/api/links/${link.id}/room`, { version, address });
    expect(await left()).toMatchObject([{ roll: true, room: true, posted: false, tried: true }]);
    await ines.post(`/api/classes/${id}/posts`, {
      words: 'We meet here.',
      linkWords: 'Join',
      places: [{ classId: id, kind: 'by-hand', name: 'First slide' }],
    });
    expect(await left()).toEqual([]);
  });

  it('is no matter any more once the first lesson has begun', async () => {
    const { link } = await make({ room: 'https://rooms.example/ines-okoro' });
    expect(await left()).toHaveLength(1);
    expect((await ines.post(`/api/links/${link.id}/open`)).status).toBe(200);
    expect(await left()).toEqual([]);
  });
});

describe('a lesson without a video service', () => {
  const now = {
    first: '2026-09-08',
    at: { time: '00:00', minutes: 1440 },
    closures: 'keep',
  } as const;

  it('asks its host for the room as the door opens, and the student goes in to it', async () => {
    const daily = { ...now, repeat: { every: 'day' as const, until: '2027-09-01' } };
    const { id, link } = await make({ plan: daily });
    const student = await studentWithPassword(id);
    const door = (await student.get(`/api/door/${link.code}`)).body as Answer<'door'>;
    expect(door).toMatchObject({ noRoom: true, hosts: false });
    expect((await ines.get(`/api/links/${link.id}/desk`)).body.noRoom).toBe(true);
    const bare = await ines.post(`/api/links/${link.id}/open`);
    expect(bare.body.errors[0]).toMatchObject({ path: 'room' });
    const wrong = await ines.post(`/api/links/${link.id}/open`, { room: 'nowhere' });
    expect(wrong.body.errors[0]).toMatchObject({ path: 'room' });
    const room = 'https://rooms.example/ines-okoro';
    expect((await ines.post(`/api/links/${link.id}/open`, { room })).body.go).toBe(room);
    const knock = (await student.post(`/api/door/${link.code}/enter`)).body;
    expect(knock.decision.outcome).toBe('lobby');
    const desk = (await ines.get(`/api/links/${link.id}/desk`)).body as Answer<'desk'>;
    await ines.post(`/api/visitors/${desk.waiting[0]!.id}/let-in`);
    expect((await student.post(`/api/door/${link.code}/enter`)).body.go).toBe(room);
  });

  it('lets nobody in where no room is, even if the door stands open', async () => {
    const { id, link } = await make({ plan: now, anyoneKnocks: true });
    const { version } = (await ines.get(`/api/classes/${id}/rules`)).body;
    await ines.put(`/api/classes/${id}/rules`, {
      version,
      rules: { whoMayEnter: 'anyone', straightIn: 'all', withoutHost: true },
    });
    const guest = glen.browser();
    const { body } = await guest.post(`/api/door/${link.code}/enter`, { name: 'A guest' });
    expect(body.go).toBeNull();
    expect(body.decision.outcome).toBe('not-yet');
  });

  it('says of a post that its place is filled by hand', async () => {
    const { id } = await make();
    const post = (kind: string) =>
      ines.post(`/api/classes/${id}/posts`, {
        words: '',
        linkWords: 'Join',
        places: [{ classId: id, kind, name: 'First slide' }],
      });
    const { status, body } = await post('stream');
    expect({ status, path: body.errors[0].path }).toEqual({ status: 422, path: 'places.0.kind' });
    expect((await post('by-hand')).status).toBe(200);
    expect((await ines.get(`/api/classes/${id}/posts`)).body.siteAddress).toBeNull();
  });
});

describe('a class period that is changed', () => {
  const pennant = { letters: 'BB', pattern: 'cross', hue: 'plum' };
  const versionOf = async (id: number) => (await ines.get(`/api/classes/${id}`)).body.version;
  const edit = (id: number, version: number, more: object = {}) =>
    ines.put(`/api/classes/${id}`, { version, title: 'Bindery', period: '3', pennant, ...more });

  it('keeps its link, and tells the slower of two', async () => {
    const made = await make();
    const { body } = await edit(made.id, 1);
    expect(body.class).toMatchObject({
      title: 'Bindery',
      period: '3',
      pennant,
      link: { code: made.link.code },
    });
    const slower = await edit(made.id, 1, { title: 'Another' });
    expect(slower.status).toBe(409);
    expect(slower.body.current.class.title).toBe('Bindery');
  });

  it.each([
    ['title', { title: ' ' }],
    ['pennant.letters', { pennant: { ...pennant, letters: '' } }],
    ['pennant.hue', { pennant: { ...pennant, hue: 'mauve' } }],
  ])('says what is wrong beside %s', async (path, more) => {
    const { id } = await make();
    const { status, body } = await edit(id, 1, more);
    expect({ status, path: body.errors[0].path }).toEqual({ status: 422, path });
  });

  it('is taught by whom its host names, lastingly, with a way in for who is new', async () => {
    const { id } = await make();
    const [{ id: me }] = (await ines.get(`/api/classes/${id}`)).body.staff;
    const tomas = { name: 'Tomas Verhage', email: 'tomas@harbour.example', as: 'co-teacher' };
    const { body } = await ines.put(`/api/classes/${id}/staff`, {
      version: 1,
      staff: [{ personId: me, as: 'host' }, tomas],
    });
    const token = body.addresses[0].address.split('/').at(-1);
    const colleague = glen.browser();
    await colleague.post(`/api/password/${token}`, { password: 'a door of my own' });
    expect((await colleague.get('/api/classes')).body.classes).toMatchObject([
      { id, mine: 'co-teacher' },
    ]);
    expect((await colleague.get('/api/me')).body.person.roles).toEqual(['teacher']);
    expect((await edit(id, await versionOf(id))).status).toBe(200);
  });

  it('gives no way into the account of somebody whom the school knows', async () => {
    const [first, second] = [await make(), await make()];
    const [{ id: me }] = (await ines.get(`/api/classes/${first.id}`)).body.staff;
    const host = { personId: me, as: 'host' };
    const put = async (id: number, staff: object[]) =>
      (await ines.put(`/api/classes/${id}/staff`, { version: await versionOf(id), staff })).body;
    const noor = { name: 'Noor Achterberg', email: 'noor@harbour.example', as: 'presenter' };
    expect((await put(first.id, [host, noor])).addresses).toHaveLength(1);
    // Named again, there or elsewhere, by address or by id: the address in her hands stays the only one.
    expect((await put(second.id, [host, noor])).addresses).toEqual([]);
    const staff = (await ines.get(`/api/classes/${first.id}`)).body.staff as { id: number }[];
    const noorId = staff.find((s) => s.id !== me)!.id;
    expect((await put(first.id, [host, { personId: noorId, as: 'host' }])).addresses).toEqual([]);
  });

  it('never stands without a host, nor with a student, nor with one named twice', async () => {
    const { id } = await make();
    const [{ id: me }] = (await ines.get(`/api/classes/${id}`)).body.staff;
    await add(id, [ansel]);
    const student = (await rollOf(id))[0]!.id;
    const put = (staff: object[]) => ines.put(`/api/classes/${id}/staff`, { version: 1, staff });
    const host = { personId: me, as: 'host' };
    for (const staff of [
      [],
      [{ personId: me, as: 'presenter' }],
      [host, { personId: student, as: 'co-teacher' }],
      [host, { personId: me, as: 'co-teacher' }],
    ])
      expect((await put(staff)).status).toBe(422);
    expect((await ines.get(`/api/classes/${id}`)).body.staff).toHaveLength(1);
  });
});
