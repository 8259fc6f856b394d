import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import type { Answer, DeskVisitor, LinkDetail } from '@glen/contract';
import { linkTools, none, type LinkTools } from './linkTools.js';
import { Browser, startSchool, type School } from './support.js';

// Out means out: about the person, whatever they come with; and a way in that was given is worth nothing then.

let school: School;
let host: Browser;
let tools: LinkTools;
beforeAll(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
  tools = linkTools(school, host);
});
afterAll(() => school.stop());

const DATE = '2027-05-04';
let link: LinkDetail;
let times = 0;
/** Each test has a door of its own, to which anybody may come straight in, with a host inside. */
beforeEach(async () => {
  await school.setTime('12:01', DATE);
  link = await tools.make('N3', {
    label: `Evening ${(times += 1)}`,
    kind: 'event',
    audience: { ...none, personIds: [school.person('Ansel Grue').id] },
  });
  await open();
});

async function open(): Promise<void> {
  ruled = {};
  await rule({ whoMayEnter: 'anyone', straightIn: 'everyone', watching: false });
  await tools.openAndBeIn(link.id);
}

let ruled = {};
async function rule(more: object): Promise<void> {
  ruled = { ...ruled, ...more };
  const { version } = (await host.get(`/api/links/${link.id}/rules`)).body;
  const answer = await host.put(`/api/links/${link.id}/rules`, { version, rules: ruled });
  expect(answer.status).toBe(200);
}

const enter = (browser: Browser, body: object = {}): Promise<Answer<'enterDoor'>> =>
  browser.post(`/api/door/${link.code}/enter`, body).then(({ body: answer }) => answer);
const desk = (by = host): Promise<Answer<'desk'>> =>
  by.get(`/api/links/${link.id}/desk`).then(({ body }) => body);
const everyone = ({ waiting, coming, inside, away }: Answer<'desk'>): DeskVisitor[] => [
  ...waiting,
  ...coming,
  ...inside,
  ...away,
];
const named = async (name: string): Promise<DeskVisitor> =>
  everyone(await desk()).find((v) => v.name === name)!;
const putOut = async (name: string): Promise<void> => {
  const { id } = await named(name);
  expect((await host.post(`/api/visitors/${id}/put-out`)).status).toBe(200);
};
/** What the room answers whoever brings their way in. */
const bring = async (go: string | null): Promise<number> =>
  (await fetch(go!, { redirect: 'manual' })).status;
const reasonFor = async (browser: Browser): Promise<string> =>
  (await tools.door(browser, link.code)).decision.reason;

describe('a way in', () => {
  it('is good once', async () => {
    const { go } = await enter(await school.as('Ansel Grue'));
    expect(await bring(go)).toBe(303);
    expect(await bring(go)).toBe(403);
  });

  it('is worth nothing once there is a later one, though with another account', async () => {
    const ansel = await school.as('Ansel Grue');
    const first = await enter(ansel);
    const second = await enter(ansel);
    const third = await enter(await school.as('Ansel Grue', 'personal'));
    expect(await bring(first.go)).toBe(403);
    expect(await bring(second.go)).toBe(403);
    expect(await bring(third.go)).toBe(303);
  });

  it('is worth nothing once its bearer has been put out', async () => {
    const { go } = await enter(await school.as('Ansel Grue'));
    await putOut('Ansel Grue');
    expect(await bring(go)).toBe(403);
  });

  it('is worth nothing once the session has ended', async () => {
    const { go } = await enter(await school.as('Ansel Grue'));
    await tools.end(link.id);
    expect(await bring(go)).toBe(403);
  });

  it('is worth nothing after a sign-out or a change of account', async () => {
    const ansel = await school.as('Ansel Grue');
    const first = await enter(ansel);
    await ansel.post('/api/sign-out');
    expect(await bring(first.go)).toBe(403);
    const both = await school.as('Ansel Grue');
    const accounts = school.person('Ansel Grue').accounts;
    await both.post('/api/demo/sign-in', { accountId: accounts.at(-1)!.id });
    const second = await enter(both);
    await both.post('/api/switch-account', { accountId: accounts[0]!.id });
    expect(await bring(second.go)).toBe(403);
  });

  it('is nobody’s to ask about but the video service’s', async () => {
    const body = { room: 'g1-1', visitor: '1', ticket: 'x' };
    expect((await host.post('/api/webhooks/video/ticket', body)).status).toBe(401);
  });
});

