import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Answer, LinkDetail, Session } from '@glen/contract';
import { endGuests } from '../src/features/guest/ending.js';
import { linkTools, none, type LinkTools } from './linkTools.js';
import { startSchool, type Browser, type School } from './support.js';

let school: School;
let host: Browser;
let tools: LinkTools;
beforeAll(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
  tools = linkTools(school, host);
});
afterAll(() => school.stop());

type Guests = Answer<'guests'>;
type Decision = Answer<'door'>['decision'];

const add = (link: LinkDetail, body: object) =>
  host.post(`/api/links/${link.id}/guests`, { comes: 'inside', ...body });

const listOf = async (link: LinkDetail): Promise<Guests> =>
  (await host.get(`/api/links/${link.id}/guests`)).body as Guests;

/** Puts guests on the list; gives the list. */
async function invite(link: LinkDetail, text: string, more: object = {}): Promise<Guests> {
  const answer = await add(link, { text, ...more });
  expect([answer.status, answer.body]).toEqual([200, answer.body]);
  return answer.body as Guests;
}

async function tokenFor(link: LinkDetail, email: string): Promise<string> {
  const answer = await host.post(`/api/links/${link.id}/guest-address`, { email });
  expect(answer.status).toBe(200);
  return (answer.body as Answer<'guestAddress'>).address!.split('/').at(-1)!;
}

/** Somebody who has come by their one-time address. */
async function comeTo(link: LinkDetail, email: string, name = 'A guest'): Promise<Browser> {
  const guest = await school.as(null);
  const token = await tokenFor(link, email);
  expect((await guest.post(`/api/guest/${token}`, { name })).status).toBe(200);
  return guest;
}

const forNobody = (): Promise<LinkDetail> => tools.make('N3', { audience: none });

/** A series of three days from the demo's own on, at this very time. */
async function seriesAt(link: LinkDetail): Promise<Session[]> {
  const { id } = tools.of('N3');
  const plan = {
    first: '2026-10-14',
    at: { time: '10:20', minutes: 60 },
    repeat: { every: 'day', times: 3 },
  };
  const body = { title: 'Talks', description: '', linkId: link.id, plan };
  const answer = await host.post(`/api/classes/${id}/sessions`, { ...body, anyway: true });
  expect([answer.status, answer.body]).toEqual([200, answer.body]);
  const page = (await host.get(`/api/classes/${id}`)).body as Answer<'classPeriod'>;
  return page.sessions.filter((session) => session.linkId === link.id);
}

const decided = async (who: Browser, code: string): Promise<Decision> =>
  (await tools.door(who, code)).decision;

describe('a guest list', () => {
  it('takes names and addresses as they are pasted, each once, and keeps how they come', async () => {
    const link = await forNobody();
    await invite(link, 'Rasmus Vane <rasmus@home.example>', { comes: 'speaker' });
    const { guests } = await invite(link, 'rasmus@home.example\nNia Hall, nia@home.example');
    expect(guests.map(({ name, email, comes, when }) => [name, email, comes, when])).toEqual([
      ['Rasmus Vane', 'rasmus@home.example', 'speaker', ''],
      ['Nia Hall', 'nia@home.example', 'inside', ''],
    ]);
    // What a link is for says the same.
    const { audience } = await tools.read(link.id);
    expect(audience).toEqual([
      { kind: 'guest', email: 'rasmus@home.example', name: 'Rasmus Vane', comes: 'speaker' },
      { kind: 'guest', email: 'nia@home.example', name: 'Nia Hall', comes: 'inside' },
    ]);
  });
  it('says beside the field what is wrong, and takes nothing then', async () => {
    const link = await forNobody();
    const wrong = async (body: object): Promise<string> => {
      const answer = await add(link, body);
      expect(answer.status).toBe(422);
      return `${answer.body.errors[0].path}: ${answer.body.errors[0].message}`;
    };
    expect(await wrong({ text: 'a@home.example\nNia' })).toContain('text: Line 2 holds no address');
    expect(await wrong({ text: '  \n ' })).toContain('text: Give an address');
    expect(await wrong({ text: 'a@home.example', key: '2026-10-14' })).toContain('seriesId');
    expect(await wrong({ text: 'a@home.example', comes: 'host' })).toContain('comes');
    const many = Array.from({ length: 401 }, (_, i) => `g${i}@home.example`).join('\n');
    expect(await wrong({ text: many })).toContain('at most 400 guests');
    expect((await listOf(link)).guests).toEqual([]);
  });
  it('of an evening counts who said yes, by a one-time address that works on, or signed in', async () => {
    const link = await forNobody();
    await invite(link, 'a@home.example\nb@home.example\nc@home.example');
    const token = await tokenFor(link, 'a@home.example');
    const anybody = await school.as(null);
    const said = await anybody.put(`/api/guest/${token}/said`, { said: 'yes' });
    expect(said.body).toMatchObject({ said: 'yes', email: 'a@home.example' });
    const guest = await comeTo(link, 'b@home.example');
    const { invitations } = (await guest.get('/api/invitations')).body as Answer<'invitations'>;
    expect(invitations).toMatchObject([
      { title: 'Coastal Navigation, period 3', host: 'Ottoline Marsh', said: null },
    ]);
    const { guestId } = invitations[0]!;
    await guest.put('/api/invitations', { guestId, said: 'no' });
    const list = await listOf(link);
    expect(list.guests.map((one) => one.said)).toEqual(['yes', 'no', null]);
    // Another's invitation is nothing to them.
    const other = list.guests.find((one) => one.said === null)!.id;
    const stolen = await guest.put('/api/invitations', { guestId: other, said: 'yes' });
    expect(stolen.status).toBe(404);
    expect((await anybody.post(`/api/guest/${token}`, { name: 'A' })).status).toBe(200);
    expect((await anybody.put(`/api/guest/${token}/said`, { said: 'no' })).status).toBe(404);
  });
  it('is changed by one at a time: who changes an older state is told so', async () => {
    const link = await forNobody();
    const [guest] = (await invite(link, 'a@home.example')).guests;
    const change = (name: string) =>
      host.put(`/api/links/${link.id}/guests`, {
        ...{ guestId: guest!.id, version: guest!.version, name, comes: 'speaker' },
      });
    expect((await change('Ada')).status).toBe(200);
    const second = await change('Ade');
    expect(second.status).toBe(409);
    expect(second.body.current.guests).toMatchObject([{ name: 'Ada', comes: 'speaker' }]);
  });
});

