import type { Answer } from '@glen/contract';
import type { Own } from './foreignSchool.js';
import type { Browser, School } from './support.js';

const TIMES = ['2026-10-15T14:40:00Z', '2026-10-15T15:40:00Z'];

/** Whose ids are one's own, and whose are foreign. */
interface Parts {
  school: School;
  host: Browser;
  own: Own;
  foreign: { class: { id: number } };
}

const offer = (by: Browser, classId: number, personIds: number[] = []) =>
  by.post(`/api/classes/${classId}/polls`, {
    title: 'SECRET talk',
    minutes: 30,
    times: TIMES,
    personIds,
    guests: 'SECRET@home.example',
    closes: { date: '2026-10-15', time: '09:00' },
  });

/** Another teacher, and times that they offer. */
async function foreignOffer({ school, foreign }: Parts) {
  const bram = await school.as('Bram Osterholt');
  return { bram, offered: (await offer(bram, foreign.class.id)).body as Answer<'addPoll'> };
}

/** Ids of people, offers and times that are sent where times are asked about and offered. The school is there once they run. */
export const probesOfTimes = (parts: () => Parts) => ({
  // About a student whom the other teacher does not teach.
  'freeTimes must[]': () => freeTimesWith(parts(), 'must'),
  'freeTimes may[]': () => freeTimesWith(parts(), 'may'),
  'addPoll personIds[]': async () => {
    const { school, foreign } = parts();
    const bram = await school.as('Bram Osterholt');
    return offer(bram, foreign.class.id, [school.person('Ansel Grue').id]);
  },
  'stopPoll id': async () => {
    const { host, own } = parts();
    const { offered } = await foreignOffer(parts());
    const { id, version } = offered.polls[0]!;
    return host.post(`/api/classes/${own.n3.id}/polls/stop`, { id, version });
  },
  'choose timeIds[]': async () => {
    const { host, own } = parts();
    const { offered } = await foreignOffer(parts());
    const { addresses } = (await offer(host, own.n3.id)).body as Answer<'addPoll'>;
    const path = `/api/choose/${addresses[0]!.address.split('/').at(-1)!}`;
    return host.post(path, { version: 1, timeIds: [offered.polls[0]!.times[0]!.id] });
  },
});

const freeTimesWith = async ({ school }: Parts, list: 'must' | 'may') =>
  (await school.as('Bram Osterholt')).post('/api/free-times', {
    must: [],
    may: [],
    from: '2026-10-15',
    to: '2026-10-16',
    hours: { from: '09:00', to: '15:00' },
    days: 'school',
    minutes: 30,
    bells: true,
    [list]: [school.person('Ansel Grue').id],
  });
