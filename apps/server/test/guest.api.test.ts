import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Answer, LinkDetail } from '@glen/contract';
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

let made = 0;

/** A fresh link for guests by their addresses, some of them to speak. */
async function linkFor(emails: string[], speakers: string[] = []): Promise<LinkDetail> {
  made += 1;
  const { id } = school.classes.get('N3')!;
  const answer = await host.post(`/api/classes/${id}/links`, {
    label: `Talk ${made}`,
    purpose: 'A talk',
    kind: 'lesson',
    shown: true,
    audience: {
      ...none,
      guests: emails.map((email) => ({
        email,
        comes: speakers.includes(email) ? 'speaker' : 'inside',
      })),
    },
  });
  expect(answer.status).toBe(200);
  return answer.body as LinkDetail;
}

async function addressFor(link: LinkDetail, email: string, by = host): Promise<string> {
  const answer = await by.post(`/api/links/${link.id}/guest-address`, { email });
  expect(answer.status).toBe(200);
  return (answer.body as Answer<'guestAddress'>).address!.split('/').at(-1)!;
}

const come = (browser: Browser, token: string, name = 'Rasmus Vane') =>
  browser.post(`/api/guest/${token}`, { name });

const doorOf = async (browser: Browser, link: LinkDetail) =>
  (await browser.get(`/api/door/${link.code}`)).body as Answer<'door'>;

describe('a guest', () => {
  it('comes by a one-time address, as a home account that knows its own door and nothing else', async () => {
    const email = 'rasmus@home.example';
    const link = await linkFor([email]);
    const token = await addressFor(link, email);
    const guest = await school.as(null);
    const invited = (await guest.get(`/api/guest/${token}`)).body as Answer<'guestFor'>;
    expect(invited).toMatchObject({
      title: 'Coastal Navigation, period 3',
      host: 'Ottoline Marsh',
      email,
      code: link.code,
      signsIn: false,
    });
    const me = (await come(guest, token)).body as Answer<'me'>;
    expect(me.account).toMatchObject({ kind: 'personal', email });
    expect(me.person).toMatchObject({ name: 'Rasmus Vane', roles: ['guest'] });
    expect((await doorOf(guest, link)).decision.reason).not.toBe('not-on-roll');
    expect((await guest.get('/api/today')).status).toBe(403);
    const other = await doorOf(guest, { ...link, code: school.classes.get('W2')!.link.code });
    expect(other.decision.reason).toBe('use-school-account');
  });
  it('who speaks goes straight in, presents, and may be there before the host', async () => {
    const email = 'speaker@home.example';
    const [link, other] = [await linkFor([email], [email]), await linkFor([email])];
    const guest = await school.as(null);
    await come(guest, await addressFor(link, email));
    const decided = async (at: LinkDetail) => (await doorOf(guest, at)).decision;
    for (const one of [link, other]) await tools.openAndBeIn(one.id);
    expect(await decided(link)).toMatchObject({ outcome: 'enter', role: 'presenter' });
    expect(await decided(other)).toMatchObject({ role: 'participant' });
    // The host’s line drops, for longer than is waited for.
    await school.running.glen.db.change(
      `UPDATE visitors v JOIN sittings m ON m.id = v.sitting_id SET v.inside = 0, m.host_left_at = '2026-10-14 00:00:00' WHERE m.link_id = ${link.id}`,
    );
    expect(await decided(link)).toMatchObject({ outcome: 'enter', role: 'presenter' });
  });
  it('has the sessions of their link in their day', async () => {
    const email = 'day@home.example';
    const link = await linkFor([email]);
    const { id } = school.classes.get('N3')!;
    const session = { title: 'Knots', description: '', linkId: link.id };
    const plan = { first: '2026-10-14', at: { time: '20:00', minutes: 30 } };
    const planned = await host.post(`/api/classes/${id}/sessions`, { ...session, plan });
    expect(planned.status).toBe(200);
    const guest = await school.as(null);
    await come(guest, await addressFor(link, email));
    const { doors, classes } = (await guest.get('/api/my-day')).body as Answer<'myDay'>;
    expect(doors.map((door) => door.title)).toEqual(['Knots']);
    expect(classes).toEqual([]);
    // Weeks before an evening it is told what comes.
    await school.setTime('10:00', '2026-09-01');
    const before = (await guest.get('/api/my-day')).body as Answer<'myDay'>;
    expect(before.next).toMatchObject({ title: 'Knots', date: '2026-10-14' });
    await school.setTime('10:31');
  });
  it('may come again by a fresh address while being a guest is all that they are', async () => {
    const email = 'again@home.example';
    const link = await linkFor([email]);
    await come(await school.as(null), await addressFor(link, email));
    const phone = await school.as(null);
    const token = await addressFor(link, email);
    expect((await come(phone, token)).status).toBe(200);
    const { people } = (await host.get('/api/find?q=rasmus')).body as Answer<'find'>;
    expect(people.filter((p) => p.email === email).length).toBeLessThanOrEqual(1);
  });
});

