import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import ical from 'node-ical';
import type { SchoolCalendar } from '@glen/core';
import type { Answer, ClassItem, Session } from '@glen/contract';
import { changeDate, startSchool, type Browser, type School } from './support.js';

let school: School;
let host: Browser;
let office: Browser;
let of: (letters: string) => ClassItem;
beforeEach(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
  office = await school.as('Perpetua Lund');
  of = (letters) => school.classes.get(letters)!;
});
afterEach(() => school.stop());

type Kept = Answer<'schoolCalendar'>;
const read = async (): Promise<Kept> => (await office.get('/api/school/calendar')).body;
/** Saves the calendar with a part of it changed; gives the answer's status and body. */
async function save(edit: (calendar: SchoolCalendar) => Partial<SchoolCalendar>, version?: number) {
  const kept = await read();
  return office.put('/api/school/calendar', {
    version: version ?? kept.version,
    region: kept.region,
    calendar: { ...kept.calendar, ...edit(kept.calendar as SchoolCalendar) },
  });
}
const closing =
  (first: string, name = 'Wharf Day') =>
  (c: SchoolCalendar): Partial<SchoolCalendar> => ({
    closures: [...c.closures, { name, first, last: first, kind: 'holiday' }],
  });
const opening =
  (name: string) =>
  (c: SchoolCalendar): Partial<SchoolCalendar> => ({
    closures: c.closures.filter((closure) => closure.name !== name),
  });
const on = async (letters: string, date: string): Promise<Session | undefined> =>
  ((await host.get(`/api/classes/${of(letters).id}`)).body.sessions as Session[]).find(
    (s) => s.key === date,
  );
const notes = async (browser: Browser): Promise<Answer<'today'>['notes']> =>
  (await browser.get('/api/today')).body.notes;

