import { createContext, useContext, type ReactNode } from 'react';
import { Trash2 } from 'lucide-react';
import { dateInWords } from '@glen/core/light';
import { ChoiceBox } from '../../ui/choices.js';
import { DateField } from '../../ui/DateField.js';
import { cell } from '../../ui/dress.js';
import { FieldError } from '../../ui/Field.js';
import { TimeField } from '../../ui/TimeField.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

/** Whether the reader may change the calendar, and what is wrong with what they wrote, by field. */
export const Editing = createContext<{
  mayEdit: boolean;
  errorAt: (path: string) => string | undefined;
}>({ mayEdit: false, errorAt: () => undefined });

const isDate = (value: string): boolean => /^\d{4}-\d{2}-\d{2}$/.test(value);

interface CellProps {
  label: string;
  value: string;
  onChange: (value: string) => void;
  type?: 'text' | 'date' | 'time';
  path: string;
  wide?: boolean;
}

/** One value of a row: a field for whoever may change it, plain words for others. */
export function Cell({ label, value, onChange, type = 'text', path, wide = false }: CellProps) {
  const { mayEdit, errorAt } = useContext(Editing);
  const textWidth = wide ? 'w-56' : 'w-20';
  if (!mayEdit)
    return (
      <span className={type === 'text' ? textWidth : 'font-mono text-sm'}>
        {type === 'date' && isDate(value) ? dateInWords(value, 'with-year') : value}
      </span>
    );
  const invalid = errorAt(path) !== undefined;
  const typed = { 'aria-label': label, dress: 'cell', value, onChange, invalid } as const;
  if (type === 'date') return <DateField {...typed} />;
  if (type === 'time') return <TimeField {...typed} />;
  return (
    <input
      aria-label={label}
      aria-invalid={invalid}
      required
      className={`${cell} ${wide ? 'w-56' : 'w-24'} aria-invalid:border-berry`}
      value={value}
      onChange={(e) => onChange(e.target.value)}
    />
  );
}

export function ChoiceCell({
  label,
  value,
  choices,
  onChange,
}: {
  label: string;
  value: string;
  choices: { value: string; label: string }[];
  onChange: (value: string) => void;
}) {
  const { mayEdit } = useContext(Editing);
  if (!mayEdit) return <span>{choices.find((c) => c.value === value)?.label ?? value}</span>;
  return (
    <ChoiceBox dress="cell" label={label} value={value} choices={choices} onChange={onChange} />
  );
}

/** A row of a list, with the way to take it out and what is wrong with it. */
export function Row({
  name,
  path,
  onRemove,
  children,
}: {
  name: string;
  path: string;
  onRemove?: () => void;
  children: ReactNode;
}) {
  const { mayEdit, errorAt } = useContext(Editing);
  const error = errorAt(path);
  return (
    <li className="border-t border-line py-1.5">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1.5">
        {children}
        {mayEdit && onRemove && (
          <button
            type="button"
            aria-label={fill(say.takeOut, { name })}
            className="ml-auto rounded-small p-1.5 text-soft hover:bg-shade hover:text-berry-deep"
            onClick={onRemove}
          >
            <Trash2 size={16} aria-hidden="true" />
          </button>
        )}
      </div>
      {error && <FieldError>{error}</FieldError>}
    </li>
  );
}

export function Part({
  title,
  hint,
  children,
}: {
  title: string;
  hint: string;
  children: ReactNode;
}) {
  return (
    <section aria-label={title} className="rounded-big border border-line bg-sheet p-5">
      <h2 className="text-lg">{title}</h2>
      <p className="mb-2 text-md text-soft">{hint}</p>
      {children}
    </section>
  );
}
