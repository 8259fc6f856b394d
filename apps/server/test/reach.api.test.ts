import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Answer, ClassItem, LinkDetail, Post } from '@glen/contract';
import { notesForReach } from '@glen/core';
import { postOf, startSchool, until, type Browser, type School } from './support.js';

let school: School;
let host: Browser;
beforeAll(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
  // What the demo school posts at its start has come out.
  await until(
    async () => (await host.get('/api/posts')).body.posts as Post[],
    (posts) => posts.every((p) => !p.pending),
  );
});
afterAll(() => school.stop());

type Reach = Answer<'reach'>;
const of = (letters: string): ClassItem => school.classes.get(letters)!;
const ask = async (linkId: number, at = ''): Promise<Reach> =>
  (await host.get(`/api/links/${linkId}/reach${at && `?at=${at}`}`)).body;
const verdicts = (reach: Reach): Record<string, number> =>
  reach.people.reduce<Record<string, number>>(
    (sum, p) => ({ ...sum, [p.verdict]: (sum[p.verdict] ?? 0) + 1 }),
    {},
  );
const titles = (reach: Reach): string[] => notesForReach(reach).map((n) => n.title);
const post = async (letters: string, body: object): Promise<Post> =>
  (
    await host.post(`/api/classes/${of(letters).id}/posts`, {
      words: '',
      linkWords: 'Join',
      ...body,
    })
  ).body.post;
const out = (id: number): Promise<Post> =>
  until(
    () => postOf(host, id),
    (p) => p.deliveries.every((d) => !d.pending && d.placementId !== null),
  );
/** Somebody pins a thing up on the course site by hand. */
const pinUp = (path: string, body: object) =>
  fetch(`${school.courseSite}/api/classes/${path}`, {
    method: 'PUT',
    headers: {
      'Content-Type': 'application/json',
      Authorization: `Bearer ${school.running.glen.config.courseSite!.token}`,
    },
    body: JSON.stringify({ revision: 1, ...body }),
  });
/** Somebody takes a thing off there. */
const takeOff = (ref: string, kind: string, key: string) =>
  fetch(`${school.courseSite}/class/${ref}/take-off`, {
    method: 'POST',
    headers: { Cookie: 'board_reader=o.marsh@merrow.example' },
    body: new URLSearchParams({ kind, key }),
    redirect: 'manual',
  });
const links = async (letters: string): Promise<LinkDetail[]> =>
  (await host.get(`/api/classes/${of(letters).id}/links`)).body.links;

describe('reach of a day', () => {
  type OfDay = Answer<'reachOfDay'>;
  it('is what is said of each link alone, over all that one hosts, the worst of what is to come first', async () => {
    const day = (await host.get('/api/reach')).body as OfDay;
    expect(day.date).toBe('2026-10-14');
    expect(day.links.find((l) => l.linkId === of('N6').link.id)).toMatchObject({
      session: { time: '14:15', over: false },
      counts: { stale: 22, clear: 0 },
    });
    for (const link of day.links) {
      const alone = await ask(link.linkId, `${link.at.date}T${link.at.time}`);
      const counted = Object.values(link.counts).reduce((sum, n) => sum + n, 0);
      expect(counted).toBe(alone.people.length);
      const twice = alone.twice.filter((entry) => entry.date === day.date);
      expect(link.notes.map((n) => n.title)).toEqual(titles({ ...alone, twice }));
    }
    expect(day.links[0]!.notes[0]!.severity).toBe('wrong');
    const todays = day.links.filter((l) => l.session && !l.session.over).length;
    expect(day.links.slice(0, todays).every((l) => l.session && !l.session.over)).toBe(true);
  });
  it('is asked for a day to come, and by who hosts nothing in vain', async () => {
    const later = (await host.get('/api/reach?date=2026-10-15')).body as OfDay;
    expect(later.links.find((l) => l.session)!.session!.date).toBe('2026-10-15');
    const visiting = await school.as('Signe Aalto');
    expect((await visiting.get('/api/reach')).body.links).toEqual([]);
    expect((await host.get('/api/reach?date=soon')).status).toBe(422);
  });
  it('finds an entry that somebody put in the calendar beside Glen’s own', async () => {
    const weather = of('W2');
    await out(
      (
        await post('W2', {
          linkWords: '{title}',
          about: 'sessions',
          places: [{ classId: weather.id, kind: 'calendar' }],
        })
      ).id,
    );
    const { sessions } = (await host.get(`/api/classes/${weather.id}`))
      .body as Answer<'classPeriod'>;
    const next = sessions.find((s) => s.date > '2026-10-14' && s.status === 'planned')!;
    const pin = (key: string, title: string): Promise<unknown> =>
      pinUp(`weather-2/calendar/${key}`, {
        title,
        start: next.start,
        end: next.end,
        html: '',
        address: null,
      });
    await Promise.all([pin('by-hand', 'WEATHER lesson'), pin('quiz', 'Quiz on clouds')]);
    const reach = await ask(weather.link.id);
    expect(reach.twice).toMatchObject([
      { title: 'WEATHER lesson', date: next.date, time: next.time },
    ]);
    expect(titles(reach)).toContain('The calendar has the lesson twice');
  });
});

