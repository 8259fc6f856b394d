import { useNavigate } from 'react-router';
import { readLinkCode } from '@glen/core/light';
import { useServerForm, wrongAt } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { TextField } from '../../ui/TextField.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import * as say from './words.js';

interface Typed {
  code: string;
}

/** A code typed by hand: any case, with or without hyphen. */
export function TypeCode({ start = '' }: { start?: string }) {
  const navigate = useNavigate();
  const { register, errorAt, submit } = useServerForm<Typed, Typed, string>({
    start: { code: start },
    send: ({ code }) => {
      const read = readLinkCode(code.replace(/^.*\/door\//, ''));
      return Promise.resolve(
        read === null ? { error: wrongAt('code', say.aCodeIsAWord) } : { data: read },
      );
    },
    onDone: (code) => void navigate(`/door/${code}`),
  });
  return (
    <form className="mt-5 grid gap-3" noValidate onSubmit={submit}>
      <TextField
        label={say.theCodeOfYourDoor}
        error={errorAt('code')}
        hint={say.capitalsSpacesAndTheHyphen}
        className="font-mono"
        autoCapitalize="none"
        autoCorrect="off"
        spellCheck={false}
        {...register('code')}
      />
      <Button type="submit" kind="act">
        {say.toTheDoor}
      </Button>
    </form>
  );
}

export function TypeCodePage() {
  return (
    <main id="main" className="mx-auto min-h-dvh max-w-md px-5 py-7">
      <ScreenTitle tab={say.whichDoor} />
      <TypeCode />
    </main>
  );
}
