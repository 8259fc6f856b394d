import { z } from 'zod';
import { PERSON_ROLES, WAYS } from '@glen/core';
import { date, id, line, time, utcInstant } from './basics.js';
import { providerSchema } from './signOnSchemas.js';

export const accountSchema = z.object({
  id,
  kind: z.enum(['school', 'personal']),
  email: z.string(),
});
export const personSchema = z.object({
  id,
  name: z.string(),
  /** All that they are to the school; several at once for some. */
  roles: z.array(z.enum(PERSON_ROLES)),
});

export const dateOrder = z.enum(['dmy', 'mdy', 'ymd']);
export const clockHours = z.enum(['24', '12']);
export const clock = z.object({ now: utcInstant, offsetSeconds: z.int(), zone: z.string() });
export const meSchema = z.object({
  /** `help`: whom students ask when something technical fails; blank where nobody was named. */
  school: z.object({
    name: z.string(),
    zone: z.string(),
    help: z.string(),
    classesBy: z.enum(['teachers', 'office']),
    /** One teacher, who is the office too: nothing is said of a school. */
    alone: z.boolean(),
    /** Whether what is written in the chat of a session is kept after it. */
    keepsChat: z.boolean(),
  }),
  /** In which order dates are written, and on which clock: as the person wishes, else as the school has it. */
  writes: z.object({ dateOrder, hours: clockHours }),
  /** The account’s wishes: null is as the machine has it. */
  theme: z.enum(['light', 'dark']).nullable(),
  clock,
  demo: z.boolean(),
  /** Which services outside there are; what rests on one that is missing is not offered. */
  services: z.object({ video: z.boolean(), courseSite: z.boolean(), mail: z.boolean() }),
  /** Where people sign on beside passwords, and whether anybody at all signs in by password. */
  ways: z.object({
    providers: z.array(providerSchema),
    passwords: z.boolean(),
    /** Whether there can be passkeys at this address of Glen, and anybody at all signs in by one. */
    passkeys: z.enum(['open', 'shut', 'no-domain']),
  }),
  person: personSchema.nullable(),
  account: accountSchema.nullable(),
  accounts: z.array(accountSchema.extend({ name: z.string() })),
});
export const signInBody = z.object({
  email: z.string().min(1, 'Give your address.').max(254),
  password: z.string().min(1, 'Give your password.').max(200),
});
export const demoPerson = personSchema.extend({
  accounts: z.array(accountSchema),
  teaches: z.array(z.string()),
  learns: z.array(z.string()),
});
export const moveClock = z.union([
  z.object({ to: z.literal('next-bell') }),
  z.object({ minutes: z.int().min(-10080).max(10080) }),
  z.object({ date, time }),
]);

export const foundPerson = personSchema.extend({
  email: z.string().nullable(),
  classes: z.array(z.object({ id, title: z.string() })),
});

/** The least that a new password has; no other rule, as NIST SP 800-63B advises (published). */
export const PASSWORD_LEAST = 10;
export const newPassword = z
  .string()
  .min(PASSWORD_LEAST, `At least ${PASSWORD_LEAST} characters.`)
  .max(200, 'At most 200 characters.');

/** What a guest is called, who comes for the first time. */
export const comeAsGuestBody = z.object({ name: line(120).min(1, 'Say what you are called.') });

export const newPasswordBody = z.object({ password: newPassword });

export const toldBy = z.enum(WAYS);
/** How the school has people hear of each kind of thing (core, TOLD_KINDS). */
export const toldBySchool = z.object({
  changes: toldBy,
  reminders: toldBy,
  mornings: toldBy,
  evenings: toldBy,
  posts: toldBy,
  weeks: toldBy,
});

/** What the office changes of a school later; its calendar and its rules have pages of their own. */
export const aboutSchool = z.object({
  /** One teacher, and no office. */
  alone: z.boolean(),
  name: z.string().trim().min(1, 'Say what the school is called.').max(200),
  help: z.string().trim().max(300, 'At most 300 characters.'),
  zone: z.string().max(60),
  /** Who makes class periods and takes in new teachers. */
  classesBy: z.enum(['teachers', 'office']),
  /** Who gives a student a new way in: the office alone, or the hosts of their class periods too. */
  resetsBy: z.enum(['office', 'hosts']),
  dateOrder,
  hours: clockHours,
  told: toldBySchool,
});

/** What a school says of itself as somebody moves in. */
export const schoolWords = z.object({
  name: z.string().trim().min(1, 'Say what the school is called.').max(200),
  region: z.string().max(20).nullable(),
  dateOrder,
  hours: clockHours,
  help: z.string().max(300, 'At most 300 characters.'),
  alone: z.boolean(),
});
