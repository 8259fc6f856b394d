import ical, { type VEvent } from 'node-ical';
import { createTransport } from 'nodemailer';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Answer, LinkDetail } from '@glen/contract';
import { linkTools, none, type LinkTools } from './linkTools.js';
import { allGathered, mailTrouble, mailsCome, mailsFor, type Came } from './mailTools.js';
import { changeDate, startSchool, until, type Browser, type School } from './support.js';

// What guests' calendars are told by letters (RFC 5546), and what comes back by mail.

let school: School;
let host: Browser;
let tools: LinkTools;
let link: LinkDetail;
let seriesId: number;
const RASMUS = 'rasmus@home.example';

beforeEach(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
  tools = linkTools(school, host);
  link = await tools.make('N3', { audience: none });
  const plan = {
    first: '2026-11-02',
    at: { time: '16:00', minutes: 60 },
    repeat: { every: 'week', times: 3 },
  };
  const body = { title: 'Pilot talks', description: '', linkId: link.id, plan, anyway: true };
  const made = await host.post(`/api/classes/${tools.of('N3').id}/sessions`, body);
  expect([made.status, made.body]).toEqual([200, made.body]);
  seriesId = (await sessions())[0]!.seriesId;
});
afterEach(() => school.stop());

async function sessions() {
  const page = (await host.get(`/api/classes/${tools.of('N3').id}`)).body;
  return (page as Answer<'classPeriod'>).sessions.filter((one) => one.title === 'Pilot talks');
}

async function invite(dates: object = { seriesId }): Promise<void> {
  const guests = { text: `Rasmus Vane <${RASMUS}>`, comes: 'inside', ...dates };
  expect((await host.post(`/api/links/${link.id}/guests`, guests)).status).toBe(200);
  await host.post(`/api/links/${link.id}/guest-address`, { email: RASMUS, by: 'mail' });
}

/** What a letter tells calendars, read by a library that did not write it. */
function told(letter: Came): { method: string; ics: string; event: VEvent } {
  const part = letter.attachments.find((one) => one.contentType === 'text/calendar')!;
  const ics = part.content.toString('utf8').replace(/\r\n[ \t]/g, '');
  const event = Object.values(ical.sync.parseICS(ics)).find(
    (c): c is VEvent => c?.type === 'VEVENT',
  )!;
  const method = /^METHOD:(.+?)\r?$/m.exec(ics)![1]!;
  // The part says the same as its content (RFC 6047 §2.4).
  expect(letter.source).toMatch(new RegExp(`text/calendar; charset=utf-8;\\s*method=${method}`));
  return { method, ics, event };
}

const sequenceOf = ({ ics }: { ics: string }): number => Number(/^SEQUENCE:(\d+)/m.exec(ics)![1]);