describe('a guest of a series or of one date', () => {
  it('comes then, and at no other time', async () => {
    const link = await forNobody();
    const [today, tomorrow] = (await seriesAt(link)) as [Session, Session];
    const { seriesId } = today;
    await invite(link, 'now@home.example', { seriesId, key: today.key, comes: 'speaker' });
    await invite(link, 'then@home.example', { seriesId, key: tomorrow.key });
    const { guests } = await invite(link, 'all@home.example', { seriesId });
    expect(guests.map((guest) => guest.when)).toEqual([
      'on Wed 14 Oct, 10:20',
      'on Thu 15 Oct, 10:20',
      'at every date of Talks',
    ]);
    await tools.openAndBeIn(link.id);
    const [now, then, all] = [
      await comeTo(link, 'now@home.example'),
      await comeTo(link, 'then@home.example'),
      await comeTo(link, 'all@home.example'),
    ];
    expect(await decided(now, link.code)).toMatchObject({ outcome: 'enter', role: 'presenter' });
    expect(await decided(all, link.code)).toMatchObject({ role: 'participant' });
    expect(await decided(then, link.code)).toMatchObject({ outcome: 'refused' });
    expect((await tools.door(then, link.code)).invitedThen).toBe(true);
    const days = async (who: Browser) => (await who.get('/api/my-day')).body as Answer<'myDay'>;
    expect((await days(now)).doors).toHaveLength(1);
    expect((await days(then)).doors).toEqual([]);
    expect((await days(then)).next).toMatchObject({ date: '2026-10-15' });
    await tools.end(link.id);
    await school.setTime('10:31', '2026-10-15');
    await tools.openAndBeIn(link.id);
    expect(await decided(then, link.code)).toMatchObject({ role: 'participant' });
    expect(await decided(now, link.code)).toMatchObject({ outcome: 'refused' });
    await tools.end(link.id);
    await school.setTime('10:31', '2026-10-14');
  });
  it('keeps it when the series is cut, and loses it when it is taken off the books', async () => {
    const link = await forNobody();
    const dates = await seriesAt(link);
    const { seriesId, key } = dates[1]!;
    await invite(link, 'all@home.example', { seriesId });
    await invite(link, 'last@home.example', { seriesId, key: dates[2]!.key });
    const { plan, version } = dates[1]!;
    const words = { title: 'Other talks', description: '', linkId: link.id, anyway: true };
    const cut = await host.put(`/api/series/${seriesId}`, {
      ...{ ...words, plan, version, key },
      scope: 'onwards',
    });
    expect([cut.status, cut.body]).toEqual([200, cut.body]);
    const { guests } = await listOf(link);
    expect(guests.map(({ email, when }) => `${email} ${when}`).toSorted()).toEqual([
      'all@home.example at every date of Other talks',
      'all@home.example at every date of Talks',
      'last@home.example on Fri 16 Oct, 10:20',
    ]);
    const later = guests.find((guest) => guest.email === 'last@home.example')!;
    expect(later.seriesId).not.toBe(seriesId);
  });
  it('who is withdrawn from tonight is out at once, though invited to another date', async () => {
    const link = await forNobody();
    const [today, tomorrow] = (await seriesAt(link)) as [Session, Session];
    const email = 'twice@home.example';
    const { seriesId } = today;
    await invite(link, email, { seriesId, key: tomorrow.key });
    const { guests } = await invite(link, email, { seriesId, key: today.key, comes: 'speaker' });
    await tools.openAndBeIn(link.id);
    const guest = await comeTo(link, email);
    expect((await guest.post(`/api/door/${link.code}/enter`, {})).body.go).not.toBeNull();
    const guestId = guests.find((one) => one.key === today.key)!.id;
    const gone = await host.post(`/api/links/${link.id}/guests/withdraw`, { guestId });
    expect((gone.body as Guests).guests).toHaveLength(1);
    expect(await decided(guest, link.code)).toMatchObject({ reason: 'removed' });
    await tools.end(link.id);
  });

  it('who is here by another right stays, whoever else is withdrawn', async () => {
    const link = await forNobody();
    const [today, tomorrow] = (await seriesAt(link)) as [Session, Session];
    const { version } = (await host.get(`/api/links/${link.id}/rules`)).body;
    await host.put(`/api/links/${link.id}/rules`, {
      ...{ version, rules: { whoMayEnter: 'anyone', straightIn: 'everyone' } },
    });
    const { seriesId } = today;
    await invite(link, 'later@home.example', { seriesId, key: tomorrow.key });
    const { guests } = await invite(link, 'other@home.example', { seriesId, key: today.key });
    await tools.openAndBeIn(link.id);
    const guest = await comeTo(link, 'later@home.example');
    expect((await guest.post(`/api/door/${link.code}/enter`, {})).body.go).not.toBeNull();
    for (const { id: guestId } of guests)
      await host.post(`/api/links/${link.id}/guests/withdraw`, { guestId });
    expect(await decided(guest, link.code)).toMatchObject({ outcome: 'enter' });
    await tools.end(link.id);
  });
});

