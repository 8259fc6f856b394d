import type { Glen } from '../../glen.js';
import type { LinkRow } from './store.js';

/** Hosts and students hear that a link has changed: the class period's page, its door, and the days in which it stands. */
export async function announceLink(
  glen: Glen,
  link: Pick<LinkRow, 'id' | 'class_id'>,
): Promise<void> {
  await glen.announce(`class:${link.class_id}`, { thing: 'class', id: link.class_id });
  await glen.announce(`class:${link.class_id}`, { thing: 'classes', id: link.class_id });
  await glen.announce(`door:${link.id}`, { thing: 'door', id: link.id });
}