describe('an invitation', () => {
  it('asks the guest’s calendar, by their address, to keep all its dates', async () => {
    await invite();
    const [letter] = await mailsCome(school, RASMUS, 1);
    const { method, event, ics } = told(letter!);
    expect(method).toBe('REQUEST');
    expect(event).toMatchObject({
      uid: `series-${seriesId}@${new URL(school.url).host}`,
      summary: 'Pilot talks',
      attendee: { val: `mailto:${RASMUS}` },
      organizer: { params: { CN: 'Ottoline Marsh' } },
    });
    expect(ics).toContain('RRULE:FREQ=WEEKLY');
    expect(ics).not.toContain('/guest/');
  });
  it('tells of a change under the same UID with a higher SEQUENCE, once for all that was changed', async () => {
    await invite();
    const first = told((await mailsCome(school, RASMUS, 1))[0]!);
    await changeDate(host, (await sessions())[0]!, { kind: 'cancel' });
    await changeDate(host, (await sessions())[1]!, {
      kind: 'move',
      date: '2026-11-10',
      time: '17:00',
      minutes: 60,
    });
    await allGathered(school);
    const [letter] = await mailsCome(school, RASMUS, 2);
    expect(letter!.subject).toBe('Changed: Pilot talks');
    expect(letter!.text).toContain('Tue 10 Nov, 17:00');
    const second = told(letter!);
    expect(second.method).toBe('REQUEST');
    expect(second.event.uid).toBe(first.event.uid);
    expect(sequenceOf(second)).toBeGreaterThan(sequenceOf(first));
    await allGathered(school);
    expect(await mailsFor(school, RASMUS)).toHaveLength(2);
  });
  it('is taken back where all is cancelled, and given anew where it is held after all', async () => {
    const [, date] = await sessions();
    await invite({ seriesId, key: date!.key });
    await mailsCome(school, RASMUS, 1);
    await changeDate(host, date!, { kind: 'cancel' });
    await allGathered(school);
    const [cancel] = await mailsCome(school, RASMUS, 2);
    expect(cancel!.subject).toBe('Cancelled: Pilot talks');
    expect(told(cancel!)).toMatchObject({ method: 'CANCEL', event: { status: 'CANCELLED' } });
    await changeDate(host, (await sessions())[1]!, { kind: 'restore' });
    await allGathered(school);
    const [again] = await mailsCome(school, RASMUS, 3);
    expect(told(again!)).toMatchObject({ method: 'REQUEST', event: { status: 'CONFIRMED' } });
  });
  it('is taken back from whoever is invited no longer', async () => {
    await invite();
    const { guests } = (await host.get(`/api/links/${link.id}/guests`)).body as Answer<'guests'>;
    await host.post(`/api/links/${link.id}/guests/withdraw`, { guestId: guests[0]!.id });
    await allGathered(school);
    const [letter] = await mailsCome(school, RASMUS, 2);
    expect(letter!.subject).toBe('Not expected any more: Pilot talks');
    expect(told(letter!).method).toBe('CANCEL');
    await allGathered(school);
    expect(await mailsFor(school, RASMUS)).toHaveLength(2);
  });
  it('tells whoever only watches no address that leads to a seat', async () => {
    const guests = { text: RASMUS, comes: 'watcher', seriesId };
    const { body } = await host.post(`/api/links/${link.id}/guests`, guests);
    await host.post(`/api/links/${link.id}/guest-address`, { email: RASMUS, by: 'mail' });
    const [letter] = await mailsCome(school, RASMUS, 1);
    const { ics } = told(letter!);
    expect(ics).toContain((body as Answer<'guests'>).watchAddress);
    expect(ics).not.toContain(link.code);
  });
  it('says nothing more to whoever will not come', async () => {
    await invite();
    await mailsCome(school, RASMUS, 1);
    await answerAs('DECLINED');
    await until(saidBy, (said) => said === 'no');
    await changeDate(host, (await sessions())[0]!, { kind: 'cancel' });
    await allGathered(school);
    expect(await mailsFor(school, RASMUS)).toHaveLength(1);
  });
});

const saidBy = async (): Promise<string | null> =>
  ((await host.get(`/api/links/${link.id}/guests`)).body as Answer<'guests'>).guests[0]!.said;

/** What the guest's calendar answers to the last letter. */
async function answerAs(partstat: string): Promise<void> {
  const box = await (await fetch(`${school.mail}/boxes/${encodeURIComponent(RASMUS)}`)).text();
  const [, id] = /\/mails\/(\d+)/.exec(box)!;
  const answer = await fetch(`${school.mail}/mails/${id}/answer`, {
    method: 'POST',
    body: new URLSearchParams({ partstat }),
    redirect: 'manual',
  });
  expect(answer.status).toBe(303);
}

/** Sends something to an address that Glen takes mail for. */
function sendBack(to: string, { ics, from = RASMUS }: { ics: string; from?: string }) {
  const { host: at, port } = school.running.glen.config.mailIn!;
  return createTransport({ host: at, port }).sendMail({
    envelope: { from, to },
    text: 'An answer',
    alternatives: [{ contentType: 'text/calendar; method=REPLY', content: ics }],
  });
}

