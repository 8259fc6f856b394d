import type { Glen } from '../../glen.js';
import { mainLinkOf } from '../school/classes.sql.js';

/** A class period's teachers, its door, and the people whom it is about hear that it has changed. */
export async function announceClass(
  glen: Glen,
  classId: number,
  personIds: number[],
): Promise<void> {
  await glen.announce(`class:${classId}`, { thing: 'class', id: classId });
  await glen.announce(`class:${classId}`, { thing: 'classes', id: classId });
  const link = await mainLinkOf(glen.db, classId);
  if (!link) return;
  await glen.announce(`door:${link.id}`, { thing: 'door', id: link.id });
  for (const id of personIds) await glen.announce(`person:${id}`, { thing: 'door', id: link.id });
}
