import { useState } from 'react';
import { useNavigate } from 'react-router';
import { readLinkCode } from '@glen/core/light';
import { Button } from '../../ui/Button.js';
import { TextField } from '../../ui/TextField.js';

/** A code typed by hand: any case, with or without hyphen. */
export function TypeCode({ start = '' }: { start?: string }) {
  const navigate = useNavigate();
  const [typed, setTyped] = useState(start);
  const [error, setError] = useState<string>();
  const go = (): void => {
    const code = readLinkCode(typed.replace(/^.*\/door\//, ''));
    if (code === null)
      setError(
        'A code is a word and 11 letters or digits, such as heron-7k3m9qvd2xt. Look again: a letter may be missing.',
      );
    else void navigate(`/door/${code}`);
  };
  return (
    <form
      className="mt-5 grid gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        go();
      }}
    >
      <TextField
        label="The code of your door"
        error={error}
        hint="Capitals, spaces and the hyphen do not matter."
        className="font-mono"
        autoCapitalize="none"
        autoCorrect="off"
        spellCheck={false}
        value={typed}
        onChange={(e) => {
          setTyped(e.target.value);
          setError(undefined);
        }}
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
      <h1 className="text-2xl">Which door?</h1>
      <TypeCode />
    </main>
  );
}
