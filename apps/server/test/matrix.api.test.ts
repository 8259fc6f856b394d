import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import {
  ON_BEHALF,
  endpointNames,
  endpoints,
  type Answer,
  type EndpointName,
  type Post,
} from '@glen/contract';
import { studentName } from '../../../demo/school.js';
import { byPhone } from '../src/features/link/byPhone.js';
import { createApp } from '../src/app.js';
import supertest from 'supertest';
import { Browser, startSchool, until, type School } from './support.js';

const ROLES = {
  nobody: null,
  'student on the roll': 'Ansel Grue',
  'student of another class': studentName(60),
  parent: 'Hedda Grue',
  'teacher of another class': 'Bram Osterholt',
  'visiting teacher': 'Signe Aalto',
  'co-teacher': 'Tomas Verhage',
  'covering teacher': 'Idris Kellaway',
  'helper of the host': 'Bram Osterholt',
  host: 'Ottoline Marsh',
  head: 'Noor Achterberg',
  office: 'Perpetua Lund',
  guest: 'guest@home.example',
  'guest who watches': 'watcher@home.example',
} as const;
type Role = keyof typeof ROLES;

/** Guests of the link, by their addresses, and how they come. */
const COMES: Partial<Record<Role, 'inside' | 'watcher'>> = {
  guest: 'inside',
  'guest who watches': 'watcher',
};

/** They ask on behalf of the host, who lets them schedule, post and prepare. */
const HELPER: Role = 'helper of the host';
const ANOTHERS: Role = 'teacher of another class';

const everyone = Object.keys(ROLES) as Role[];
const signedIn = everyone.filter((role) => role !== 'nobody');
const teachers: Role[] = [
  'teacher of another class',
  'visiting teacher',
  'co-teacher',
  'covering teacher',
  'host',
  'head',
  'office',
];
const hosts: Role[] = ['co-teacher', 'covering teacher', 'host'];
const readers: Role[] = ['visiting teacher', ...hosts, 'head', 'office'];
const office: Role[] = ['head', 'office'];
const keepers: Role[] = [...hosts, ...office];
/** What outlasts a cover is not for whoever covers. */
const lastingHosts = hosts.filter((role) => role !== 'covering teacher');
const lastingKeepers: Role[] = [...lastingHosts, ...office];

