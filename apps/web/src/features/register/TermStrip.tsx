import { scaleBand, scaleLinear } from 'd3-scale';
import { dateInWords, stoodInWords } from '@glen/core';
import type { Answer } from '@glen/contract';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type Weeks = Answer<'personTerm'>['weeks'];
type WeekCounts = Weeks[number];

const HEIGHT = 40;
/** A week’s column with its gap, in the picture’s own units. */
const COLUMN = 20;

/** From the ground up. */
const PARTS = [
  ['present', 'fill-moss'],
  ['partly', 'fill-gorse'],
  ['excused', 'fill-loch'],
  ['absent', 'fill-berry'],
] as const;

const lessonsIn = ({ present, partly, excused, absent }: WeekCounts): number =>
  present + partly + excused + absent;

const weekInWords = (one: WeekCounts): string =>
  fill(say.weekOf, { date: dateInWords(one.week), stood: stoodInWords(one) });

/** A term as a strip: a column a week, as high as there were lessons, by how somebody stood at them. */
export function TermStrip({ weeks, of }: { weeks: Weeks; of: string }) {
  const most = Math.max(1, ...weeks.map(lessonsIn));
  const width = weeks.length * COLUMN;
  const across = scaleBand(
    weeks.map(({ week }) => week),
    [0, width],
  ).paddingInner(0.25);
  const up = scaleLinear([0, most], [0, HEIGHT]);
  return (
    <svg
      role="img"
      aria-label={`${of}: ${weeks.map(weekInWords).join('; ')}`}
      viewBox={`0 0 ${width} ${HEIGHT}`}
      width={width}
      height={HEIGHT}
    >
      {weeks.map((one) => {
        let ground = 0;
        return (
          <g key={one.week}>
            <title>{weekInWords(one)}</title>
            <rect
              x={across(one.week)}
              width={across.bandwidth()}
              height={HEIGHT}
              className="fill-shade"
            />
            {PARTS.map(([part, fill]) => {
              const height = up(one[part]);
              ground += height;
              return (
                <rect
                  key={part}
                  x={across(one.week)}
                  y={HEIGHT - ground}
                  width={across.bandwidth()}
                  height={height}
                  className={fill}
                />
              );
            })}
          </g>
        );
      })}
    </svg>
  );
}

/** What the strip’s colours mean. */
export const TermKey = () => (
  <p className="flex flex-wrap gap-x-4 text-sm text-soft">
    {PARTS.map(([part, fill]) => (
      <span key={part} className="flex items-center gap-1.5">
        <svg viewBox="0 0 10 10" className="size-2.5" aria-hidden="true">
          <rect width={10} height={10} className={fill} />
        </svg>
        {part}
      </span>
    ))}
  </p>
);
