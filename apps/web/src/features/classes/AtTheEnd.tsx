import type { Answer } from '@glen/contract';
import { api } from '../../app/api.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import type { ClassPeriod } from '../school/classPeriod.js';
import { useRest } from './useRest.js';

type Facts = Answer<'putAwayFacts'>;

const count = (n: number, one: string, many: string): string => (n === 1 ? one : `${n} ${many}`);

/** What putting it away comes to, in a sentence. */
function consequence({ sessions, links, posts }: Facts): string {
  const parts = [
    sessions > 0 ? `takes ${count(sessions, 'one session', 'sessions')} to come off the plan` : '',
    links > 0 ? `stops ${count(links, 'its link', 'links')}` : '',
    posts > 0 ? `takes ${count(posts, 'one post', 'posts')} down` : '',
  ].filter(Boolean);
  if (parts.length === 0) return 'Nothing of it is in use.';
  const last = parts.pop()!;
  return `Putting it away ${parts.length > 0 ? `${parts.join(', ')} and ${last}` : last}.`;
}

/** What to do with a class period that is over. */
export function AtTheEnd({ classPeriod }: { classPeriod: ClassPeriod }) {
  const { data: facts } = api.usePutAwayFactsQuery({
    params: { classId: classPeriod.class.id },
  });
  const { putAway, isSaving, problem } = useRest(classPeriod);
  if (!facts) return null;
  return (
    <section aria-label="When it is over" className="mt-7 max-w-2xl">
      <h2 className="mb-1 text-xl">When it is over</h2>
      <p>
        {consequence(facts)} Its roll and all it had stay, and you can bring it back.
        {facts.isRunning && ' Its door is open just now: close the room first.'}
      </p>
      {problem && <FieldError>{problem.title}</FieldError>}
      <p className="mt-3">
        <Button disabled={isSaving || facts.isRunning} onClick={() => void putAway()}>
          Put it away
        </Button>
      </p>
    </section>
  );
}
