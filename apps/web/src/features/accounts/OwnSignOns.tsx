import { dateInWords } from '@glen/core/light';
import type { Answer } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { wallClock } from '../../app/clock.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';

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
            Signs on at {name}, since {dateInWords(wallClock(since, zone).date)}
          </span>
          <Button
            kind="link"
            className="!text-sm"
            disabled={isLoading}
            aria-label={`Sign on at ${name} no longer`}
            onClick={() => void end({ params: { signOnId: id } })}
          >
            No longer
          </Button>
        </p>
      ))}
      {problem && <FieldError>{problem.title}</FieldError>}
    </>
  );
}