describe('an address to watch at', () => {
  const letWatch = async (link: LinkDetail, rules: object): Promise<void> => {
    const { version } = (await host.get(`/api/links/${link.id}/rules`)).body;
    const set = await host.put(`/api/links/${link.id}/rules`, { version, rules });
    expect(set.status).toBe(200);
  };
  const watchCode = async (link: LinkDetail): Promise<string> => {
    const made = await host.post(`/api/links/${link.id}/watch-address`, { has: true });
    expect(made.status).toBe(200);
    return (made.body as Guests).watchAddress!.split('/').at(-1)!;
  };
  it('never leads to a seat, nor to the link’s own code, whoever follows it', async () => {
    const link = await forNobody();
    await letWatch(link, { watching: true, whoMayEnter: 'anyone', straightIn: 'everyone' });
    const code = await watchCode(link);
    expect(code).not.toBe(link.code);
    await tools.openAndBeIn(link.id);
    for (const who of [null, 'Ansel Grue', 'Tomas Verhage', 'Noor Achterberg']) {
      const browser = await school.as(who);
      const door = await browser.get(`/api/door/${code}`);
      expect(door.body).toMatchObject({ code, watchesOnly: true, mayWatch: false, hosts: false });
      expect(door.body.decision).toMatchObject({ outcome: 'enter', role: 'watcher' });
      const name = who === null ? { name: 'Passer-by' } : {};
      const entered = await browser.post(`/api/door/${code}/enter`, { ...name, watchOnly: false });
      expect(entered.body.decision).toMatchObject({ role: 'watcher' });
      const how = await browser.get(`/api/door/${code}/how`);
      for (const answer of [door, entered, how])
        expect(JSON.stringify(answer.body)).not.toContain(link.code);
    }
    await tools.end(link.id);
  });
  it('leads nowhere once it is replaced or ended, and says no where nobody may watch', async () => {
    const link = await forNobody();
    const first = await watchCode(link);
    const second = await watchCode(link);
    const anybody = await school.as(null);
    expect((await anybody.get(`/api/door/${first}`)).status).toBe(404);
    await letWatch(link, { whoMayEnter: 'anyone', watching: false });
    expect(await decided(anybody, second)).toMatchObject({ reason: 'no-watching' });
    await host.post(`/api/links/${link.id}/watch-address`, { has: false });
    expect((await anybody.get(`/api/door/${second}`)).status).toBe(404);
    expect((await listOf(link)).watchAddress).toBeNull();
  });
  it('is made for guests who watch: they have no seat by the link’s own code either', async () => {
    const link = await forNobody();
    await letWatch(link, { watching: true, straightIn: 'roll', whoMayEnter: 'invited' });
    const { watchAddress } = await invite(link, 'eyes@home.example', { comes: 'watcher' });
    expect(watchAddress).toContain('/watch/');
    const token = await tokenFor(link, 'eyes@home.example');
    const to = (await (await school.as(null)).get(`/api/guest/${token}`))
      .body as Answer<'guestFor'>;
    expect(watchAddress).toContain(to.code);
    const guest = await comeTo(link, 'eyes@home.example');
    await tools.openAndBeIn(link.id);
    for (const code of [to.code, link.code])
      expect(await decided(guest, code)).toMatchObject({ outcome: 'enter', role: 'watcher' });
    const { doors } = (await guest.get('/api/my-day')).body as Answer<'myDay'>;
    expect(doors.map((door) => door.code)).toEqual([to.code]);
    await tools.end(link.id);
  });
});

