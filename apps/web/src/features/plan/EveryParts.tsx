import { ToggleGroup } from 'radix-ui';
import { WEEKDAYS, WEEKDAY_NAMES, type Weekday } from '@glen/core';
import { Button } from '../../ui/Button.js';
import { ChoicePart } from '../../ui/choices.js';
import { CardPart } from '../../ui/SentencePart.js';
import { NumberPart } from '../../ui/NumberPart.js';
import type { PartProps } from './partProps.js';
import { inOrder, type SheetDraft } from './sheetDraft.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

const NTH = { 1: 'first', 2: 'second', 3: 'third', 4: 'fourth', 5: 'fifth', '-1': 'last' } as const;
const shortDays = (days: Weekday[]): string =>
  days.length === 0
    ? say.noDay
    : inOrder(days)
        .map((d) => WEEKDAY_NAMES[d].slice(0, 3))
        .join(' · ');

/** Weekdays that are often wished for together. */
const USUAL: [words: string, on: Weekday[]][] = [
  [say.monToThu, ['MO', 'TU', 'WE', 'TH']],
  [say.monToFri, ['MO', 'TU', 'WE', 'TH', 'FR']],
];

function WeekdayPart({ draft, change, wrong }: PartProps) {
  return (
    <CardPart label={say.weekdays} shown={shortDays(draft.on)} invalid={wrong('repeat.on')}>
      <ToggleGroup.Root
        type="multiple"
        aria-label={say.weekdays}
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
      <p className="mt-2.5 flex gap-4">
        {USUAL.map(([words, on]) => (
          <Button key={words} kind="link" onClick={() => change({ on })}>
            {words}
          </Button>
        ))}
      </p>
    </CardPart>
  );
}

function MonthPart({ draft, change, wrong }: PartProps) {
  return (
    <>
      {' '}
      <Said
        as={say.onDayMonth}
        dayMonth={
          <ChoicePart
            label={say.whichDayOfTheMonth}
            value={draft.month}
            onChange={(month) => change({ month: month as 'day' | 'nth' })}
            choices={[
              { value: 'day', label: say.day },
              { value: 'nth', label: say.the },
            ]}
          />
        }
      />{' '}
      {draft.month === 'day' ? (
        <NumberPart
          label={say.dayOfTheMonth}
          value={draft.monthDay}
          invalid={wrong('repeat.monthDay')}
          onChange={(monthDay) => change({ monthDay })}
        />
      ) : (
        <>
          <ChoicePart
            label={say.whichOne}
            value={draft.nth}
            onChange={(nth) => change({ nth: nth as '1' })}
            choices={(['1', '2', '3', '4', '5', '-1'] as const).map((n) => ({
              value: n,
              label: NTH[n],
            }))}
          />{' '}
          <ChoicePart
            label={say.weekdayOfTheMonth}
            value={draft.nthDay}
            onChange={(day) => change({ nthDay: day as Weekday })}
            choices={WEEKDAYS.map((d) => ({ value: d, label: WEEKDAY_NAMES[d] }))}
          />
        </>
      )}
    </>
  );
}

/** What the choice of how often holds: a kind, or a kind and a step. */
function oftenOf({ every, counted, interval }: SheetDraft): string {
  if (counted) return `${every}/n`;
  return every === 'week' && interval === '2' ? 'week/2' : every;
}

const OFTEN = [
  { value: 'once', label: 'once' },
  { value: 'week', label: say.everyWeek },
  { value: 'week/2', label: say.everySecondWeek },
  { value: 'week/n', label: 'every', readOut: say.everyFewWeeks },
  { value: 'school-day', label: say.everySchoolDay },
  { value: 'day', label: say.everyDay },
  { value: 'day/n', label: 'every', readOut: say.everyFewDays },
  { value: 'month', label: say.everyMonth },
  { value: 'month/n', label: 'every', readOut: say.everyFewMonths },
];

function HowOften({ draft, change }: PartProps) {
  const choose = (value: string): void => {
    const [every, step] = value.split('/') as [SheetDraft['every'], string | undefined];
    change({ every, counted: step === 'n', interval: step === 'n' ? '3' : (step ?? '1') });
  };
  const rule = { value: 'rule', label: say.byARuleFromElsewhere };
  return (
    <ChoicePart
      label={say.howOften}
      value={oftenOf(draft)}
      onChange={choose}
      choices={[...OFTEN, ...(draft.rrule ? [rule] : [])]}
    />
  );
}

function CyclePart({ draft, change, school, wrong }: PartProps) {
  const labels = school.cycle?.labels ?? [];
  if (labels.length === 0 || !['week', 'school-day', 'day'].includes(draft.every)) return null;
  return (
    <>
      ,{' '}
      <ChoicePart
        label={say.cycleDays}
        marked={draft.cycleDays.length > 0}
        invalid={wrong('repeat.cycleDays')}
        value={draft.cycleDays.join(' ') || 'any'}
        onChange={(value) => change({ cycleDays: value === 'any' ? [] : [value] })}
        choices={[
          { value: 'any', label: say.whateverTheCycleDay },
          ...labels.map((l) => ({ value: l, label: fill(say.onLDays, { l }) })),
        ]}
      />
    </>
  );
}

/** How often: every so many days, weeks or months, on which of them, on which cycle days. */
export function EveryParts(props: PartProps) {
  const { draft, change, wrong } = props;
  return (
    <>
      <HowOften {...props} />
      {draft.counted && (
        <>
          {' '}
          <Said
            as={say.intervalEveryS}
            interval={
              <NumberPart
                label={fill(say.everyHowManyS, { every: draft.every })}
                value={draft.interval}
                invalid={wrong('repeat.interval')}
                onChange={(interval) => change({ interval })}
              />
            }
            every={draft.every}
          />
        </>
      )}
      {draft.every === 'week' && (
        <>
          {' '}
          <Said as={say.onWeekdayPart} weekdayPart={<WeekdayPart {...props} />} />
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
      <CyclePart {...props} />
    </>
  );
}
