import type { Answer } from '@glen/contract';
import type { Own } from './foreignSchool.js';
import type { Browser, School } from './support.js';

/** Whose ids are one's own, and whose are foreign. */
interface Parts {
  school: School;
  host: Browser;
  own: Own;
  foreign: { class: { id: number } };
}

type Host = { personId: number; classId: number };

const plan = (by: Browser, host: Host, word = 'Own') =>
  by.post('/api/appointments', {
    title: `${word} evening`,
    ...{ date: '2026-10-22', time: '18:00', minutes: 60 },
    slots: { minutes: 10, gap: 2, breakEvery: 0, breakMinutes: 0 },
    hosts: [host],
    guests: `${word}@home.example`,
  });

/** An evening of somebody's own, with its one guest and where that guest chooses. */
async function eveningOf(by: Browser, host: Host, word?: string) {
  const { id } = (await plan(by, host, word)).body as Answer<'addAppointments'>;
  const evening = (await by.get(`/api/appointments/${id}`)).body as Answer<'appointmentEvening'>;
  const guest = evening.guests[0]!;
  const path = `/api/own-appointments/${guest.address.split('/').at(-1)!}`;
  return { id, guest, path, seriesId: evening.hosts[0]!.seriesId };
}

async function both({ school, host, own, foreign }: Parts) {
  const me = { personId: school.person('Ottoline Marsh').id, classId: own.n3.id };
  const bram = { personId: school.person('Bram Osterholt').id, classId: foreign.class.id };
  const another = await school.as('Bram Osterholt');
  return {
    mine: await eveningOf(host, me),
    theirs: await eveningOf(another, bram, 'SECRET'),
    me,
    bram,
  };
}

/** Ids that are sent where evenings by appointment are planned and chosen from. The school is there once they run. */
export const probesOfAppointments = (parts: () => Parts) => ({
  'addAppointments hosts[].personId': async () => {
    const { me, bram } = await both(parts());
    return plan(parts().host, { ...me, personId: bram.personId });
  },
  'addAppointments hosts[].classId': async () => {
    const { me, bram } = await both(parts());
    return plan(parts().host, { ...me, classId: bram.classId });
  },
  'dropAppointmentGuest guestId': async () => {
    const { mine, theirs } = await both(parts());
    const path = `/api/appointments/${mine.id}/guests/drop`;
    return parts().host.post(path, { guestId: theirs.guest.id });
  },
  'appointmentWayIn guestId': async () => {
    const { mine, theirs } = await both(parts());
    const path = `/api/appointments/${mine.id}/way-in`;
    return parts().host.post(path, { guestId: theirs.guest.id });
  },
  'changeAppointments take[].seriesId': async () => {
    const { mine, theirs } = await both(parts());
    const take = [{ seriesId: theirs.seriesId, nth: 0 }];
    return parts().host.post(mine.path, { version: 1, take, drop: [] });
  },
  'changeAppointments drop[]': async () => {
    const { mine, theirs } = await both(parts());
    const take = [{ seriesId: theirs.seriesId, nth: 0 }];
    const taken = await parts().host.post(theirs.path, { version: 1, take, drop: [] });
    const [appointment] = (taken.body as Answer<'ownAppointments'>).mine;
    return parts().host.post(mine.path, { version: 1, take: [], drop: [appointment!.id] });
  },
  'wayToAppointment seriesId': async () => {
    const { mine, theirs } = await both(parts());
    return parts().host.post(`${mine.path}/way-in`, { seriesId: theirs.seriesId });
  },
});
