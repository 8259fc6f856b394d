import { useContext } from 'react';
import type { SchoolCalendar } from '@glen/core';
import { Button } from '../../ui/Button.js';
import { Cell, ChoiceCell, Editing, Part, Row } from './Cells.js';
import type { CalendarPartProps } from './calendarLists.js';

type CycleOfDays = NonNullable<SchoolCalendar['cycle']>;

const COUNTS = [
  { value: 'teaching-days', label: 'teaching days' },
  { value: 'weeks', label: 'weeks' },
];

const labelsOf = (typed: string): string[] => typed.split(',').map((label) => label.trimStart());

function NoCycle({ onBegin }: { onBegin: () => void }) {
  const { mayEdit } = useContext(Editing);
  return (
    <Part
      title="Cycle days"
      hint="Days that alternate, such as A and B, for half-classes and timetables of two weeks."
    >
      {mayEdit ? <Button onClick={onBegin}>Begin a cycle</Button> : <p>None.</p>}
    </Part>
  );
}

/** Days that alternate, so that a series can keep to some of them. */
export function Cycle({ calendar: { cycle, terms }, change }: CalendarPartProps) {
  if (!cycle) {
    const begin: CycleOfDays = {
      labels: ['A', 'B'],
      counts: 'teaching-days',
      from: terms[0]!.first,
    };
    return <NoCycle onBegin={() => change({ cycle: begin })} />;
  }
  const set = (part: Partial<CycleOfDays>): void => change({ cycle: { ...cycle, ...part } });
  return (
    <Part title="Cycle days" hint="Series can keep to some of these days only.">
      <ul>
        <Row name="the cycle" path="calendar.cycle">
          <Cell
            wide
            label="Labels, with commas"
            value={cycle.labels.join(', ')}
            path="calendar.cycle.labels"
            onChange={(typed) => set({ labels: labelsOf(typed) })}
          />{' '}
          alternate by
          <ChoiceCell
            label="What the cycle counts"
            value={cycle.counts}
            choices={COUNTS}
            onChange={(counts) => set({ counts: counts as CycleOfDays['counts'] })}
          />{' '}
          from
          <Cell
            type="date"
            label="First day of the cycle"
            value={cycle.from}
            path="calendar.cycle.from"
            onChange={(from) => set({ from })}
          />
        </Row>
      </ul>
    </Part>
  );
}