describe('what a guest was invited to', () => {
  it('ends by itself some days after the last session, and leaves a number', async () => {
    const link = await forNobody();
    await seriesAt(link);
    await invite(link, 'Ulla Wend <gone@home.example>', { comes: 'speaker' });
    const guest = await comeTo(link, 'gone@home.example', 'Ulla W.');
    await tools.openAndBeIn(link.id);
    expect((await guest.post(`/api/door/${link.code}/enter`, {})).status).toBe(200);
    await tools.end(link.id);
    const { glen } = school.running;
    // The last of three days is the sixteenth.
    await school.setTime('11:00', '2026-10-30');
    await endGuests(glen);
    expect((await listOf(link)).guests).toMatchObject([{ name: 'Ulla Wend', hasEnded: false }]);
    await school.setTime('12:00', '2026-10-30');
    await endGuests(glen);
    const [kept] = (await listOf(link)).guests;
    expect(kept).toMatchObject({ hasEnded: true, comes: 'speaker' });
    expect(kept!.email).toMatch(/^guest-\d+@ended\.invalid$/);
    expect(((await guest.get('/api/me')).body as Answer<'me'>).account).toBeNull();
    const told = ['gone@home.example', 'Ulla W'];
    for (const table of ['guests', 'accounts', 'visitors', 'audit_log', 'guest_addresses']) {
      const rows = JSON.stringify(await glen.db.rows(`SELECT * FROM ${table}`));
      expect([table, told.filter((word) => rows.includes(word))]).toEqual([table, []]);
    }
    const log = (await (await school.as('Noor Achterberg')).get('/api/happened'))
      .body as Answer<'happened'>;
    expect(JSON.stringify(log)).toContain(kept!.name);
    // Asked a second time it has nothing to do.
    expect(await endGuests(glen)).toBe(0);
    await school.setTime('10:31', '2026-10-14');
  });
  it('ends with being withdrawn, too; who is more than a guest keeps their account', async () => {
    const link = await forNobody();
    const { guests } = await invite(link, 'out@home.example\nottoline@home.example');
    const guest = await comeTo(link, 'out@home.example');
    for (const { id: guestId } of guests)
      await host.post(`/api/links/${link.id}/guests/withdraw`, { guestId });
    const { glen } = school.running;
    await endGuests(glen);
    expect(((await guest.get('/api/me')).body as Answer<'me'>).account).not.toBeNull();
    await glen.db.models.Guest.update(
      { left_at: glen.clock.machine(-15 * 86400) },
      { where: { link_id: link.id } },
    );
    await endGuests(glen);
    expect(((await guest.get('/api/me')).body as Answer<'me'>).account).toBeNull();
    const { Account } = glen.db.models;
    expect(await Account.count({ where: { email: 'out@home.example' } })).toBe(0);
    expect(await Account.count({ where: { email: 'ottoline@home.example' } })).toBe(1);
  });
  it('is theirs again, with what they said, when withdrawing is taken back', async () => {
    const link = await forNobody();
    const email = 'back@home.example';
    const { guests } = await invite(link, `Bea <${email}>`, { comes: 'speaker' });
    const token = await tokenFor(link, email);
    await (await school.as(null)).put(`/api/guest/${token}/said`, { said: 'yes' });
    await host.post(`/api/links/${link.id}/guests/withdraw`, { guestId: guests[0]!.id });
    expect((await listOf(link)).guests).toEqual([]);
    const again = await invite(link, `Bea <${email}>`, { comes: 'speaker' });
    expect(again.guests).toMatchObject([{ name: 'Bea', comes: 'speaker', said: 'yes' }]);
  });
});
