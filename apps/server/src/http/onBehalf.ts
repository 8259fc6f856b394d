import { HELP_OF, endpointOf, type Caller, type EndpointName, type Helps } from '@glen/contract';
import type { Glen } from '../glen.js';
import { isStaff } from './access.js';
import { helpGiven } from './helperStore.js';
import { HttpProblem } from './problem.js';
import type { Who } from './who.js';

/** A request as it is answered: as who, and by whom on their behalf. */
interface Acting {
  who: Who;
  helper: number | null;
}

const IN_WORDS: Record<Helps, string> = {
  schedules: 'to schedule',
  posts: 'to post',
  prepares: 'to prepare links and rules',
};

const FOR_ALL: Caller[] = ['anyone', 'signed-in', 'demo', 'service'];

/** What whoever acts on somebody's behalf does as themselves: what is named nowhere is read so, and not done. */
function isOwn(name: EndpointName): boolean {
  const { method, who } = endpointOf(name);
  return method === 'GET' || FOR_ALL.includes(who) || HELP_OF[name] === 'own';
}

/**
 * As who a request is answered: as oneself, or on behalf of a teacher (by the number in `asked`) who lets one do such
 * things. That teacher is asked for as a teacher and nothing more, whatever else they are. Throws 403 where they do not, or no longer.
 */
export async function actingAs(
  glen: Glen,
  own: Who,
  { name, asked }: { name: EndpointName; asked: string | undefined },
): Promise<Acting> {
  const asOneself = { who: own, helper: null };
  if (asked === undefined || !isStaff(own)) return asOneself;
  const what = HELP_OF[name];
  if (what === undefined || what === 'own') {
    if (isOwn(name)) return asOneself;
    throw new HttpProblem(
      403,
      'This is not done on somebody else’s behalf. Go back to yourself first.',
    );
  }
  const helperId = own.person!.id;
  const teacher = await helpGiven(glen.db, glen.clock, { helperId, forId: Number(asked) || 0 });
  if (!teacher)
    throw new HttpProblem(
      403,
      'You may not act on their behalf, or no longer. Nothing was changed.',
    );
  if (what !== 'reads' && !teacher.may[what])
    throw new HttpProblem(403, `${teacher.name} has not asked you ${IN_WORDS[what]}.`);
  const person = { id: teacher.id, name: teacher.name, roles: ['teacher' as const] };
  return { who: { ...own, person }, helper: helperId };
}
