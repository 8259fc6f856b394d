import { toast } from '../ui/toast.js';
import { problemOf } from './api.js';
import * as say from './words.js';

/** Whether an order was kept; why it was not is said. */
export function orderKept({ error }: { error?: unknown }): boolean {
  if (error) toast.error(problemOf(error)?.title ?? say.theOrderWasNotKept);
  return !error;
}