describe('reach', () => {
  it('finds the old link that somebody pinned up by hand, now; and says that nobody can see a right one', async () => {
    const reach = await ask(of('N6').link.id);
    expect(verdicts(reach)).toEqual({ stale: 22 });
    expect(reach.places).toMatchObject([
      {
        where: 'Course page, Coastal Navigation, period 6',
        title: 'Join the lesson',
        state: 'old',
        ours: false,
      },
    ]);
    expect(notesForReach(reach)[0]).toMatchObject({
      severity: 'wrong',
      title: '22 students see an old link',
    });
    expect(notesForReach(reach)[0]!.text).toContain('somebody must take it off');
  });
  it('counts what will stand when the session begins, too', async () => {
    const reach = await ask(of('N6').link.id, 'begins');
    expect(reach.at).toEqual({ date: '2026-10-14', time: '14:15' });
    expect(reach.places.map((p) => p.state).sort()).toEqual(['old', 'right']);
    expect(verdicts(reach)).toEqual({ stale: 22 });
  });
  it('everyone sees exactly one right link; twice the same is one', async () => {
    expect(verdicts(await ask(of('N3').link.id))).toEqual({ clear: 24 });
    expect(titles(await ask(of('N3').link.id))).toEqual(['24 students see exactly one right link']);
  });
  it('none, until it is posted', async () => {
    expect(titles(await ask(of('N1').link.id))[0]).toBe('22 students see no link');
    await out((await post('N1', {})).id);
    expect(verdicts(await ask(of('N1').link.id))).toEqual({ clear: 22 });
  });
  it('group links are a question of their own; a group link that the whole class can read is a leak', async () => {
    const port = (await links('R5')).find((l) => l.label === 'Port watch')!;
    expect(verdicts(await ask(port.id))).toEqual({ clear: 12 });
    await pinUp('ropework/items/slip', {
      section: 'sx',
      position: 0,
      title: 'Slip',
      html: '',
      address: port.address,
      newTab: true,
    });
    const leaking = await ask(port.id);
    expect(verdicts(leaking)).toEqual({ clear: 12, leak: 11 });
    expect(notesForReach(leaking)[0]!.title).toBe('11 people see what is not for them');
    await takeOff('ropework', 'item', 'slip');
  });
  it('two doors for the same, and the second one hidden at one press', async () => {
    const twin = (
      await host.post(`/api/classes/${of('W2').id}/links`, {
        label: 'Second door',
        purpose: 'Lessons',
        kind: 'lesson',
        shown: true,
        audience: { classIds: [of('W2').id], groupIds: [], personIds: [], hostIds: [] },
      })
    ).body as LinkDetail;
    await out((await post('W2', {})).id);
    await out(
      (await post('W2', { places: [{ classId: of('W2').id, linkId: twin.id, kind: 'stream' }] }))
        .id,
    );
    const reach = await ask(of('W2').link.id);
    expect(verdicts(reach)).toEqual({ several: 19 });
    const action = notesForReach(reach)[0]!.actions![0]!;
    expect(action).toMatchObject({
      name: 'take-down',
      label: 'Hide the second door: Stream, Marine Weather, period 2',
    });
    await host.post(`/api/placements/${action.subject}`, { do: 'take-down' });
    await until(
      () => ask(of('W2').link.id),
      (r) => verdicts(r).clear === 19,
    );
  });
  it('what bears another link that has been stopped is taken down at one press', async () => {
    const twin = (
      await host.post(`/api/classes/${of('N3').id}/links`, {
        label: 'Old door',
        purpose: 'Lessons',
        kind: 'lesson',
        shown: true,
        audience: { classIds: [of('N3').id], groupIds: [], personIds: [], hostIds: [] },
      })
    ).body as LinkDetail;
    await out(
      (await post('N3', { places: [{ classId: of('N3').id, linkId: twin.id, kind: 'stream' }] }))
        .id,
    );
    await host.post(`/api/links/${twin.id}/stop`, { version: twin.version });
    const [note] = notesForReach(await ask(of('N3').link.id));
    expect(note).toMatchObject({
      title: '24 students see an old link',
      actions: [
        {
          name: 'take-down',
          label: 'Take the stopped one down: Stream, Coastal Navigation, period 3',
        },
      ],
    });
    await host.post(`/api/placements/${note!.actions![0]!.subject}`, { do: 'take-down' });
    await until(
      () => ask(of('N3').link.id),
      (r) => verdicts(r).clear === 24,
    );
  });
  it('by hand alone is not proven; an old code there is old', async () => {
    const { id } = await post('C', {
      places: [{ classId: of('C').id, kind: 'by-hand', name: 'Folder' }],
    });
    const done = await out(id);
    await host.post(`/api/placements/${done.deliveries[0]!.placementId}`, { do: 'done' });
    const calendarOff = await ask(of('C').link.id);
    // The demo's own calendar entry, pinned up before, is seen for certain.
    expect(verdicts(calendarOff)).toEqual({ clear: 12 });
    await takeOff('clinic', 'event', 'clinic');
    expect(verdicts(await ask(of('C').link.id))).toEqual({ unproven: 12 });
    const { version } = (await host.get(`/api/links/${of('C').link.id}`)).body;
    await host.post(`/api/links/${of('C').link.id}/replace`, {
      version,
      why: 'leaked',
      how: 'stop',
    });
    const stale = await until(
      () => ask(of('C').link.id),
      (r) => verdicts(r).stale === 12,
    );
    expect(notesForReach(stale)[0]!.actions).toMatchObject([
      { name: 'see-post', subject: id },
      { name: 'post-here' },
    ]);
  });
  it('goes by what was last confirmed where the course site is down, and says so', async () => {
    await school.courseSiteTrouble('down');
    try {
      const reach = await ask(of('N3').link.id);
      expect(reach.trouble).toBe('The course site has trouble: closed for repairs');
      expect(verdicts(reach)).toEqual({ clear: 24 });
    } finally {
      await school.courseSiteTrouble('none');
    }
  });
});

