import { useNavigate } from 'react-router';
import { readLinkCode } from '@glen/core/light';
import { useServerForm, wrongAt } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { TextField } from '../../ui/TextField.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';

const NO_CODE =
  'A code is a word and 11 letters or digits, such as heron-7k3m9qvd2xt. Look again: a letter may be missing.';

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
      return Promise.resolve(read === null ? { error: wrongAt('code', NO_CODE) } : { data: read });
    },
    onDone: (code) => void navigate(`/door/${code}`),
  });
  return (
    <form className="mt-5 grid gap-3" noValidate onSubmit={submit}>
      <TextField
        label="The code of your door"
        error={errorAt('code')}
        hint="Capitals, spaces and the hyphen do not matter."
        className="font-mono"
        autoCapitalize="none"
        autoCorrect="off"
        spellCheck={false}
        {...register('code')}
      />
      <Button type="submit" kind="act">
        To the door
      </Button>
    </form>
  );
}

export function TypeCodePage() {
  return (
    <main id="main" className="mx-auto min-h-dvh max-w-md px-5 py-7">
      <ScreenTitle tab="Which door?" />
      <TypeCode />
    </main>
  );
}
