import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Answer } from '@glen/contract';
import { peopleTools } from './peopleTools.js';
import { startSchool, type Browser, type School } from './support.js';

type Detail = Answer<'person'>['person'];
type Tools = ReturnType<typeof peopleTools>;

let school: School;
let office: Browser;
let host: Browser;
let takeIn: Tools['takeIn'];
let newcomer: Tools['newcomer'];
let signedIn: Tools['signedIn'];

beforeAll(async () => {
  school = await startSchool();
  office = await school.as('Perpetua Lund');
  host = await school.as('Ottoline Marsh');
  ({ takeIn, newcomer, signedIn } = peopleTools(school, office));
});
afterAll(() => school.stop());

const list = async (query: string): Promise<Answer<'people'>> =>
  (await office.get(`/api/people?${query}`)).body;
const named = async (name: string): Promise<Detail> => {
  const { people } = await list(`q=${encodeURIComponent(name)}`);
  return (await office.get(`/api/people/${people[0]!.id}`)).body.person;
};
describe('the list of people', () => {
  it('is found by the beginnings of names and addresses, filtered by what they are, and counted', async () => {
    expect((await list('q=grue%20ans')).people).toMatchObject([
      { name: 'Ansel Grue', roles: ['student'], email: 'ansel.grue@merrow.example', learns: 2 },
    ]);
    expect((await list('q=o.marsh@')).people[0]).toMatchObject({ name: 'Ottoline Marsh' });
    const teachers = await list('role=teacher');
    expect(teachers.people.every((p) => p.roles.includes('teacher'))).toBe(true);
    expect(teachers.total).toBe(teachers.people.length);
    expect(await list('q=nobody')).toEqual({ people: [], total: 0, isMore: false });
  });

  it('comes a hundred at a time in any order, each person once', async () => {
    for (const sort of ['name', 'family', 'newest']) {
      const first = await list(`sort=${sort}`);
      expect([first.people.length, first.isMore]).toEqual([100, true]);
      const rest = await list(`sort=${sort}&after=${first.people.at(-1)!.id}`);
      expect([rest.total, rest.isMore]).toEqual([null, false]);
      const ids = [...first.people, ...rest.people].map((p) => p.id);
      expect(new Set(ids).size).toBe(first.total);
      expect(ids).toHaveLength(first.total!);
    }
  });
});

describe('taking somebody in', () => {
  it('gives an address for their password, once; without an address they have no account', async () => {
    const { person, email, token } = await newcomer('Runa Stad', ['teacher', 'office']);
    expect(person).toMatchObject({ roles: ['office', 'teacher'] });
    expect(person.accounts[0]).toMatchObject({ email, hasPassword: false });
    const browser = await signedIn(token);
    expect((await browser.get('/api/me')).body.person.name).toBe('Runa Stad');
    const again = await (
      await school.as(null)
    ).post(`/api/password/${token}`, {
      password: 'somebody else',
    });
    expect(again.status).toBe(404);
    const nameOnly = (await takeIn({ name: 'Per Holm', roles: ['student'] })).body;
    expect([nameOnly.person.accounts, nameOnly.wayIn]).toEqual([[], null]);
  });

  it('refuses an address that is somebody’s, and names whoever is retired', async () => {
    const { person, email } = await newcomer('Odd Nyborg');
    const taken = await takeIn({ name: 'Another', roles: ['student'], email });
    expect(taken.body.errors[0]).toMatchObject({
      path: 'email',
      message: expect.stringContaining('Odd Nyborg already'),
    });
    await office.post(`/api/people/${person.id}/retire`, { version: person.version });
    const retired = await takeIn({ name: 'Another', roles: ['student'], email });
    expect(retired.body.errors[0].message).toContain('bring them back');
    const n3 = school.classes.get('N3')!;
    const onRoll = await host.post(`/api/classes/${n3.id}/roll`, {
      people: [{ name: 'X', email }],
    });
    expect([onRoll.status, onRoll.body.errors[0].path]).toEqual([422, 'people.0']);
  });
});

