import { rolesInWords } from '@glen/core/light';
import { useDeferredValue, useState } from 'react';
import { api } from '../../app/api.js';
import { Button } from '../../ui/Button.js';
import { inputClass } from '../../ui/Field.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

/** From so many letters on, names are looked for. */
const FEWEST_LETTERS = 2;

interface AddPersonProps {
  onPerson: (id: number, name: string) => void;
  /** Guests can be added by their addresses. */
  onEmail?: (email: string) => void;
}

/** Somebody found by name or address, to be put on a list. */
export function AddPerson({ onPerson, onEmail }: AddPersonProps) {
  const [typed, setTyped] = useState('');
  const wanted = useDeferredValue(typed.trim());
  const isAddress = onEmail !== undefined && wanted.includes('@');
  const isName = !isAddress && wanted.length >= FEWEST_LETTERS;
  const { data } = api.useFindQuery({ query: { q: wanted } }, { skip: !isName });
  const people = isName ? data?.people : undefined;
  return (
    <div className="grid gap-1.5">
      <input
        aria-label={onEmail ? say.addSomebodyByName : say.addSomebodyByNameTitle}
        placeholder={onEmail ? say.aNameOrAGuests : say.aName}
        className={`${inputClass} !py-1.5 text-base`}
        value={typed}
        onChange={(e) => setTyped(e.target.value)}
      />
      {isAddress && (
        <Button
          className="!whitespace-normal"
          onClick={() => {
            onEmail(wanted.toLowerCase());
            setTyped('');
          }}
        >
          {fill(say.inviteAsAGuest, { wanted })}
        </Button>
      )}
      {people?.map((p) => (
        <button
          key={p.id}
          type="button"
          className="rounded-small px-2 py-1 text-left text-base hover:bg-shade"
          onClick={() => {
            onPerson(p.id, p.name);
            setTyped('');
          }}
        >
          {p.name} <span className="text-sm text-soft">{rolesInWords(p.roles)}</span>
        </button>
      ))}
      {people?.length === 0 && <p className="text-sm text-soft">{say.nobodyByThatName}</p>}
    </div>
  );
}
