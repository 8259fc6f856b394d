import { addCover } from '../apps/server/src/features/cover/covers.js';
import { allowHelp } from '../apps/server/src/features/cover/helpers.js';
import type { Glen } from '../apps/server/src/glen.js';
import type { Who } from '../apps/server/src/http/who.js';

/** A day on which the teacher is at sea for the harbour master. */
const AWAY = '2026-10-20';

/** A co-teacher covers for a day, and the office prepares, on a teacher's behalf. */
export async function loadAway(
  glen: Glen,
  who: Who,
  { coveringId, helperId }: { coveringId: number; helperId: number },
): Promise<void> {
  const day = { first: AWAY, last: AWAY };
  await addCover(glen, who, { absentId: who.person!.id, coveringId, ...day, anyway: true });
  const may = { schedules: true, posts: true, prepares: true };
  await allowHelp(glen, who, { helperId, ...may, until: '2026-12-18' });
}