describe('one person', () => {
  it('is shown to the office and to hosts of theirs, with the doors of their day', async () => {
    const ansel = await named('Ansel Grue');
    expect(ansel.learns.map((c) => c.title)).toEqual([
      'Coastal Navigation, period 3',
      'Chartwork clinic',
    ]);
    expect(ansel.doors.map((d) => [d.time, d.state])).toContainEqual(['10:45', 'shut']);
    expect(ansel.may).toEqual({ keep: true, reset: true });
    const forHost = (await host.get(`/api/people/${ansel.id}`)).body.person as Detail;
    expect(forHost.may).toEqual({ keep: false, reset: false });
  });

  it('tells a host nothing of the doors of other class periods', async () => {
    const cloud = (await list('role=student')).people.map((p) => p.id);
    const bram = await school.as('Bram Osterholt');
    const s4 = school.classes.get('S4')!;
    const { roll } = (await bram.get(`/api/classes/${s4.id}`)).body;
    expect(cloud).toContain(roll[0].id);
    const { code } = s4.link;
    const { person } = (await bram.get(`/api/people/${roll[0].id}`)).body as Answer<'person'>;
    expect(person.doors.every((d) => d.code === code)).toBe(true);
  });

  it('two who edit one person: the second is shown how they stand', async () => {
    const { person } = await newcomer('Tora Lid');
    const edit = (name: string) =>
      office.put(`/api/people/${person.id}`, {
        version: person.version,
        name,
        roles: person.roles,
      });
    expect((await edit('Tora Lid-Berg')).body.person.name).toBe('Tora Lid-Berg');
    const late = await edit('Thora Lid');
    expect([late.status, late.body.current.name]).toEqual([409, 'Tora Lid-Berg']);
    expect((await list('q=berg')).people.map((p) => p.id)).toContain(person.id);
  });

  it('stops being a teacher only once they teach nowhere, and a student only off every roll', async () => {
    const ottoline = await named('Ottoline Marsh');
    const no = await office.put(`/api/people/${ottoline.id}`, {
      version: ottoline.version,
      name: ottoline.name,
      roles: ['guest'],
    });
    expect([no.status, no.body.errors[0].path]).toEqual([422, 'roles']);
    const ansel = await named('Ansel Grue');
    const teacher = await office.put(`/api/people/${ansel.id}`, {
      version: ansel.version,
      name: ansel.name,
      roles: ['teacher'],
    });
    expect(teacher.body.errors[0].message).toContain('roll of Coastal Navigation');
  });
});

describe('accounts', () => {
  it('another is given and taken away; whoever used it is out at once', async () => {
    const { person, token } = await newcomer('Liv Aas');
    const browser = await signedIn(token);
    const { version } = await named('Liv Aas');
    const more = await office.post(`/api/people/${person.id}/accounts`, {
      version,
      kind: 'personal',
      email: 'liv@home.example',
    });
    expect(more.body.person.accounts).toHaveLength(2);
    const gone = await office.post(`/api/people/${person.id}/accounts/remove`, {
      version: more.body.person.version,
      accountId: person.accounts[0]!.id,
    });
    expect(gone.body.person.accounts.map((a: { email: string }) => a.email)).toEqual([
      'liv@home.example',
    ]);
    expect((await browser.get('/api/me')).body.account).toBeNull();
  });

  it('a new way in ends the sessions of the old password, and works once', async () => {
    const { person, email, token } = await newcomer('Eir Vang');
    const before = await signedIn(token, 'the first password');
    const way = await office.post(`/api/people/${person.id}/way-in`, {
      accountId: person.accounts[0]!.id,
    });
    expect((await before.get('/api/me')).body.account).not.toBeNull();
    await signedIn(way.body.address.split('/').at(-1), 'the second password');
    expect((await before.get('/api/me')).body.account).toBeNull();
    const old = await (
      await school.as(null)
    ).post('/api/sign-in', { email, password: 'the first password' });
    expect(old.status).toBe(422);
  });
});

