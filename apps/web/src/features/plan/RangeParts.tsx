import { DayPicker } from 'react-day-picker';
import { dateInWords } from '@glen/core';
import { ChoicePart } from '../../ui/choices.js';
import { CardPart } from '../../ui/SentencePart.js';
import { dateFor, isoOf, pickerDress } from '../../ui/dayPicker.js';
import { DatePicker, closedDays } from './DatePicker.js';
import { NumberPart } from '../../ui/NumberPart.js';
import type { PartProps } from './partProps.js';
import type { SheetDraft } from './sheetDraft.js';

const ENDS = [
  { value: 'term-end', label: 'until term ends' },
  { value: 'exams', label: 'until examinations begin' },
  { value: 'year-end', label: 'until the school year ends' },
  { value: 'date', label: 'until', readOut: 'a date' },
  { value: 'weeks', label: 'for', readOut: 'some weeks' },
  { value: 'times', label: 'for', readOut: 'so many sessions held' },
  { value: 'open', label: 'without end' },
];

/** What belongs to an end: its date, or how many. */
function EndPart({ draft, change, school, wrong }: PartProps) {
  return (
    <>
      {draft.end === 'date' && draft.every !== 'rule' && (
        <>
          {' '}
          <CardPart
            label="Last date"
            invalid={wrong('repeat.until')}
            shown={dateInWords(draft.until, 'with-year')}
          >
            <DatePicker date={draft.until} school={school} onPick={(until) => change({ until })} />
          </CardPart>
        </>
      )}
      {draft.end === 'weeks' && (
        <>
          {' '}
          <NumberPart
            label="Weeks"
            value={draft.weeks}
            invalid={wrong('repeat.weeks')}
            onChange={(weeks) => change({ weeks })}
          />{' '}
          weeks
        </>
      )}
      {draft.end === 'times' && (
        <>
          {' '}
          <NumberPart
            label="Sessions held"
            value={draft.times}
            invalid={wrong('repeat.times')}
            onChange={(times) => change({ times })}
          />{' '}
          sessions held
        </>
      )}
    </>
  );
}

/** From when until when, over closures or not, and on which other days. */
export function RangeParts(props: PartProps) {
  const { draft, change, school, wrong } = props;
  return (
    <>
      {' '}
      from{' '}
      <CardPart label="Date" invalid={wrong('first')} shown={dateInWords(draft.first, 'with-year')}>
        <DatePicker date={draft.first} school={school} onPick={(first) => change({ first })} />
      </CardPart>{' '}
      {draft.every !== 'rule' && (
        <ChoicePart
          label="Until when"
          invalid={wrong('repeat.until')}
          value={draft.end}
          onChange={(end) => change({ end: end as SheetDraft['end'] })}
          choices={ENDS}
        />
      )}
      <EndPart {...props} />, and{' '}
      <ChoicePart
        label="Closures"
        value={draft.closures}
        onChange={(closures) => change({ closures: closures as 'skip' | 'keep' })}
        choices={[
          { value: 'skip', label: 'skip closures' },
          { value: 'keep', label: 'meet on closed days too' },
        ]}
      />
    </>
  );
}

/** Dates beside the pattern. */
export function AlsoPart({ draft, change, school }: PartProps) {
  const { alsoOn } = draft;
  return (
    <>
      ,{' '}
      <CardPart
        label="Extra dates"
        marked={alsoOn.length > 0}
        shown={
          alsoOn.length === 0
            ? 'and on no other day'
            : `and also on ${alsoOn
                .slice(0, 2)
                .map((d) => dateInWords(d))
                .join(', ')}${alsoOn.length > 2 ? ` and ${alsoOn.length - 2} more` : ''}`
        }
      >
        <DayPicker
          mode="multiple"
          weekStartsOn={1}
          defaultMonth={dateFor(alsoOn[0] ?? draft.first)}
          selected={alsoOn.map(dateFor)}
          {...closedDays(school)}
          classNames={pickerDress}
          onSelect={(days: Date[] | undefined) =>
            change({ alsoOn: (days ?? []).map(isoOf).sort() })
          }
        />
      </CardPart>
    </>
  );
}
