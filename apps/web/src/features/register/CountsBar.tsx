import { scaleLinear } from 'd3-scale';
import type { Answer } from '@glen/contract';

type Counts = NonNullable<Answer<'weekRegisters'>['classes'][number]['sessions'][number]['counts']>;

/** In hundredths of a roll. */
const WIDTH = 100;

/** From left to right; told apart by how dark they are, and by the words beside. */
const PARTS = [
  ['present', 'fill-moss'],
  ['partly', 'fill-gorse'],
  ['excused', 'fill-loch'],
] as const;

/** How many of a roll were there, as a bar; what is left of it were not. */
export function CountsBar({ counts, words }: { counts: Omit<Counts, 'guests'>; words: string }) {
  const { present, partly, excused, absent } = counts;
  const across = scaleLinear([0, Math.max(1, present + partly + excused + absent)], [0, WIDTH]);
  const starts = { present: 0, partly: present, excused: present + partly };
  return (
    <svg
      role="img"
      aria-label={words}
      viewBox={`0 0 ${WIDTH} 6`}
      preserveAspectRatio="none"
      className="h-1.5 w-full rounded-small"
    >
      <rect width={WIDTH} height={6} className="fill-line" />
      {PARTS.map(([part, fill]) => (
        <rect
          key={part}
          x={across(starts[part])}
          width={across(counts[part])}
          height={6}
          className={fill}
        />
      ))}
    </svg>
  );
}
