import { addLink } from '../apps/server/src/features/link/edit.js';
import type { Glen } from '../apps/server/src/glen.js';
import type { Who } from '../apps/server/src/http/who.js';
import { FOR_NOBODY } from './school.js';

/** A teacher's one-to-one with a student: nobody else hosts it. */
export async function loadTalks(
  glen: Glen,
  classId: number,
  { who, studentId }: { who: Who; studentId: number },
): Promise<void> {
  await addLink(glen, classId, who, {
    label: 'Talks with Birgit',
    purpose: 'One-to-one',
    kind: 'one-to-one',
    shown: true,
    preset: 'one-to-one',
    audience: {
      ...FOR_NOBODY,
      personIds: [studentId],
      hostIds: [who.person!.id],
      hostedBy: 'named',
    },
  });
}
