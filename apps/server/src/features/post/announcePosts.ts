import type { Glen } from '../../glen.js';

/** Those who look at the posts of some places' class periods hear that they have changed. */
export async function announcePosts(glen: Glen, places: { class_id: number }[]): Promise<void> {
  for (const classId of new Set(places.map((p) => p.class_id)))
    await glen.announce(`class:${classId}`, { thing: 'posts', id: classId });
}
