import { useContext } from 'react';
import type { SchoolCalendar } from '@glen/core';
import { Button } from '../../ui/Button.js';
import { Add } from './Add.js';
import { Cell, Editing, Row } from './Cells.js';
import { drop, put } from './calendarLists.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type Bells = SchoolCalendar['bells'][number];
type Period = Bells['periods'][number];

const LATEST_HOUR = 22;

/** A period after the last one: the next full hour, 45 minutes long. */
function nextPeriod(periods: Period[]): Period {
  const end = periods.at(-1)?.end ?? '08:00';
  const hour = String(Math.min(LATEST_HOUR, Number(end.slice(0, 2)) + 1)).padStart(2, '0');
  return { label: String(periods.length + 1), start: `${hour}:00`, end: `${hour}:45` };
}

interface PeriodRowProps {
  period: Period;
  at: number;
  setName: string;
  /** Where the set stands in the calendar, to find what is wrong with it. */
  setPath: string;
  onChange: (part: Partial<Period>) => void;
  onRemove: () => void;
}

function PeriodRow({ period, at, setName, setPath, onChange, onRemove }: PeriodRowProps) {
  const path = `${setPath}.periods.${at}`;
  const name = fill(say.periodOfSetName, { period: period.label, setName });
  return (
    <Row name={`period ${name}`} path={path} onRemove={onRemove}>
      <Cell
        label={fill(say.labelOfPeriodOf, { at: at + 1, setName })}
        value={period.label}
        path={`${path}.label`}
        onChange={(label) => onChange({ label })}
      />
      <Cell
        type="time"
        label={fill(say.periodBegins, { name })}
        value={period.start}
        path={`${path}.start`}
        onChange={(start) => onChange({ start })}
      />
      –
      <Cell
        type="time"
        label={fill(say.periodEnds, { name })}
        value={period.end}
        path={`${path}.end`}
        onChange={(end) => onChange({ end })}
      />
    </Row>
  );
}

interface BellSetProps {
  set: Bells;
  at: number;
  /** Rings on no weekday and no single day, so that it can go. */
  isUnused: boolean;
  onRename: (name: string) => void;
  onPeriods: (periods: Period[]) => void;
  onRemove: () => void;
}

/** One set of bells: its name and its periods. */
export function BellSet({ set, at, isUnused, onRename, onPeriods, onRemove }: BellSetProps) {
  const { mayEdit } = useContext(Editing);
  const { name, periods } = set;
  const path = `calendar.bells.${at}`;
  return (
    <section aria-label={fill(say.nameBells, { name })}>
      <h3 className="flex items-center gap-2 text-base">
        <Cell
          label={fill(say.nameOfBellSet, { at: at + 1 })}
          value={name}
          path={`${path}.name`}
          onChange={onRename}
        />
        {!mayEdit && ' bells'}
        {mayEdit && isUnused && (
          <Button kind="danger-link" onClick={onRemove}>
            {say.takeOutShort}
          </Button>
        )}
      </h3>
      <ul>
        {periods.map((period, k) => (
          <PeriodRow
            key={k}
            period={period}
            at={k}
            setName={name}
            setPath={path}
            onChange={(part) => onPeriods(put(periods, k, part))}
            onRemove={() => onPeriods(drop(periods, k))}
          />
        ))}
      </ul>
      <Add onClick={() => onPeriods([...periods, nextPeriod(periods)])}>{say.anotherPeriod}</Add>
    </section>
  );
}
