import type { Glen } from '../../glen.js';
import { isOffice } from '../../http/access.js';
import type { Handlers } from '../../http/mount.js';
import { notFound } from '../../http/problem.js';
import { classItem } from './classItem.js';
import { holidaysOf } from './holidays.js';
import { classesOf, classesPutAway, type ClassRow } from './classes.sql.js';
import { markSeen, readCalendar, readSchool } from './store.js';

export const schoolRoutes = (glen: Glen) =>
  ({
    school: async () => (await readSchool(glen.db)).calendar,
    schoolCalendar: async ({ who }) => ({
      ...(await readCalendar(glen.db)),
      mayEdit: isOffice(who),
    }),
    holidays: ({ query }) => holidaysOf(glen, query.region),
    seenNotice: async ({ params, who }) => {
      if (!(await markSeen(glen.db, params.noticeId, who.person!.id)))
        throw notFound('This notice');
      return { ok: true };
    },
    classes: async ({ who }) => {
      const [rows, away] = await Promise.all(
        [classesOf, classesPutAway].map((of) => of(glen.db, who.person!.id, isOffice(who))),
      );
      const items = (some: ClassRow[] = []) => some.map((row) => classItem(glen, row));
      return { classes: items(rows), putAway: items(away) };
    },
  }) satisfies Partial<Handlers>;
