import { useParams } from 'react-router';
import type { Answer } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { Loaded } from '../../app/Loaded.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type Stop = Answer<'letterStop'>;

const KINDS: Record<Stop['kind'], string> = say.kinds;

function Choice({ token, stop: { kind, mails } }: { token: string; stop: Stop }) {
  const [set, { isLoading, error }] = api.useSetLetterStopMutation();
  const problem = problemOf(error);
  return (
    <>
      <p className="mt-4 text-lg" role="status">
        {mails
          ? fill(say.youGet, { kind: KINDS[kind] })
          : fill(say.youGetNoAnyMore, { kind: KINDS[kind] })}
      </p>
      <p className="mt-4">
        <Button
          kind={mails ? 'act' : 'plain'}
          disabled={isLoading}
          onClick={() => void set({ params: { token }, body: { mails: !mails } })}
        >
          {mails ? say.noMoreOfThese : say.sendThemToMeAgain}
        </Button>
      </p>
      {problem && <FieldError>{problem.title}</FieldError>}
      <p className="mt-4 text-soft">{say.inGlenAllOfIt}</p>
    </>
  );
}

/** No more letters of a kind, by the address in one of them: nobody need sign in for it. */
export default function StopLettersPage() {
  const token = useParams().token ?? '';
  const asked = api.useLetterStopQuery({ params: { token } });
  return (
    <main id="main" className="mx-auto min-h-dvh max-w-xl px-5 py-7">
      <ScreenTitle tab={say.yourLetters} />
      <Loaded asked={asked} isPart>
        {(stop) => <Choice token={token} stop={stop} />}
      </Loaded>
    </main>
  );
}
