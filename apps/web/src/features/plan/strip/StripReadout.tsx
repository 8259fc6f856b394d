import { dateInWords, dayInfo, type SchoolCalendar } from '@glen/core';
import { chosenNotch } from '../chosen.js';
import type { StripProps } from './stripProps.js';
import { proposedAt } from './proposedAt.js';
import { LandingWords } from './LandingWords.js';
import type { StripData } from './useStripData.js';
import type { StripHand } from './useStripHand.js';
import { notchInWords } from './inWords.js';

function dayInWords(school: SchoolCalendar, date: string): string {
  const day = dayInfo(school, date);
  if (!day.teaching) return day.why ?? '';
  const parts = [day.cycleDay && `${day.cycleDay} day`, day.bell && `${day.bell} bells`];
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
    const state = proposed?.leftOut.includes(own)
      ? 'left out; Enter takes it in again'
      : 'Enter leaves it out';
    return `${dateInWords(own.date)}, ${own.time}: of the series in hand, ${state}`;
  }
  const here = data.notchesAt(row, column);
  if (here.length > 0)
    return here.map((n) => notchInWords(n, data.series.get(n.seriesId), now)).join('; ');
  const date = data.dates[column]!;
  const why = dayInfo(school, date).teaching ? '' : `, ${dayInWords(school, date)}`;
  return `${dateInWords(date)}: nothing${why}`;
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
    return (
      <span className="text-soft">
        Each notch is a session. Choose one, drag it to another day, or sweep over days.
      </span>
    );
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
        <p className="text-sm text-soft">The class period is not among the rows shown.</p>
      )}
    </>
  );
}
