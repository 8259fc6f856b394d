import { DayPicker } from 'react-day-picker';
import { dateInWords } from '@glen/core';
import { ChoicePart } from '../../ui/choices.js';
import { CardPart } from '../../ui/SentencePart.js';
import { dateFor, isoOf, pickerDress } from '../../ui/dayPicker.js';
import { DatePicker, closedDays } from './DatePicker.js';
import { NumberPart } from '../../ui/NumberPart.js';
import type { PartProps } from './partProps.js';
import type { SheetDraft } from './sheetDraft.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

const ENDS = [
  { value: 'term-end', label: say.untilTermEnds },
  { value: 'exams', label: say.untilExaminationsBegin },
  { value: 'year-end', label: say.untilTheSchoolYearEnds },
  { value: 'date', label: 'until', readOut: say.aDate },
  { value: 'weeks', label: 'for', readOut: say.someWeeks },
  { value: 'times', label: 'for', readOut: say.aNumberOfSessions },
  { value: 'open', label: say.withoutEnd },
];

/** What belongs to an end: its date, or how many. */
function EndPart({ draft, change, school, wrong }: PartProps) {
  return (
    <>
      {draft.end === 'date' && draft.every !== 'rule' && (
        <>
          {' '}
          <CardPart
            label={say.lastDate}
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
          <Said
            as={say.weeksWeeks}
            weeks={
              <NumberPart
                label={say.weeks}
                value={draft.weeks}
                invalid={wrong('repeat.weeks')}
                onChange={(weeks) => change({ weeks })}
              />
            }
          />
        </>
      )}
      {draft.end === 'times' && (
        <>
          {' '}
          <Said
            as={say.sessionsHeldSessionsHeld}
            sessionsHeld={
              <NumberPart
                label={say.sessionsHeld}
                value={draft.times}
                invalid={wrong('repeat.times')}
                onChange={(times) => change({ times })}
              />
            }
          />
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
      <Said
        as={say.fromDateEveryEndPartAndClosures}
        date={
          <CardPart
            label={say.date}
            invalid={wrong('first')}
            shown={dateInWords(draft.first, 'with-year')}
          >
            <DatePicker date={draft.first} school={school} onPick={(first) => change({ first })} />
          </CardPart>
        }
        every={
          draft.every !== 'rule' && (
            <ChoicePart
              label={say.untilWhen}
              invalid={wrong('repeat.until')}
              value={draft.end}
              onChange={(end) => change({ end: end as SheetDraft['end'] })}
              choices={ENDS}
            />
          )
        }
        endPart={<EndPart {...props} />}
        closures={
          <ChoicePart
            label={say.closures}
            value={draft.closures}
            onChange={(closures) => change({ closures: closures as 'skip' | 'keep' })}
            choices={[
              { value: 'skip', label: say.skipClosures },
              { value: 'keep', label: say.meetOnClosedDaysToo },
            ]}
          />
        }
      />
    </>
  );
}

/** Dates in a list, the first two of them by name. */
export function someDates(dates: string[]): string {
  const named = dates.slice(0, 2).map((date) => dateInWords(date));
  const said = named.join(', ');
  const more = dates.length - named.length;
  return more > 0 ? fill(say.datesAndMore, { dates: said, more }) : said;
}

interface DatesCardProps extends Pick<PartProps, 'school'> {
  label: string;
  shown: string;
  dates: string[];
  first: string;
  /** The dates of the series: the month marks them. */
  own?: string[];
  /** Only its own dates can be picked. */
  onlyOwn?: boolean;
  onPick: (dates: string[]) => void;
}

/** Single dates, picked from a month. */
export const DatesCard = ({
  label,
  shown,
  dates,
  first,
  own = [],
  onlyOwn,
  school,
  onPick,
}: DatesCardProps) => (
  <CardPart label={label} marked={dates.length > 0} shown={shown}>
    <DayPicker
      mode="multiple"
      weekStartsOn={1}
      defaultMonth={dateFor(dates[0] ?? first)}
      selected={dates.map(dateFor)}
      {...closedDays(school, own)}
      disabled={onlyOwn ? (day) => !own.includes(isoOf(day)) : undefined}
      classNames={pickerDress}
      onSelect={(days: Date[] | undefined) => onPick((days ?? []).map(isoOf).sort())}
    />
  </CardPart>
);

/** Dates beside the pattern. */
export function AlsoPart({ draft: { alsoOn, first }, change, school }: PartProps) {
  const shown =
    alsoOn.length === 0 ? say.andOnNoOtherDay : fill(say.andAlsoOn, { date: someDates(alsoOn) });
  return (
    <>
      ,{' '}
      <DatesCard
        label={say.extraDates}
        dates={alsoOn}
        onPick={(dates) => change({ alsoOn: dates })}
        {...{ shown, first, school }}
      />
    </>
  );
}

/** Dates of the pattern that are left out: they never were, and nobody is told of them. */
export function ExceptPart({
  draft: { except, first },
  change,
  school,
  dates: own,
}: PartProps & { dates: string[] }) {
  const shown =
    except.length === 0 ? say.withNoneLeftOut : fill(say.butNotOn, { date: someDates(except) });
  return (
    <>
      ,{' '}
      <DatesCard
        label={say.datesLeftOut}
        dates={except}
        own={own}
        onlyOwn
        onPick={(dates) => change({ except: dates })}
        {...{ shown, first, school }}
      />
    </>
  );
}
