import { useDeferredValue } from 'react';
import { areStaff } from '@glen/core/light';
import { api } from '../../app/api.js';
import { useServerForm } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { TextField } from '../../ui/TextField.js';
import type { RollEdits } from './useRollEdits.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

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
    <ul aria-label={say.knownByThatName} className="mt-2 grid gap-1">
      {found.map((p) => (
        <li key={p.id} className="flex flex-wrap items-center gap-x-3">
          <Button kind="link" disabled={isBusy} onClick={() => onChoose(p.id)}>
            {fill(say.putOnTheRoll, { name: p.name })}
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
  const form = useServerForm<typeof NOBODY, typeof NOBODY, void>({
    start: NOBODY,
    send: async (typed) => ({ error: await edits.add([typed]) }),
    fieldOf: (path) => path.replace('people.0.', ''),
    onDone: () => form.reset(NOBODY),
  });
  const { register, watch, errorAt, problem, submit } = form;
  const found = useFoundStudents(watch('name'), onRoll);
  const putKnown = async (personId: number): Promise<void> => {
    const refused = await edits.add([{ personId }]);
    if (refused) form.refuse(refused);
    else form.reset(NOBODY);
  };
  return (
    <>
      <form className="flex flex-wrap items-start gap-3" noValidate onSubmit={submit}>
        <div className="w-52">
          <TextField
            label={say.name}
            error={errorAt('name')}
            className="!py-1.5"
            {...register('name')}
          />
        </div>
        <div className="w-64">
          <TextField
            label={say.address}
            hint={say.blankTheyComeWithout}
            error={errorAt('email')}
            type="email"
            className="!py-1.5"
            {...register('email')}
          />
        </div>
        <Button type="submit" kind="strong" className="mt-6" disabled={edits.isBusy}>
          {say.putOnTheRollShort}
        </Button>
        {problem && <FieldError>{problem.title}</FieldError>}
      </form>
      <Found found={found} isBusy={edits.isBusy} onChoose={(personId) => void putKnown(personId)} />
    </>
  );
}
