import type { Answer } from '@glen/contract';
import type { Foreign, Own } from './foreignSchool.js';
import type { Browser, School } from './support.js';

/** Whose ids are one's own, and whose are foreign. */
interface Parts {
  school: School;
  host: Browser;
  office: Browser;
  own: Own;
  foreign: Foreign;
}

const FOREIGN_NOTE = {
  ...{ title: 'SECRET', words: 'SECRET', seenBy: 'everyone' as const, until: '2026-12-11' },
};

/** A note under another teacher's lesson. */
async function foreignNote({ school, foreign }: Parts): Promise<number> {
  const { seriesId, key } = foreign.series;
  const bram = await school.as('Bram Osterholt');
  const body = { ...FOREIGN_NOTE, on: key, kind: 'note' };
  const { things } = (await bram.post(`/api/series/${seriesId}/after`, body))
    .body as Answer<'addAfterLesson'>;
  return things.at(-1)!.id;
}

/** Ids that are sent about registers, absences and what is left after a lesson. The school is there once they run. */
export const probesOfRegisters = (parts: () => Parts) => ({
  'correctRegister personId': async () => {
    const { host, own, foreign } = parts();
    const { seriesId, key } = own.session;
    const said = { status: 'present', reason: 'Was there', version: null };
    const body = { ...said, on: key, personId: foreign.student.id };
    return host.post(`/api/series/${seriesId}/register/correct`, body);
  },
  'uncorrectRegister personId': async () => {
    const { host, own, foreign } = parts();
    const { seriesId, key } = own.session;
    const body = { on: key, personId: foreign.student.id, version: 1 };
    return host.post(`/api/series/${seriesId}/register/uncorrect`, body);
  },
  'addAbsence classId': () =>
    parts().host.post(`/api/people/${parts().own.student}/absences`, {
      classId: parts().foreign.class.id,
      from: '2026-10-14',
      until: '2026-10-14',
      reason: 'ill',
    }),
  'endAbsence absenceId': async () => {
    const { host, office, own, foreign } = parts();
    const body = { classId: null, from: '2026-10-14', until: '2026-10-14', reason: 'ill' };
    const answer = await office.post(`/api/people/${foreign.student.id}/absences`, body);
    const { absences } = answer.body as Answer<'addAbsence'>;
    const absenceId = absences[0]!.id;
    return host.post(`/api/people/${own.student}/absences/end`, { absenceId });
  },
  'editAfterLesson id': async () => {
    const { host, own } = parts();
    const { seriesId, key } = own.session;
    const body = { ...FOREIGN_NOTE, on: key, id: await foreignNote(parts()), version: 1 };
    return host.post(`/api/series/${seriesId}/after/edit`, body);
  },
  'removeAfterLesson id': async () => {
    const { host, own } = parts();
    const { seriesId, key } = own.session;
    const body = { on: key, id: await foreignNote(parts()), version: 1 };
    return host.post(`/api/series/${seriesId}/after/remove`, body);
  },
  'weekRegisters classId': () =>
    parts().host.get(`/api/registers?classId=${parts().foreign.class.id}`),
  'weekRegisters after': () => parts().host.get(`/api/registers?after=${parts().foreign.class.id}`),
  'weekFile classId': () =>
    parts().host.get(`/api/registers.csv?classId=${parts().foreign.class.id}`),
});
