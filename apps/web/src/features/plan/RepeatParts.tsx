import { ToggleGroup } from 'radix-ui';
import { DayPicker } from 'react-day-picker';
import {
  WEEKDAYS,
  WEEKDAY_NAMES,
  dateInWords,
  dayInfo,
  type SchoolCalendar,
  type Weekday,
} from '@glen/core';
import { CardPart, ChoicePart, typedPart } from '../../ui/SentencePart.js';
import { inOrder, type SheetDraft } from './sheetDraft.js';

export interface PartProps {
  draft: SheetDraft;
  change: (part: Partial<SheetDraft>) => void;
  school: SchoolCalendar;
  wrong: (path: string) => boolean;
}

const NTH = { 1: 'first', 2: 'second', 3: 'third', 4: 'fourth', 5: 'fifth', '-1': 'last' } as const;
const shortDays = (days: Weekday[]): string =>
  days.length === 0
    ? 'no day'
    : inOrder(days)
        .map((d) => WEEKDAY_NAMES[d].slice(0, 3))
        .join(' · ');
export const isoOf = (d: Date): string =>
  `${d.getFullYear()}-${String(d.getMonth() + 1).padStart(2, '0')}-${String(d.getDate()).padStart(2, '0')}`;
const dateFor = (date: string): Date => new Date(`${date}T12:00`);

/** A small number to type, as a part of the sentence. */
export function NumberPart({
  label,
  value,
  onChange,
  invalid = false,
  wide = false,
}: {
  label: string;
  value: string;
  onChange: (value: string) => void;
  invalid?: boolean;
  wide?: boolean;
}) {
  return (
    <input
      inputMode="numeric"
      aria-label={label}
      aria-invalid={invalid}
      data-invalid={invalid}
      className={`${typedPart} ${wide ? 'w-16' : 'w-12'}`}
      value={value}
      onChange={(e) => onChange(e.target.value)}
    />
  );
}

const pickerDress = {
  selected: 'bg-bracken-tint font-bold',
  day_button: 'size-9 rounded-small hover:bg-shade',
  chevron: 'fill-current size-4',
  nav: 'flex gap-2 float-right',
  month_caption: 'font-semibold pb-2',
  today: 'underline',
};
const closedDays = (school: SchoolCalendar) => ({
  modifiers: { closed: (d: Date) => !dayInfo(school, isoOf(d)).teaching },
  modifiersClassNames: { closed: 'text-soft line-through' },
});

/** One date; closed days are struck. */
export function DatePicker({
  date,
  school,
  onPick,
}: {
  date: string;
  school: SchoolCalendar;
  onPick: (date: string) => void;
}) {
  return (
    <DayPicker
      mode="single"
      weekStartsOn={1}
      required
      defaultMonth={dateFor(date)}
      selected={dateFor(date)}
      {...closedDays(school)}
      classNames={pickerDress}
      onSelect={(d: Date | undefined) => {
        if (d) onPick(isoOf(d));
      }}
    />
  );
}