/** Who may call what, written apart from the contract's table: a new endpoint does not compile until it is named here. */
// Roles beside endpoints, a line for each family.
// prettier-ignore
const MAY: Record<EndpointName, Role[]> = {
  me: everyone, signIn: everyone, signOut: everyone, switchAccount: signedIn, live: everyone, openapi: everyone,
  passwordFor: everyone, setPassword: everyone,
  guestFor: everyone, comeAsGuest: everyone, sayAsGuest: everyone, invitations: signedIn, answerInvitation: signedIn,
  guestAddress: hosts, guests: hosts, addGuests: hosts, editGuest: hosts, withdrawGuest: hosts, setWatchAddress: hosts,
  passkeySignInOptions: everyone, passkeySignIn: everyone, passkeys: signedIn, passkeyOptions: signedIn, addPasskey: signedIn, renamePasskey: signedIn, removePasskey: signedIn, confirmOptions: signedIn, confirm: signedIn,
  beginSignOn: everyone, signOnBack: everyone, signedOutThere: [], signInWays: office, setSignInWays: office, endSignOn: signedIn, endTheirSignOn: office,
  aboutSchool: teachers, previewZone: office, setAboutSchool: office,
  addClass: teachers, editClass: keepers, setStaff: lastingKeepers, copyClass: lastingHosts, putAwayFacts: keepers, putAwayClass: lastingKeepers, bringBackClass: keepers, knockUntilRoll: keepers,
  previewRoll: keepers, addToRoll: keepers, takeOffRoll: keepers, rollTouched: keepers, rollLeft: keepers, bringBackToRoll: keepers, moveOnRoll: keepers, passwordAddresses: keepers,
  people: office, addPerson: office, person: keepers, editPerson: office, addAccount: office, removeAccount: office, wayIn: keepers, retireFacts: office, hosted: office, handOverAll: teachers, retirePerson: office, bringBackPerson: office,
  mergeFacts: office, mergePeople: office, setGuardians: keepers, happened: office, ownAccount: signedIn, setOwnAccount: signedIn, ownSessions: signedIn, endOwnSession: signedIn, signOutEverywhere: signedIn, changePassword: signedIn, firstPassword: signedIn, changeAddress: signedIn,
  moveIn: everyone, keepMoveIn: everyone, moveInHolidays: everyone, finishMoveIn: everyone,
  demoPeople: everyone, demoSignIn: everyone, demoClock: everyone,
  myDay: signedIn, find: teachers,
  school: teachers, today: teachers, classes: teachers, classPeriod: readers,
  schoolCalendar: teachers, previewCalendar: office, setCalendar: office, holidays: office, seenNotice: signedIn, words: signedIn, letterStop: everyone, setLetterStop: everyone, lately: teachers, noteLately: teachers, takenBack: teachers, feeds: signedIn, switchOffFeed: signedIn, replaceFeed: signedIn, setFeedAlarm: signedIn, newsFeed: everyone, calendarFeed: everyone, seriesFile: readers,
  appointments: teachers, addAppointments: teachers, appointmentEvening: teachers, setAppointments: teachers, addAppointmentGuests: teachers, dropAppointmentGuest: teachers, appointmentWayIn: teachers, ownAppointments: everyone, changeAppointments: everyone, wayToAppointment: everyone,
  strip: teachers, bookings: readers, freeTimes: teachers, polls: teachers, programme: hosts, setProgramme: hosts, shiftProgramme: hosts, doorProgramme: everyone, addPoll: hosts, stopPoll: hosts, choosing: everyone, choose: everyone, changeSessions: teachers, takeBackChange: teachers, copySeries: hosts,
  addSession: hosts, session: readers, editSession: hosts,
  rules: readers, setRules: hosts, posts: readers, addPost: hosts, editPost: hosts, withdrawPost: hosts, restorePost: hosts, retryPost: hosts,
  reach: readers, reachOfDay: teachers, headings: readers, orderItems: hosts, studentSees: readers, allPosts: teachers, previewPost: hosts, postNow: hosts, postHistory: readers, coursePage: readers, placementForms: readers, placementLetter: hosts, placementAction: hosts, lookAtSite: hosts,
  invitation: readers, tryDoor: readers,
  register: keepers, correctRegister: hosts, uncorrectRegister: hosts, settleRegister: hosts, weekRegisters: teachers, weekFile: teachers, registerWays: teachers, setRegisterWays: office, personTerm: keepers, ownTerm: signedIn, classTerm: keepers, absences: keepers, addAbsence: keepers, endAbsence: keepers,
  links: teachers, classLinks: readers, unreached: hosts, link: readers, linkPlaces: readers, addLink: hosts, editLink: hosts, setAudience: hosts, orderLinks: hosts, replaceLink: hosts, takeBackReplacing: hosts, stopLink: hosts, reopenLink: hosts,
  setRoom: hosts, lookAtRoom: hosts, shareLink: lastingHosts, unshareLink: hosts, addPresenter: hosts, removePresenter: hosts, presenting: readers, helping: teachers, allowHelp: teachers, endHelp: teachers, covers: teachers, tryCover: teachers, addCover: teachers, endCover: teachers, groups: readers, setGroups: keepers, hostPresence: hosts,
  schoolRules: teachers, setSchoolRules: office, ownRules: teachers, setOwnRules: teachers, linkRules: readers, setLinkRules: hosts, seriesRules: readers, setSeriesRules: hosts,
  desk: hosts, openDoor: hosts, closeRoom: hosts, extendSession: hosts, handOver: hosts, bringIn: hosts, letPresent: hosts, muteVisitor: hosts, letShare: hosts, muteAll: hosts, letAllShare: hosts, setChime: hosts, sayWho: hosts, letAllIn: hosts, letIn: hosts, turnAway: hosts, putOut: hosts, letBack: hosts, askForAccount: hosts,
  afterLesson: keepers, addAfterLesson: hosts, editAfterLesson: hosts, removeAfterLesson: hosts, doorAfterLessons: everyone, recording: everyone,
  seriesSlots: hosts, setSlots: hosts, signUpFor: hosts, dropTheirSlot: hosts, signUps: everyone, signUp: signedIn, changeSignUp: signedIn, dropSignUp: signedIn,
  deskCheckIn: hosts, openCheckIn: hosts, endCheckIn: hosts, checkIn: everyone, findCheckIn: everyone, giveCheckIn: everyone,
  door: everyone, howTo: everyone, enterDoor: everyone,
  videoEvent: [], takeTicket: [], phoneCall: [],
};

let school: School;
const browsers = new Map<Role, Browser>();
const ids: Record<string, string> = {};