describe('the school calendar', () => {
  it('is read by every teacher and changed by the head and the office', async () => {
    expect((await host.get('/api/school/calendar')).body.mayEdit).toBe(false);
    expect(
      (await (await school.as('Noor Achterberg')).get('/api/school/calendar')).body.mayEdit,
    ).toBe(true);
  });
  it('shows first what an edit would do to whose sessions, and changes nothing by that', async () => {
    const { calendar } = await read();
    const { body } = await office.post('/api/school/calendar/preview', {
      calendar: { ...calendar, ...closing('2026-10-21')(calendar as SchoolCalendar) },
    });
    expect(body.notes[0]).toMatchObject({ severity: 'careful', title: '5 sessions off the books' });
    expect(body.teachers).toEqual([
      { name: 'Ottoline Marsh', sessions: 5 },
      { name: 'Tomas Verhage', sessions: 3 },
    ]);
    expect((await on('N3', '2026-10-21'))!.status).toBe('planned');
  });
  it('a holiday takes sessions of several teachers off, tells them, and gives them back when it goes', async () => {
    const before = await on('N3', '2026-10-21');
    expect((await save(closing('2026-10-21'))).status).toBe(200);
    expect(await on('N3', '2026-10-21')).toMatchObject({
      id: before!.id,
      status: 'skipped',
      why: 'Wharf Day',
    });
    // Drop-in hours are planned to be held on closed days too.
    expect((await on('C', '2026-10-21'))!.status).toBe('planned');
    const tomas = await school.as('Tomas Verhage');
    for (const [browser, count] of [
      [host, 5],
      [tomas, 3],
    ] as const) {
      const note = (await notes(browser)).find(
        (n) => n.title === `The calendar changed ${count} of your sessions`,
      )!;
      expect(note.text).toContain('By Perpetua Lund. ');
      expect(note.text).toContain('Coastal Navigation, period 3, Wed 21 Oct: Wharf Day');
      expect((await browser.post(`/api/notices/${note.actions![0]!.subject}/seen`)).status).toBe(
        200,
      );
      expect((await notes(browser)).some((n) => n.title.startsWith('The calendar changed'))).toBe(
        false,
      );
    }
    expect((await save(opening('Wharf Day'))).status).toBe(200);
    expect(await on('N3', '2026-10-21')).toMatchObject({
      id: before!.id,
      status: 'planned',
      was: null,
    });
  });
  it('keeps a notice to the one it is for', async () => {
    await save(closing('2026-10-22', 'Net Day'));
    const note = (await notes(host)).find((n) => n.title.startsWith('The calendar changed'))!;
    expect(
      (
        await (
          await school.as('Bram Osterholt')
        ).post(`/api/notices/${note.actions![0]!.subject}/seen`)
      ).status,
    ).toBe(404);
    await save(opening('Net Day'));
  });
  it('other bells move what is planned by bell period, and what was moved by hand stays', async () => {
    const session = (await on('N1', '2026-10-23'))!;
    const late = (await on('N1', '2026-10-26'))!;
    await host.post('/api/sessions/change', {
      changes: [
        {
          seriesId: late.seriesId,
          version: late.version,
          key: late.key,
          scope: 'one',
          change: { kind: 'move', date: '2026-10-27', time: '12:00', minutes: 30 },
        },
      ],
    });
    await save((c) => ({
      bellFor: [
        ...c.bellFor,
        { date: '2026-10-23', bell: 'Fog' },
        { date: '2026-10-26', bell: 'Fog' },
      ],
    }));
    expect(await on('N1', '2026-10-23')).toMatchObject({
      id: session.id,
      time: '09:40',
      minutes: 40,
      was: { time: '08:40' },
    });
    expect(await on('N1', '2026-10-26')).toMatchObject({ date: '2026-10-27', time: '12:00' });
  });
  it('a term’s end carries “until term ends” along', async () => {
    await save((c) => ({
      terms: c.terms.map((t) => (t.name === 'Autumn' ? { ...t, last: '2026-12-11' } : t)),
    }));
    expect(await on('N3', '2026-12-14')).toBeUndefined();
    await save((c) => ({
      terms: c.terms.map((t) => (t.name === 'Autumn' ? { ...t, last: '2026-12-21' } : t)),
    }));
    expect((await on('N3', '2026-12-21'))!.status).toBe('planned');
    await save((c) => ({
      terms: c.terms.map((t) => (t.name === 'Autumn' ? { ...t, last: '2026-12-18' } : t)),
    }));
  });
  it('leaves what has started as it was', async () => {
    const before = (await on('N1', '2026-10-14'))!;
    await save(closing('2026-10-14', 'Too late'));
    expect(await on('N1', '2026-10-14')).toEqual(before);
    await save(opening('Too late'));
  });
  it('is refused where it is wrong, where a series could not follow, and to the second of two', async () => {
    const { version } = await read();
    expect(
      (await save((c) => ({ terms: [{ ...c.terms[0]!, last: '2026-01-01' }] }))).body.errors[0]
        .path,
    ).toBe('calendar.terms.0.last');
    const broken = await save((c) => ({
      bells: c.bells.map((set) => ({
        ...set,
        periods: set.periods.filter((p) => p.label !== '3'),
      })),
    }));
    expect(broken.body.errors[0]).toMatchObject({
      path: 'calendar.bells',
      message:
        'Coastal Navigation, period 3: No bell set has a period 3. Change that series first.',
    });
    expect((await save(closing('2026-10-29'), version)).status).toBe(200);
    const late = await save(closing('2026-10-30'), version);
    expect([late.status, late.body.current.version]).toEqual([409, version + 1]);
  });
  it('knows public holidays of a region', async () => {
    // date-holidays, the region that the demo names.
    const { holidays, regions } = (await office.get('/api/school/holidays?region=CA-NS'))
      .body as Answer<'holidays'>;
    expect(holidays.map((h) => h.date)).toEqual(
      expect.arrayContaining(['2026-11-11', '2027-02-15', '2027-03-26']),
    );
    expect(holidays.every((h) => h.date >= '2026-09-08' && h.date <= '2027-06-25')).toBe(true);
    expect(regions.some((r) => r.code === 'CA-PE')).toBe(true);
    expect(
      ((await office.get('/api/school/holidays?region=XX')).body as Answer<'holidays'>).holidays,
    ).toEqual([]);
  });
});

