import { rolesInWords, type PersonRole } from '@glen/core/light';
import type { Sent } from '@glen/contract';
import { api } from '../../app/api.js';
import { useKeptForm } from '../../app/useKeptForm.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { TextField } from '../../ui/TextField.js';
import { Theirs } from '../../ui/Theirs.js';
import { useAlone } from '../school/useAlone.js';
import { RolesPart } from './RolesPart.js';
import type { Person } from './usePersonEdits.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type Fields = Omit<Sent<'editPerson'>, 'version'>;

const schema = async () =>
  (await import('@glen/contract/forms')).personWords.omit({ version: true });

const fieldsOf = ({ name, roles }: Person): Fields => ({ name, roles });

/** What somebody is called and what they are to the school, to be changed. */
export function PersonWords({ person }: { person: Person }) {
  const [save] = api.useEditPersonMutation();
  const alone = useAlone();
  const form = useKeptForm<Person, Fields, Fields>({
    kept: person,
    fieldsOf,
    schema,
    save: async (sent, version) => {
      const { data, error } = await save({
        params: { personId: person.id },
        body: { ...sent, version },
      });
      return data ? { data: data.person } : { error };
    },
  });
  const { register, watch, setValue, formState, problem, theirs, isDirty, submit } = form;
  return (
    <form className="grid max-w-2xl gap-4" noValidate onSubmit={submit}>
      {theirs && (
        <Theirs saveOver={form.saveOver} takeTheirs={form.takeTheirs}>
          {fill(say.theirsIs, { theirs: theirs.name, roles: rolesInWords(theirs.roles) })}
        </Theirs>
      )}
      <TextField label={say.name} error={formState.errors.name?.message} {...register('name')} />
      {!alone && (
        <RolesPart
          roles={watch('roles') as PersonRole[]}
          onChange={(roles) => setValue('roles', roles, { shouldDirty: true })}
        />
      )}
      {formState.errors.roles?.message && <FieldError>{formState.errors.roles.message}</FieldError>}
      {problem && !theirs && <FieldError>{problem.title}</FieldError>}
      <p>
        <Button type="submit" kind="act" disabled={!isDirty || formState.isSubmitting}>
          {say.saveTheChange}
        </Button>
      </p>
    </form>
  );
}