describe('a host who gives a student a new way in', () => {
  const resetsBy = async (by: 'office' | 'hosts'): Promise<void> => {
    const { mayEdit: _, ...about } = (await office.get('/api/school/about')).body;
    await office.put('/api/school/about', { ...about, resetsBy: by });
  };
  it('may where the school leaves it to hosts; the address is dead once they lose the student', async () => {
    const n3 = school.classes.get('N3')!;
    const { person, token } = await newcomer('Siv Moen');
    await host.post(`/api/classes/${n3.id}/roll`, { people: [{ personId: person.id }] });
    await signedIn(token);
    const ask = () =>
      host.post(`/api/classes/${n3.id}/password-addresses`, {
        personIds: [person.id],
        forgotten: true,
      });
    const accountId = person.accounts[0]!.id;
    expect((await ask()).status).toBe(403);
    expect((await host.post(`/api/people/${person.id}/way-in`, { accountId })).status).toBe(403);
    await resetsBy('hosts');
    const { addresses } = (await ask()).body as Answer<'passwordAddresses'>;
    const own = addresses[0]!.address.split('/').at(-1)!;
    expect((await (await school.as(null)).get(`/api/password/${own}`)).status).toBe(200);
    await host.post(`/api/classes/${n3.id}/roll/take-off`, { personIds: [person.id] });
    expect((await (await school.as(null)).get(`/api/password/${own}`)).status).toBe(404);
    expect((await ask()).status).toBe(422);
    expect((await host.post(`/api/people/${person.id}/way-in`, { accountId })).status).toBe(403);
    await resetsBy('office');
  });
});

describe('retiring', () => {
  it('says first what it touches, and refuses the only host of a class period', async () => {
    const ottoline = await named('Ottoline Marsh');
    const facts = (await office.get(`/api/people/${ottoline.id}/retire`))
      .body as Answer<'retireFacts'>;
    expect(facts.onlyHostOf.length).toBeGreaterThan(3);
    expect(facts.next).toMatchObject({ date: '2026-10-14' });
    const no = await office.post(`/api/people/${ottoline.id}/retire`, {
      version: ottoline.version,
    });
    expect([no.status, no.body.title]).toEqual([409, expect.stringContaining('Nobody else hosts')]);
  });

  it('ends what they had and their sessions, keeps it, and gives it back with them', async () => {
    const r5 = school.classes.get('R5')!;
    const { person, token } = await newcomer('Alf Rud');
    await host.post(`/api/classes/${r5.id}/roll`, { people: [{ personId: person.id }] });
    const groups = (await host.get(`/api/classes/${r5.id}/groups`)).body as Answer<'groups'>;
    const [port, ...others] = groups.groups;
    const sent = [{ ...port!, members: [...port!.members, person.id] }, ...others];
    await host.put(`/api/classes/${r5.id}/groups`, {
      version: groups.version,
      groups: sent.map(({ id, name, tutorId, members }) => ({ id, name, tutorId, members })),
    });
    const browser = await signedIn(token);
    const { version } = await named('Alf Rud');
    const retired = (await office.post(`/api/people/${person.id}/retire`, { version })).body;
    expect(retired.person.learns).toEqual([]);
    expect((await browser.get('/api/me')).body.account).toBeNull();
    expect((await list('q=alf%20rud')).people).toEqual([]);
    const [row] = (await list('q=alf%20rud&standing=retired')).people;
    expect(row!.retiredAt).not.toBeNull();
    const back = await office.post(`/api/people/${person.id}/bring-back`, {
      version: retired.person.version,
    });
    expect(back.body.person.learns).toMatchObject([{ id: r5.id }]);
    const now = (await host.get(`/api/classes/${r5.id}/groups`)).body as Answer<'groups'>;
    expect(now.groups[0]!.members).toContain(person.id);
  });

  it('a tutor gets back the group and the door that were theirs', async () => {
    const r5 = school.classes.get('R5')!;
    const idris = await named('Idris Kellaway');
    const tutors = async (): Promise<(string | null)[]> =>
      ((await host.get(`/api/classes/${r5.id}/groups`)).body as Answer<'groups'>).groups.map(
        (g) => g.tutor,
      );
    const { version } = (
      await office.post(`/api/people/${idris.id}/retire`, { version: idris.version })
    ).body.person;
    expect(await tutors()).toEqual([null, null]);
    await office.post(`/api/people/${idris.id}/bring-back`, { version });
    expect(await tutors()).toEqual(['Idris Kellaway', null]);
    const back = await school.as('Idris Kellaway');
    const { classes } = (await back.get('/api/classes')).body as Answer<'classes'>;
    expect(classes.find((c) => c.id === r5.id)!.mine).toBe('presenter');
  });

  it('nobody shuts themselves out, and the last of the office stays', async () => {
    const perpetua = await named('Perpetua Lund');
    const self = await office.post(`/api/people/${perpetua.id}/retire`, {
      version: perpetua.version,
    });
    expect(self.body.title).toContain('shut yourself out');
    const mine = await office.put(`/api/people/${perpetua.id}`, {
      version: perpetua.version,
      name: perpetua.name,
      roles: ['teacher'],
    });
    expect(mine.body.title).toContain('shut yourself out');
  });
});

