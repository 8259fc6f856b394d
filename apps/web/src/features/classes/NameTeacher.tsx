import { areStaff } from '@glen/core/light';
import { useDeferredValue, useState } from 'react';
import { api } from '../../app/api.js';
import { Button } from '../../ui/Button.js';
import { TextField } from '../../ui/TextField.js';
import { ChoicePart } from '../../ui/SentencePart.js';
import type { As, useTeachers } from './useTeachers.js';

export const AS_WORDS: { value: As; label: string }[] = [
  { value: 'host', label: 'hosts' },
  { value: 'co-teacher', label: 'co-teaches' },
  { value: 'presenter', label: 'visits and presents' },
];

const FEWEST_LETTERS = 2;

/** Teachers of the school whose name has these letters. */
function useFoundTeachers(name: string) {
  const wanted = useDeferredValue(name.trim());
  const isAsked = wanted.length >= FEWEST_LETTERS;
  const { data } = api.useFindQuery({ query: { q: wanted } }, { skip: !isAsked });
  return (isAsked ? (data?.people ?? []) : []).filter((p) => areStaff(p.roles));
}

interface NewProps {
  name: string;
  email: string;
  onEmail: (email: string) => void;
  isSaving: boolean;
}

/** Whoever the school does not know yet, by their address. */
const NewTeacher = ({ name, email, onEmail, isSaving }: NewProps) => (
  <div className="flex flex-wrap items-start gap-3">
    <div className="w-72">
      <TextField
        label="Or somebody new, by address"
        hint="They get a way in to hand on."
        type="email"
        className="!py-1.5"
        value={email}
        onChange={(e) => onEmail(e.target.value)}
      />
    </div>
    <Button type="submit" className="mt-6" disabled={email.trim() === '' || isSaving}>
      Name {name.trim()}
    </Button>
  </div>
);

/** Somebody more who teaches here: found by name, or new by name and address. */
export function NameTeacher({ teachers }: { teachers: ReturnType<typeof useTeachers> }) {
  const [name, setName] = useState('');
  const [email, setEmail] = useState('');
  const [as, setAs] = useState<As>('co-teacher');
  const found = useFoundTeachers(name);
  const { isSaving } = teachers;
  const add = async (person: Parameters<typeof teachers.add>[0], called: string): Promise<void> => {
    if (!(await teachers.add(person, called))) return;
    setName('');
    setEmail('');
  };
  return (
    <form
      className="mt-4 grid max-w-2xl gap-3 border-t border-line pt-4"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        void add({ name, email, as }, name);
      }}
    >
      <div className="flex flex-wrap items-start gap-3">
        <div className="w-56">
          <TextField
            label="Somebody more"
            className="!py-1.5"
            value={name}
            onChange={(e) => setName(e.target.value)}
          />
        </div>
        <p className="pt-7">
          <ChoicePart
            label="As what"
            value={as}
            onChange={(v) => setAs(v as As)}
            choices={AS_WORDS}
          />
        </p>
      </div>
      {found.map((p) => (
        <p key={p.id}>
          <Button disabled={isSaving} onClick={() => void add({ personId: p.id, as }, p.name)}>
            Name {p.name}
          </Button>
        </p>
      ))}
      {name.trim() !== '' && (
        <NewTeacher name={name} email={email} onEmail={setEmail} isSaving={isSaving} />
      )}
    </form>
  );
}
