import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Response } from 'supertest';
import { endpoints, type EndpointName, type Post } from '@glen/contract';
import { DEMO_PASSWORD } from '../../../demo/school.js';
import { fields, type Field } from './idsInSchemas.js';
import { probesOfAppointments } from './foreignAppointments.js';
import { probesOfRegisters } from './foreignRegisters.js';
import { findOwn, makeForeign, type Foreign, type Own } from './foreignSchool.js';
import { probesOfSlots } from './foreignSlots.js';
import { probesOfTimes } from './foreignTimes.js';
import { none } from './linkTools.js';
import { startSchool, type Browser, type School } from './support.js';

/*
 * Beside the matrix of who may call what: every id that can arrive in a body or query, sent by somebody who may call
 * but may not have that thing. Everything foreign bears the word SECRET, so that one look at the answer shows a leak.
 */

let school: School;
let host: Browser;
let office: Browser;
let own: Own;
let foreign: Foreign;

beforeAll(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
  office = await school.as('Perpetua Lund');
  foreign = await makeForeign(school, host);
  own = await findOwn(school, host);
});
afterAll(() => school.stop());

const idOf = (name: string): number => school.person(name).id;
const handingOver = async (classId: number, toId: number) => {
  const path = `/api/people/${idOf('Ottoline Marsh')}`;
  const { version } = (await host.get(`${path}/hosted`)).body;
  return host.post(`${path}/hand-over`, { version, classes: [{ classId, toId }] });
};
const coverOf = (absentId: number, coveringId: number) => ({
  ...{ absentId, coveringId, first: '2026-10-14', last: '2026-10-14' },
});
const place = (more: object) => ({
  places: [{ classId: own.n3.id, kind: 'stream', ...more }],
  words: '{title} {address} {entryCode}',
  linkWords: 'Join {title}',
});
const foreignPlaces = {
  'places[].id': () => place({ id: foreign.post.places[0]!.id }),
  'places[].classId': () => place({ classId: foreign.class.id }),
  'places[].linkId': () => place({ linkId: foreign.link.id }),
  'places[].readers.groupId': () => place({ readers: { groupId: foreign.group.id } }),
};
type PlacePath = keyof typeof foreignPlaces;
const probesOfPlaces = <N extends EndpointName>(
  name: N,
  send: (body: object) => Promise<Response>,
): Record<`${N} ${PlacePath}`, () => Promise<Response>> =>
  Object.fromEntries(
    Object.entries(foreignPlaces).map(([path, body]) => [`${name} ${path}`, () => send(body())]),
  ) as Record<`${N} ${PlacePath}`, () => Promise<Response>>;
const audience = (more: object) => ({ ...none, classIds: [own.n3.id], ...more });
const newLink = (more: object): Promise<Response> =>
  host.post(`/api/classes/${own.n3.id}/links`, {
    label: 'Another',
    purpose: 'Talks',
    kind: 'lesson',
    shown: true,
    audience: audience(more),
  });
const setAudience = (more: object): Promise<Response> =>
  host.put(`/api/links/${own.link.id}/audience`, { version: own.link.version, ...audience(more) });
const newSession = (more: object): Promise<Response> =>
  host.post(`/api/classes/${own.n3.id}/sessions`, {
    title: 'Ours',
    description: '',
    plan: { first: '2026-12-01', at: { time: '16:00', minutes: 30 } },
    ...more,
  });
const editSession = (more: object): Promise<Response> =>
  host.put(`/api/series/${own.session.seriesId}`, {
    title: own.session.title,
    description: own.session.description,
    plan: own.session.plan,
    version: 999,
    ...more,
  });
const setGroups = async (group: object): Promise<Response> => {
  const { version } = (await host.get(`/api/classes/${own.r5.id}/groups`)).body;
  return host.put(`/api/classes/${own.r5.id}/groups`, {
    version,
    groups: [{ name: 'Ours', tutorId: null, members: [], ...group }],
  });
};
const share = (more: object): Promise<Response> =>
  host.post(`/api/links/${own.link.id}/share`, {
    classId: own.r5.id,
    ownDoor: 'leads',
    ...more,
  });

