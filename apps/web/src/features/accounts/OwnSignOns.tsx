import { dateInWords } from '@glen/core/light';
import type { Answer } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { wallClock } from '../../app/clock.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type OwnAccount = Answer<'ownAccount'>['accounts'][number];

/** Where one of one's own accounts signs on, and the end of it. */
export function OwnSignOns({ account, zone }: { account: OwnAccount; zone: string }) {
  const [end, { error, isLoading }] = api.useEndSignOnMutation();
  const problem = problemOf(error);
  return (
    <>
      {account.signOns.map(({ id, name, since }) => (
        <p key={id} className="flex flex-wrap items-baseline gap-x-3 text-sm">
          <span>
            {fill(say.signsOnAtSince, { name, date: dateInWords(wallClock(since, zone).date) })}
          </span>
          <Button
            kind="link"
            className="!text-sm"
            disabled={isLoading}
            aria-label={fill(say.signOnAtNoLonger, { name })}
            onClick={() => void end({ params: { signOnId: id } })}
          >
            {say.noLonger}
          </Button>
        </p>
      ))}
      {problem && <FieldError>{problem.title}</FieldError>}
    </>
  );
}
