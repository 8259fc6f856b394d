import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import type { Answer } from '@glen/contract';
import { studentName } from '../../../demo/school.js';
import { linkTools, none, type LinkTools } from './linkTools.js';
import { startSchool, type Browser, type School } from './support.js';

let school: School;
let host: Browser;
let of: LinkTools['of'],
  linksOf: LinkTools['linksOf'],
  named: LinkTools['named'],
  read: LinkTools['read'],
  make: LinkTools['make'],
  door: LinkTools['door'],
  openAndBeIn: LinkTools['openAndBeIn'],
  end: LinkTools['end'];
beforeAll(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
  ({ of, linksOf, named, read, make, door, openAndBeIn, end } = linkTools(school, host));
});
afterAll(() => school.stop());
beforeEach(() => school.setTime('10:31'));

describe('several links of a class period', () => {
  it('each has a name of its own, told apart without regard to capitals', async () => {
    const { body, status } = await host.post(`/api/classes/${of('R5').id}/links`, {
      label: ' port WATCH ',
      purpose: '',
      kind: 'lesson',
      shown: true,
    });
    expect([status, body.errors[0].path]).toEqual([422, 'label']);
    const stopped = await named('R5', 'Starboard watch');
    const { body: after } = await host.post(`/api/links/${stopped.id}/stop`, {
      version: stopped.version,
    });
    const twin = await make('R5', { label: 'Starboard watch' });
    expect(
      (await host.post(`/api/links/${stopped.id}/reopen`, { version: after.version })).status,
    ).toBe(422);
    await host.post(`/api/links/${twin.id}/stop`, { version: twin.version });
    expect(
      (await host.post(`/api/links/${stopped.id}/reopen`, { version: after.version })).body.state,
    ).toBe('live');
  });

  it('stand in their order, and two at once lose nothing', async () => {
    const ids = (await linksOf('R5')).filter((l) => l.state === 'live').map((l) => l.id);
    const turned = [...ids].reverse();
    expect(
      (await host.put(`/api/classes/${of('R5').id}/links/order`, { order: turned })).status,
    ).toBe(200);
    expect((await linksOf('R5')).filter((l) => l.state === 'live').map((l) => l.id)).toEqual(
      turned,
    );
    expect(
      (await host.put(`/api/classes/${of('R5').id}/links/order`, { order: [of('N3').link.id] }))
        .status,
    ).toBe(422);
    // Whatever the order, the class period goes by the link that is for all of it.
    expect((await linksOf('R5')).find((l) => l.main)!.id).toBe(of('R5').link.id);
    const link = await named('R5', 'Port watch');
    const edit = (version: number, purpose: string) =>
      host.put(`/api/links/${link.id}`, {
        version,
        label: link.label,
        purpose,
        kind: link.kind,
        shown: true,
      });
    expect((await edit(link.version, 'Splicing')).body.purpose).toBe('Splicing');
    const late = await edit(link.version, 'Whipping');
    expect([late.status, late.body.current.purpose]).toEqual([409, 'Splicing']);
    await host.put(`/api/classes/${of('R5').id}/links/order`, { order: ids });
  });

  it('a group’s link is for its members: they get in, others of the class do not, and its tutor is host there alone', async () => {
    const watch = await named('R5', 'Port watch');
    const { groups } = (await host.get(`/api/classes/${of('R5').id}/groups`))
      .body as Answer<'groups'>;
    const { roll } = (await host.get(`/api/classes/${of('R5').id}`)).body as Answer<'classPeriod'>;
    const port = groups.find((g) => g.name === 'Port watch')!;
    const member = await school.as(roll.find((p) => port.members.includes(p.id))!.name);
    const other = await school.as(roll.find((p) => !port.members.includes(p.id))!.name);
    const tutor = await school.as('Idris Kellaway');
    await openAndBeIn(watch.id, tutor);
    expect((await door(member, watch.code)).decision).toMatchObject({
      outcome: 'lobby',
      role: 'participant',
    });
    expect((await door(other, watch.code)).decision).toMatchObject({
      outcome: 'refused',
      reason: 'not-on-roll',
    });
    const desk = (await tutor.get(`/api/links/${watch.id}/desk`)).body as Answer<'desk'>;
    expect([desk.rollSize, desk.acting]).toEqual([port.members.length, false]);
    expect(desk.missing.map((p) => p.id).sort()).toEqual([...port.members].sort());
    // Host there and nowhere else.
    expect((await tutor.get(`/api/links/${of('R5').link.id}/desk`)).status).toBe(403);
    expect(
      (await tutor.get(`/api/links/${(await named('R5', 'Starboard watch')).id}/desk`)).status,
    ).toBe(403);
    expect((await tutor.put(`/api/links/${watch.id}`, { version: 1 })).status).toBe(403);
    await member.post(`/api/door/${watch.code}/enter`);
    const { waiting } = (await tutor.get(`/api/links/${watch.id}/desk`)).body as Answer<'desk'>;
    expect((await tutor.post(`/api/visitors/${waiting[0]!.id}/let-in`)).status).toBe(200);
    await end(watch.id, tutor);
  });

  it('members see their group’s sessions in their day, others do not; a link that is not shown is seen by nobody', async () => {
    await school.setTime('10:31', '2026-10-16');
    const { groups } = (await host.get(`/api/classes/${of('R5').id}/groups`))
      .body as Answer<'groups'>;
    const { roll } = (await host.get(`/api/classes/${of('R5').id}`)).body as Answer<'classPeriod'>;
    const [inPort, inStarboard] = groups.map(
      (g) => roll.find((p) => g.members.includes(p.id))!.name,
    );
    const titles = async (name: string): Promise<string[]> =>
      ((await (await school.as(name)).get('/api/my-day')).body as Answer<'myDay'>).doors.map(
        (d) => d.title,
      );
    expect(await titles(inPort!)).toEqual(['Port watch: splicing']);
    expect(await titles(inStarboard!)).toEqual([]);
    const watch = await named('R5', 'Port watch');
    const { body } = await host.put(`/api/links/${watch.id}`, {
      version: watch.version,
      label: watch.label,
      purpose: watch.purpose,
      kind: watch.kind,
      shown: false,
    });
    expect(await titles(inPort!)).toEqual([]);
    await host.put(`/api/links/${watch.id}`, {
      version: body.version,
      label: watch.label,
      purpose: watch.purpose,
      kind: watch.kind,
      shown: true,
    });
    // The tutor has it in the day, and hosts it.
    const day = (await (await school.as('Idris Kellaway')).get('/api/today'))
      .body as Answer<'today'>;
    expect(day.sessions.filter((s) => day.acting.includes(s.id)).map((s) => s.title)).toEqual([
      'Port watch: splicing',
    ]);
  });

  it('a single student, and a guest by address from outside, are who a link is for', async () => {
    const talk = await make('N3', {
      label: 'Talk',
      kind: 'one-to-one',
      preset: 'one-to-one',
      audience: {
        ...none,
        personIds: [school.person('Ansel Grue').id],
        guests: [{ email: 'Ragna.Quill@home.example' }],
      },
    });
    await openAndBeIn(talk.id);
    expect((await door(await school.as('Ansel Grue'), talk.code)).decision.outcome).toBe('lobby');
    expect((await door(await school.as('Birgit Tideman'), talk.code)).decision.reason).toBe(
      'not-on-roll',
    );
    expect(
      (await door(await school.as('Ragna Quill', 'personal'), talk.code)).decision.outcome,
    ).toBe('lobby');
    expect(
      (await door(await school.as('Milo Sandoval-Fisk', 'personal'), talk.code)).decision.reason,
    ).toBe('use-school-account');
    await end(talk.id);
    // For nobody: said so, and nobody gets in.
    await school.setTime('12:40');
    const { body: emptied } = await host.put(`/api/links/${talk.id}/audience`, {
      ...none,
      version: talk.version,
    });
    expect(emptied.audienceSize).toBe(0);
    expect((await door(await school.as('Ansel Grue'), talk.code)).decision.reason).toBe(
      'not-on-roll',
    );
  });

  it('refuses an audience of people, groups and class periods that are not the host’s to invite', async () => {
    const link = await make('N3', {});
    const put = async (part: object) =>
      (
        await host.put(`/api/links/${link.id}/audience`, {
          ...none,
          ...part,
          version: link.version,
        })
      ).body.errors?.[0]?.path;
    expect(await put({ classIds: [of('S4').id] })).toBe('classIds');
    expect(await put({ groupIds: [1] })).toBe('groupIds');
    expect(await put({ personIds: [999999] })).toBe('personIds');
    expect(await put({ guests: [{ email: 'nobody' }] })).toBe('guests.0.email');
    expect(await put({ hostIds: [school.person('Ansel Grue').id] })).toBe('hostIds');
    // The class period's own link stays for all of it.
    const main = await read(of('N3').link.id);
    expect(
      (await host.put(`/api/links/${main.id}/audience`, { ...none, version: main.version })).status,
    ).toBe(422);
  });

  it('stands open with nothing planned where its rules say so: members go in without a host', async () => {
    const team = await make('N3', {
      label: 'Project group',
      kind: 'project',
      preset: 'project',
      audience: {
        ...none,
        personIds: [school.person('Ansel Grue').id, school.person('Birgit Tideman').id],
      },
    });
    const ansel = await school.as('Ansel Grue');
    expect((await door(ansel, team.code)).decision).toMatchObject({
      outcome: 'enter',
      role: 'presenter',
    });
    expect((await ansel.post(`/api/door/${team.code}/enter`)).body.go).toContain('/room/');
    expect((await door(await school.as(studentName(40)), team.code)).decision.reason).toBe(
      'not-on-roll',
    );
  });
});

