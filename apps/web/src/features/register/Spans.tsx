import { scaleLinear } from 'd3-scale';
import { wallClock } from '../../app/clock.js';
import type { Register, Row } from './states.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

/** In hundredths of the session's length. */
const WIDTH = 100;

interface SpansProps {
  row: Row;
  register: Register;
  zone: string;
}

/** When somebody was in, over the session's length. */
export function Spans({ row, register: { start, end }, zone }: SpansProps) {
  const across = scaleLinear([Date.parse(start), Date.parse(end)], [0, WIDTH]);
  const said = row.spans
    .map(({ from, to }) =>
      fill(say.fromTimeToTime, {
        from: wallClock(from, zone).time,
        until: wallClock(to, zone).time,
      }),
    )
    .join(', ');
  return (
    <svg
      role="img"
      aria-label={said === '' ? say.notIn : fill(say.inFromSaid, { said })}
      viewBox={`0 0 ${WIDTH} 8`}
      preserveAspectRatio="none"
      className="h-3 w-full rounded-small"
    >
      <title>{said === '' ? say.notIn : said}</title>
      <rect width={WIDTH} height={8} className="fill-shade" />
      {row.spans.map(({ from, to }) => {
        const [left, right] = [across(Date.parse(from)), across(Date.parse(to))];
        return <rect key={from} x={left} width={right - left} height={8} className="fill-moss" />;
      })}
    </svg>
  );
}
