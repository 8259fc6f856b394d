import type { Answer } from '@glen/contract';
import { api } from '../../app/api.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import type { ClassPeriod } from '../school/classPeriod.js';
import { useRest } from './useRest.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type Facts = Answer<'putAwayFacts'>;

const count = (n: number, one: string, many: string): string => (n === 1 ? one : `${n} ${many}`);

/** What putting it away comes to, in a sentence. */
function consequence({ sessions, links, posts }: Facts): string {
  const parts = [
    sessions > 0
      ? fill(say.takesToComeOff, { count: count(sessions, say.oneSession, 'sessions') })
      : '',
    links > 0 ? fill(say.stopsCount, { count: count(links, say.itsLink, 'links') }) : '',
    posts > 0 ? fill(say.takesDown, { count: count(posts, say.onePost, 'posts') }) : '',
  ].filter(Boolean);
  if (parts.length === 0) return say.nothingOfIt;
  const last = parts.pop()!;
  return fill(say.puttingItAway, {
    last: parts.length > 0 ? fill(say.partsAndLast, { parts: parts.join(', '), last }) : last,
  });
}

/** What to do with a class period that is over. */
export function AtTheEnd({ classPeriod }: { classPeriod: ClassPeriod }) {
  const { data: facts } = api.usePutAwayFactsQuery({
    params: { classId: classPeriod.class.id },
  });
  const { putAway, isSaving, problem } = useRest(classPeriod);
  if (!facts) return null;
  return (
    <section aria-label={say.whenItIsOver} className="mt-7 max-w-2xl">
      <h2 className="mb-1 text-xl">{say.whenItIsOver}</h2>
      <p>
        {fill(say.itsRollAndAllIt, { consequence: consequence(facts) })}
        {facts.isRunning && ` ${say.itsDoorIsOpenJust}`}
      </p>
      {problem && <FieldError>{problem.title}</FieldError>}
      <p className="mt-3">
        <Button disabled={isSaving || facts.isRunning} onClick={() => void putAway()}>
          {say.putItAway}
        </Button>
      </p>
    </section>
  );
}
