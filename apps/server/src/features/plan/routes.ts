import type { Glen } from '../../glen.js';
import type { Handlers } from '../../http/mount.js';
import { describeSeriesRules } from '../entry/describe.js';
import { aboutSchool, previewZone, setAboutSchool } from './aboutSchool.js';
import { previewCalendar, setCalendar } from './calendar.js';
import { describeClass } from './classPeriod.js';
import { copySeries } from './copy.js';
import { addSession } from './addSession.js';
import { changeSessions } from './changeSessions.js';
import { editSession } from './editSession.js';
import { invitationFor } from './invitation.js';
import { seriesLayers, setSeriesRules } from './seriesRules.js';
import { sessionOfSeries } from './sessions.js';
import { bookingsFor } from './bookings.js';
import { stripFor } from './strip.js';
import { takeBackChange } from './takeBack.js';

export const planRoutes = (glen: Glen) =>
  ({
    previewCalendar: ({ body }) => previewCalendar(glen, body),
    setCalendar: ({ body, who }) => setCalendar(glen, who.person!, body),
    aboutSchool: ({ who }) => aboutSchool(glen, who),
    previewZone: ({ body }) => previewZone(glen, body),
    setAboutSchool: ({ body, who }) => setAboutSchool(glen, who, body),
    classPeriod: ({ params, who }) => describeClass(glen, params.classId, who.person!.id),
    strip: ({ query, who }) => stripFor(glen, who.person!.id, query),
    bookings: ({ params, query, who }) => bookingsFor(glen, params.classId, who.person!.id, query),
    invitation: ({ params, who }) => invitationFor(glen, params.linkId, who.person!.id),
    session: async ({ params, query, who }) => ({
      session: await sessionOfSeries(
        glen,
        { seriesId: params.seriesId, key: query.on },
        who.person!.id,
      ),
    }),
    addSession: ({ params, body, who }) => addSession(glen, params.classId, who.person!.id, body),
    editSession: ({ params, body, who }) =>
      editSession(glen, params.seriesId, who.person!.id, body),
    changeSessions: ({ body, who }) => changeSessions(glen, who.person!.id, body),
    takeBackChange: ({ body, who }) => takeBackChange(glen, who.person!.id, body),
    copySeries: ({ params, body, who }) => copySeries(glen, params.seriesId, who.person!.id, body),
    seriesRules: async ({ params, query, who }) =>
      describeSeriesRules(glen, await seriesLayers(glen, params.seriesId), query.on, who),
    setSeriesRules: ({ params, body, who }) => setSeriesRules(glen, params.seriesId, who, body),
  }) satisfies Partial<Handlers>;