const moveOnRoll = (more: object): Promise<Response> =>
  host.post(`/api/classes/${own.n3.id}/roll/move`, {
    personIds: [own.student],
    toClassId: own.r5.id,
    ...more,
  });

/** A stranger at the door of our evening for everybody, as the desk sees them. */
async function strangerAtOurs(): Promise<number> {
  const { link } = school.classes.get('HE')!;
  await host.post(`/api/links/${link.id}/open`, { anyway: true });
  // The host's browser is in the room as soon as the video service says so.
  await school.running.glen.db.change(
    'UPDATE visitors v JOIN sittings m ON m.id = v.sitting_id SET v.inside = 1 WHERE m.ended_at IS NULL',
  );
  const entered = await (
    await school.as(null)
  ).post(`/api/door/${link.code}/enter`, { name: 'A stranger' });
  expect(entered.body.decision.outcome).toBe('enter');
  const { inside, coming, waiting } = (await host.get(`/api/links/${link.id}/desk`)).body;
  return [...inside, ...coming, ...waiting].find((v) => v.name === 'A stranger').id;
}

/**
 * How each id is sent as somebody else's. Those in `OPEN` may be anybody's: any teacher finds everyone of the school by
 * name, and the demo's one click is for everyone.
 */
const PROBES: Record<string, () => Promise<Response>> = {
  'switchAccount accountId': () =>
    host.post('/api/switch-account', { accountId: foreign.student.accountId }),
  'replaceFeed classId': () => host.post('/api/feeds', { classId: foreign.class.id }),
  'switchOffFeed classId': () => host.post('/api/feeds/off', { classId: foreign.class.id }),
  'setFeedAlarm classId': () =>
    host.post('/api/feeds/alarm', { classId: foreign.class.id, minutes: 5 }),
  'bookings except': () =>
    host.get(
      `/api/classes/${own.n3.id}/bookings?from=2026-10-14&to=2026-10-20&except=${foreign.series.seriesId}`,
    ),
  'bookings link': () =>
    host.get(
      `/api/classes/${own.n3.id}/bookings?from=2026-10-14&to=2026-10-20&link=${foreign.link.id}`,
    ),
  'addSession linkId': () => newSession({ linkId: foreign.link.id }),
  'addSession together[]': () => newSession({ together: [foreign.class.id] }),
  'editSession linkId': () => editSession({ linkId: foreign.link.id }),
  'editSession together[]': () => editSession({ together: [foreign.class.id] }),
  'changeSessions changes[].seriesId': () =>
    host.post('/api/sessions/change', {
      changes: [
        {
          seriesId: foreign.series.seriesId,
          version: 1,
          key: foreign.series.key,
          scope: 'one',
          change: { kind: 'cancel' },
        },
      ],
    }),
  'takeBackChange touched[].seriesId': () =>
    host.post('/api/sessions/take-back', {
      touched: [{ seriesId: foreign.series.seriesId, version: 1 }],
    }),
  'copySeries classIds[]': () =>
    host.post(`/api/series/${own.session.seriesId}/copy`, { classIds: [foreign.class.id] }),
  'addLink audience.classIds[]': () => newLink({ classIds: [foreign.class.id] }),
  'addLink audience.groupIds[]': () => newLink({ groupIds: [foreign.group.id] }),
  'addLink audience.hostIds[]': () => newLink({ hostIds: [foreign.student.id] }),
  'setAudience classIds[]': () => setAudience({ classIds: [foreign.class.id] }),
  'setAudience groupIds[]': () => setAudience({ groupIds: [foreign.group.id] }),
  'setAudience hostIds[]': () => setAudience({ hostIds: [foreign.student.id] }),
  'addPresenter personId': () =>
    host.post(`/api/links/${own.link.id}/presenters`, { personId: foreign.student.id }),
  'addPresenter seriesId': () =>
    host.post(`/api/links/${own.link.id}/presenters`, {
      personId: school.person('Idris Kellaway').id,
      seriesId: foreign.series.seriesId,
    }),
  'addCover absentId': () =>
    host.post('/api/covers', {
      ...coverOf(idOf('Bram Osterholt'), idOf('Idris Kellaway')),
      anyway: true,
    }),
  'addCover coveringId': () =>
    host.post('/api/covers', coverOf(idOf('Ottoline Marsh'), foreign.student.id)),
  'tryCover absentId': () =>
    host.post('/api/covers/try', coverOf(idOf('Bram Osterholt'), idOf('Idris Kellaway'))),
  'tryCover coveringId': () =>
    host.post('/api/covers/try', coverOf(idOf('Ottoline Marsh'), foreign.student.id)),
  'allowHelp helperId': () =>
    host.post('/api/helping', {
      ...{ helperId: foreign.student.id, schedules: true, posts: false, prepares: false },
    }),
  'handOverAll classes[].classId': () => handingOver(foreign.class.id, idOf('Tomas Verhage')),
  'handOverAll classes[].toId': () => handingOver(own.n3.id, foreign.student.id),
  'removePresenter presenterId': () =>
    host.post(`/api/links/${own.link.id}/presenters/remove`, { presenterId: foreign.presenter }),
  'addGuests seriesId': () =>
    host.post(`/api/links/${own.link.id}/guests`, {
      text: 'guest@home.example',
      comes: 'inside',
      seriesId: foreign.series.seriesId,
    }),
  'editGuest guestId': () =>
    host.put(`/api/links/${own.link.id}/guests`, {
      guestId: foreign.guest,
      version: 1,
      name: 'Mine',
      comes: 'inside',
    }),
  'withdrawGuest guestId': () =>
    host.post(`/api/links/${own.link.id}/guests/withdraw`, { guestId: foreign.guest }),
  'answerInvitation guestId': () =>
    host.put('/api/invitations', { guestId: foreign.guest, said: 'yes' }),
  'orderLinks order[]': () =>
    host.put(`/api/classes/${own.n3.id}/links/order`, { order: [foreign.link.id] }),
  'orderItems order[]': () =>
    host.put(`/api/classes/${own.n3.id}/headings/order`, { order: [foreign.post.places[0]!.id] }),
  'shareLink classId': () => share({ classId: foreign.class.id }),
  'shareLink seriesId': () => share({ seriesId: foreign.series.seriesId }),
  'unshareLink shareId': () =>
    host.post(`/api/links/${own.link.id}/unshare`, { shareId: foreign.share }),
  'setGroups groups[].id': () => setGroups({ id: foreign.group.id }),
  'setGroups groups[].tutorId': () => setGroups({ tutorId: foreign.student.id }),
  'setGroups groups[].members[]': () => setGroups({ members: [foreign.student.id] }),
  'takeOffRoll personIds[]': () =>
    host.post(`/api/classes/${own.n3.id}/roll/take-off`, { personIds: [foreign.student.id] }),
  'passwordAddresses personIds[]': () =>
    host.post(`/api/classes/${own.n3.id}/password-addresses`, {
      personIds: [foreign.student.id],
    }),
  'setStaff staff[].personId': () =>
    host.put(`/api/classes/${own.n3.id}/staff`, {
      version: 1,
      staff: [{ personId: foreign.student.id, as: 'host' }],
    }),
  'studentSees personId': () =>
    host.get(`/api/classes/${own.n3.id}/student-sees?personId=${foreign.student.id}`),
  'postNow occurrenceId': () =>
    host.post(`/api/posts/${own.post.id}/now`, { occurrenceId: foreign.series.id }),
  'handOver personId': () =>
    host.post(`/api/links/${own.n3.link.id}/hand-over`, {
      personId: foreign.student.id,
      leave: false,
    }),
  ...probesOfPlaces('previewPost', (body) =>
    host.post(`/api/classes/${own.n3.id}/posts/preview`, body),
  ),
  'rollTouched personId': () =>
    host.get(`/api/classes/${own.n3.id}/roll/touched?personId=${foreign.student.id}`),
  'bringBackToRoll personIds[]': () =>
    host.post(`/api/classes/${own.n3.id}/roll/bring-back`, { personIds: [foreign.student.id] }),
  'moveOnRoll personIds[]': () => moveOnRoll({ personIds: [foreign.student.id] }),
  'moveOnRoll toClassId': () => moveOnRoll({ toClassId: foreign.class.id }),
  'removeAccount accountId': () =>
    office.post(`/api/people/${own.student}/accounts/remove`, {
      version: 1,
      accountId: foreign.student.accountId,
    }),
  'wayIn accountId': () =>
    host.post(`/api/people/${own.student}/way-in`, { accountId: foreign.student.accountId }),
  'setGuardians guardians[].personId': () =>
    host.put(`/api/people/${own.student}/guardians`, {
      version: 1,
      guardians: [{ personId: foreign.student.id }],
    }),
  'sayWho personId': async () => {
    const visitorId = await strangerAtOurs();
    return host.post(`/api/visitors/${visitorId}/who`, { personId: foreign.student.id });
  },
  ...probesOfRegisters(() => ({ school, host, office, own, foreign })),
  ...probesOfSlots(() => ({ school, host, own, foreign })),
  'endCheckIn checkInId': () =>
    host.post(`/api/links/${own.n3.link.id}/check-in/end`, { checkInId: 1 }),
  'changeAddress accountId': () =>
    host.post('/api/account/address', {
      accountId: foreign.student.accountId,
      email: 'mine@merrow.example',
      now: DEMO_PASSWORD,
    }),
  ...probesOfAppointments(() => ({ school, host, own, foreign })),
  ...probesOfTimes(() => ({ school, host, own, foreign })),
  ...probesOfPlaces('addPost', (body) => host.post(`/api/classes/${own.n3.id}/posts`, body)),
  ...probesOfPlaces('editPost', (body) =>
    host.put(`/api/posts/${own.post.id}`, { ...body, version: own.post.version }),
  ),
};

