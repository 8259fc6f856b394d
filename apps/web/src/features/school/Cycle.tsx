import { useContext } from 'react';
import type { SchoolCalendar } from '@glen/core';
import { Button } from '../../ui/Button.js';
import { Cell, ChoiceCell, Editing, Part, Row } from './Cells.js';
import type { CalendarPartProps } from './calendarLists.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

type CycleOfDays = NonNullable<SchoolCalendar['cycle']>;

const COUNTS = [
  { value: 'teaching-days', label: say.teachingDays },
  { value: 'weeks', label: 'weeks' },
];

const labelsOf = (typed: string): string[] => typed.split(',').map((label) => label.trimStart());

function NoCycle({ onBegin }: { onBegin: () => void }) {
  const { mayEdit } = useContext(Editing);
  return (
    <Part title={say.cycleDays} hint={say.daysThatAlternateSuch}>
      {mayEdit ? <Button onClick={onBegin}>{say.beginACycle}</Button> : <p>{say.none}</p>}
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
    <Part title={say.cycleDays} hint={say.seriesCanKeepToSome}>
      <ul>
        <Row name="the cycle" path="calendar.cycle">
          <Cell
            wide
            label={say.labelsWithCommas}
            value={cycle.labels.join(', ')}
            path="calendar.cycle.labels"
            onChange={(typed) => set({ labels: labelsOf(typed) })}
          />{' '}
          <Said
            as={say.alternateByFrom}
            cycleCounts={
              <ChoiceCell
                label={say.whatTheCycleCounts}
                value={cycle.counts}
                choices={COUNTS}
                onChange={(counts) => set({ counts: counts as CycleOfDays['counts'] })}
              />
            }
          />
          <Cell
            type="date"
            label={say.firstDayOfTheCycle}
            value={cycle.from}
            path="calendar.cycle.from"
            onChange={(from) => set({ from })}
          />
        </Row>
      </ul>
    </Part>
  );
}
