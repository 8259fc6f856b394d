import { X } from 'lucide-react';
import { areStaff } from '@glen/core/light';
import { useServerForm } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { TextField } from '../../ui/TextField.js';
import { Part } from './Part.js';
import type { Person, PersonEdits } from './usePersonEdits.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

const NOBODY = { name: '', email: '' };

/** Another guardian by name and, if there is one, address. */
function Another({ person, edits }: { person: Person; edits: PersonEdits }) {
  const known = person.guardians.map((g) => ({ personId: g.id }));
  const form = useServerForm<typeof NOBODY, typeof NOBODY, void>({
    start: NOBODY,
    send: async (typed) => ({ error: await edits.setGuardians([...known, typed]) }),
    // Of the guardians only the last is typed here; what is wrong with it otherwise is said at the address.
    fieldOf: (path) => {
      if (!path.startsWith(`guardians.${known.length}`)) return path;
      return path.endsWith('.name') ? 'name' : 'email';
    },
    onDone: () => form.reset(NOBODY),
  });
  const { register, errorAt, problem, submit } = form;
  return (
    <form className="mt-3 flex flex-wrap items-start gap-3" noValidate onSubmit={submit}>
      <div className="w-52">
        <TextField
          label={say.guardiansName}
          className="!py-1.5"
          error={errorAt('name')}
          {...register('name')}
        />
      </div>
      <div className="w-64">
        <TextField
          label={say.theirAddress}
          type="email"
          className="!py-1.5"
          hint={say.mayBeBlank}
          error={errorAt('email')}
          {...register('email')}
        />
      </div>
      <Button type="submit" className="mt-6">
        {say.addThem}
      </Button>
      {problem && <FieldError>{problem.title}</FieldError>}
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
    <Part title={say.parentsOrGuardians}>
      <p className="text-soft">{say.theySeeNothing}</p>
      <ul className="mt-2">
        {guardians.map((g) => (
          <li key={g.id} className="flex items-center gap-3 border-t border-line py-2">
            <span className="min-w-0 flex-1">
              <b>{g.name}</b>
              <span className="block text-sm break-all text-soft">{g.email ?? say.noAddress}</span>
            </span>
            <button
              type="button"
              aria-label={fill(say.isNoGuardianOfTheirs, { name: g.name })}
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
