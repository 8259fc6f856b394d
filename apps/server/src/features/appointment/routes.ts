import type { Glen } from '../../glen.js';
import type { Handlers } from '../../http/mount.js';
import { changeAppointments, readOwn, sendWayIn } from './change.js';
import { describeAll } from './describe.js';
import {
  addGuests,
  passOnWayIn,
  planAppointments,
  readEvening,
  removeGuest,
  setAppointments,
} from './plan.js';

export const appointmentRoutes = (glen: Glen) =>
  ({
    appointments: ({ who }) => describeAll(glen, who),
    addAppointments: ({ who, body }) => planAppointments(glen, who, body),
    appointmentEvening: ({ params, who }) => readEvening(glen, { ...params, who }),
    setAppointments: ({ params, who, body }) => setAppointments(glen, { ...params, who }, body),
    addAppointmentGuests: ({ params, who, body }) => addGuests(glen, { ...params, who }, body),
    dropAppointmentGuest: ({ params, who, body }) => removeGuest(glen, { ...params, who }, body),
    appointmentWayIn: ({ params, who, body }) => passOnWayIn(glen, { ...params, who }, body),
    ownAppointments: ({ params }) => readOwn(glen, params.token),
    changeAppointments: ({ params, body }) => changeAppointments(glen, params.token, body),
    wayToAppointment: ({ params, body }) => sendWayIn(glen, params.token, body),
  }) satisfies Partial<Handlers>;