/** An answer of somebody's own making to the last letter's invitation. */
async function answerOf(change: (ics: string) => string): Promise<{ to: string; ics: string }> {
  const [letter] = await mailsCome(school, RASMUS, 1);
  const { ics } = told(letter!);
  const [, to] = /^ORGANIZER.*?:mailto:(.+?)\r?$/m.exec(ics)!;
  const line = (name: string): string => new RegExp(`^${name}.*?$`, 'm').exec(ics)![0].trim();
  const reply = [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'METHOD:REPLY',
    'BEGIN:VEVENT',
    line('UID'),
    line('SEQUENCE'),
    'DTSTAMP:20261014T133200Z',
    `ATTENDEE;PARTSTAT=ACCEPTED:mailto:${RASMUS}`,
    'END:VEVENT',
    'END:VCALENDAR',
    '',
  ].join('\r\n');
  return { to: to!, ics: change(reply) };
}

describe('what a calendar answers', () => {
  it('stands on the guest list', async () => {
    await invite();
    await mailsCome(school, RASMUS, 1);
    await answerAs('ACCEPTED');
    await until(saidBy, (said) => said === 'yes');
  });
  it.each([
    ['for somebody else', (ics: string) => ics.replace(RASMUS, 'else@home.example')],
    ['to another invitation', (ics: string) => ics.replace(/^UID:.*$/m, 'UID:other')],
    ['to one that was not sent yet', (ics: string) => ics.replace(/^SEQUENCE.*$/m, 'SEQUENCE:99')],
    [
      'at no time of the world',
      (ics: string) => ics.replace(/^DTSTAMP.*$/m, 'DTSTAMP:20261014T133200'),
    ],
    ['with no calendar in it', () => 'Coming!'],
  ])('is passed over %s', async (_, change) => {
    await invite();
    const { to, ics } = await answerOf(change);
    await sendBack(to, { ics });
    expect(await saidBy()).toBeNull();
  });
  it('counts by when it was given, not by when it comes', async () => {
    await invite();
    const { to, ics } = await answerOf((reply) => reply);
    await sendBack(to, { ics });
    const earlier = ics.replace('T133200Z', 'T120000Z').replace('ACCEPTED', 'DECLINED');
    await sendBack(to, { ics: earlier });
    expect(await saidBy()).toBe('yes');
  });
});

describe('mail that comes in', () => {
  it('is taken for addresses that Glen made alone', async () => {
    await invite();
    const { to, ics } = await answerOf((reply) => reply);
    const forged = [
      to.replace(/-[\da-f]{32}@/, `-${'0'.repeat(32)}@`),
      to.replace('answer-', 'report-'),
      to.replace(/@.*/, '@elsewhere.example'),
      'office@back.merrow.example',
    ];
    for (const other of forged)
      await expect(sendBack(other, { ics })).rejects.toMatchObject({ responseCode: 550 });
    expect(await saidBy()).toBeNull();
    // Mail services may write an address in capitals.
    await sendBack(to.toUpperCase(), { ics });
    expect(await saidBy()).toBe('yes');
  });
  it('is refused where it is too long', async () => {
    await invite();
    const { to, ics } = await answerOf((reply) => reply);
    await expect(sendBack(to, { ics: `${ics}${'X'.repeat(3_000_000)}` })).rejects.toMatchObject({
      responseCode: 552,
    });
  });
});

describe('a letter that was taken and failed', () => {
  const refused = async (): Promise<string | null> =>
    ((await host.get(`/api/links/${link.id}/guests`)).body as Answer<'guests'>).guests[0]!.refused;

  it('is told at the guest’s name', async () => {
    await mailTrouble(school, 'bounce');
    await invite();
    const why = await until(refused, (said) => said !== null);
    expect(why).toBe('The mail came back: 550 5.1.1 This mailbox was given up');
  });
  it('is no failure where it is only late', async () => {
    await mailTrouble(school, 'slow');
    await invite();
    await mailsCome(school, RASMUS, 1);
    expect(await refused()).toBeNull();
  });
});
