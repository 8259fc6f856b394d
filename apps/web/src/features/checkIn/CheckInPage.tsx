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
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

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
        <Said as={say.youAreInAs} what={<b className="break-words">{asked.as}</b>} />
        {asked.closes && (
          <span className="text-soft">
            {' '}
            <Said
              as={say.openUntil}
              time={<span className="font-mono">{wallClock(asked.closes, zone).time}</span>}
            />
          </span>
        )}
      </p>
      {asked.question && (
        <TextField
          label={asked.question}
          hint={say.inAFewWordsIt}
          maxLength={500}
          autoComplete="off"
          error={errorAt('answer')}
          {...register('answer')}
        />
      )}
      {problem && <FieldError>{problem.title}</FieldError>}
      <Button kind="strong" type="submit" disabled={isSending}>
        {say.iAmHere}
      </Button>
    </form>
  );
}

/** What is said where there is nothing to press. */
const SAID: Record<Exclude<Asked['state'], 'may'>, string> = say.said;

function Shown({ asked, token, zone }: { asked: Asked; token: string; zone: string }) {
  return (
    <>
      <ScreenTitle tab={say.checkIn}>{asked.title ?? say.checkIn}</ScreenTitle>
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
