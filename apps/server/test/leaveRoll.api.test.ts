import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import type { Answer, ClassItem } from '@glen/contract';
import { linkTools, none } from './linkTools.js';
import { startSchool, type Browser, type School } from './support.js';

let school: School;
let host: Browser;
let r5: ClassItem;
let student: { id: number; name: string };
/** Each test has a student of its own. */
let turn = 0;

beforeAll(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
  r5 = school.classes.get('R5')!;
});
afterAll(() => school.stop());

const groups = async (): Promise<Answer<'groups'>> =>
  (await host.get(`/api/classes/${r5.id}/groups`)).body;
const groupsWith = async (id: number): Promise<string[]> =>
  (await groups()).groups.filter((g) => g.members.includes(id)).map((g) => g.name);
const roll = async (classId = r5.id): Promise<number[]> =>
  (await host.get(`/api/classes/${classId}`)).body.roll.map((p: { id: number }) => p.id);
const post = (path: string, body: object) => host.post(`/api/classes/${r5.id}/roll/${path}`, body);

/** A student of the port watch, with a link of their own. */
beforeEach(async () => {
  const [port] = (await groups()).groups;
  const id = port!.members[turn++]!;
  const name = school.people.find((p) => p.id === id)!.name;
  student = { id, name };
  await linkTools(school, host).make('R5', {
    label: `Talks with ${name}`,
    audience: { ...none, personIds: [id] },
  });
});

describe('taking somebody off the roll', () => {
  it('says first which groups and private links end with it', async () => {
    const { body } = await host.get(`/api/classes/${r5.id}/roll/touched?personId=${student.id}`);
    expect(body).toMatchObject({
      groups: [{ name: 'Port watch' }],
      links: [{ label: `Talks with ${student.name}` }],
    });
  });

  it('ends those too, and brings them back with the student', async () => {
    const { version } = await groups();
    const off = await post('take-off', { personIds: [student.id] });
    expect(off.body.personIds).toEqual([student.id]);
    expect(await groupsWith(student.id)).toEqual([]);
    const browser = await school.as(student.name);
    const doors = (await browser.get('/api/my-day')).body as Answer<'myDay'>;
    expect(doors.classes.map((c) => c.id)).not.toContain(r5.id);
    // Whoever still holds the groups as they were is told so, and puts nobody back by saving.
    const stale = await host.put(`/api/classes/${r5.id}/groups`, { version, groups: [] });
    expect(stale.status).toBe(409);

    const { left } = (await host.get(`/api/classes/${r5.id}/roll/left`)).body as Answer<'rollLeft'>;
    expect(left[0]).toMatchObject({ name: student.name });
    expect((await post('bring-back', { personIds: [student.id] })).status).toBe(200);
    expect(await groupsWith(student.id)).toEqual(['Port watch']);
    const touched = await host.get(`/api/classes/${r5.id}/roll/touched?personId=${student.id}`);
    expect(touched.body.links).toHaveLength(1);
    expect((await post('bring-back', { personIds: [student.id] })).status).toBe(422);
  });

  it('moves them to another roll of one’s own, and to nobody else’s', async () => {
    const n1 = school.classes.get('N1')!;
    const s4 = school.classes.get('S4')!;
    const foreign = await post('move', { personIds: [student.id], toClassId: s4.id });
    expect([foreign.status, foreign.body.errors[0].path]).toEqual([422, 'toClassId']);
    expect(await roll()).toContain(student.id);
    await post('move', { personIds: [student.id], toClassId: n1.id });
    expect(await roll()).not.toContain(student.id);
    expect(await roll(n1.id)).toContain(student.id);
    await host.post(`/api/classes/${n1.id}/roll/take-off`, { personIds: [student.id] });
    await post('bring-back', { personIds: [student.id] });
  });

  it('is the office’s to do too', async () => {
    const office = await school.as('Perpetua Lund');
    const off = await office.post(`/api/classes/${r5.id}/roll/take-off`, {
      personIds: [student.id],
    });
    expect(off.status).toBe(200);
    await office.post(`/api/classes/${r5.id}/roll/bring-back`, { personIds: [student.id] });
    expect(await roll()).toContain(student.id);
  });
});

describe('people without an account', () => {
  it('stand on a roll by their names; a list of names alone is taken so', async () => {
    const text = 'Ida Lund\nPer Holm';
    const { lines } = (await post('preview', { text })).body as Answer<'previewRoll'>;
    expect(lines.map((l) => l.what)).toEqual(['make', 'make']);
    const people = lines.map(({ name, email }) => ({ name, email }));
    const added = await host.post(`/api/classes/${r5.id}/roll`, { people });
    expect(added.body.personIds).toHaveLength(2);
    await post('take-off', { personIds: added.body.personIds });
  });
});
