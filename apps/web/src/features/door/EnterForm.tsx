import type { SyntheticEvent } from 'react';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { TextField } from '../../ui/TextField.js';
import type { Entering } from './useEntering.js';
import * as say from './words.js';

interface Props {
  entering: Entering;
  knocks: boolean;
  /** Here they may see and hear, and nothing else. */
  watches: boolean;
  /** There is a watch-only way in for them. */
  mayWatch: boolean;
  /** Glen knows nothing of what the room does. */
  pastedRoom: boolean;
}

/** The watch-only way in, beside the usual one or instead of it. */
function Watch({ entering }: { entering: Entering }) {
  return (
    <div>
      <Button className="w-full" disabled={entering.isSending} onClick={() => entering.go(true)}>
        {say.onlyWatch}
      </Button>
      <p className="mt-1 text-sm text-soft">{say.youSeeAndHearWhat}</p>
    </div>
  );
}

/** What the door asks of a visitor, and the button that goes in or knocks. */
export function EnterForm({ entering, knocks, watches, mayWatch, pastedRoom }: Props) {
  const { register, go, isSending, problem, errorAt, asksName, asksCode, isReady, mayWait } =
    entering;
  const submit = (event: SyntheticEvent): void => {
    event.preventDefault();
    go();
  };
  return (
    <form className="mt-4 grid gap-3" noValidate onSubmit={submit}>
      {asksName && (
        <TextField
          label={say.yourName}
          hint={say.theHostSeesIt}
          error={errorAt('name')}
          maxLength={80}
          autoComplete="name"
          {...register('name')}
        />
      )}
      {asksCode && (
        <TextField
          label={say.entryCode}
          error={errorAt('entryCode')}
          maxLength={60}
          autoComplete="off"
          {...register('entryCode')}
        />
      )}
      {(isReady || asksCode) && (
        <>
          <Button type="submit" kind="act" className="w-full !py-3 !text-base" disabled={isSending}>
            {knocks ? say.knock : say.enter[watches ? 'watch' : 'in']}
          </Button>
          {!watches && (
            <p className="text-sm text-soft">
              {pastedRoom ? say.whatTheRoomDoes : say.cameraAndMicrophoneAreOff}
            </p>
          )}
        </>
      )}
      {mayWait && (
        <Button type="submit" kind="act" className="w-full !py-3 !text-base" disabled={isSending}>
          {say.waitInLine}
        </Button>
      )}
      {mayWatch && <Watch entering={entering} />}
      {problem && <FieldError>{problem.title}</FieldError>}
    </form>
  );
}