function WeekdayPart({ draft, change, wrong }: PartProps) {
  return (
    <CardPart label="Weekdays" shown={shortDays(draft.on)} invalid={wrong('repeat.on')}>
      <ToggleGroup.Root
        type="multiple"
        aria-label="Weekdays"
        className="flex gap-1.5"
        value={draft.on}
        onValueChange={(on: string[]) => change({ on: inOrder(on as Weekday[]) })}
      >
        {WEEKDAYS.map((day) => (
          <ToggleGroup.Item
            key={day}
            value={day}
            className="rounded-small border border-edge px-2.5 py-1.5 data-[state=on]:border-bracken data-[state=on]:bg-bracken-tint data-[state=on]:font-bold"
          >
            {WEEKDAY_NAMES[day].slice(0, 3)}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
    </CardPart>
  );
}

function MonthPart({ draft, change, wrong }: PartProps) {
  return (
    <>
      {' '}
      on{' '}
      <ChoicePart
        label="Which day of the month"
        value={draft.month}
        onChange={(month) => change({ month: month as 'day' | 'nth' })}
        choices={[
          { value: 'day', label: 'day' },
          { value: 'nth', label: 'the' },
        ]}
      />{' '}
      {draft.month === 'day' ? (
        <NumberPart
          label="Day of the month"
          value={draft.monthDay}
          invalid={wrong('repeat.monthDay')}
          onChange={(monthDay) => change({ monthDay })}
        />
      ) : (
        <>
          <ChoicePart
            label="Which one"
            value={draft.nth}
            onChange={(nth) => change({ nth: nth as '1' })}
            choices={(['1', '2', '3', '4', '5', '-1'] as const).map((n) => ({
              value: n,
              label: NTH[n],
            }))}
          />{' '}
          <ChoicePart
            label="Weekday of the month"
            value={draft.nthDay}
            onChange={(day) => change({ nthDay: day as Weekday })}
            choices={WEEKDAYS.map((d) => ({ value: d, label: WEEKDAY_NAMES[d] }))}
          />
        </>
      )}
    </>
  );
}

/** How often: every so many days, weeks or months, on which of them, on which cycle days. */
export function EveryParts(props: PartProps) {
  const { draft, change, school, wrong } = props;
  const labels = school.cycle?.labels ?? [];
  const cycle = draft.cycleDays.join(' ') || 'any';
  const often = draft.counted
    ? `${draft.every}/n`
    : draft.every === 'week' && draft.interval === '2'
      ? 'week/2'
      : draft.every;
  const choose = (value: string): void => {
    const [every, step] = value.split('/') as [SheetDraft['every'], string | undefined];
    change({ every, counted: step === 'n', interval: step === 'n' ? '3' : (step ?? '1') });
  };
  return (
    <>
      <ChoicePart
        label="How often"
        value={often}
        onChange={choose}
        choices={[
          { value: 'once', label: 'once' },
          { value: 'week', label: 'every week' },
          { value: 'week/2', label: 'every second week' },
          { value: 'week/n', label: 'every', said: 'so many weeks' },
          { value: 'school-day', label: 'every school day' },
          { value: 'day', label: 'every day' },
          { value: 'day/n', label: 'every', said: 'so many days' },
          { value: 'month', label: 'every month' },
          { value: 'month/n', label: 'every', said: 'so many months' },
          ...(draft.rrule ? [{ value: 'rule', label: 'by a rule from elsewhere' }] : []),
        ]}
      />
      {draft.counted && (
        <>
          {' '}
          <NumberPart
            label={`Every how many ${draft.every}s`}
            value={draft.interval}
            invalid={wrong('repeat.interval')}
            onChange={(interval) => change({ interval })}
          />{' '}
          {draft.every}s
        </>
      )}
      {draft.every === 'week' && (
        <>
          {' '}
          on <WeekdayPart {...props} />
        </>
      )}
      {draft.every === 'month' && <MonthPart {...props} />}
      {draft.every === 'rule' && (
        <>
          {' '}
          <code className="rounded-small bg-shade px-2 py-0.5 font-mono text-sm break-all">
            {draft.rrule}
          </code>
        </>
      )}
      {labels.length > 0 &&
        (draft.every === 'week' || draft.every === 'school-day' || draft.every === 'day') && (
          <>
            ,{' '}
            <ChoicePart
              label="Cycle days"
              marked={draft.cycleDays.length > 0}
              invalid={wrong('repeat.cycleDays')}
              value={cycle}
              onChange={(value) => change({ cycleDays: value === 'any' ? [] : [value] })}
              choices={[
                { value: 'any', label: 'on any day of the cycle' },
                ...labels.map((l) => ({ value: l, label: `on ${l} days` })),
              ]}
            />
          </>
        )}
    </>
  );
}

const NAMED = {
  'term-end': 'until term ends',
  exams: 'until examinations begin',
  'year-end': 'until the school year ends',
  date: 'until',
  weeks: 'for',
  times: 'for',
  open: 'without end',
} as const;

/** From when until when, over closures or not, and on which other days. */
export function RangeParts({ draft, change, school, wrong }: PartProps) {
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
          choices={[
            { value: 'term-end', label: NAMED['term-end'] },
            { value: 'exams', label: NAMED.exams },
            { value: 'year-end', label: NAMED['year-end'] },
            { value: 'date', label: NAMED.date, said: 'a date' },
            { value: 'weeks', label: NAMED.weeks, said: 'some weeks' },
            { value: 'times', label: NAMED.times, said: 'so many sessions held' },
            { value: 'open', label: NAMED.open },
          ]}
        />
      )}
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
      , and{' '}
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
