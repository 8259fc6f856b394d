import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Answer, ClassItem } from '@glen/contract';
import { moveIn, startEmpty, type EmptyGlen } from './emptySchool.js';
import type { Browser } from './support.js';

let glen: EmptyGlen;
let tutor: Browser;

beforeEach(async () => {
  glen = await startEmpty();
  tutor = await moveIn(glen);
});
afterEach(() => glen.stop());

const make = async (body: object): Promise<ClassItem> =>
  (await tutor.post('/api/classes', body)).body.class;
const put = (classId: number, people: object[]) =>
  tutor.post(`/api/classes/${classId}/roll`, { people });
const whoMayEnter = async (classId: number): Promise<string | undefined> => {
  const { layers } = (await tutor.get(`/api/classes/${classId}/rules`)).body as Answer<'rules'>;
  return layers.at(-1)!.rules.whoMayEnter;
};
const desk = async (linkId: number): Promise<Answer<'desk'>> =>
  (await tutor.get(`/api/links/${linkId}/desk`)).body;

const ROOM = 'https://rooms.example/ines-okoro';

describe('a teacher alone', () => {
  it('is teacher and office in one, and looks after people too', async () => {
    const me = (await tutor.get('/api/me')).body as Answer<'me'>;
    expect(me.school.alone).toBe(true);
    expect(me.person!.roles).toEqual(['office', 'teacher']);
    expect((await tutor.get('/api/people')).body.total).toBe(1);
    const own = (await tutor.get(`/api/people/${me.person!.id}`)).body.person;
    const no = await tutor.put(`/api/people/${own.id}`, {
      version: own.version,
      name: own.name,
      roles: ['teacher'],
    });
    expect([no.status, no.body.title]).toEqual([
      409,
      expect.stringContaining('Nobody would be left'),
    ]);
  });

  it('keeps the door open to knocking while somebody on the roll has no account', async () => {
    const { id } = await make({ title: 'Knots', anyoneKnocks: true });
    const first = await put(id, [{ name: 'Birgit Tideman', email: '' }]);
    expect(first.body).toMatchObject({ rollSize: 1, isClosed: false });
    expect(await whoMayEnter(id)).toBe('anyone');
    await put(id, [{ name: 'Per Holm', email: 'per@harbour.example' }]);
    expect(await whoMayEnter(id)).toBe('anyone');
    const other = (await make({ title: 'Splicing', anyoneKnocks: true })).id;
    const closed = await put(other, [{ name: 'Ida Lund', email: 'ida@harbour.example' }]);
    expect(closed.body.isClosed).toBe(true);
    expect(await whoMayEnter(other)).toBeUndefined();
    // And lets it be opened again where it is needed.
    const on = () => tutor.put(`/api/classes/${other}/knock-until-roll`, { on: true });
    expect((await on()).status).toBe(409);
    await put(other, [{ name: 'Alf Rud', email: '' }]);
    expect((await on()).status).toBe(200);
  });

  it('says who a stranger is, for the register alone: nobody is let in by that', async () => {
    const { id, link } = await make({ title: 'Knots', anyoneKnocks: true, room: ROOM });
    const [birgit] = (await put(id, [{ name: 'Birgit Tideman', email: '' }])).body.personIds;
    await tutor.post(`/api/links/${link.id}/open`);
    const stranger = glen.browser();
    const knock = async (): Promise<Answer<'enterDoor'>> =>
      (await stranger.post(`/api/door/${link.code}/enter`, { name: 'Birdie' })).body;
    expect((await knock()).decision.outcome).toBe('lobby');
    const { waiting, missing } = await desk(link.id);
    expect(missing).toHaveLength(1);
    const say = (personId: number | null) =>
      tutor.post(`/api/visitors/${waiting[0]!.id}/who`, { personId });
    expect((await say(birgit)).status).toBe(200);
    expect((await knock()).decision.outcome).toBe('lobby');
    const told = await desk(link.id);
    expect(told.waiting[0]!.takenFor).toEqual({ id: birgit, name: 'Birgit Tideman' });
    expect([told.missing, told.here]).toEqual([
      [],
      [{ id: birgit, name: 'Birgit Tideman', as: 'Birdie', lateBy: null, isBack: false }],
    ]);
    expect((await say(999)).status).toBe(422);
    expect((await say(null)).status).toBe(200);
    expect((await desk(link.id)).missing).toHaveLength(1);

    await say(birgit);
    await tutor.post(`/api/visitors/${waiting[0]!.id}/let-in`);
    expect((await knock()).go).not.toBeNull();
    const { sessions } = (await tutor.get(`/api/classes/${id}`)).body as Answer<'classPeriod'>;
    expect(sessions[0]!.came).toBe(1);
  });
});

describe('an occasion', () => {
  it('is for whom its host names, and has no roll', async () => {
    const occasion = await make({ title: 'Old friends', kind: 'occasion' });
    expect(occasion).toMatchObject({ isOccasion: true, period: null, link: { kind: 'event' } });
    const refused = await put(occasion.id, [{ name: 'Birgit Tideman', email: '' }]);
    expect([refused.status, refused.body.title]).toEqual([
      409,
      'An occasion has no roll; name whom it is for.',
    ]);
    const stranger = await glen.browser().get(`/api/door/${occasion.link.code}`);
    expect(stranger.body.decision).toEqual({ outcome: 'refused', reason: 'sign-in' });
  });

  it('lets whoever knocks wait, or everybody in, where that is wished', async () => {
    const rules = async (comes: string): Promise<object> => {
      const { id } = await make({ title: `Talk, ${comes}`, kind: 'occasion', comes });
      const { layers } = (await tutor.get(`/api/classes/${id}/rules`)).body as Answer<'rules'>;
      return layers.at(-1)!.rules;
    };
    expect(await rules('knock')).toEqual({ whoMayEnter: 'anyone', straightIn: 'hosts' });
    expect(await rules('open')).toMatchObject({ whoMayEnter: 'anyone', straightIn: 'everyone' });
  });
});
