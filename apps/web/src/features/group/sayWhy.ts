import { toast } from '../../ui/toast.js';
import { problemOf } from '../../app/api.js';
import * as say from './words.js';

/** Says why something about a roll did not work. */
export function sayWhy(error: unknown): undefined {
  const problem = problemOf(error);
  toast.error(problem?.errors?.[0]?.message ?? problem?.title ?? say.thatDidNotWork);
}