describe('calendar feeds', () => {
  const make = async (browser: Browser, body = {}): Promise<Answer<'feeds'>> =>
    (await browser.post('/api/feeds', body)).body;
  const pathOf = (address: string): string => new URL(address).pathname;
  it('have a private address of their own, told once, that a new one replaces', async () => {
    expect((await host.get('/api/feeds')).body.own).toMatchObject({ since: null, address: null });
    const { own } = await make(host);
    expect((await host.get('/api/feeds')).body.own).toMatchObject({
      since: own.since,
      address: null,
    });
    const nobody = await school.as(null);
    const { status, headers, text } = await nobody.get(pathOf(own.address!));
    expect([status, headers['content-type']]).toEqual([200, 'text/calendar; charset=utf-8']);
    const events = Object.values(ical.sync.parseICS(text)).filter((c) => c?.type === 'VEVENT') as {
      summary: string;
      url: string;
    }[];
    expect(events.map((e) => e.summary)).toContain('Coastal Navigation, period 3');
    expect(events.some((e) => e.summary.includes('rehearsal'))).toBe(false);
    const { own: second } = await make(host);
    expect((await nobody.get(pathOf(own.address!))).status).toBe(404);
    expect((await nobody.get(pathOf(second.address!))).status).toBe(200);
  });
  it('answer 304 until something changes, and then with a risen SEQUENCE', async () => {
    const { classes } = await make(host, { classId: of('R5').id });
    const path = pathOf(classes.find((c) => c.classId === of('R5').id)!.address!);
    const first = await fetch(school.url + path);
    const etag = first.headers.get('etag')!;
    const sequence = (text: string): number =>
      [...text.matchAll(/SEQUENCE:(\d+)/g)].reduce((sum, m) => sum + Number(m[1]), 0);
    const before = sequence(await first.text());
    expect((await fetch(school.url + path, { headers: { 'If-None-Match': etag } })).status).toBe(
      304,
    );
    const lesson = (await on('R5', '2026-10-21'))!;
    const { seriesId, version, key } = lesson;
    await changeDate(host, { seriesId, version, key }, { kind: 'cancel' });
    const second = await fetch(school.url + path, { headers: { 'If-None-Match': etag } });
    expect(second.status).toBe(200);
    expect(sequence(await second.text())).toBeGreaterThan(before);
  });
  it('belong to a class period’s hosts, and to students for their own classes', async () => {
    const bram = await school.as('Bram Osterholt');
    expect((await bram.post('/api/feeds', { classId: of('N3').id })).status).toBe(403);
    const pupil = await school.as('Ansel Grue');
    const { own, classes } = await make(pupil);
    expect(classes).toEqual([]);
    const { text } = await pupil.get(pathOf(own.address!));
    expect(text).toContain('SUMMARY:Coastal Navigation\\, period 3');
    expect(text).not.toContain('SUMMARY:Ropework');
  });
  it('are kept as a hash that only this installation can make', async () => {
    const { own } = await make(host);
    const token = own.address!.split('/').at(-1)!.replace('.ics', '');
    const { db, tokens } = school.running.glen;
    const rows = await db.rows<{ token_hash: string }>('SELECT * FROM feeds');
    expect(JSON.stringify(rows)).not.toContain(token);
    expect(rows.map((row) => row.token_hash)).toContain(tokens.hash('feed', token));
  });
  it('can be switched off', async () => {
    const { classes } = await make(host, { classId: of('W2').id });
    const { address } = classes.find((c) => c.classId === of('W2').id)!;
    const { own } = await make(host);
    await host.post('/api/feeds/off', { classId: of('W2').id });
    expect((await host.get(pathOf(address!))).status).toBe(404);
    expect((await host.get(pathOf(own.address!))).status).toBe(200);
    expect((await host.post('/api/feeds/off')).body.own).toMatchObject({
      since: null,
      address: null,
    });
    expect((await host.get(pathOf(own.address!))).status).toBe(404);
  });
  it('of a teacher’s home account hold nothing that they teach', async () => {
    const { own, classes } = await make(await school.as('Ottoline Marsh', 'personal'));
    expect(classes).toEqual([]);
    const { status, text } = await host.get(pathOf(own.address!));
    expect(status).toBe(200);
    expect(text).not.toContain('BEGIN:VEVENT');
    const { own: atSchool } = await make(host);
    expect((await host.get(pathOf(atSchool.address!))).text).toContain('BEGIN:VEVENT');
  });
  it('die with the account that they are for', async () => {
    const bram = school.person('Bram Osterholt');
    const { own } = await make(await school.as(bram.name));
    const { db } = school.running.glen;
    await db.models.Person.update(
      { retired_at: '2026-10-14T13:00:00Z' },
      { where: { id: bram.id } },
    );
    expect((await host.get(pathOf(own.address!))).status).toBe(404);
    await db.models.Person.update({ retired_at: null }, { where: { id: bram.id } });
    expect((await host.get(pathOf(own.address!))).status).toBe(200);
  });
  it('die with a home account that is taken away', async () => {
    const { Account, Feed } = school.running.glen.db.models;
    const home = await Account.create({
      person_id: school.person('Bram Osterholt').id,
      kind: 'personal',
      email: 'bram@home.example',
    });
    await Feed.create({
      account_id: home.id,
      token_hash: school.running.glen.tokens.hash('feed', 'of Bram at home'),
      made_at: '2026-10-14T13:31:00Z',
    });
    const ask = () => host.get(`/api/calendar/${encodeURIComponent('of Bram at home')}.ics`);
    expect((await ask()).status).toBe(200);
    await home.destroy();
    expect((await ask()).status).toBe(404);
  });
  it('and single series come as files', async () => {
    const { seriesId } = (await on('N3', '2026-10-28'))!;
    const { headers, text } = await host.get(`/api/series/${seriesId}/calendar`);
    expect(headers['content-disposition']).toBe(
      'attachment; filename="coastal-navigation-period-3.ics"',
    );
    expect(text).toContain(`URL:${of('N3').link.address}`);
  });
});

