import { X } from 'lucide-react';
import { useState } from 'react';
import { dateInWords } from '@glen/core/light';
import { FieldError } from '../../ui/Field.js';
import { ChoicePart } from '../../ui/choices.js';
import { WaysIn } from '../group/WaysIn.js';
import type { ClassPeriod } from '../school/classPeriod.js';
import { useKeeps } from '../school/useKeeps.js';
import { AS_WORDS, NameTeacher } from './NameTeacher.js';
import { useTeachers, type As, type Ways } from './useTeachers.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type Teacher = ClassPeriod['staff'][number];

interface RowProps {
  teacher: Teacher;
  isOwn: boolean;
  onChange: (as: As) => void;
  onRemove: () => void;
}

const wordsFor = ({ as, covers }: Teacher): string =>
  covers
    ? fill(say.coversForUntil, { covers: covers.name, date: dateInWords(covers.until) })
    : AS_WORDS.find((w) => w.value === as)!.label;

function TeacherRow({ teacher, isOwn, onChange, onRemove }: RowProps) {
  const { name, as } = teacher;
  return (
    <li className="flex items-center gap-3 border-t border-line py-2">
      <span className="min-w-0 flex-1">
        <b>{name}</b> {!isOwn && wordsFor(teacher)}
      </span>
      {isOwn && (
        <>
          <ChoicePart
            label={fill(say.asWhatIsHere, { name })}
            value={as}
            marked={false}
            onChange={(v) => onChange(v as As)}
            choices={AS_WORDS}
          />
          <button
            type="button"
            aria-label={fill(say.teachesItNoLongerName, { name })}
            className="rounded-small p-1.5 text-soft hover:bg-shade hover:text-berry-deep"
            onClick={onRemove}
          >
            <X size={16} aria-hidden="true" />
          </button>
        </>
      )}
    </li>
  );
}

/** Who hosts, co-teaches and presents in a class period; named lastingly. */
export function Teachers({ classPeriod }: { classPeriod: ClassPeriod }) {
  const teachers = useTeachers(classPeriod);
  const [seen, setSeen] = useState<Ways>();
  const { putAwayAt, coverFor } = classPeriod.class;
  // Who teaches it is not for whoever covers to say.
  const isOwn = useKeeps(classPeriod.class) && !putAwayAt && coverFor === null;
  const { problem, ways } = teachers;
  return (
    <section aria-label={say.whoTeachesIt} className="mt-7">
      <h2 className="mb-1 text-xl">{say.whoTeachesIt}</h2>
      {ways.length > 0 && ways !== seen && <WaysIn ways={ways} onClose={() => setSeen(ways)} />}
      <ul className="max-w-2xl">
        {classPeriod.staff.map((t) => (
          <TeacherRow
            key={t.id}
            teacher={t}
            isOwn={isOwn && t.covers === null}
            onChange={(as) => void teachers.change(t.id, as, t.name)}
            onRemove={() => void teachers.remove(t.id, t.name)}
          />
        ))}
      </ul>
      {problem && <FieldError>{problem.errors?.[0]?.message ?? problem.title}</FieldError>}
      {isOwn && <NameTeacher teachers={teachers} />}
    </section>
  );
}