describe('what a student sees', () => {
  const text = (html: string): string[] =>
    html
      .replace(/<(del|\/del|form|input|small|button)[^>]*>/g, ' ')
      .replace(/<[^>]*>/g, ' ')
      .split(/\s+/)
      .filter(Boolean);
  it('shows a student what the course site shows them, thing by thing', async () => {
    const { roll } = (await host.get(`/api/classes/${of('R5').id}`)).body as {
      roll: { id: number; accounts: { kind: string; email: string }[] }[];
    };
    for (const { id, accounts } of roll.slice(0, 6)) {
      const seen = (await host.get(`/api/classes/${of('R5').id}/student-sees?personId=${id}`))
        .body as Answer<'studentSees'>;
      const real = await (
        await fetch(`${school.courseSite}/class/ropework`, {
          headers: { Cookie: `board_reader=${accounts.find((a) => a.kind === 'school')!.email}` },
        })
      ).text();
      const main = real.slice(real.indexOf('<h2 id="page">'), real.indexOf('</main>'));
      const ours = [
        ...seen.sections.flatMap((s) => [s.title, ...s.items.flatMap((i) => [i.title, i.html])]),
        ...seen.events.flatMap((e) => [e.title, e.html]),
        ...seen.posts.map((p) => p.html),
      ].join(' ');
      const theirs = main
        .replace('The page', '')
        .replace('<h2 id="calendar">Dates', '')
        .replace('Notices', '')
        .replace('Nothing has been pinned up yet.', '')
        .replace('No dates yet.', '')
        .replaceAll('Nothing here yet.', '');
      expect(text(ours)).toEqual(text(theirs));
    }
  });
  it('shows what will stand at a time to come', async () => {
    const { roll } = (await host.get(`/api/classes/${of('N6').id}`)).body as {
      roll: { id: number }[];
    };
    const at = async (query: string): Promise<string> =>
      JSON.stringify(
        (
          (
            await host.get(
              `/api/classes/${of('N6').id}/student-sees?personId=${roll[0]!.id}${query}`,
            )
          ).body as Answer<'studentSees'>
        ).posts,
      );
    expect(await at('')).not.toContain('Tidal streams today.');
    expect(await at('&at=2026-10-14T14:06')).toContain('Tidal streams today.');
  });
  it('shows nobody who is not on its roll', async () => {
    expect(
      (
        await host.get(
          `/api/classes/${of('N6').id}/student-sees?personId=${school.person('Bram Osterholt').id}`,
        )
      ).status,
    ).toBe(404);
  });
});
