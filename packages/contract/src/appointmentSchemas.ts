import { MOST_WANTED } from '@glen/core';
import { z } from 'zod';
import { date, id, line, text, time, utcInstant, version } from './basics.js';
import { pennantSchema } from './planSchemas.js';
import { slotPattern } from './slotPattern.js';

// Evenings at which guests see several teachers, each by appointment on a link of its own.

/** So many teachers at most see guests on one evening. */
const MOST_HOSTS = 60;

export const addAppointmentsBody = z.object({
  title: line(200).min(1, 'Give it a title.'),
  date,
  time,
  minutes: z.int('Give whole minutes.').min(10, 'At least 10 minutes.').max(720, 'At most 720.'),
  slots: slotPattern,
  /** Who sees guests, and as which class period. */
  hosts: z
    .array(z.object({ personId: id, classId: id }))
    .min(1, 'Tick one teacher at least.')
    .max(MOST_HOSTS, `At most ${MOST_HOSTS}.`),
  /** Names and addresses, as they are pasted. */
  guests: text(60_000),
});

export const appointmentGuestsBody = z.object({ text: text(60_000) });
export const appointmentGuestBody = z.object({ guestId: id });
export const setAppointmentsBody = z.object({ version, state: z.enum(['open', 'closed']) });

const state = z.enum(['open', 'closed']);

const eveningItem = z.object({
  id,
  title: z.string(),
  state,
  date,
  time,
  until: time,
  hosts: z.int(),
  guests: z.int(),
  /** Slots, and how many of them are taken. */
  slots: z.int(),
  taken: z.int(),
});

/** A teacher who can be asked to take part, and as which class periods. */
const mayHost = z.object({
  personId: id,
  name: z.string(),
  classes: z.array(z.object({ id, title: z.string() })),
});

export const appointmentsAnswer = z.object({
  evenings: z.array(eveningItem),
  /** Those whom whoever asks can plan one for: oneself, or with the office everybody who teaches. */
  teachers: z.array(mayHost),
});
export const addedAppointments = z.object({ id });

/** Why nobody is seen by a teacher: the session is called off, or is on no day. */
const off = z.string().nullable();

const heldSlot = z.object({
  nth: z.int(),
  time,
  end: time,
  /** Null: nobody. */
  who: z.string().nullable(),
  about: z.string(),
});

/** An evening as whoever planned it sees it; a teacher sees their own part alone. */
export const appointmentEveningAnswer = z.object({
  id,
  version,
  title: z.string(),
  state,
  date,
  time,
  until: time,
  mayChange: z.boolean(),
  mails: z.boolean(),
  hosts: z.array(
    z.object({
      seriesId: id,
      classId: id,
      linkId: id,
      /** Whoever asks sees guests there. */
      isMine: z.boolean(),
      name: z.string(),
      classTitle: z.string(),
      off,
      /** Its own day, where it was moved to another; else the evening's. */
      date,
      slots: z.array(heldSlot),
    }),
  ),
  guests: z.array(
    z.object({
      id,
      email: z.string(),
      name: z.string(),
      /** Where they choose. */
      address: z.string(),
      appointments: z.array(z.object({ time, host: z.string(), about: z.string() })),
    }),
  ),
});
export const appointmentWayIn = z.object({ address: z.string() });

const guestSlot = z.object({
  nth: z.int(),
  time,
  end: time,
  start: utcInstant,
  ends: utcInstant,
  state: z.enum(['free', 'taken', 'mine', 'over']),
});

/** What a guest sees of an evening, by an address of their own; who has the others' slots is not told. */
export const ownAppointmentsAnswer = z.object({
  school: z.string(),
  title: z.string(),
  state,
  zone: z.string(),
  date,
  time,
  until: time,
  email: z.string(),
  name: z.string(),
  version,
  /** The way in can be sent to their mailbox. */
  mails: z.boolean(),
  hosts: z.array(
    z.object({
      seriesId: id,
      name: z.string(),
      classTitle: z.string(),
      pennant: pennantSchema,
      off,
      /** Its own day, where it was moved to another; else the evening's. */
      date,
      slots: z.array(guestSlot),
    }),
  ),
  mine: z.array(
    z.object({
      id,
      seriesId: id,
      host: z.string(),
      nth: z.int(),
      date,
      time,
      end: time,
      start: utcInstant,
      ends: utcInstant,
      about: z.string(),
      /** Where they are seen. */
      door: z.string(),
    }),
  ),
});

/** All at once, or nothing of it. */
export const changeAppointmentsBody = z.object({
  version,
  take: z
    .array(
      z.object({
        seriesId: id,
        nth: z.int().min(0).max(1000),
        /** Whom it is about: one of several children. */
        about: line(300).default(''),
      }),
    )
    .max(MOST_WANTED, `At most ${MOST_WANTED} at once.`),
  drop: z.array(id).max(100),
});

export const wayToAppointmentBody = z.object({ seriesId: id });