const OPEN: Field[] = [
  'demoSignIn accountId',
  'addLink audience.personIds[]',
  'addSession freshFor[]',
  'editSession freshFor[]',
  'setAudience personIds[]',
  'tryDoor accountId',
  'bringIn personId',
  'addToRoll people[].personId',
  // The office looks after everybody.
  'happened before',
  'happened person',
  'mergeFacts other',
  'mergePeople otherId',
  'people after',
  'setSignInWays rules[].classIds[]',
  // Everybody's plan shows every class period; this says where in their order to go on.
  'strip after',
];

/** Those that are answered, without the foreign thing having any part in it. */
const ANSWERED: Field[] = [
  'bookings except',
  'weekRegisters classId',
  'weekRegisters after',
  'weekFile classId',
  'previewPost places[].id',
  'previewPost places[].classId',
  'previewPost places[].linkId',
  'previewPost places[].readers.groupId',
  // A place's id counts only with its own post; sent with another it makes a new place.
  'addPost places[].id',
  'editPost places[].id',
];

describe('ids in bodies and queries', () => {
  it('are all named here', () => {
    expect([...Object.keys(PROBES), ...OPEN].sort()).toEqual(fields);
  });

  for (const field of fields.filter((f) => !OPEN.includes(f))) {
    const name = field.split(' ')[0] as EndpointName;
    it(`${field}: ${endpoints[name].does}`, async () => {
      const { status, body } = await PROBES[field]!();
      expect(status).toBeLessThan(500);
      if (ANSWERED.includes(field)) expect(status).toBe(200);
      else expect([403, 404, 409, 422]).toContain(status);
      const answer = JSON.stringify(body);
      expect(answer).not.toContain('SECRET');
      expect(answer).not.toContain(foreign.link.code);
    });
  }

  it('change nothing of what is foreign', async () => {
    const bram = await school.as('Bram Osterholt');
    const { posts } = (await bram.get(`/api/classes/${foreign.class.id}/posts`)).body;
    expect(posts.find((p: Post) => p.id === foreign.post.id)).toMatchObject({
      words: 'SECRET words {entryCode}',
      version: foreign.post.version,
    });
    const { session } = (await bram.get(`/api/series/${foreign.series.seriesId}`)).body;
    expect(session).toMatchObject({ version: 1, status: 'planned' });
    const { groups } = (await bram.get(`/api/classes/${foreign.class.id}/groups`)).body;
    expect(groups[0]).toMatchObject({ id: foreign.group.id, name: 'SECRET crew' });
  });
});
