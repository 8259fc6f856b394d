import { useContext } from 'react';
import type { SchoolCalendar } from '@glen/core';
import { Button } from '../../ui/Button.js';
import { Cell, ChoiceCell, Editing, Part, Row } from './Cells.js';
import { Holidays } from './Holidays.js';
import { drop, put, type CalendarPartProps } from './calendarLists.js';

type Closure = SchoolCalendar['closures'][number];

const KINDS = [
  { value: 'holiday', label: 'holiday' },
  { value: 'staff', label: 'staff day' },
  { value: 'exams', label: 'examinations' },
];

const byFirstDay = (a: Closure, b: Closure): number => (a.first < b.first ? -1 : 1);

interface ClosureRowProps {
  closure: Closure;
  at: number;
  onChange: (part: Partial<Closure>) => void;
  onRemove: () => void;
}

function ClosureRow({ closure, at, onChange, onRemove }: ClosureRowProps) {
  const { mayEdit } = useContext(Editing);
  const path = `calendar.closures.${at}`;
  const { name, first, last, kind } = closure;
  // One that is only read and lasts a day needs no second date.
  const showsLast = mayEdit || last !== first;
  return (
    <Row name={name} path={path} onRemove={onRemove}>
      <Cell
        wide
        label={`Name of closure ${at + 1}`}
        value={name}
        path={`${path}.name`}
        onChange={(value) => onChange({ name: value })}
      />
      <Cell
        type="date"
        label={`First day of ${name}`}
        value={first}
        path={`${path}.first`}
        onChange={(value) => onChange({ first: value, ...(last < value ? { last: value } : {}) })}
      />
      {showsLast && (
        <>
          to{' '}
          <Cell
            type="date"
            label={`Last day of ${name}`}
            value={last}
            path={`${path}.last`}
            onChange={(value) => onChange({ last: value })}
          />
        </>
      )}
      <ChoiceCell
        label={`Kind of ${name}`}
        value={kind}
        choices={KINDS}
        onChange={(value) => onChange({ kind: value as Closure['kind'] })}
      />
    </Row>
  );
}

interface ClosuresProps extends CalendarPartProps {
  /** Where public holidays are looked up. */
  region: string | null;
  onRegion: (region: string) => void;
}

export function Closures({ calendar, change, region, onRegion }: ClosuresProps) {
  const { closures, terms } = calendar;
  const { mayEdit } = useContext(Editing);
  // Shown by date, while each keeps the place in the list that its messages are said by.
  const shown = closures
    .map((closure, at) => ({ closure, at }))
    .sort((a, b) => byFirstDay(a.closure, b.closure));
  const addOne = (): void => {
    const day = terms[0]!.first;
    change({ closures: [...closures, { name: 'Closed', first: day, last: day, kind: 'holiday' }] });
  };
  return (
    <Part
      title="Closures"
      hint="Days without lessons inside a term. A series that skips closures leaves these out."
    >
      <ul>
        {shown.map(({ closure, at }) => (
          <ClosureRow
            key={at}
            closure={closure}
            at={at}
            onChange={(part) => change({ closures: put(closures, at, part) })}
            onRemove={() => change({ closures: drop(closures, at) })}
          />
        ))}
      </ul>
      {mayEdit && (
        <div className="mt-2 flex flex-wrap gap-2">
          <Button onClick={addOne}>Another closure</Button>
          <Holidays
            calendar={calendar}
            region={region}
            onRegion={onRegion}
            onAdd={(added) => change({ closures: [...closures, ...added].sort(byFirstDay) })}
          />
        </div>
      )}
    </Part>
  );
}
