import { z } from 'zod';
import { LINK_WORDS } from '@glen/core';
import type { EndpointName } from './endpoints.js';
import { accounts } from './table/accounts.js';
import { classes } from './table/classes.js';
import { covers } from './table/covers.js';
import { door } from './table/door.js';
import { links } from './table/links.js';
import { moveIn } from './table/moveIn.js';
import { people } from './table/people.js';
import { plan } from './table/plan.js';
import { posts } from './table/posts.js';
import { rules } from './table/rules.js';
import type { Shapes } from './table/shapes.js';
import { afterLesson } from './table/afterLesson.js';
import { checkIn } from './table/checkIn.js';
import { free } from './table/free.js';
import { appointment } from './table/appointment.js';
import { programme } from './table/programme.js';
import { slot } from './table/slot.js';
import { register } from './table/register.js';
import { words } from './table/words.js';

export * from './peopleSchemas.js';
export { PEOPLE_AT_ONCE } from './keepingSchemas.js';
export * from './doorSchemas.js';

/** What every endpoint takes and answers, by its name. */
export const schemas = {
  ...accounts,
  ...classes,
  ...moveIn,
  ...people,
  ...afterLesson,
  ...checkIn,
  ...slot,
  ...free,
  ...appointment,
  ...programme,
  ...register,
  ...words,
  ...plan,
  ...links,
  ...rules,
  ...posts,
  ...door,
  ...covers,
} satisfies Record<EndpointName, Shapes>;

/** RFC 9457 problem details, with the fields at fault. */
export const problemSchema = z.object({
  type: z.string(),
  title: z.string(),
  status: z.int(),
  detail: z.string().optional(),
  errors: z.array(z.object({ path: z.string(), message: z.string() })).optional(),
  /** For a stale edit (409): how the thing stands now. */
  current: z.unknown().optional(),
});

/** A code that could be typed; for the sign of it in documents. */
export const EXAMPLE_CODE = `${LINK_WORDS[0]}-7k3m9qvd2xt`;
