import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Answer } from '@glen/contract';
import { NAMES_A_PERSON } from '../src/features/people/merge.sql.js';
import { peopleTools } from './peopleTools.js';
import { startSchool, type Browser, type School } from './support.js';

type Detail = Answer<'person'>['person'];

let school: School;
let office: Browser;
let host: Browser;
let tools: ReturnType<typeof peopleTools>;

beforeAll(async () => {
  school = await startSchool();
  office = await school.as('Perpetua Lund');
  host = await school.as('Ottoline Marsh');
  tools = peopleTools(school, office);
});
afterAll(() => school.stop());

const look = async (id: number): Promise<Detail> =>
  (await office.get(`/api/people/${id}`)).body.person;

/** Somebody new who has signed in. */
async function newcomer(name: string): Promise<{ id: number; email: string; browser: Browser }> {
  const { person, email, token } = await tools.newcomer(name);
  return { id: person.id, email, browser: await tools.signedIn(token) };
}

const merge = async (personId: number, otherId: number) => {
  const [{ version }, { version: otherVersion }] = [await look(personId), await look(otherId)];
  return office.post(`/api/people/${personId}/merge`, { version, otherId, otherVersion });
};

describe('two records of one person', () => {
  it('are made one while both are signed in: accounts, rolls, groups and private links come together', async () => {
    const r5 = school.classes.get('R5')!;
    const n3 = school.classes.get('N3')!;
    const first = await newcomer('Kari Moe');
    const second = await newcomer('K. Moe');
    const put = (classId: number, ids: number[]) =>
      host.post(`/api/classes/${classId}/roll`, { people: ids.map((personId) => ({ personId })) });
    await put(r5.id, [first.id, second.id]);
    await put(n3.id, [second.id]);
    const { version, groups } = (await host.get(`/api/classes/${r5.id}/groups`))
      .body as Answer<'groups'>;
    const extra = [[first.id], [second.id]];
    const parted = await host.put(`/api/classes/${r5.id}/groups`, {
      version,
      groups: groups.map(({ id, name, tutorId, members }, i) => ({
        id,
        name,
        tutorId,
        members: [...members, ...(extra[i] ?? [])],
      })),
    });
    expect(parted.status).toBe(200);

    const facts = (await office.get(`/api/people/${first.id}/merge?other=${second.id}`))
      .body as Answer<'mergeFacts'>;
    expect(facts).toMatchObject({ why: '', accounts: [{ email: 'k.moe@merrow.example' }] });
    const merged = await merge(first.id, second.id);
    expect(merged.status).toBe(200);
    const { person } = merged.body as Answer<'mergePeople'>;
    expect(person.accounts.map((a) => a.email)).toEqual([
      'kari.moe@merrow.example',
      'k.moe@merrow.example',
    ]);
    expect(person.learns.map((c) => c.id).sort()).toEqual([n3.id, r5.id].sort());
    const now = (await host.get(`/api/classes/${r5.id}/groups`)).body as Answer<'groups'>;
    const has = now.groups.filter((g) => g.members.includes(first.id));
    expect(has).toHaveLength(1);
    for (const { browser } of [first, second])
      expect((await browser.get('/api/me')).body.person).toMatchObject({ id: first.id });
    expect((await office.get(`/api/people/${second.id}`)).status).toBe(404);
    expect((await office.get('/api/people?q=k.moe@')).body.people).toMatchObject([
      { id: first.id },
    ]);
  });

  it('are not, where one teaches and the other learns, or somebody has changed one meanwhile', async () => {
    const { id } = await newcomer('Tove Ness');
    const teacher = school.person('Bram Osterholt').id;
    const facts = (await office.get(`/api/people/${teacher}/merge?other=${id}`)).body;
    expect(facts.why).toContain('teaches here');
    expect((await merge(teacher, id)).status).toBe(409);
    const other = await newcomer('Tove N.');
    const stale = await office.post(`/api/people/${id}/merge`, {
      version: (await look(id)).version,
      otherId: other.id,
      otherVersion: 99,
    });
    expect(stale.status).toBe(409);
    expect((await look(other.id)).name).toBe('Tove N.');
  });

  it('every column of the database that names a person is thought of', async () => {
    const columns = await school.running.glen.db.rows<{ name: string }>(
      `SELECT CONCAT(TABLE_NAME, '.', COLUMN_NAME) AS name FROM information_schema.KEY_COLUMN_USAGE
       WHERE TABLE_SCHEMA = DATABASE() AND REFERENCED_TABLE_NAME = 'people'`,
    );
    expect(Object.keys(NAMES_A_PERSON).sort()).toEqual(columns.map((c) => c.name).sort());
  });
});
