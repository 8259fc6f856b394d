import { z } from 'zod';
import { GUEST_COMES, WEEKDAYS } from '@glen/core/light';
import { id, date, utcInstant, version, line } from './basics.js';
import { linkKind, name80, pennantSchema } from './planSchemas.js';
import { deliveryState } from './postSchemas.js';
import { ruleField } from './ruleSchemas.js';

// Links of class periods: whom they are for, what has become of their codes, and the groups of a class period.

export const foundLink = z.object({
  id,
  classId: id,
  title: z.string(),
  label: z.string(),
  code: z.string(),
  address: z.string(),
  state: z.enum(['live', 'retired']),
});
const person = z.object({ id, name: z.string() });
/** Whom a link is for: whole class periods, groups, single people, and guests by their address. */
const audience = z.array(
  z.union([
    z.object({ kind: z.literal('class'), id, name: z.string(), size: z.int() }),
    z.object({ kind: z.literal('group'), id, name: z.string(), size: z.int() }),
    z.object({ kind: z.literal('person'), id, name: z.string() }),
    z.object({
      kind: z.literal('guest'),
      email: z.string(),
      name: z.string(),
      comes: z.enum(GUEST_COMES),
    }),
  ]),
);
/** The class period's teachers and those named at the link, or those alone. */
const hostedBy = z.enum(['class', 'named']);
const former = z.object({
  code: z.string(),
  how: z.enum(['keep', 'forward', 'stop']),
  until: utcInstant.nullable(),
  why: z.enum(['leaked', 'tidy-up', 'new-year', 'other']),
  replacedAt: utcInstant,
  by: z.string().nullable(),
});
const share = z.object({
  id,
  classId: id,
  title: z.string(),
  pennant: pennantSchema,
  seriesId: id.nullable(),
  key: date.nullable(),
  words: z.string(),
  ownDoor: z.enum(['leads', 'shut']),
});

const weekday = z.enum(WEEKDAYS);
const presenter = z.object({
  id,
  personId: id,
  name: z.string(),
  seriesId: id.nullable(),
  key: date.nullable(),
  weekday: weekday.nullable(),
  /** Both included. */
  from: date.nullable(),
  until: date.nullable(),
  /** While no host is in they open, let in and close. */
  takesOver: z.boolean(),
  /** `on Thu 15 Oct` */
  words: z.string(),
});

/** A link in a list. */
export const linkRow = z.object({
  id,
  version,
  classId: id,
  classTitle: z.string(),
  pennant: pennantSchema,
  code: z.string(),
  address: z.string(),
  label: z.string(),
  purpose: z.string(),
  kind: linkKind,
  state: z.enum(['live', 'retired']),
  shown: z.boolean(),
  main: z.boolean(),
  place: z.int(),
  audience,
  audienceSize: z.int(),
  /** How many from outside the school are invited, for all of it or a part. */
  guestCount: z.int(),
  hosts: z.array(person),
  hostedBy,
  rules: z.object({
    whoMayEnter: z.string(),
    straightIn: z.string(),
    withoutHost: z.boolean(),
    asksCode: z.boolean(),
  }),
  ownRules: z.int(),
  room: z.string().nullable(),
  lastUsed: utcInstant.nullable(),
  next: z.object({ date, time: z.string(), title: z.string() }).nullable(),
  mayEdit: z.boolean(),
});
export const linkDetail = linkRow.extend({
  former: z.array(former),
  /** Who presents there beside the class period's own presenters. */
  presenters: z.array(presenter),
  shares: z.array(share),
  /** While nobody has used the code that took the place of the last one. */
  mayTakeBack: z.boolean(),
  /** The room rules that its room keeps, and those that are left to be set in it by hand. */
  holds: z.array(ruleField),
  byHand: z.array(ruleField),
  /** Of a room that a host gave: what is to be looked at there, and who has host's powers in it. */
  lookedAt: z
    .object({
      checks: z.array(
        z.object({
          key: z.string(),
          ask: z.string().nullable(),
          field: ruleField.nullable(),
          done: z.boolean(),
        }),
      ),
      powers: z.string(),
    })
    .nullable(),
  running: z.boolean(),
});
/** A place where a link stands, and how many may read it there. */
const stand = z.object({
  postId: id,
  pending: z.boolean(),
  place: z.string(),
  state: deliveryState,
  since: utcInstant.nullable(),
  readers: z.int(),
});
export const linkPlacesAnswer = z.object({ places: z.array(stand) });
const guestAddress = z.email('Give an address such as name@home.example.').max(254);
/** So many guests a link has at the most. */
const MOST_GUESTS = 400;
export const audienceBody = z.object({
  classIds: z.array(id).max(40),
  groupIds: z.array(id).max(40),
  personIds: z.array(id).max(400),
  /** Those from outside the school whom it is for at any time. */
  guests: z
    .array(
      z.object({
        email: guestAddress,
        name: line(120).default(''),
        comes: z.enum(GUEST_COMES).default('inside'),
      }),
    )
    .max(MOST_GUESTS)
    .default([]),
  hostIds: z.array(id).max(40),
  hostedBy: hostedBy.default('class'),
});
export const presenterBody = z
  .object({
    personId: id,
    seriesId: id.optional(),
    key: date.optional(),
    weekday: weekday.optional(),
    from: date.optional(),
    until: date.optional(),
    takesOver: z.boolean().default(false),
  })
  .refine((b) => b.from === undefined || b.until === undefined || b.from <= b.until, {
    path: ['until'],
    message: 'That is before it begins.',
  })
  .refine((b) => b.key === undefined || b.seriesId !== undefined, {
    path: ['seriesId'],
    message: 'Say of which series.',
  });
/** Who presents when: of the next dates those at which somebody is named. */
export const presentingAnswer = z.object({
  /** So many of the next dates were looked at. */
  looked: z.int(),
  dates: z.array(
    z.object({
      linkId: id,
      label: z.string(),
      seriesId: id,
      key: date,
      title: z.string(),
      date,
      time: z.string(),
      presenters: z.array(z.object({ name: z.string(), takesOver: z.boolean() })),
    }),
  ),
});
export const linkBody = z.object({
  label: name80,
  purpose: line(80),
  kind: linkKind,
  shown: z.boolean(),
  preset: z.enum(['lesson', 'one-to-one', 'help', 'parents', 'evening', 'project']).optional(),
  audience: audienceBody.optional(),
});
export const replaceBody = z.object({
  version,
  why: z.enum(['leaked', 'tidy-up', 'new-year', 'other']),
  how: z.enum(['keep', 'forward', 'stop']),
  until: date.optional(),
});
export const shareBody = z
  .object({
    classId: id,
    seriesId: id.optional(),
    key: date.optional(),
    ownDoor: z.enum(['leads', 'shut']),
  })
  .refine((b) => b.key === undefined || b.seriesId !== undefined, {
    path: ['seriesId'],
    message: 'Say of which series.',
  });

const groupName = line(60).min(1, 'Give it a name.');
export const groupsAnswer = z.object({
  version,
  mayEdit: z.boolean(),
  groups: z.array(
    z.object({
      id,
      name: z.string(),
      tutorId: id.nullable(),
      tutor: z.string().nullable(),
      members: z.array(id),
      links: z.array(z.object({ id, label: z.string() })),
    }),
  ),
  staff: z.array(person),
});
export const setGroupsBody = z.object({
  version,
  groups: z
    .array(
      z.object({
        id: id.optional(),
        name: groupName,
        tutorId: id.nullable(),
        members: z.array(id).max(1000),
      }),
    )
    .max(40, 'At most 40 groups.'),
});
