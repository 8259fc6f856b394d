import type { Glen } from '../apps/server/src/glen.js';
import type { Who } from '../apps/server/src/http/who.js';
import { loadEvening } from './evening.js';
import { loadPosts } from './posts.js';
import { loadRegisters } from './registers.js';
import { loadSlots } from './slots.js';

/** A believable week: who came, what is posted, who has signed up, and what an evening holds. */
export async function loadWeek(
  glen: Glen,
  ids: Map<string, number>,
  { head, host }: { head: Who; host: Who },
): Promise<void> {
  await loadRegisters(glen, ids, { head, host });
  await loadPosts(glen, ids, host);
  await loadSlots(glen, ids.get('clinic')!, host.person!.id);
  await loadEvening(glen, ids.get('harbour-evening')!, host.person!.id);
}