describe('being put out', () => {
  it('is about the person, whatever account they use, in that browser also without one', async () => {
    const atSchool = await school.as('Ansel Grue');
    const atHome = await school.as('Ansel Grue', 'personal');
    await enter(atSchool);
    await enter(atHome);
    await putOut('Ansel Grue');
    expect(everyone(await desk()).map((v) => v.state)).not.toContain('waiting');
    expect((await desk()).away).toHaveLength(2);
    for (const browser of [atSchool, atHome]) {
      expect(await reasonFor(browser)).toBe('removed');
      expect((await enter(browser)).go).toBeNull();
    }
    const elsewhere = await school.as('Ansel Grue', 'personal');
    expect(await reasonFor(elsewhere)).toBe('removed');
    await atSchool.post('/api/sign-out');
    expect((await enter(atSchool, { name: 'Somebody else' })).decision.reason).toBe('removed');
  });

  it('of somebody without an account is about the browser, and about the name from that network', async () => {
    const own = new Browser(school.url);
    await enter(own, { name: 'Malo Kerr' });
    await putOut('Malo Kerr');
    expect(await reasonFor(own)).toBe('removed');
    expect((await enter(own, { name: 'Another' })).decision.reason).toBe('removed');
    const other = new Browser(school.url);
    expect((await enter(other, { name: ' MALO  kérr' })).decision.reason).toBe('removed');
    expect((await enter(new Browser(school.url), { name: 'Malo Kern' })).go).not.toBeNull();
  });

  it('ends with being let back, for all that they come with', async () => {
    const atSchool = await school.as('Ansel Grue');
    const atHome = await school.as('Ansel Grue', 'personal');
    await enter(atSchool);
    await enter(atHome);
    await putOut('Ansel Grue');
    const { id } = await named('Ansel Grue');
    expect((await host.post(`/api/visitors/${id}/let-back`)).status).toBe(200);
    for (const browser of [atSchool, atHome])
      expect((await enter(browser)).decision.outcome).toBe('enter');
  });

  it('ends presenting for a while', async () => {
    await rule({ presenters: 'hosts' });
    const ansel = await school.as('Ansel Grue');
    await enter(ansel);
    const { id } = await named('Ansel Grue');
    expect((await host.post(`/api/visitors/${id}/present`, { presents: true })).status).toBe(200);
    await putOut('Ansel Grue');
    await host.post(`/api/visitors/${id}/let-back`);
    expect((await enter(ansel)).decision.role).toBe('participant');
  });
});

describe('a host for a while', () => {
  let signe: Browser;
  beforeEach(async () => {
    await rule({ presenters: 'named' });
    signe = await school.as('Signe Aalto');
    const personId = school.person('Signe Aalto').id;
    const handed = await host.post(`/api/links/${link.id}/hand-over`, { personId, leave: false });
    expect(handed.status).toBe(200);
    expect((await enter(signe)).decision.role).toBe('host');
  });

  it('puts out none of the link’s own hosts', async () => {
    const { id } = await named('Ottoline Marsh');
    expect((await signe.post(`/api/visitors/${id}/put-out`)).status).toBe(403);
    expect((await named('Ottoline Marsh')).state).toBe('let-in');
    expect((await signe.get(`/api/links/${link.id}/desk`)).status).toBe(200);
  });

  it('who is put out reads just that, at the door and at the desk', async () => {
    await putOut('Signe Aalto');
    expect(await reasonFor(signe)).toBe('removed');
    for (const answer of [
      await signe.get(`/api/links/${link.id}/desk`),
      await signe.post(`/api/links/${link.id}/open`),
    ]) {
      expect(answer.status).toBe(403);
      expect(answer.text).not.toContain('stopped');
    }
  });
});

