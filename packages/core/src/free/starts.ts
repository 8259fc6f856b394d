import { fail } from '../input.js';
import { secondsOf } from '../time/seconds.js';
import type { TimeWindow } from '../slots/cutSlots.js';

/** A window in seconds since 1970. */
interface Span {
  start: number;
  end: number;
}

const spansOf = (within: TimeWindow[]): Span[] =>
  within.map((window, i) => {
    const start = secondsOf(window.start, `within.${i}.start`);
    const end = secondsOf(window.end, `within.${i}.end`);
    if (end <= start) fail(`within.${i}.end`, 'It would end before it begins.');
    return { start, end };
  });

/** Whether windows follow one another, so that their starts do too. */
const areApart = (spans: Span[]): boolean =>
  spans.every((span, i) => i === 0 || span.start >= spans[i - 1]!.end);

/**
 * Starts (seconds since 1970) on multiples of `apart` from each window's start, whose `length` ends within it (seconds);
 * sorted, each once. Throws GlenInputError at `within.i.start`, `within.i.end`.
 */
export function startsWithin(
  within: TimeWindow[],
  { length, apart }: { length: number; apart: number },
): Float64Array {
  const spans = spansOf(within).sort((a, b) => a.start - b.start);
  const countIn = ({ start, end }: Span): number =>
    Math.max(0, Math.floor((end - start - length) / apart) + 1);
  const starts = new Float64Array(spans.reduce((sum, span) => sum + countIn(span), 0));
  let at = 0;
  for (const span of spans)
    for (let nth = 0; nth < countIn(span); nth++) starts[at++] = span.start + nth * apart;
  return areApart(spans) ? starts : Float64Array.from(new Set(starts.sort()));
}
