import { useNavigate } from 'react-router';
import { readCheckInCode } from '@glen/core';
import type { Answer, Sent } from '@glen/contract';
import { api } from '../../app/api.js';
import { useServerForm, wrongAt } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { TextField } from '../../ui/TextField.js';
import * as say from './words.js';

type Typed = Sent<'findCheckIn'>;

/** Where the letters that were read out are typed. */
export default function TypeCheckInPage() {
  const navigate = useNavigate();
  const [find] = api.useFindCheckInMutation();
  const { register, errorAt, problem, isSending, submit } = useServerForm<
    Typed,
    Typed,
    Answer<'findCheckIn'>
  >({
    start: { code: '' },
    send: ({ code }) => {
      const read = readCheckInCode(code);
      if (read === null) return Promise.resolve({ error: wrongAt('code', say.aCheckInHasFour) });
      return find({ body: { code: read } });
    },
    onDone: ({ token }) => void navigate(`/check-in/${token}`),
  });
  return (
    <main id="main" className="mx-auto min-h-dvh max-w-md px-5 py-7">
      <ScreenTitle tab={say.checkIn}>{say.checkIn}</ScreenTitle>
      <form className="mt-4 grid gap-3" noValidate onSubmit={submit}>
        <TextField
          label={say.theFourLetters}
          className="font-mono uppercase"
          maxLength={12}
          autoCapitalize="characters"
          autoComplete="off"
          autoCorrect="off"
          spellCheck={false}
          error={errorAt('code')}
          {...register('code')}
        />
        {problem && <FieldError>{problem.title}</FieldError>}
        <Button kind="act" type="submit" disabled={isSending}>
          {say.toTheCheckIn}
        </Button>
      </form>
    </main>
  );
}
