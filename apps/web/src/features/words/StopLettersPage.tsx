import { useParams } from 'react-router';
import type { Answer } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { Loaded } from '../../app/Loaded.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';

type Stop = Answer<'letterStop'>;

const KINDS: Record<Stop['kind'], string> = {
  changes: 'letters when something changes that touches you',
  reminders: 'letters before what you teach or attend begins',
  mornings: 'letters about your day, in the morning',
  evenings: 'letters a week before an evening',
  posts: 'letters that teachers write to you',
  weeks: 'letters about who came in the week',
};

function Choice({ token, stop: { kind, mails } }: { token: string; stop: Stop }) {
  const [set, { isLoading, error }] = api.useSetLetterStopMutation();
  const problem = problemOf(error);
  return (
    <>
      <p className="mt-4 text-lg" role="status">
        {mails ? `You get ${KINDS[kind]}.` : `You get no ${KINDS[kind]} any more.`}
      </p>
      <p className="mt-4">
        <Button
          kind={mails ? 'act' : 'plain'}
          disabled={isLoading}
          onClick={() => void set({ params: { token }, body: { mails: !mails } })}
        >
          {mails ? 'No more of these' : 'Send them to me again'}
        </Button>
      </p>
      {problem && <FieldError>{problem.title}</FieldError>}
      <p className="mt-4 text-soft">
        In Glen all of it stands as before, under “Word for you”. What somebody asks of you by name
        is sent in any case.
      </p>
    </>
  );
}

/** No more letters of a kind, by the address in one of them: nobody need sign in for it. */
export default function StopLettersPage() {
  const token = useParams().token ?? '';
  const asked = api.useLetterStopQuery({ params: { token } });
  return (
    <main id="main" className="mx-auto min-h-dvh max-w-xl px-5 py-7">
      <ScreenTitle tab="Your letters" />
      <Loaded asked={asked} isPart>
        {(stop) => <Choice token={token} stop={stop} />}
      </Loaded>
    </main>
  );
}
