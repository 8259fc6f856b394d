import { areStaff } from '@glen/core/light';
import { useDeferredValue } from 'react';
import { api } from '../../app/api.js';
import { useServerForm } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { TextField } from '../../ui/TextField.js';
import { ChoicePart } from '../../ui/choices.js';
import type { As, useTeachers } from './useTeachers.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

export const AS_WORDS: { value: As; label: string }[] = [
  { value: 'host', label: say.hosts },
  { value: 'co-teacher', label: say.coTeaches },
  { value: 'presenter', label: say.visitsAndPresents },
];

const FEWEST_LETTERS = 2;

/** Teachers of the school whose name has these letters. */
function useFoundTeachers(name: string) {
  const wanted = useDeferredValue(name.trim());
  const isAsked = wanted.length >= FEWEST_LETTERS;
  const { data } = api.useFindQuery({ query: { q: wanted } }, { skip: !isAsked });
  return (isAsked ? (data?.people ?? []) : []).filter((p) => areStaff(p.roles));
}

interface Typed {
  name: string;
  email: string;
  as: As;
}

const NOBODY: Typed = { name: '', email: '', as: 'co-teacher' };

type Naming = ReturnType<typeof useServerForm<Typed, Typed, void>>;

/** Whoever the school does not know yet, by their address. */
function NewTeacher({ form: { register, watch, errorAt, isSending } }: { form: Naming }) {
  return (
    <div className="flex flex-wrap items-start gap-3">
      <div className="w-72">
        <TextField
          label={say.orSomebodyNewByAddress}
          hint={say.theyGetAWay}
          type="email"
          className="!py-1.5"
          error={errorAt('email')}
          {...register('email')}
        />
      </div>
      <Button type="submit" className="mt-6" disabled={watch('email').trim() === '' || isSending}>
        {fill(say.name, { name: watch('name').trim() })}
      </Button>
    </div>
  );
}

/** Somebody more who teaches here: found by name, or new by name and address. */
export function NameTeacher({ teachers }: { teachers: ReturnType<typeof useTeachers> }) {
  const form = useServerForm<Typed, Typed, void>({
    start: NOBODY,
    send: async (typed) => ({ error: await teachers.add(typed, typed.name) }),
    fieldOf: (path) => path.split('.').at(-1)!,
    onDone: () => form.reset({ ...NOBODY, as: form.getValues('as') }),
  });
  const { register, watch, change, errorAt, problem, isSending, submit } = form;
  const { name, as } = watch();
  const found = useFoundTeachers(name);
  const nameKnown = async (personId: number, called: string): Promise<void> => {
    const refused = await teachers.add({ personId, as }, called);
    if (refused) form.refuse(refused);
    else form.reset({ ...NOBODY, as });
  };
  return (
    <form
      className="mt-4 grid max-w-2xl gap-3 border-t border-line pt-4"
      noValidate
      onSubmit={submit}
    >
      <div className="flex flex-wrap items-start gap-3">
        <div className="w-56">
          <TextField
            label={say.somebodyMore}
            className="!py-1.5"
            error={errorAt('name')}
            {...register('name')}
          />
        </div>
        <p className="pt-7">
          <ChoicePart
            label={say.asWhat}
            value={as}
            onChange={(v) => change({ as: v as As })}
            choices={AS_WORDS}
          />
        </p>
      </div>
      {found.map((p) => (
        <p key={p.id}>
          <Button disabled={isSending} onClick={() => void nameKnown(p.id, p.name)}>
            {fill(say.name, { name: p.name })}
          </Button>
        </p>
      ))}
      {name.trim() !== '' && <NewTeacher form={form} />}
      {problem && <FieldError>{problem.title}</FieldError>}
    </form>
  );
}
