import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import type { Answer } from '@glen/contract';
import { linkTools, none, type LinkTools } from './linkTools.js';
import { startSchool, type Browser, type School } from './support.js';

let school: School;
let host: Browser;
let of: LinkTools['of'],
  named: LinkTools['named'],
  read: LinkTools['read'],
  make: LinkTools['make'],
  door: LinkTools['door'],
  openAndBeIn: LinkTools['openAndBeIn'],
  end: LinkTools['end'];
beforeAll(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
  ({ of, named, read, make, door, openAndBeIn, end } = linkTools(school, host));
});
afterAll(() => school.stop());
beforeEach(() => school.setTime('10:31'));

describe('a person on two rolls, and a session with a link of its own', () => {
  it('somebody of the clinic and of two class periods that meet together has each lesson once', async () => {
    await school.setTime('10:31');
    const { roll } = (await host.get(`/api/classes/${of('C').id}`)).body as Answer<'classPeriod'>;
    const pupil = await school.as(roll.find((p) => p.name === 'Ansel Grue')!.name);
    await host.post(`/api/links/${of('N3').link.id}/share`, {
      classId: of('C').id,
      ownDoor: 'leads',
    });
    const day = (await pupil.get('/api/my-day')).body as Answer<'myDay'>;
    expect(day.doors.filter((d) => d.time === '10:45').length).toBe(1);
    // The feed that their calendar reads says the same.
    const { own } = (await pupil.post('/api/feeds')).body as Answer<'feeds'>;
    const text = await (await fetch(own.address!)).text();
    expect(text.split('SUMMARY:Coastal Navigation\\, period 3').length - 1).toBeGreaterThan(0);
    expect(new Set(text.match(/^UID:series-\d+@/gm)).size).toBe(
      text.match(/^UID:series-\d+@.*\r\n(?!RECURRENCE-ID)/gm)!.length -
        (text.match(/^RECURRENCE-ID/gm) ?? []).length,
    );
    const [share] = (await read(of('N3').link.id)).shares;
    await host.post(`/api/links/${of('N3').link.id}/unshare`, { shareId: share!.id });
  });

  it('an evening gets a fresh link, called by its title, that goes when it is taken back', async () => {
    const { body } = await host.post(`/api/classes/${of('N3').id}/sessions`, {
      title: 'Parents’ evening',
      description: '',
      freshLink: true,
      plan: { first: '2026-10-22', at: { time: '19:00', minutes: 60 } },
    });
    const link = await named('N3', 'Parents’ evening');
    expect([body.session.linkId, body.session.linkLabel]).toEqual([link.id, 'Parents’ evening']);
    expect(link.id).not.toBe(of('N3').link.id);
    await host.post('/api/sessions/take-back', { touched: body.touched });
    expect((await named('N3', 'Parents’ evening')).state).toBe('retired');
    const twice = async (): Promise<string> =>
      (
        await host.post(`/api/classes/${of('N3').id}/sessions`, {
          title: 'Lessons',
          description: '',
          freshLink: true,
          plan: { first: '2026-10-23', at: { time: '19:00', minutes: 60 } },
        })
      ).body.session.linkLabel;
    expect([await twice(), await twice()]).toEqual(['Lessons 2', 'Lessons 3']);
    expect(
      (
        await host.post(`/api/classes/${of('N3').id}/sessions`, {
          title: 'X',
          description: '',
          linkId: of('N6').link.id,
          plan: { first: '2026-10-23', at: { time: '20:00', minutes: 60 } },
        })
      ).body.errors[0].path,
    ).toBe('linkId');
  });

  it('a group’s session clashes with what its members have, and with nobody else’s', async () => {
    const watch = await named('R5', 'Port watch');
    const ask = async (query: string): Promise<Answer<'bookings'>> =>
      (await host.get(`/api/classes/${of('R5').id}/bookings?from=2026-10-14&to=2026-10-30${query}`))
        .body;
    const [all, some] = [await ask(''), await ask(`&link=${watch.id}`)];
    const people = (holds: string[]): number => holds.filter((h) => h.startsWith('person:')).length;
    expect(people(all.holds)).toBe(25);
    expect(people(some.holds)).toBe(2 + 12);
    expect(some.holds).toContain(`link:${watch.id}`);
    expect(people(all.bookings.find((b) => b.title === 'Port watch: splicing')!.holds)).toBe(
      2 + 12,
    );
  });
});

