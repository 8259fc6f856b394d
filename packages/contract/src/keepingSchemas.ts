import { z } from 'zod';
import { PERSON_ROLES } from '@glen/core';
import { date, id, idParam, time, utcInstant, version, line } from './basics.js';
import { emailField } from './classSchemas.js';
import {
  accountSchema,
  clockHours,
  dateOrder,
  newPassword,
  toldBy,
  toldBySchool,
} from './peopleSchemas.js';

// The people of the school, as those who look after them see and change them.

const role = z.enum(PERSON_ROLES);
/** Where an account signs on; by machine time since when, and when last. */
export const signOnOf = z.object({
  id,
  name: z.string(),
  since: utcInstant,
  usedAt: utcInstant,
});
const signOns = z.array(signOnOf);

const name120 = line(120).min(1, 'Give a name.');

/** How many people a list gives at once. */
export const PEOPLE_AT_ONCE = 100;

export const peopleQuery = z.object({
  /** The beginnings of names or addresses. */
  q: z.string().max(80).default(''),
  role: role.optional(),
  standing: z.enum(['here', 'retired']).default('here'),
  sort: z.enum(['name', 'family', 'newest']).default('name'),
  /** The id of the last one had so far. */
  after: idParam.optional(),
});

export const personRow = z.object({
  id,
  name: z.string(),
  roles: z.array(role),
  /** The address at the school, else the one from home; null: they have no account. */
  email: z.string().nullable(),
  /** How many class periods they teach, and on how many rolls they stand. */
  teaches: z.int(),
  learns: z.int(),
  /** Here no longer since (UTC); null: they are. */
  retiredAt: utcInstant.nullable(),
});

const classOf = z.object({ id, title: z.string() });

/** An account with what the office needs to know of it. */
const keptAccount = accountSchema.extend({
  /** Its owner has set a password. */
  hasPassword: z.boolean(),
  /** Until when a one-time address stands for it (UTC); null: there is none. */
  addressUntil: utcInstant.nullable(),
  signOns,
});

export const personDetail = z.object({
  id,
  version,
  name: z.string(),
  roles: z.array(role),
  accounts: z.array(keptAccount),
  retiredAt: utcInstant.nullable(),
  teaches: z.array(classOf.extend({ as: z.enum(['host', 'co-teacher', 'presenter']) })),
  learns: z.array(classOf),
  /** The doors of their day, as they see them; of those, a host is told their own class periods’. */
  doors: z.array(
    z.object({
      id,
      title: z.string(),
      date,
      time,
      code: z.string(),
      state: z.enum(['shut', 'open', 'ended']),
    }),
  ),
  guardians: z.array(z.object({ id, name: z.string(), email: z.string().nullable() })),
  /** Whose guardian they are. */
  guards: z.array(z.object({ id, name: z.string() })),
  /** What whoever asks may do here. */
  may: z.object({
    /** Change name, roles and accounts; retire and bring back; make two records one. */
    keep: z.boolean(),
    /** Give a new way in to whoever has a password already. */
    reset: z.boolean(),
  }),
});

/** Somebody new to the school. */
export const newPerson = z.object({
  name: name120,
  roles: z.array(role).min(1, 'Say what they are to the school.'),
  /** Blank: without an account. */
  email: z.union([z.literal(''), emailField]).default(''),
  kind: z.enum(['school', 'personal']).default('school'),
});

export const personWords = z.object({
  version,
  name: name120,
  roles: z.array(role).min(1, 'Say what they are to the school.'),
});

export const newAccount = z.object({
  version,
  kind: z.enum(['school', 'personal']),
  email: emailField,
});

export const wayIn = z.object({ email: z.string(), address: z.string(), until: utcInstant });

/** What retiring somebody would touch. */
export const retireFacts = z.object({
  /** Class periods that nobody else hosts: somebody must take them over first. */
  onlyHostOf: z.array(classOf),
  teaches: z.int(),
  /** Sessions still to come in class periods they host, and when the next begins. */
  sessions: z.int(),
  next: z.object({ classTitle: z.string(), date, time }).nullable(),
  rolls: z.array(classOf),
  groups: z.int(),
  links: z.int(),
  isLastOffice: z.boolean(),
  isYourself: z.boolean(),
});

