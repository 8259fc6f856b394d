import { useParams } from 'react-router';
import type { Answer, Me, Sent } from '@glen/contract';
import { api } from '../../app/api.js';
import { wallClock } from '../../app/clock.js';
import { Loaded } from '../../app/Loaded.js';
import { useServerForm } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { TextField } from '../../ui/TextField.js';

type Asked = Answer<'checkIn'>;
type Given = Sent<'giveCheckIn'>;

/** Gives the sign, with an answer where something is asked. */
function Give({ asked, token, zone }: { asked: Asked; token: string; zone: string }) {
  const [give] = api.useGiveCheckInMutation();
  const { register, errorAt, problem, isSending, submit } = useServerForm<Given, Given, Asked>({
    start: { answer: '' },
    send: (body) => give({ params: { token }, body }),
    onDone: () => {},
  });
  return (
    <form className="grid gap-3" noValidate onSubmit={submit}>
      <p>
        You are in as <b className="break-words">{asked.as}</b>.
        {asked.closes && (
          <span className="text-soft">
            {' '}
            Open until <span className="font-mono">{wallClock(asked.closes, zone).time}</span>.
          </span>
        )}
      </p>
      {asked.question && (
        <TextField
          label={asked.question}
          hint="In a few words. It stands in the register of this session."
          maxLength={500}
          autoComplete="off"
          error={errorAt('answer')}
          {...register('answer')}
        />
      )}
      {problem && <FieldError>{problem.title}</FieldError>}
      <Button kind="strong" type="submit" disabled={isSending}>
        I am here
      </Button>
    </form>
  );
}

/** What is said where there is nothing to press. */
const SAID: Record<Exclude<Asked['state'], 'may'>, string> = {
  given: 'You have checked in. You can close this page.',
  closed: 'This check-in is over. Tell your teacher that you are there.',
  'not-let-in':
    'Only whoever has been let in at the door can check in. Go in first, with this browser or signed in with the same account; then open this address again.',
};

function Shown({ asked, token, zone }: { asked: Asked; token: string; zone: string }) {
  return (
    <>
      <ScreenTitle tab="Check-in">{asked.title ?? 'Check-in'}</ScreenTitle>
      <div className="mt-4">
        {asked.state === 'may' ? (
          <Give asked={asked} token={token} zone={zone} />
        ) : (
          <p role="status">{SAID[asked.state]}</p>
        )}
      </div>
    </>
  );
}

/** A check-in by its address: pressed once by whoever is in. */
export default function CheckInPage({ me }: { me: Me }) {
  const { token } = useParams() as { token: string };
  const answer = api.useCheckInQuery({ params: { token } });
  return (
    <main id="main" className="mx-auto min-h-dvh max-w-md px-5 py-7">
      <Loaded asked={answer} lines={3}>
        {(asked) => <Shown asked={asked} token={token} zone={me.school.zone} />}
      </Loaded>
    </main>
  );
}
