import { memo, type SVGProps } from 'react';
import { Link } from 'react-router';
import { classTitle } from '@glen/core/light';
import type { ClassItem } from '@glen/contract';
import { Pennant, hueOf } from '../../../ui/Pennant.js';
import {
  ROW_HEIGHT,
  cutPath,
  dotPath,
  groupBy,
  notchPath,
  strikePath,
  type Notch,
  type StripLayout,
} from './layout.js';
import { slotsIn, type StripSeries } from './inWords.js';

interface RowProps {
  pennant: ClassItem['pennant'];
  notches: Notch[];
  series: Map<number, StripSeries>;
  layout: StripLayout;
  now: string;
  /** Ids that are dotted because they clash. */
  clashing: Set<number>;
  /** The series that lights up; the others step back. */
  lit: number | null;
}

type Look = 'plain' | 'over' | 'moved' | 'draft' | 'cancelled';

/** How a notch is drawn: what it is, before what became of it. */
function lookOf(n: Notch, isDraft: boolean, now: string): Look {
  if (n.status === 'cancelled') return 'cancelled';
  if (isDraft) return 'draft';
  if (n.was !== undefined) return 'moved';
  return n.end <= now ? 'over' : 'plain';
}

const STROKES: Record<Look, SVGProps<SVGPathElement>> = {
  over: { fill: 'currentColor', opacity: 0.42 },
  plain: { fill: 'currentColor' },
  moved: { fill: 'var(--sheet)', stroke: 'currentColor', strokeWidth: 1.6 },
  draft: { fill: 'none', stroke: 'currentColor', strokeWidth: 1.4, strokeDasharray: '2.5 2' },
  cancelled: { fill: 'none', stroke: 'var(--edge)', strokeWidth: 1 },
};
const LOOKS: Look[] = ['over', 'plain', 'moved', 'draft', 'cancelled'];

/** One class period's notches: a few paths, however many sessions. */
export const StripRow = memo(function StripRow(props: RowProps) {
  const { pennant, notches, series, layout, now, clashing, lit } = props;
  const byLook = groupBy(notches, (n) => lookOf(n, series.get(n.seriesId)?.draft ?? false, now));
  const cancelled = byLook.get('cancelled') ?? [];
  const isCancelled = (n: Notch): boolean => n.status === 'cancelled';
  const litOnes = notches.filter((n) => n.seriesId === lit && !isCancelled(n));
  const clashes = notches.filter((n) => clashing.has(n.id) && !isCancelled(n));
  const path = (of: Notch[], shape: typeof notchPath): string =>
    of.map((n) => shape(layout, n)).join('');
  const cuts = notches.map((n) => cutPath(layout, n, slotsIn(n, series.get(n.seriesId)))).join('');
  return (
    <svg
      aria-hidden="true"
      width={layout.width}
      height={ROW_HEIGHT}
      className="absolute inset-0 overflow-visible"
      style={{ color: hueOf(pennant) }}
    >
      <g opacity={lit === null ? 1 : 0.4}>
        {LOOKS.map((look) => (
          <path key={look} d={path(byLook.get(look) ?? [], notchPath)} {...STROKES[look]} />
        ))}
        <path d={path(cancelled, strikePath)} stroke="var(--edge)" strokeWidth={1.4} />
      </g>
      {lit !== null && <path d={path(litOnes, notchPath)} fill="currentColor" />}
      {cuts !== '' && <path d={cuts} stroke="var(--sheet)" strokeWidth={1.3} />}
      {clashes.length > 0 && <path d={path(clashes, dotPath)} fill="var(--berry)" />}
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

export const RowHead = memo(function RowHead({ classPeriod }: { classPeriod: ClassItem }) {
  const { id, title, period, pennant } = classPeriod;
  return (
    <span className="flex min-w-0 items-center gap-2.5">
      <Pennant pennant={pennant} size="small" />
      <Link
        tabIndex={-1}
        aria-label={classTitle(classPeriod)}
        title={classTitle(classPeriod)}
        to={`/classes/${id}`}
        className="truncate text-md hover:underline"
      >
        {period === null ? title : `${shortened(title)} P${period}`}
      </Link>
    </span>
  );
});
