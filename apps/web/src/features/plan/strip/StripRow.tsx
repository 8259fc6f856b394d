import { memo } from 'react';
import { Link } from 'react-router';
import { classTitle } from '@glen/core/light';
import type { ClassItem } from '@glen/contract';
import { Pennant, hueOf } from '../../../ui/Pennant.js';
import {
  ROW_HEIGHT,
  dotPath,
  notchPath,
  strikePath,
  type Notch,
  type StripLayout,
} from './layout.js';
import type { StripSeries } from './words.js';

interface RowProps {
  of: ClassItem;
  notches: Notch[];
  series: Map<number, StripSeries>;
  layout: StripLayout;
  now: string;
  /** Ids that are dotted because they clash. */
  clashing: Set<number>;
  /** The series that lights up; the others step back. */
  lit: number | null;
}

const group = (notches: Notch[], layout: StripLayout, test: (n: Notch) => boolean): string =>
  notches
    .filter(test)
    .map((n) => notchPath(layout, n))
    .join('');

/** One class period's notches: a few paths, however many sessions. */
export const StripRow = memo(function StripRow({
  of,
  notches,
  series,
  layout,
  now,
  clashing,
  lit,
}: RowProps) {
  const isDraft = (n: Notch): boolean => series.get(n.seriesId)?.draft ?? false;
  const isOver = (n: Notch): boolean => n.end <= now;
  const isCancelled = (n: Notch): boolean => n.status === 'cancelled';
  const isMoved = (n: Notch): boolean => n.was !== undefined && !isCancelled(n);
  const isPlain = (n: Notch): boolean => !isDraft(n) && !isCancelled(n) && !isMoved(n);
  const hue = hueOf(of.pennant);
  const dim = lit !== null;
  const clashes = notches.filter((n) => clashing.has(n.id) && n.status !== 'cancelled');
  return (
    <svg
      aria-hidden="true"
      width={layout.width}
      height={ROW_HEIGHT}
      className="absolute inset-0 overflow-visible"
      style={{ color: hue }}
    >
      <g opacity={dim ? 0.4 : 1}>
        <path
          d={group(notches, layout, (n) => isPlain(n) && isOver(n))}
          fill="currentColor"
          opacity={0.42}
        />
        <path d={group(notches, layout, (n) => isPlain(n) && !isOver(n))} fill="currentColor" />
        <path
          d={group(notches, layout, (n) => isMoved(n) && !isDraft(n))}
          fill="var(--sheet)"
          stroke="currentColor"
          strokeWidth={1.6}
        />
        <path
          d={group(notches, layout, (n) => isDraft(n) && !isCancelled(n))}
          fill="none"
          stroke="currentColor"
          strokeWidth={1.4}
          strokeDasharray="2.5 2"
        />
        <path
          d={group(notches, layout, isCancelled)}
          fill="none"
          stroke="var(--edge)"
          strokeWidth={1}
        />
        <path
          d={notches
            .filter(isCancelled)
            .map((n) => strikePath(layout, n))
            .join('')}
          stroke="var(--edge)"
          strokeWidth={1.4}
        />
      </g>
      {lit !== null && (
        <path
          d={group(notches, layout, (n) => n.seriesId === lit && !isCancelled(n))}
          fill="currentColor"
        />
      )}
      {clashes.length > 0 && (
        <path d={clashes.map((n) => dotPath(layout, n)).join('')} fill="var(--berry)" />
      )}
    </svg>
  );
});

const ROOM = 15;

/** As many of a title's last words as there is room for, at least one: those before them are mostly shared. */
export function shortened(title: string): string {
  const words = title.split(' ');
  while (words.length > 1 && words.join(' ').length > ROOM) words.shift();
  return words.join(' ');
}

export const RowHead = memo(function RowHead({ of }: { of: ClassItem }) {
  return (
    <span className="flex min-w-0 items-center gap-2.5">
      <Pennant pennant={of.pennant} size="small" />
      <Link
        tabIndex={-1}
        aria-label={classTitle(of)}
        title={classTitle(of)}
        to={`/classes/${of.id}`}
        className="truncate text-[15px] hover:underline"
      >
        {of.period === null ? of.title : `${shortened(of.title)} P${of.period}`}
      </Link>
    </span>
  );
});
