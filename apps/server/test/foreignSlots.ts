import { USUAL_SLOTS } from '@glen/core';
import type { Foreign, Own } from './foreignSchool.js';
import type { Browser, School } from './support.js';

/** Whose ids are one's own, and whose are foreign. */
interface Parts {
  school: School;
  host: Browser;
  own: Own;
  foreign: Foreign;
}

/** The lessons of a class period of one's own, cut into slots. */
async function ownSlots({ host, own }: Parts): Promise<{ seriesId: number; key: string }> {
  const { seriesId, key } = own.session;
  await host.post(`/api/series/${seriesId}/slots`, { version: null, ways: USUAL_SLOTS });
  return { seriesId, key };
}

/** As a student at the door of their class period. */
const signingUp = async ({ school, own }: Parts, what: string, body: object) =>
  (await school.as('Ansel Grue')).post(`/api/sign-up/${own.n3.link.code}${what}`, body);

/** Ids of sign-ups, sessions, groups and people that are sent where slots are taken and given. The school is there once they run. */
export const probesOfSlots = (parts: () => Parts) => ({
  'signUpFor personId': async () => {
    const { seriesId, key } = await ownSlots(parts());
    const body = { personId: parts().foreign.student.id, on: key, nth: 0, about: 'SECRET' };
    return parts().host.post(`/api/series/${seriesId}/slots/for`, body);
  },
  // Of another series, whose sign-ups the demo has.
  'dropTheirSlot id': async () => {
    const { seriesId } = await ownSlots(parts());
    return parts().host.post(`/api/series/${seriesId}/slots/drop`, { id: 1, version: 1 });
  },
  'signUp seriesId': async () => {
    const { seriesId, key } = parts().foreign.series;
    return signingUp(parts(), '', { seriesId, on: key, nth: 0 });
  },
  'signUp groupId': async () => {
    const { seriesId, key } = await ownSlots(parts());
    return signingUp(parts(), '', { seriesId, on: key, nth: 0, groupId: parts().foreign.group.id });
  },
  'changeSignUp id': async () => {
    const { seriesId, key } = await ownSlots(parts());
    return signingUp(parts(), '/change', { id: 2, version: 1, seriesId, on: key, nth: 0 });
  },
  'changeSignUp seriesId': async () => {
    const { seriesId, key } = parts().foreign.series;
    return signingUp(parts(), '/change', { id: 1, version: 1, seriesId, on: key, nth: 0 });
  },
  'dropSignUp id': () => signingUp(parts(), '/drop', { id: 2, version: 1 }),
});
