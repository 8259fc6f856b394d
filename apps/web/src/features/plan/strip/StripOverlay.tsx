import { isHeld, slotOffsets } from '@glen/core';
import { chosenNotch } from '../chosen.js';
import type { Proposed, StripProps } from './stripProps.js';
import { ROW_HEIGHT, cutPath, dotPath, notchPath, type StripLayout } from './layout.js';
import type { StripData } from './useStripData.js';
import type { StripHand } from './useStripHand.js';

/** What the sheet would put on the books, with a dot where it clashes. */
function ProposedPaths({ proposed, layout }: { proposed: Proposed; layout: StripLayout }) {
  const rows = proposed.rows.filter(isHeld);
  const { slots } = proposed;
  const clashing = rows.filter((o) => proposed.clashing.has(o.key));
  return (
    <>
      <path
        d={rows.map((o) => notchPath(layout, o)).join('')}
        fill="var(--bracken)"
        stroke="var(--sheet)"
        strokeWidth={1}
      />
      {slots && (
        <path
          d={rows.map((o) => cutPath(layout, o, slotOffsets(o.minutes, slots).length)).join('')}
          stroke="var(--sheet)"
          strokeWidth={1.3}
        />
      )}
      <path
        d={proposed.leftOut.map((o) => notchPath(layout, o)).join('')}
        fill="var(--sheet)"
        stroke="var(--bracken)"
        strokeDasharray="2 1.5"
        strokeWidth={1}
      />
      <path d={clashing.map((o) => dotPath(layout, o)).join('')} fill="var(--berry)" />
    </>
  );
}

/** The carried notch, over the day where it would be put down. */
function Ghost({ data, hand }: { data: StripData; hand: StripHand }) {
  const { carried, landing } = hand;
  if (!carried || !landing) return null;
  const place = {
    date: data.dates[carried.column]!,
    time: landing.row?.time ?? carried.notch.time,
  };
  return (
    <path
      d={notchPath(data.layout, place)}
      fill={landing.tone === 'wrong' ? 'var(--berry)' : 'var(--bracken)'}
      stroke="var(--ink)"
      strokeWidth={2}
    />
  );
}

interface OverlayProps extends Pick<StripProps, 'proposed' | 'chosen'> {
  classId: number;
  data: StripData;
  hand: StripHand;
}

/** What lies over one row's notches: what is proposed, chosen or carried. */
export function StripOverlay({ classId, data, hand, proposed, chosen }: OverlayProps) {
  const { layout, classIdOf } = data;
  const notch = chosenNotch(chosen);
  const { carried } = hand;
  const isChosenHere = notch !== null && !carried && classIdOf(notch) === classId;
  const isCarriedHere = carried !== null && classIdOf(carried.notch) === classId;
  const isProposedHere = proposed?.classId === classId;
  if (!isChosenHere && !isCarriedHere && !isProposedHere) return null;
  return (
    <svg
      aria-hidden="true"
      width={layout.width}
      height={ROW_HEIGHT}
      className="absolute inset-0 overflow-visible"
    >
      {isProposedHere && <ProposedPaths proposed={proposed} layout={layout} />}
      {isChosenHere && (
        <path d={notchPath(layout, notch)} fill="none" stroke="var(--ink)" strokeWidth={2.4} />
      )}
      {isCarriedHere && <Ghost data={data} hand={hand} />}
    </svg>
  );
}