beforeAll(async () => {
  school = await startSchool();
  const n3 = school.classes.get('N3')!;
  const host = await school.as('Ottoline Marsh');
  for (const [role, comes] of Object.entries(COMES))
    await host.post(`/api/links/${n3.link.id}/guests`, { text: ROLES[role as Role], comes });
  const [absentId, coveringId] = [ROLES.host, ROLES['covering teacher']].map(
    (name) => school.person(name).id,
  );
  const today = { first: '2026-10-14', last: '2026-10-14', anyway: true };
  await host.post('/api/covers', { absentId, coveringId, ...today });
  const helperId = school.person(ROLES[HELPER]!).id;
  await host.post('/api/helping', { helperId, schedules: true, posts: true, prepares: true });
  for (const role of everyone) browsers.set(role, await browserOf(role));
  await host.post(`/api/links/${n3.link.id}/open`);
  const pupil = await school.as('Birgit Tideman');
  // The host's browser is in the room as soon as the video service says so.
  await school.running.glen.db.change(
    'UPDATE visitors v JOIN sittings m ON m.id = v.sitting_id SET v.inside = 1 WHERE m.ended_at IS NULL',
  );
  await pupil.post(`/api/door/${n3.link.code}/enter`);
  const desk = (await host.get(`/api/links/${n3.link.id}/desk`)).body;
  const session = (await host.get(`/api/classes/${n3.id}`)).body.sessions[0];
  const post = await until(
    async () => (await host.get(`/api/classes/${n3.id}/posts`)).body.posts[0] as Post,
    (p) => p.deliveries[0]!.placementId !== null,
  );
  Object.assign(ids, {
    classId: n3.id,
    linkId: n3.link.id,
    // A student of that class period.
    personId: school.person('Ansel Grue').id,
    seriesId: session.seriesId,
    postId: post.id,
    placementId: post.deliveries[0]!.placementId,
    visitorId: desk.waiting[0].id,
    coverId: 999999,
    helpId: 999999,
    eveningId: 999999,
    code: n3.link.code,
    noticeId: 1,
    sessionId: 999999,
    latelyId: 999999,
    signOnId: 999999,
    passkeyId: 999999,
    provider: 'school',
    token: 'x',
  });
});
afterAll(() => school.stop());

/** Comes by a one-time address, as often as it takes. */
async function asGuest(email: string): Promise<Browser> {
  const host = await school.as('Ottoline Marsh');
  const { link } = school.classes.get('N3')!;
  const answer = await host.post(`/api/links/${link.id}/guest-address`, { email });
  const guest = await school.as(null);
  const token = (answer.body as Answer<'guestAddress'>).address!.split('/').at(-1)!;
  expect((await guest.post(`/api/guest/${token}`, { name: email })).status).toBe(200);
  return guest;
}

const browserOf = async (role: Role): Promise<Browser> => {
  const browser = await plainBrowserOf(role);
  if (role !== HELPER) return browser;
  return browser.with({ [ON_BEHALF]: String(school.person(ROLES.host).id) });
};

const plainBrowserOf = (role: Role): Promise<Browser> =>
  role in COMES
    ? asGuest(ROLES[role]!)
    : school.as(ROLES[role], role === 'parent' ? 'personal' : 'school');

/** What a helper does as the host does it. All else they read as themselves, and do not do; but what is anybody's own. */
// prettier-ignore
const HELPED: EndpointName[] = [
  'today', 'classes', 'classPeriod', 'strip', 'bookings', 'freeTimes', 'session', 'find', 'rules', 'linkRules', 'seriesRules', 'ownRules', 'invitation', 'tryDoor',
  'posts', 'allPosts', 'postHistory', 'headings', 'coursePage', 'placementForms', 'placementLetter', 'reach', 'reachOfDay', 'studentSees',
  'register', 'links', 'classLinks', 'unreached', 'link', 'linkPlaces', 'groups', 'presenting', 'guests',
  'addSession', 'editSession', 'changeSessions', 'takeBackChange', 'copySeries',
  'addPost', 'editPost', 'withdrawPost', 'restorePost', 'retryPost', 'postNow', 'previewPost', 'placementAction', 'orderItems', 'lookAtSite',
  'setRules', 'setLinkRules', 'setSeriesRules', 'addLink', 'editLink', 'orderLinks', 'setRoom', 'lookAtRoom', 'addPresenter', 'removePresenter',
];
const OWN: EndpointName[] = ['noteLately', 'takenBack'];