describe('groups', () => {
  const groupsOf = async (): Promise<Answer<'groups'>> =>
    (await host.get(`/api/classes/${of('R5').id}/groups`)).body;
  const kept = ({ groups }: Answer<'groups'>) =>
    groups.map(({ id, name, tutorId, members }) => ({ id, name, tutorId, members }));
  const set = (version: number, groups: object[]) =>
    host.put(`/api/classes/${of('R5').id}/groups`, { version, groups });

  it('hold nobody twice, nobody from elsewhere, and have names and tutors of their own', async () => {
    const before = await groupsOf();
    const [port, starboard] = kept(before);
    const path = async (groups: object[]) =>
      (await set(before.version, groups)).body.errors?.[0]?.path;
    expect(
      await path([port!, { ...starboard!, members: [...starboard!.members, port!.members[0]!] }]),
    ).toBe('groups.1.members');
    expect(await path([port!, { ...starboard!, members: [school.person('Ansel Grue').id] }])).toBe(
      'groups.1.members',
    );
    expect(await path([port!, { ...starboard!, name: 'PORT watch' }])).toBe('groups.1.name');
    expect(await path([{ ...port!, tutorId: school.person('Ansel Grue').id }, starboard!])).toBe(
      'groups.0.tutorId',
    );
    expect(await path([{ ...port!, name: '  ' }, starboard!])).toBe('groups.0.name');
    // A group that a link is for can be emptied, not taken away.
    const refused = await set(before.version, [starboard!]);
    expect([refused.status, refused.body.errors[0].message]).toEqual([
      422,
      expect.stringContaining('Port watch'),
    ]);
  });

  it('emptied while its link is out: its members are turned away, and the link says that it is for nobody', async () => {
    await school.setTime('12:40');
    const before = await groupsOf();
    const [port, starboard] = kept(before);
    const { roll } = (await host.get(`/api/classes/${of('R5').id}`)).body as Answer<'classPeriod'>;
    const member = await school.as(roll.find((p) => port!.members.includes(p.id))!.name);
    const after = await set(before.version, [
      { ...port!, members: [], tutorId: school.person('Signe Aalto').id },
      starboard!,
    ]);
    const link = await named('R5', 'Port watch');
    expect([link.audienceSize, link.hosts.map((h) => h.name)]).toEqual([0, ['Signe Aalto']]);
    expect((await door(member, link.code)).decision.reason).toBe('not-on-roll');
    const late = await set(before.version, kept(before));
    expect([late.status, late.body.current.version]).toEqual([409, after.body.version]);
    expect((await set(after.body.version, kept(before))).status).toBe(200);
    expect((await named('R5', 'Port watch')).hosts.map((h) => h.name)).toEqual(['Idris Kellaway']);
  });
});

describe('all my links', () => {
  it('are those of the class periods that I host or visit, and those that I host alone', async () => {
    const { links } = (await host.get('/api/links')).body as Answer<'links'>;
    expect(links.filter((l) => l.main).map((l) => l.pennant.letters)).toEqual([
      'N1',
      'W2',
      'N3',
      'R5',
      'N6',
      'C',
      'HE',
    ]);
    expect(links.find((l) => l.label === 'Port watch')).toMatchObject({
      audience: [{ kind: 'group', name: 'Port watch' }],
      hosts: [{ name: 'Idris Kellaway' }],
      mayEdit: true,
      next: { date: '2026-10-16', title: 'Port watch: splicing' },
    });
    const { links: visiting } = (await (await school.as('Idris Kellaway')).get('/api/links'))
      .body as Answer<'links'>;
    expect(visiting.every((l) => l.classTitle === 'Ropework, period 5' && !l.mayEdit)).toBe(true);
    const { links: others } = (await (await school.as('Bram Osterholt')).get('/api/links'))
      .body as Answer<'links'>;
    expect(others.map((l) => l.pennant.letters)).toEqual(['S4']);
  });
});
