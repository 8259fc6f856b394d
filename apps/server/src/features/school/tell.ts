import type { Glen } from '../../glen.js';
import { insertNotice } from './store.js';

/** What comes within so many seconds is one letter. */
const GATHERED_SECONDS = 120;

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
  await glen.enqueue({ kind: 'gather', subject, waitSeconds: GATHERED_SECONDS, sooner: true });
}
