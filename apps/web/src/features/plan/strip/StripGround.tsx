import { memo } from 'react';
import { dateInWords } from '@glen/core';
import { ROW_HEIGHT, type StripLayout } from './layout.js';
import * as say from '../words.js';

function Hatching() {
  return (
    <defs>
      <pattern
        id="hatched"
        width="5"
        height="5"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(45)"
      >
        <rect width="5" height="5" fill="var(--shade)" />
        <path d="M0 0v5" stroke="var(--edge)" strokeOpacity="0.55" strokeWidth="1.6" />
      </pattern>
    </defs>
  );
}

function Today({ x, height, rightmost }: { x: number; height: number; rightmost: number }) {
  return (
    <>
      <path d={`M${x} -6V${height}`} stroke="var(--bracken)" strokeWidth={1.6} />
      <text
        x={Math.min(x + 3, rightmost)}
        y={height + 13}
        className="font-mono text-xs"
        fill="var(--bracken-deep)"
      >
        {say.today}
      </text>
    </>
  );
}

/** Weeks in two shades, closures hatched, and now: what lies behind the rows. */
export const StripGround = memo(function StripGround({
  layout,
  rows,
  nowColumn,
}: {
  layout: StripLayout;
  rows: number;
  nowColumn: number | null;
}) {
  const height = Math.max(1, rows) * ROW_HEIGHT;
  const left = (i: number): number => i * layout.step + layout.step * 0.02;
  const width = (from: number, to: number): number => (to - from + 1) * layout.step;
  return (
    <svg
      aria-hidden="true"
      width={layout.width}
      height={height}
      className="absolute top-0 left-0 overflow-visible"
    >
      <Hatching />
      {layout.weeks.map((w, i) => (
        <rect
          key={w.date}
          x={left(w.from)}
          width={width(w.from, w.to)}
          height={height}
          fill={i % 2 === 0 ? 'transparent' : 'var(--shade)'}
          opacity={0.6}
        />
      ))}
      {layout.closures.map((c) => (
        <rect
          key={`${c.from} ${c.name}`}
          x={left(c.from)}
          width={width(c.from, c.to)}
          height={height}
          fill="url(#hatched)"
        >
          <title>{c.name}</title>
        </rect>
      ))}
      {Array.from({ length: rows }, (_, i) => (
        <path key={i} d={`M0 ${(i + 1) * ROW_HEIGHT - 0.5}h${layout.width}`} stroke="var(--line)" />
      ))}
      {nowColumn !== null && (
        <Today x={left(nowColumn)} height={height} rightmost={layout.width - 34} />
      )}
    </svg>
  );
});

/** Dates above: as many Mondays as there is room for. */
export const StripDates = memo(function StripDates({ layout }: { layout: StripLayout }) {
  const room = 64;
  let last = -Infinity;
  return (
    <div aria-hidden="true" className="relative h-6 font-mono text-xs text-soft">
      {layout.weeks.map((w) => {
        const x = w.from * layout.step;
        if (x - last < room || x > layout.width - 48) return null;
        last = x;
        return (
          <span key={w.date} className="absolute whitespace-nowrap" style={{ left: x }}>
            {dateInWords(w.date).slice(4)}
          </span>
        );
      })}
    </div>
  );
});