describe('a draft without a date', () => {
  const body = {
    title: 'Some day',
    description: '',
    draft: true,
    undated: true,
    plan: { first: '2026-10-20', at: { time: '10:00', minutes: 30 } },
  };
  it('has a link and a title, stands on nobody’s day, and gets its date later', async () => {
    const { session } = (await host.post(`/api/classes/${of('W2').id}/sessions`, body)).body;
    expect(session).toMatchObject({ undated: true, linkId: of('W2').link.id });
    const strip = (await host.get('/api/strip?from=2026-09-08&to=2026-12-18'))
      .body as Answer<'strip'>;
    expect(strip.undated).toEqual([
      { seriesId: session.seriesId, classId: of('W2').id, title: 'Some day' },
    ]);
    expect(strip.notches.some((n) => n.seriesId === session.seriesId)).toBe(false);
    const dated = await host.put(`/api/series/${session.seriesId}`, {
      ...body,
      undated: false,
      draft: false,
      version: 1,
    });
    expect(dated.body.session).toMatchObject({
      id: session.id,
      status: 'planned',
      undated: false,
      was: null,
    });
  });
  it('must be a draft', async () => {
    expect(
      (await host.post(`/api/classes/${of('W2').id}/sessions`, { ...body, draft: false })).body
        .errors[0].path,
    ).toBe('undated');
  });
});
