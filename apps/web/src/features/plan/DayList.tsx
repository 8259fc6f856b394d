import { ChevronDown, ChevronRight } from 'lucide-react';
import { useState } from 'react';
import { addDays, dateInWords, dayInfo, type SchoolCalendar } from '@glen/core';
import { Button } from '../../ui/Button.js';
import { Chip } from '../../ui/Chip.js';
import { Pennant } from '../../ui/Pennant.js';
import { Empty } from '../../ui/States.js';
import { chosenNotch } from './chosen.js';
import { ChosenPart } from './ChosenPart.js';
import type { PlanRange } from './planRange.js';
import type { Notch, Strip } from './strip/layout.js';
import type { PlanActions } from './usePlanActions.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

interface DayListProps {
  strip: Strip;
  range: PlanRange;
  school: SchoolCalendar;
  today: string;
  now: string;
  clashing: Set<number>;
  actions: PlanActions;
}

/** So many days are listed at first, and more at each press. */
const DAYS_AT_ONCE = 14;

/** What is different about a session, in a word or two. */
function States({ notch, isClash }: { notch: Notch; isClash: boolean }) {
  return (
    <>
      {notch.status === 'cancelled' && <Chip tone="wrong">{say.cancelled2}</Chip>}
      {notch.status === 'moved' && <Chip tone="careful">{say.moved}</Chip>}
      {isClash && <Chip tone="wrong">{say.overlaps}</Chip>}
    </>
  );
}

interface RowProps extends Pick<DayListProps, 'strip' | 'now' | 'clashing' | 'actions'> {
  notch: Notch;
}

/** A session; pressed, what can be done with it opens below. */
function SessionLine({ notch, strip, now, clashing, actions }: RowProps) {
  const series = actions.series.get(notch.seriesId)!;
  const classPeriod = strip.classes.find(({ id }) => id === series.classId);
  const isOpen = chosenNotch(actions.chosen)?.id === notch.id;
  const Mark = isOpen ? ChevronDown : ChevronRight;
  const isPast = notch.end <= now;
  return (
    <li className="border-t border-line">
      <button
        type="button"
        aria-expanded={isOpen}
        onClick={() => actions.choose(isOpen ? null : { notch })}
        className="flex min-h-12 w-full items-center gap-x-3 py-1.5 text-left"
      >
        <span className={`font-mono ${isPast ? 'text-soft' : ''}`}>{notch.time}</span>
        {classPeriod && <Pennant pennant={classPeriod.pennant} size="small" />}
        <span className="min-w-0 flex-1">
          <span
            className={`font-semibold break-words ${isPast ? 'text-soft' : ''} ${notch.status === 'cancelled' ? 'line-through' : ''}`}
          >
            {notch.title ?? series.title}
          </span>{' '}
          {series.draft && <Chip tone="careful">{say.draft}</Chip>}
          <States notch={notch} isClash={clashing.has(notch.id)} />
        </span>
        <Mark size={18} aria-hidden="true" className="shrink-0 text-soft" />
      </button>
      {isOpen && <ChosenPart actions={actions} strip={strip} now={now} />}
    </li>
  );
}

/** `Wed 14 Oct · Flood`. */
function dayHeading(date: string, today: string, school: SchoolCalendar): string {
  const { cycleDay, why } = dayInfo(school, date);
  return [
    date === today ? fill(say.todayDate, { date: dateInWords(date) }) : dateInWords(date),
    cycleDay ?? why,
  ]
    .filter(Boolean)
    .join(' · ');
}

/** The days of a stretch on which something is planned, in order. */
function byDay(notches: Notch[], from: string, to: string): [string, Notch[]][] {
  const within = notches.filter(
    ({ date, status }) => status !== 'skipped' && date >= from && date <= to,
  );
  const dates = [...new Set(within.map(({ date }) => date))].sort();
  const inOrder = (a: Notch, b: Notch): number => (a.start < b.start ? -1 : 1);
  return dates.map((date) => [date, within.filter((one) => one.date === date).sort(inOrder)]);
}

/** Which days are listed: from today on where it lies within what is shown, and more at a press. */
function useListed({ range, today }: Pick<DayListProps, 'range' | 'today'>) {
  const [more, setMore] = useState(1);
  const [isWhole, setWhole] = useState(false);
  const isNow = today >= range.from && today <= range.to;
  const isWeek = range.view === 'week';
  const from = isNow && !isWhole && !isWeek ? today : range.from;
  const end = addDays(from, more * DAYS_AT_ONCE - 1);
  const to = isWeek || end > range.to ? range.to : end;
  return {
    from,
    to,
    showMore: to < range.to ? () => setMore(more + 1) : null,
    showEarlier: from > range.from ? () => setWhole(true) : null,
  };
}

/** The plan as a phone has room for it: day by day, each session with what can be done with it. */
export function DayList(props: DayListProps) {
  const { strip, school, today } = props;
  const { from, to, showMore, showEarlier } = useListed(props);
  const days = byDay(strip.notches, from, to);
  return (
    <div className="mb-4">
      {showEarlier && (
        <Button className="min-h-11" onClick={showEarlier}>
          {say.fromTheBeginning}
        </Button>
      )}
      {days.length === 0 && (
        <Empty title={fill(say.nothingUntil, { date: dateInWords(to) })}>
          {say.aSessionNeedsAClass}
        </Empty>
      )}
      {days.map(([date, notches]) => (
        <section key={date} className="mt-4" aria-label={dateInWords(date)}>
          <h2 className="font-sans text-md font-semibold text-soft">
            {dayHeading(date, today, school)}
          </h2>
          <ul>
            {notches.map((notch) => (
              <SessionLine key={notch.id} notch={notch} {...props} />
            ))}
          </ul>
        </section>
      ))}
      {showMore && (
        <Button className="mt-3 min-h-11" onClick={showMore}>
          {say.twoWeeksMore}
        </Button>
      )}
    </div>
  );
}
