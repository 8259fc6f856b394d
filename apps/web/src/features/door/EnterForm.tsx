import { messageFor } from '../../app/api.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { TextField } from '../../ui/TextField.js';
import type { Entering } from './useEntering.js';

/** What the door asks of a visitor, and the button that goes in or knocks. */
export function EnterForm({ entering, knocks }: { entering: Entering; knocks: boolean }) {
  const { typed, goIn, isLoading, problem, codeProblem, asksName, asksCode, isReady } = entering;
  const { name, setName, entryCode, setEntryCode } = typed;
  const nameProblem = messageFor(problem, 'name');
  return (
    <form
      className="mt-4 grid gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        void goIn();
      }}
    >
      {asksName && (
        <TextField
          label="Your name"
          hint="The host sees it."
          error={nameProblem}
          maxLength={80}
          autoComplete="name"
          value={name}
          onChange={(e) => setName(e.target.value)}
        />
      )}
      {asksCode && (
        <TextField
          label="Entry code"
          error={codeProblem ?? messageFor(problem, 'entryCode')}
          maxLength={60}
          autoComplete="off"
          value={entryCode}
          onChange={(e) => setEntryCode(e.target.value)}
        />
      )}
      {(isReady || asksCode) && (
        <>
          <Button type="submit" kind="act" className="w-full !py-3 !text-base" disabled={isLoading}>
            {knocks ? 'Knock' : 'Go in'}
          </Button>
          <p className="text-sm text-soft">
            Camera and microphone are off until you switch them on inside.
          </p>
        </>
      )}
      {problem && !nameProblem && (
        <FieldError>{problem.errors?.[0]?.message ?? problem.title}</FieldError>
      )}
    </form>
  );
}
