import type { Glen } from '../../glen.js';
import type { Handlers } from '../../http/mount.js';
import { copySeries } from './copy.js';
import { addSession, changeSessions, editSession } from './edit.js';
import { sessionOfSeries } from './sessions.js';
import { bookingsFor, stripFor } from './strip.js';
import { takeBackChange } from './takeBack.js';
import { todayFor } from './today.js';

type Names =
  | 'today'
  | 'session'
  | 'strip'
  | 'bookings'
  | 'addSession'
  | 'editSession'
  | 'changeSessions'
  | 'takeBackChange'
  | 'copySeries';

export const planRoutes = (glen: Glen): Pick<Handlers, Names> => ({
  today: ({ who }) => todayFor(glen, who.person!.id),
  session: async ({ params, query }) => ({
    session: await sessionOfSeries(glen, params.seriesId, query.on),
  }),
  strip: ({ query, who }) => stripFor(glen, who.person!.id, query),
  bookings: ({ params, query, who }) => bookingsFor(glen, params.classId, who.person!.id, query),
  addSession: ({ params, body, who }) => addSession(glen, params.classId, who.person!.id, body),
  editSession: ({ params, body, who }) => editSession(glen, params.seriesId, who.person!.id, body),
  changeSessions: ({ body, who }) => changeSessions(glen, who.person!.id, body),
  takeBackChange: ({ body, who }) => takeBackChange(glen, who.person!.id, body),
  copySeries: ({ params, body, who }) => copySeries(glen, params.seriesId, who.person!.id, body),
});
