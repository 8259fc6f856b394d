import { useState } from 'react';
import type { Problem } from '@glen/contract';
import { messageFor } from '../../app/api.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { TextField } from '../../ui/TextField.js';
import type { RollEdits } from './useRollEdits.js';

const NOBODY = { name: '', email: '' };

/** One student, by name and address; the fields are ready for the next as soon as it is done. */
export function AddOne({ edits }: { edits: RollEdits }) {
  const [typed, setTyped] = useState(NOBODY);
  const [problem, setProblem] = useState<Problem>();
  const change = (part: Partial<typeof NOBODY>): void => {
    setTyped({ ...typed, ...part });
    setProblem(undefined);
  };
  const send = async (): Promise<void> => {
    const refused = await edits.add([{ name: typed.name, email: typed.email }]);
    setProblem(refused);
    if (!refused) setTyped(NOBODY);
  };
  const message = (field: string) => messageFor(problem, `people.0.${field}`);
  return (
    <form
      className="flex flex-wrap items-start gap-3"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        void send();
      }}
    >
      <div className="w-52">
        <TextField
          label="Name"
          error={message('name')}
          className="!py-1.5"
          value={typed.name}
          onChange={(e) => change({ name: e.target.value })}
        />
      </div>
      <div className="w-64">
        <TextField
          label="Address"
          error={message('email')}
          type="email"
          className="!py-1.5"
          value={typed.email}
          onChange={(e) => change({ email: e.target.value })}
        />
      </div>
      <Button type="submit" kind="strong" className="mt-6" disabled={edits.isBusy}>
        Put on the roll
      </Button>
      {problem && !message('name') && !message('email') && (
        <FieldError>{problem.errors?.[0]?.message ?? problem.title}</FieldError>
      )}
    </form>
  );
}
