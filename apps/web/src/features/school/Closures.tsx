import { useContext } from 'react';
import {
  GlenInputError,
  cycleAfter,
  dateInWords,
  type CycleAfter,
  type SchoolCalendar,
} from '@glen/core';
import { Button } from '../../ui/Button.js';
import { Cell, ChoiceCell, Editing, Part, Row } from './Cells.js';
import { Holidays } from './Holidays.js';
import { drop, put, type CalendarPartProps } from './calendarLists.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type Closure = SchoolCalendar['closures'][number];

const KINDS = [
  { value: 'holiday', label: 'holiday' },
  { value: 'staff', label: say.staffDay },
  { value: 'exams', label: 'examinations' },
];

const SHIFTED = 'shifted';

const byFirstDay = (a: Closure, b: Closure): number => (a.first < b.first ? -1 : 1);

interface ClosureRowProps {
  calendar: SchoolCalendar;
  closure: Closure;
  at: number;
  onChange: (part: Partial<Closure>) => void;
  onRemove: () => void;
}

/** What follows a closure; of a calendar that cannot be read as it is being typed nothing is said. */
function whatFollows(calendar: SchoolCalendar, at: number): CycleAfter | undefined {
  try {
    return cycleAfter(calendar, at);
  } catch (error) {
    if (error instanceof GlenInputError) return undefined;
    throw error;
  }
}

/** Whether the cycle waits for a closure in mid-term to be over, or goes on: with what the next school day then is. */
function CyclePart({ calendar, closure, at, onChange }: Omit<ClosureRowProps, 'onRemove'>) {
  const after = whatFollows(calendar, at);
  if (!after) return null;
  const { date, shifted, goesOn } = after;
  const day = dateInWords(date);
  return (
    <ChoiceCell
      label={fill(say.cycleDaysAfter, { closure: closure.name })}
      value={closure.cycle ?? SHIFTED}
      choices={[
        { value: SHIFTED, label: fill(say.cycleShiftsIs, { day, shifted }) },
        { value: 'goes-on', label: fill(say.cycleGoesOnIs, { day, goesOn }) },
      ]}
      onChange={(value) => onChange({ cycle: value === SHIFTED ? undefined : 'goes-on' })}
    />
  );
}

function ClosureRow({ calendar, closure, at, onChange, onRemove }: ClosureRowProps) {
  const { mayEdit } = useContext(Editing);
  const path = `calendar.closures.${at}`;
  const { name, first, last, kind } = closure;
  // One that is only read and lasts a day needs no second date.
  const showsLast = mayEdit || last !== first;
  return (
    <Row name={name} path={path} onRemove={onRemove}>
      <Cell
        wide
        label={fill(say.nameOfClosure, { at: at + 1 })}
        value={name}
        path={`${path}.name`}
        onChange={(value) => onChange({ name: value })}
      />
      <Cell
        type="date"
        label={fill(say.firstDayOf, { name })}
        value={first}
        path={`${path}.first`}
        onChange={(value) => onChange({ first: value, ...(last < value ? { last: value } : {}) })}
      />
      {showsLast && (
        <>
          {say.to}{' '}
          <Cell
            type="date"
            label={fill(say.lastDayOf, { name })}
            value={last}
            path={`${path}.last`}
            onChange={(value) => onChange({ last: value })}
          />
        </>
      )}
      <ChoiceCell
        label={fill(say.kindOf, { name })}
        value={kind}
        choices={KINDS}
        onChange={(value) => onChange({ kind: value as Closure['kind'] })}
      />
      <CyclePart {...{ calendar, closure, at, onChange }} />
    </Row>
  );
}

interface ClosuresProps extends CalendarPartProps {
  /** Where public holidays are looked up. */
  region: string | null;
  onRegion: (region: string) => void;
  /** Another one, on the day that suggests itself. */
  onAdd: () => void;
}

export function Closures({ calendar, change, region, onRegion, onAdd }: ClosuresProps) {
  const { closures } = calendar;
  const { mayEdit } = useContext(Editing);
  // Shown by date, while each keeps the place in the list that its messages are said by.
  const shown = closures
    .map((closure, at) => ({ closure, at }))
    .sort((a, b) => byFirstDay(a.closure, b.closure));
  return (
    <Part title={say.closures} hint={say.daysWithoutLessonsInside}>
      <ul>
        {shown.map(({ closure, at }) => (
          <ClosureRow
            key={at}
            calendar={calendar}
            closure={closure}
            at={at}
            onChange={(part) => change({ closures: put(closures, at, part) })}
            onRemove={() => change({ closures: drop(closures, at) })}
          />
        ))}
      </ul>
      {mayEdit && (
        <div className="mt-2 flex flex-wrap gap-2">
          <Button onClick={onAdd}>{say.anotherClosure}</Button>
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