describe('strangers at a lobby', () => {
  beforeEach(async () => {
    await rule({ straightIn: 'hosts' });
    await school.running.glen.db.models.Failure.destroy({ where: {} });
  });

  const knock = (name: string) =>
    new Browser(school.url).post(`/api/door/${link.code}/enter`, { name });
  /** As if a minute had passed. */
  const laterOn = () => school.running.glen.db.models.Failure.destroy({ where: {} });

  it('knock five times a minute from one network, and twenty of them wait', async () => {
    const answers: number[] = [];
    for (let i = 0; i < 7; i++) answers.push((await knock(`Guest ${i}`)).status);
    expect(answers).toEqual([200, 200, 200, 200, 200, 429, 429]);
    for (let i = 7; i < 22; i++) {
      await laterOn();
      expect((await knock(`Guest ${i}`)).status).toBe(200);
    }
    await laterOn();
    expect((await knock('One too many')).status).toBe(429);
    const { strangers, waiting } = await desk();
    expect(waiting).toHaveLength(20);
    expect(strangers).toEqual({ areMany: true, areAsked: false });
  });

  it('keep out nobody with an account, and keep their own place', async () => {
    const first = new Browser(school.url);
    expect((await enter(first, { name: 'First' })).decision.outcome).toBe('lobby');
    for (let i = 0; i < 6; i++) await knock(`Guest ${i}`);
    expect((await enter(await school.as('Hedda Grue', 'personal'))).decision.outcome).toBe('lobby');
    expect((await enter(first, { name: 'First' })).decision.outcome).toBe('lobby');
  });

  it('are asked for an account at one press, for the rest of the session', async () => {
    const stranger = new Browser(school.url);
    await enter(stranger, { name: 'A stranger' });
    expect((await host.post(`/api/links/${link.id}/ask-for-account`)).status).toBe(200);
    expect((await desk()).waiting).toEqual([]);
    expect((await desk()).strangers.areAsked).toBe(true);
    expect(await reasonFor(stranger)).toBe('sign-in');
    expect((await enter(await school.as('Hedda Grue', 'personal'))).decision.outcome).toBe('lobby');
  });

  it('are not limited where there is no lobby', async () => {
    await rule({ straightIn: 'everyone' });
    for (let i = 0; i < 8; i++) expect((await knock(`Guest ${i}`)).status).toBe(200);
  });
});

describe('a name at a door', () => {
  it('is taken without what cannot be seen, and said to be nobody’s proof', async () => {
    const stranger = new Browser(school.url);
    const { go } = await enter(stranger, { name: '  \u202eOttoline\u0007   MARSH ' });
    const visitor = await named('Ottoline MARSH');
    expect([visitor.account, visitor.notProven]).toEqual(['none', true]);
    const page = await fetch(go!, { redirect: 'manual' });
    const cookie = page.headers.getSetCookie()[0]!.split(';')[0]!;
    const room = new URL(go!).pathname.split('/').at(-1)!;
    const state = await fetch(`${school.video}/room/${room}/state`, {
      headers: { Cookie: cookie },
    });
    expect(await state.text()).toContain('Ottoline MARSH (not signed in, not proven)');
  });

  it('of somebody on the roll is not proven, either; of others only not signed in', async () => {
    await enter(new Browser(school.url), { name: 'ansel grue' });
    expect((await named('ansel grue')).notProven).toBe(true);
    await enter(new Browser(school.url), { name: 'Malo Kerr' });
    expect((await named('Malo Kerr')).notProven).toBe(false);
    await enter(await school.as('Ansel Grue'));
    expect((await named('Ansel Grue')).notProven).toBe(false);
  });

  it('of nothing that can be seen is none', async () => {
    const answer = await new Browser(school.url).post(`/api/door/${link.code}/enter`, {
      name: '\u200e \u2066',
    });
    expect([answer.status, answer.body.errors[0].path]).toEqual([422, 'name']);
  });
});
