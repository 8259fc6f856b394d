import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { TextField } from '../../ui/TextField.js';
import type { Entering } from './useEntering.js';

/** What the door asks of a visitor, and the button that goes in or knocks. */
export function EnterForm({ entering, knocks }: { entering: Entering; knocks: boolean }) {
  const { register, submit, isSending, problem, errorAt, asksName, asksCode, isReady } = entering;
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
            {knocks ? 'Knock' : 'Go in'}
          </Button>
          <p className="text-sm text-soft">
            Camera and microphone are off until you switch them on inside.
          </p>
          {problem && <FieldError>{problem.title}</FieldError>}
        </>
      )}
    </form>
  );
}
