import type { Glen } from '../../glen.js';
import { insertNotice } from './store.js';

/** Tells somebody once: it stands in their margin until they have seen it. */
export async function tellOnce(
  glen: Glen,
  personId: number,
  { title, text }: { title: string; text: string },
): Promise<void> {
  await insertNotice(glen.db, { personId, title, text, madeAt: glen.clock.school() });
  await glen.announce(`person:${personId}`, { thing: 'notices', id: personId });
}