function may(name: EndpointName, role: Role): boolean {
  if (role !== HELPER) return MAY[name].includes(role);
  if (HELPED.includes(name)) return MAY[name].includes('host');
  const { method, who } = endpoints[name];
  const isOwn =
    method === 'GET' ||
    who === 'anyone' ||
    who === 'signed-in' ||
    who === 'demo' ||
    who === 'service';
  return (isOwn || OWN.includes(name)) && MAY[name].includes(ANOTHERS);
}

const isOfService = (name: EndpointName): boolean => endpoints[name].who === 'service';

/** They would end the role for the rest of the walk. */
const SIGNS_OUT: EndpointName[] = ['signOut', 'signOutEverywhere'];

/** Calls with an empty body: whoever may call is told that the body is wrong, whoever may not is told that first. */
async function call(
  name: EndpointName,
  browser: Browser,
  params: (key: string) => unknown = (key) => ids[key],
): Promise<number> {
  const { method, path } = endpoints[name];
  const address = path.replace(/:(\w+)/g, (_, key: string) => String(params(key)));
  if (name === 'live') {
    const stop = new AbortController();
    const response = await fetch(`${school.url}${address}`, { signal: stop.signal });
    stop.abort();
    return response.status;
  }
  const call = {
    GET: () => browser.get(address),
    PUT: () => browser.put(address, {}),
    POST: () => browser.post(address, {}),
  };
  return (await call[method]()).status;
}

describe('who may call what', () => {
  for (const name of endpointNames) {
    it(`${name}: ${endpoints[name].does}`, async () => {
      for (const role of everyone) {
        const signsOut = SIGNS_OUT.includes(name);
        // They are one person with another role, and out with them.
        if (signsOut && role === HELPER) browsers.set(role, await browserOf(role));
        const status = await call(name, browsers.get(role)!);
        if (signsOut) for (const out of [role, ANOTHERS]) browsers.set(out, await browserOf(out));
        const refused = status === 401 || status === 403;
        expect({ role, refused, status }).toEqual({
          role,
          refused: isOfService(name) ? status === 401 : !may(name, role),
          status,
        });
        const isUnknown = role === 'nobody' || isOfService(name);
        if (refused) expect({ role, status }).toEqual({ role, status: isUnknown ? 401 : 403 });
        expect(status).toBeLessThan(500);
      }
    });
  }
});

describe('a caller, who has a number and a pin', () => {
  it('gets nowhere by it but to the telephone', async () => {
    const { id, code } = school.classes.get('N3')!.link;
    const link = { id, code, room_address: null };
    const { pin } = byPhone(school.running.glen, link, { phone: 'straight-in' })!;
    const caller = new Browser(school.url);
    for (const name of endpointNames.filter((n) => endpoints[n].path.includes('/:'))) {
      const status = await call(name, caller, () => pin.replaceAll(' ', ''));
      expect([401, 404, 422], `${name}: ${status}`).toContain(status);
    }
    expect((await caller.post('/api/webhooks/video/call', { pin })).status).not.toBe(200);
  });
});

describe('where a school runs Glen', () => {
  it('the demo’s routes do not exist', async () => {
    const app = createApp({
      ...school.running.glen,
      config: { ...school.running.glen.config, demo: false },
    });
    for (const name of endpointNames.filter((n) => endpoints[n].who === 'demo')) {
      const { method, path } = endpoints[name];
      const request =
        method === 'GET'
          ? supertest(app).get(path)
          : supertest(app)
              .post(path)
              .set('Origin', school.url)
              .send({ accountId: 1, to: 'next-bell' });
      expect((await request).status).toBe(404);
    }
  });
});

describe('the OpenAPI document', () => {
  it('describes every endpoint once, with references that lead somewhere', async () => {
    const { body } = await browsers.get('nobody')!.get('/api/openapi.json');
    expect(body.openapi).toBe('3.1.0');
    const operations = Object.values(
      body.paths as Record<
        string,
        Record<string, { operationId: string; parameters: { in: string; name: string }[] }>
      >,
    ).flatMap((p) => Object.values(p));
    expect(operations.map((o) => o.operationId).sort()).toEqual([...endpointNames].sort());
    for (const [path, methods] of Object.entries(body.paths as Record<string, object>)) {
      for (const name of path.match(/\{(\w+)\}/g) ?? [])
        expect(JSON.stringify(methods)).toContain(`"name":"${name.slice(1, -1)}","in":"path"`);
    }
    for (const [, ref] of JSON.stringify(body).matchAll(/"\$ref":"([^"]+)"/g)) {
      expect(
        ref!
          .split('/')
          .slice(1)
          .reduce<unknown>((at, key) => (at as Record<string, unknown>)[key], body),
      ).toBeDefined();
    }
  });
});
