import { z } from 'zod';
import {
  addAppointmentsBody,
  addedAppointments,
  appointmentEveningAnswer,
  appointmentGuestBody,
  appointmentGuestsBody,
  appointmentWayIn,
  appointmentsAnswer,
  changeAppointmentsBody,
  ownAppointmentsAnswer,
  setAppointmentsBody,
  wayToAppointmentBody,
} from '../appointmentSchemas.js';
import { done, idParam } from '../basics.js';
import type { EndpointName } from '../endpoints.js';
import type { Shapes } from './shapes.js';

const ofEvening = z.object({ eveningId: idParam });
const byToken = z.object({ token: z.string().max(60) });

/** Evenings at which guests see several teachers, each by appointment. */
export const appointment = {
  appointments: { answer: appointmentsAnswer },
  addAppointments: { body: addAppointmentsBody, answer: addedAppointments },
  appointmentEvening: { params: ofEvening, answer: appointmentEveningAnswer },
  setAppointments: {
    params: ofEvening,
    body: setAppointmentsBody,
    answer: appointmentEveningAnswer,
  },
  addAppointmentGuests: {
    params: ofEvening,
    body: appointmentGuestsBody,
    answer: appointmentEveningAnswer,
  },
  dropAppointmentGuest: {
    params: ofEvening,
    body: appointmentGuestBody,
    answer: appointmentEveningAnswer,
  },
  appointmentWayIn: { params: ofEvening, body: appointmentGuestBody, answer: appointmentWayIn },
  ownAppointments: { params: byToken, answer: ownAppointmentsAnswer },
  changeAppointments: {
    params: byToken,
    body: changeAppointmentsBody,
    answer: ownAppointmentsAnswer,
  },
  wayToAppointment: { params: byToken, body: wayToAppointmentBody, answer: done },
} satisfies Partial<Record<EndpointName, Shapes>>;
