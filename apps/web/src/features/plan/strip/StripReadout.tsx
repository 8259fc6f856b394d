import { dateInWords, dayInfo, type SchoolCalendar } from '@glen/core';
import { chosenNotch } from '../chosen.js';
import type { StripProps } from './stripProps.js';
import { proposedAt } from './proposedAt.js';
import { LandingWords } from './LandingWords.js';
import type { StripData } from './useStripData.js';
import type { StripHand } from './useStripHand.js';
import { notchInWords } from './inWords.js';
import { fill } from '../../../ui/fill.js';
import * as say from '../words.js';

function dayInWords(school: SchoolCalendar, date: string): string {
  const day = dayInfo(school, date);
  if (!day.teaching) return day.why ?? '';
  const parts = [
    day.cycleDay && fill(say.cycleDay, { cycleDay: day.cycleDay }),
    day.bell && fill(say.bellBells, { bell: day.bell }),
  ];
  return parts.filter(Boolean).join(', ');
}

/** All that stands in one row on one day. */
export function cellInWords(
  data: StripData,
  { row, column }: StripHand['cursor'],
  { school, now, proposed }: Pick<StripProps, 'school' | 'now' | 'proposed'>,
): string {
  const own = proposedAt(proposed, data.classes[row]?.id, data.dates[column]);
  if (own) {
    const state = proposed?.leftOut.includes(own) ? say.leftOutEnterTakesIt : say.enterLeavesItOut;
    return fill(say.ofTheSeriesInHand, { date: dateInWords(own.date), time: own.time, state });
  }
  const here = data.notchesAt(row, column);
  if (here.length > 0)
    return here.map((n) => notchInWords(n, data.series.get(n.seriesId), now)).join('; ');
  const date = data.dates[column]!;
  if (dayInfo(school, date).teaching) return fill(say.nothingOn, { date: dateInWords(date) });
  return fill(say.nothingOnWhy, { date: dateInWords(date), why: dayInWords(school, date) });
}

interface ReadoutProps extends Pick<StripProps, 'school' | 'now' | 'chosen' | 'proposed'> {
  data: StripData;
  hand: StripHand;
}

/** In words: where the carried notch would land, or what is under pointer or cursor. */
function Words({ data, hand, chosen, ...asked }: ReadoutProps) {
  const { proposed } = asked;
  const { carried, landing, hover, hasFocus, cursor } = hand;
  if (carried && landing) return <LandingWords landing={landing} byKeys={carried.byKeys} />;
  const underCursor = hasFocus ? data.notchesAt(cursor.row, cursor.column)[0] : undefined;
  const shown = hover ?? underCursor ?? chosenNotch(chosen);
  if (!shown) {
    if (hasFocus) return <span className="text-soft">{cellInWords(data, cursor, asked)}</span>;
    if (proposed) return null;
    return <span className="text-soft">{say.eachNotchIsASession}</span>;
  }
  const series = data.series.get(shown.seriesId);
  return (
    <>
      <b>{notchInWords(shown, series, asked.now)}</b>
      {series?.repeats && <span className="text-soft"> · {series.words}</span>}
    </>
  );
}

export function StripReadout(props: ReadoutProps) {
  const { data, hand, proposed } = props;
  return (
    <>
      <p
        aria-live={hand.carried ? 'polite' : 'off'}
        className={`mt-4 text-md ${proposed ? 'empty:mt-0' : 'min-h-6'}`}
      >
        <Words {...props} />
      </p>
      {proposed && !data.classes.some((c) => c.id === proposed.classId) && (
        <p className="text-sm text-soft">{say.theClassPeriod}</p>
      )}
    </>
  );
}
