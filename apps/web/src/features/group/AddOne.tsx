import { useDeferredValue, useState } from 'react';
import { areStaff } from '@glen/core/light';
import type { Problem } from '@glen/contract';
import { api, messageFor } from '../../app/api.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { TextField } from '../../ui/TextField.js';
import type { RollEdits } from './useRollEdits.js';

const NOBODY = { name: '', email: '' };

/** From so many letters on, names are looked for. */
const FEWEST_LETTERS = 2;

/** Students of the school whose name has these letters, and who are not on the roll yet. */
function useFoundStudents(name: string, onRoll: number[]) {
  const wanted = useDeferredValue(name.trim());
  const isAsked = wanted.length >= FEWEST_LETTERS;
  const { data } = api.useFindQuery({ query: { q: wanted } }, { skip: !isAsked });
  const found = isAsked ? (data?.people ?? []) : [];
  return found.filter((p) => !areStaff(p.roles) && !onRoll.includes(p.id));
}

interface FoundProps {
  found: ReturnType<typeof useFoundStudents>;
  isBusy: boolean;
  onChoose: (id: number) => void;
}

/** Whom the school knows by that name: put on the roll at one press. */
const Found = ({ found, isBusy, onChoose }: FoundProps) =>
  found.length === 0 ? null : (
    <ul aria-label="Known by that name" className="mt-2 grid gap-1">
      {found.map((p) => (
        <li key={p.id} className="flex flex-wrap items-center gap-x-3">
          <Button kind="link" disabled={isBusy} onClick={() => onChoose(p.id)}>
            Put {p.name} on the roll
          </Button>
          <span className="text-sm text-soft">
            {[p.email, ...p.classes.map((c) => c.title)].filter(Boolean).join(' · ')}
          </span>
        </li>
      ))}
    </ul>
  );

interface AddOneProps {
  edits: RollEdits;
  /** Who is on the roll, by their ids. */
  onRoll: number[];
}

/** One student, found by name, or new by name and address; the fields are ready for the next as soon as it is done. */
export function AddOne({ edits, onRoll }: AddOneProps) {
  const [typed, setTyped] = useState(NOBODY);
  const [problem, setProblem] = useState<Problem>();
  const change = (part: Partial<typeof NOBODY>): void => {
    setTyped({ ...typed, ...part });
    setProblem(undefined);
  };
  const found = useFoundStudents(typed.name, onRoll);
  const put = async (person: Parameters<RollEdits['add']>[0][number]): Promise<void> => {
    const refused = await edits.add([person]);
    setProblem(refused);
    if (!refused) setTyped(NOBODY);
  };
  const message = (field: string) => messageFor(problem, `people.0.${field}`);
  return (
    <>
      <form
        className="flex flex-wrap items-start gap-3"
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          void put(typed);
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
            hint="Blank: they come without an account."
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
      <Found found={found} isBusy={edits.isBusy} onChoose={(personId) => void put({ personId })} />
    </>
  );
}
