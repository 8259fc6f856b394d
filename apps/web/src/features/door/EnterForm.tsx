import type { SyntheticEvent } from 'react';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { TextField } from '../../ui/TextField.js';
import type { Entering } from './useEntering.js';

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

const OUR_ROOM = 'Camera and microphone are off until you switch them on inside.';
const PASTED_ROOM =
  'What the room does with camera and microphone, Glen does not know: come in with both off.';

const ENTER = { in: 'Go in', watch: 'Go in to watch' };

/** The watch-only way in, beside the usual one or instead of it. */
function Watch({ entering }: { entering: Entering }) {
  return (
    <div>
      <Button className="w-full" disabled={entering.isSending} onClick={() => entering.go(true)}>
        Only watch
      </Button>
      <p className="mt-1 text-sm text-soft">
        You see and hear what goes on, and cannot be seen or heard.
      </p>
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
          label="Your name"
          hint="The host sees it."
          error={errorAt('name')}
          maxLength={80}
          autoComplete="name"
          {...register('name')}
        />
      )}
      {asksCode && (
        <TextField
          label="Entry code"
          error={errorAt('entryCode')}
          maxLength={60}
          autoComplete="off"
          {...register('entryCode')}
        />
      )}
      {(isReady || asksCode) && (
        <>
          <Button type="submit" kind="act" className="w-full !py-3 !text-base" disabled={isSending}>
            {knocks ? 'Knock' : ENTER[watches ? 'watch' : 'in']}
          </Button>
          {!watches && <p className="text-sm text-soft">{pastedRoom ? PASTED_ROOM : OUR_ROOM}</p>}
        </>
      )}
      {mayWait && (
        <Button type="submit" kind="act" className="w-full !py-3 !text-base" disabled={isSending}>
          Wait in line
        </Button>
      )}
      {mayWatch && <Watch entering={entering} />}
      {problem && <FieldError>{problem.title}</FieldError>}
    </form>
  );
}