describe('the last of the office', () => {
  it('two heads who remove each other at the same moment: one stays', async () => {
    const others = (await list('role=office')).people.filter((p) => p.name !== 'Perpetua Lund');
    for (const { id } of others) {
      const { version } = (await office.get(`/api/people/${id}`)).body.person as Detail;
      await office.post(`/api/people/${id}/retire`, { version });
    }
    const head = await school.as('Noor Achterberg');
    const [noor, perpetua] = [await named('Noor Achterberg'), await named('Perpetua Lund')];
    const both = await Promise.all([
      office.post(`/api/people/${noor.id}/retire`, { version: noor.version }),
      head.post(`/api/people/${perpetua.id}/retire`, { version: perpetua.version }),
    ]);
    const done = both.filter((answer) => answer.status === 200);
    expect(done).toHaveLength(1);
    const [winner, retired] = both[0]!.status === 200 ? [office, noor] : [head, perpetua];
    // Whoever was retired is brought back, so that the tests beside this one go on.
    const { version } = (await winner.get(`/api/people/${retired.id}`)).body.person;
    await winner.post(`/api/people/${retired.id}/bring-back`, { version });
    office = await school.as('Perpetua Lund');
    ({ takeIn, newcomer, signedIn } = peopleTools(school, office));
  });
});

describe('guardians', () => {
  it('are people of their own who see nothing by that; a host names them by name and address', async () => {
    const ansel = await named('Ansel Grue');
    const set = await host.put(`/api/people/${ansel.id}/guardians`, {
      version: ansel.version,
      guardians: [{ name: 'Hedda Grue', email: 'hedda.grue@home.example' }],
    });
    expect(set.body.person.guardians).toMatchObject([{ name: 'Hedda Grue' }]);
    const hedda = await school.as('Hedda Grue', 'personal');
    expect((await hedda.get('/api/my-day')).body.classes).toEqual([]);
    expect((await named('Hedda Grue')).guards).toEqual([{ id: ansel.id, name: 'Ansel Grue' }]);
    const other = await host.put(`/api/people/${ansel.id}/guardians`, {
      version: set.body.person.version,
      guardians: [{ name: 'Somebody Else', email: 'hedda.grue@home.example' }],
    });
    expect(other.body.errors[0].path).toBe('guardians.0.email');
    const stranger = school.person('Ragna Quill').id;
    const byId = await host.put(`/api/people/${ansel.id}/guardians`, {
      version: set.body.person.version,
      guardians: [{ personId: stranger }],
    });
    expect(byId.status).toBe(422);
  });
});

describe('what happened', () => {
  it('is told in words, by person and by kind, a page at a time', async () => {
    const { person } = await newcomer('Una Holt');
    await office.put(`/api/people/${person.id}`, {
      version: person.version,
      name: 'Una Holt-Vik',
      roles: ['student'],
    });
    const of = (query: string) => office.get(`/api/happened?${query}`).then((r) => r.body);
    const { entries } = (await of(`person=${person.id}`)) as Answer<'happened'>;
    expect(entries[0]).toMatchObject({
      by: { name: 'Perpetua Lund' },
      what: 'changed what is said of',
      to: 'Una Holt-Vik',
      changes: [{ field: 'name', before: 'Una Holt', after: 'Una Holt-Vik' }],
    });
    const first = (await of('kind=classes')) as Answer<'happened'>;
    expect(first.entries.every((e) => e.by !== null)).toBe(true);
    // More than are given at once, whatever the other tests have done.
    await school.running.glen.db.models.AuditEntry.bulkCreate(
      Array.from({ length: 61 }, () => ({
        at: '2026-10-14T13:31:00Z',
        person_id: person.id,
        action: 'edit-person' as const,
        subject: `person:${person.id}`,
      })),
    );
    const all = (await of('')) as Answer<'happened'>;
    expect(all.isMore).toBe(true);
    const next = (await of(`before=${all.entries.at(-1)!.id}`)) as Answer<'happened'>;
    expect(next.entries[0]!.id).toBeLessThan(all.entries.at(-1)!.id);
  });

  it('says of drafts only that there was something', async () => {
    const text = JSON.stringify((await office.get('/api/happened?kind=sessions')).body);
    expect(text).not.toContain('rehearsal');
  });
});