describe('rules at every scope', () => {
  it('a link’s over its class period’s, a series’ over those, a single date’s over all; the door goes by them', async () => {
    const link = await make('N3', {
      label: 'Ruled',
      audience: { ...none, classIds: [of('N3').id] },
    });
    const { body: added } = await host.post(`/api/classes/${of('N3').id}/sessions`, {
      title: 'Ruled',
      description: '',
      linkId: link.id,
      plan: {
        first: '2026-10-21',
        at: { time: '18:00', minutes: 60 },
        closures: 'skip',
        repeat: { every: 'week', times: 2 },
      },
    });
    const { seriesId } = added.session;
    const opens = async (on: string): Promise<string> =>
      (await host.get(`/api/series/${seriesId}?on=${on}`)).body.session.opens;
    expect(await opens('2026-10-21')).toBe('2026-10-21T20:55:00Z');
    await host.put(`/api/links/${link.id}/rules`, {
      version: (await read(link.id)).version,
      rules: { opensBefore: 10 },
    });
    expect(await opens('2026-10-21')).toBe('2026-10-21T20:50:00Z');
    const ofSeries = (
      await host.put(`/api/series/${seriesId}/rules`, { version: 1, rules: { opensBefore: 30 } })
    ).body as Answer<'rules'>;
    expect(ofSeries.layers.map((l) => l.scope)).toEqual([
      'school',
      'teacher',
      'class',
      'link',
      'series',
    ]);
    await host.put(`/api/series/${seriesId}/rules`, {
      version: ofSeries.version,
      key: '2026-10-28',
      rules: { opensBefore: 60 },
    });
    expect([await opens('2026-10-21'), await opens('2026-10-28')]).toEqual([
      '2026-10-21T20:30:00Z',
      '2026-10-28T20:00:00Z',
    ]);
    // Moved and renamed, the date keeps its rules.
    const at = (await host.get(`/api/series/${seriesId}?on=2026-10-28`)).body.session;
    await host.post('/api/sessions/change', {
      changes: [
        {
          seriesId,
          version: at.version,
          key: '2026-10-28',
          scope: 'one',
          change: { kind: 'move', date: '2026-10-29', time: '17:00' },
        },
      ],
    });
    expect(await opens('2026-10-28')).toBe('2026-10-29T19:00:00Z');
    await school.setTime('16:05', '2026-10-29');
    expect((await door(await school.as('Ansel Grue'), link.code)).decision.reason).toBe('no-host');
    expect(
      (await host.put(`/api/series/${seriesId}/rules`, { version: 1, rules: {} })).status,
    ).toBe(409);
    expect(
      (
        await host.put(`/api/series/${seriesId}/rules`, {
          version: at.version + 1,
          key: '2026-12-24',
          rules: {},
        })
      ).body.errors[0].path,
    ).toBe('key');
  });

  it('the school’s defaults and locks reach every door; a teacher’s own reach the class periods they host', async () => {
    const head = await school.as('Noor Achterberg');
    const before = (await head.get('/api/school/rules')).body as Answer<'rules'>;
    const [{ rules, locked = [] }] = before.layers as [Answer<'rules'>['layers'][number]];
    const own = (await host.get('/api/my-rules')).body as Answer<'rules'>;
    await host.put('/api/my-rules', {
      version: own.version,
      rules: { ...own.layers[1]!.rules, straightIn: 'everyone' },
    });
    const pupil = await school.as('Ansel Grue');
    await school.setTime('10:46', '2026-10-21');
    await openAndBeIn(of('N3').link.id);
    const code = (await read(of('N3').link.id)).code;
    expect((await door(pupil, code)).decision.outcome).toBe('enter');
    const fixed = await head.put('/api/school/rules', {
      version: before.version,
      rules,
      locked: [...locked, 'straightIn'],
    });
    expect(fixed.body.layers[0].locked).toContain('straightIn');
    expect((await door(pupil, code)).decision.outcome).toBe('lobby');
    expect(
      (await head.put('/api/school/rules', { version: before.version, rules, locked })).status,
    ).toBe(409);
    expect(
      (
        await head.put('/api/school/rules', {
          version: fixed.body.version,
          rules: { ...rules, opensBefore: 500 },
          locked,
        })
      ).body.errors[0].path,
    ).toBe('rules.opensBefore');
    await head.put('/api/school/rules', { version: fixed.body.version, rules, locked });
    await host.put('/api/my-rules', { version: own.version + 1, rules: own.layers[1]!.rules });
    await end(of('N3').link.id);
  });
});
