import type { ClassItem } from '@glen/contract';
import type { Glen } from '../../glen.js';
import type { Handlers } from '../../http/mount.js';
import { isOffice } from '../../http/access.js';
import { notFound } from '../../http/problem.js';
import { linkAddress } from '../link/service.js';
import { sessionsOfClass } from '../plan/sessions.js';
import { previewCalendar, setCalendar } from './calendar.js';
import { holidaysOf } from './holidays.js';
import {
  accountsOfClass,
  classById,
  classesOf,
  markSeen,
  readCalendar,
  readSchool,
  rollOf,
  staffOf,
  type ClassRow,
} from './store.js';

export const classItem = (glen: Pick<Glen, 'config'>, row: ClassRow): ClassItem => ({
  id: row.id,
  title: row.title,
  period: row.period,
  pennant: row.pennant,
  link: {
    id: row.link_id,
    code: row.code,
    label: row.label,
    kind: row.kind,
    state: row.link_state,
    address: linkAddress(glen, row.code),
  },
  mine: row.as_what ?? (row.tutors ? 'tutor' : 'none'),
  rollSize: row.roll_size,
});

type Names =
  | 'school'
  | 'schoolCalendar'
  | 'previewCalendar'
  | 'setCalendar'
  | 'holidays'
  | 'seenNotice'
  | 'classes'
  | 'classPeriod';

export const schoolRoutes = (glen: Glen): Pick<Handlers, Names> => ({
  school: async () => (await readSchool(glen.db)).calendar,
  schoolCalendar: async ({ who }) => ({ ...(await readCalendar(glen.db)), mayEdit: isOffice(who) }),
  previewCalendar: ({ body }) => previewCalendar(glen, body),
  setCalendar: async ({ body, who }) => {
    await setCalendar(glen, who.person!, body);
    return { ...(await readCalendar(glen.db)), mayEdit: true };
  },
  holidays: ({ query }) => holidaysOf(glen, query.region),
  seenNotice: async ({ params, who }) => {
    if ((await markSeen(glen.db, params.noticeId, who.person!.id)) === 0)
      throw notFound('This notice');
    return { ok: true };
  },
  classes: async ({ who }) => {
    const all = who.person!.role === 'head' || who.person!.role === 'office';
    return {
      classes: (await classesOf(glen.db, who.person!.id, all)).map((row) => classItem(glen, row)),
    };
  },
  classPeriod: async ({ params, who }) => {
    const row = await classById(glen.db, params.classId, who.person!.id);
    if (!row) throw notFound('This class period');
    const [staff, roll, sessions, accounts] = await Promise.all([
      staffOf(glen.db, row.id),
      rollOf(glen.db, row.id),
      sessionsOfClass(glen, row.id),
      accountsOfClass(glen.db, row.id),
    ]);
    const withAccounts = <P extends { id: number }>(p: P) => ({
      ...p,
      accounts: accounts
        .filter((a) => a.person_id === p.id)
        .map(({ id, kind, email }) => ({ id, kind, email })),
    });
    return {
      class: classItem(glen, row),
      staff: staff.map(withAccounts),
      roll: roll.map(withAccounts),
      sessions: row.as_what === 'presenter' ? sessions.filter((s) => !s.draft) : sessions,
    };
  },
});
