import { z } from 'zod';
import { date, id, time, utcInstant } from './basics.js';

export const accountSchema = z.object({
  id,
  kind: z.enum(['school', 'personal']),
  email: z.string(),
});
export const personSchema = z.object({
  id,
  name: z.string(),
  role: z.enum(['student', 'teacher', 'head', 'office', 'guest']),
});

export const clock = z.object({ now: utcInstant, offsetSeconds: z.int(), zone: z.string() });
export const meSchema = z.object({
  school: z.object({ name: z.string(), zone: z.string() }),
  clock,
  demo: z.boolean(),
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
