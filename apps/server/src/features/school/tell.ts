import type { Glen } from '../../glen.js';
import { insertNotice } from './store.js';

/** Tells somebody once: it stands in their margin until they have seen it, and is written to them where they wish for that. */
export async function tellOnce(
  glen: Glen,
  personId: number,
  { title, text }: { title: string; text: string },
): Promise<void> {
  const notice = { personId, title, text, madeAt: glen.clock.school() };
  if (!(await insertNotice(glen.db, notice))) return;
  await glen.announce(`person:${personId}`, { thing: 'notices', id: personId });
  if (!glen.mail) return;
  const subject = String(personId);
  // What comes meanwhile is one letter.
  const waitSeconds = glen.config.gatherSeconds;
  await glen.enqueue({ kind: 'gather', subject, waitSeconds, sooner: true });
}
