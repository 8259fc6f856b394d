import { X } from 'lucide-react';
import { AddPerson } from '../link/AddPerson.js';
import { CardPart } from '../../ui/SentencePart.js';
import type { Named } from './useFree.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

interface PeoplePartProps {
  label: string;
  /** What stands there while nobody is named. */
  nobody: string;
  people: Named[];
  invalid?: boolean;
  onChange: (people: Named[]) => void;
}

const MOST_NAMED = 3;

/** "Ottoline Marsh and Tomas Verhage", "Ottoline Marsh and 4 more". */
function inWords(people: Named[]): string {
  const names = people.map(({ name }) => name);
  if (names.length > MOST_NAMED)
    return fill(say.nameAndNamesCountMore, { name: names[0]!, namesCount: names.length - 1 });
  const last = names.pop()!;
  return names.length === 0 ? last : fill(say.namesAndLast, { names: names.join(', '), last });
}

/** People, as a part of a sentence: a card in which they are added and taken away. */
export const PeoplePart = ({
  label,
  nobody,
  people,
  invalid = false,
  onChange,
}: PeoplePartProps) => (
  <CardPart
    label={label}
    invalid={invalid}
    marked={people.length > 0}
    shown={people.length === 0 ? nobody : inWords(people)}
  >
    <div className="grid w-72 max-w-view gap-2">
      {people.length > 0 && (
        <ul className="max-h-60 overflow-auto">
          {people.map(({ id, name }) => (
            <li key={id} className="flex items-center gap-2 py-0.5">
              <span className="min-w-0 flex-1 truncate">{name}</span>
              <button
                type="button"
                aria-label={fill(say.withoutName, { name })}
                className="rounded-small p-1 hover:bg-shade"
                onClick={() => onChange(people.filter((one) => one.id !== id))}
              >
                <X size={15} aria-hidden="true" />
              </button>
            </li>
          ))}
        </ul>
      )}
      <AddPerson
        onPerson={(id, name) => onChange([...people.filter((one) => one.id !== id), { id, name }])}
      />
    </div>
  </CardPart>
);