/** All that somebody hosts, and who could take it over. */
export const hostedAnswer = z.object({
  version,
  classes: z.array(
    z.object({
      id,
      title: z.string(),
      /** `links`: of single links there alone, or of groups’ tutor. */
      as: z.enum(['host', 'co-teacher', 'links']),
      /** Links that they host by name, and groups that they are tutor of. */
      links: z.int(),
      groups: z.int(),
      /** Nobody else hosts it. */
      isOnlyHost: z.boolean(),
    }),
  ),
  staff: z.array(z.object({ id, name: z.string() })),
});

/** What making two records one would bring together. */
export const mergeFacts = z.object({
  other: personRow.extend({ version }),
  accounts: z.array(accountSchema),
  teaches: z.array(classOf),
  learns: z.array(classOf),
  /** Why it cannot be; blank: it can. */
  why: z.string(),
});

export const guardianBody = z.object({
  version,
  guardians: z
    .array(
      z.union([
        z.strictObject({ personId: id }),
        z.strictObject({ name: name120, email: z.union([z.literal(''), emailField]) }),
      ]),
    )
    .max(10, 'At most ten.'),
});

/** One thing that somebody did, from the log. */
export const happening = z.object({
  id,
  at: utcInstant,
  by: z.object({ id, name: z.string() }).nullable(),
  /** Who did it on their behalf, by name. */
  helper: z.string().nullable(),
  /** What was done, in words. */
  what: z.string(),
  /** To what, in words. */
  to: z.string(),
  /** What it said before and after, field by field. */
  changes: z.array(z.object({ field: z.string(), before: z.string(), after: z.string() })),
});

export const happenedQuery = z.object({
  person: idParam.optional(),
  kind: z
    .enum([
      'people',
      'signing-in',
      'classes',
      'links',
      'sessions',
      'posts',
      'doors',
      'school',
      'services',
    ])
    .optional(),
  /** The id of the last one had so far. */
  before: idParam.optional(),
});

/** The browsers that somebody is signed in with, the last used first; instants by the machine's clock. */
export const ownSessions = z.object({
  sessions: z.array(
    z.object({
      id,
      /** The browser that asks. */
      isThis: z.boolean(),
      /** What browser it is, in words; empty where it does not say. */
      browser: z.string(),
      begunAt: utcInstant,
      /** Give or take some minutes. */
      seenAt: utcInstant,
    }),
  ),
});
/** How somebody wishes to; nothing: as the school has it. */
const toldWishes = z.object({
  changes: toldBy.nullable(),
  reminders: toldBy.nullable(),
  mornings: toldBy.nullable(),
  evenings: toldBy.nullable(),
  posts: toldBy.nullable(),
  weeks: toldBy.nullable(),
});

/** One's own account, as its owner changes it. */
export const ownAccount = z.object({
  version,
  name: z.string(),
  /** The school says what students are called. */
  mayRename: z.boolean(),
  accounts: z.array(accountSchema.extend({ hasPassword: z.boolean(), signOns })),
  theme: z.enum(['light', 'dark']).nullable(),
  /** Nothing: as the school has it. */
  dateOrder: dateOrder.nullable(),
  hours: clockHours.nullable(),
  told: toldWishes,
  toldBySchool,
  /** A mail service is set up: letters reach people. */
  mails: z.boolean(),
});

export const ownWishes = z.object({
  version,
  name: line(120).min(1, 'Say what you are called.'),
  theme: z.enum(['light', 'dark']).nullable(),
  /** Nothing: as the school has it. */
  dateOrder: dateOrder.nullable(),
  hours: clockHours.nullable(),
  told: toldWishes,
});

const password = z.string().min(1, 'Give your password.').max(200);
export const firstPasswordBody = z.object({ next: newPassword });
export const changePasswordBody = z.object({ now: password, next: newPassword });
export const changeAddressBody = z.object({ accountId: id, email: emailField, now: password });