describe('a guest’s account', () => {
  it('may be given a password once, by whoever came without one; then no host’s word opens it', async () => {
    const email = 'first@home.example';
    const link = await linkFor([email]);
    const guest = await school.as(null);
    await come(guest, await addressFor(link, email));
    const set = (next: string) => guest.post('/api/account/first-password', { next });
    const short = await set('short');
    expect([short.status, short.body.errors[0].path]).toEqual([422, 'next']);
    expect((await set('three small herrings')).status).toBe(200);
    expect((await set('four small herrings')).status).toBe(409);
    const elsewhere = await school.as(null);
    const typed = { email, password: 'three small herrings' };
    expect((await elsewhere.post('/api/sign-in', typed)).status).toBe(200);
    const thief = await school.as(null);
    expect((await come(thief, await addressFor(link, email))).status).toBe(409);
    const ansel = await school.as('Ansel Grue');
    expect((await ansel.post('/api/account/first-password', typed)).status).toBe(422);
    const taken = await ansel.post('/api/account/first-password', { next: 'three small herrings' });
    expect(taken.status).toBe(409);
  });
});

describe('a guest’s address', () => {
  it('that was used, replaced or withdrawn is worth nothing', async () => {
    const email = 'once@home.example';
    const link = await linkFor([email]);
    const first = await addressFor(link, email);
    const second = await addressFor(link, email);
    expect((await come(await school.as(null), first)).status).toBe(404);
    expect((await come(await school.as(null), second)).status).toBe(200);
    // Whoever it was forwarded to comes too late.
    expect((await come(await school.as(null), second)).status).toBe(404);
    const third = await addressFor(link, email);
    await host.put(`/api/links/${link.id}/audience`, { ...none, version: link.version });
    expect((await (await school.as(null)).get(`/api/guest/${third}`)).status).toBe(404);
    const gone = await host.post(`/api/links/${link.id}/guest-address`, { email });
    expect([gone.status, gone.body.errors[0].path]).toEqual([422, 'email']);
  });
  it('makes nobody anybody else: who has more than a guest’s account signs in with it', async () => {
    const taken = [
      'n.achterberg@merrow.example',
      'ottoline@home.example',
      'hedda.grue@home.example',
    ];
    const link = await linkFor(taken);
    for (const email of taken) {
      const token = await addressFor(link, email);
      const thief = await school.as(null);
      const to = (await thief.get(`/api/guest/${token}`)).body as Answer<'guestFor'>;
      expect([email, to.signsIn]).toEqual([email, true]);
      expect((await come(thief, token)).status).toBe(409);
      expect(((await thief.get('/api/me')).body as Answer<'me'>).account).toBeNull();
    }
  });
  it('of a guest of two teachers is no teacher’s to give', async () => {
    const email = 'shared@home.example';
    const link = await linkFor([email]);
    await come(await school.as(null), await addressFor(link, email));
    const bram = await school.as('Bram Osterholt');
    const { classes } = (await bram.get('/api/classes')).body as Answer<'classes'>;
    const own = classes.find((c) => c.mine === 'host')!;
    const audience = { ...none, guests: [{ email }] };
    const words = { label: 'Signals talk', purpose: 'A talk', kind: 'lesson', shown: true };
    const theirs = (await bram.post(`/api/classes/${own.id}/links`, { ...words, audience }))
      .body as LinkDetail;
    for (const [at, by] of [
      [link, host],
      [theirs, bram],
    ] as const)
      expect((await come(await school.as(null), await addressFor(at, email, by))).status).toBe(409);
    expect((await bram.post(`/api/links/${link.id}/guest-address`, { email })).status).toBe(403);
  });
});

describe('a guest who is withdrawn', () => {
  it('is out at once, from the room and from the lobby', async () => {
    const [inside, waiting] = ['inside@home.example', 'waiting@home.example'];
    const link = await linkFor([inside, waiting], [inside]);
    await tools.openAndBeIn(link.id);
    const guests = [await school.as(null), await school.as(null)] as const;
    await come(guests[0], await addressFor(link, inside), 'In');
    await come(guests[1], await addressFor(link, waiting), 'Waits');
    for (const guest of guests) await guest.post(`/api/door/${link.code}/enter`, {});
    const before = (await host.get(`/api/links/${link.id}/desk`)).body as Answer<'desk'>;
    expect(before.waiting.map((v) => v.name)).toEqual(['Waits']);
    const set = await host.put(`/api/links/${link.id}/audience`, {
      ...none,
      version: link.version,
    });
    expect(set.status).toBe(200);
    for (const guest of guests)
      expect((await doorOf(guest, link)).decision).toMatchObject({
        outcome: 'refused',
        reason: 'removed',
      });
  });
});
