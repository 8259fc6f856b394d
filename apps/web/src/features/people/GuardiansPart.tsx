import { X } from 'lucide-react';
import { useState } from 'react';
import { areStaff } from '@glen/core/light';
import type { Problem } from '@glen/contract';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { TextField } from '../../ui/TextField.js';
import { Part } from './Part.js';
import type { Person, PersonEdits } from './usePersonEdits.js';

const NOBODY = { name: '', email: '' };

/** Another guardian by name and, if there is one, address. */
function Another({ person, edits }: { person: Person; edits: PersonEdits }) {
  const [typed, setTyped] = useState(NOBODY);
  const [problem, setProblem] = useState<Problem>();
  const known = person.guardians.map((g) => ({ personId: g.id }));
  const message = problem?.errors?.find((e) => e.path.startsWith(`guardians.${known.length}`));
  const change = (part: Partial<typeof NOBODY>): void => {
    setTyped({ ...typed, ...part });
    setProblem(undefined);
  };
  const add = async (): Promise<void> => {
    const refused = await edits.setGuardians([...known, typed]);
    setProblem(refused);
    if (!refused) setTyped(NOBODY);
  };
  return (
    <form
      className="mt-3 flex flex-wrap items-start gap-3"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        void add();
      }}
    >
      <div className="w-52">
        <TextField
          label="Guardian’s name"
          className="!py-1.5"
          error={message?.path.endsWith('.name') ? message.message : undefined}
          value={typed.name}
          onChange={(e) => change({ name: e.target.value })}
        />
      </div>
      <div className="w-64">
        <TextField
          label="Their address"
          type="email"
          className="!py-1.5"
          hint="May be blank."
          error={message && !message.path.endsWith('.name') ? message.message : undefined}
          value={typed.email}
          onChange={(e) => change({ email: e.target.value })}
        />
      </div>
      <Button type="submit" className="mt-6">
        Add them
      </Button>
      {problem && !message && <FieldError>{problem.title}</FieldError>}
    </form>
  );
}

/** A student's parents or guardians. */
export function GuardiansPart({ person, edits }: { person: Person; edits: PersonEdits }) {
  const { guardians, roles, retiredAt } = person;
  if (areStaff(roles) || !roles.includes('student')) return null;
  const without = (id: number) =>
    edits.setGuardians(guardians.filter((g) => g.id !== id).map((g) => ({ personId: g.id })));
  return (
    <Part title="Parents or guardians">
      <p className="text-soft">They see nothing of the student by being named here.</p>
      <ul className="mt-2">
        {guardians.map((g) => (
          <li key={g.id} className="flex items-center gap-3 border-t border-line py-2">
            <span className="min-w-0 flex-1">
              <b>{g.name}</b>
              <span className="block text-sm break-all text-soft">{g.email ?? 'no address'}</span>
            </span>
            <button
              type="button"
              aria-label={`${g.name} is no guardian of theirs`}
              className="rounded-small p-1.5 text-soft hover:bg-shade hover:text-berry-deep"
              onClick={() => void without(g.id)}
            >
              <X size={16} aria-hidden="true" />
            </button>
          </li>
        ))}
      </ul>
      {retiredAt === null && <Another person={person} edits={edits} />}
    </Part>
  );
}
