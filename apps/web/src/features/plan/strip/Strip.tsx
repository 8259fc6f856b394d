import { classTitle } from '@glen/core';
import type { ClassItem } from '@glen/contract';
import { chosenDays, chosenNotch } from '../chosen.js';
import { ROW_HEIGHT } from './layout.js';
import type { StripProps } from './stripProps.js';
import { StripDates, StripGround } from './StripGround.js';
import { StripOverlay } from './StripOverlay.js';
import { StripReadout, cellInWords } from './StripReadout.js';
import { RowHead, StripRow } from './StripRow.js';
import { LABEL_WIDTH, useStripData, useWidth, type StripData } from './useStripData.js';
import { useStripHand, type StripHand } from './useStripHand.js';
import { useStripKeys } from './useStripKeys.js';
import { useStripPointer } from './useStripPointer.js';
import * as say from '../words.js';

interface PartProps extends StripProps {
  data: StripData;
  hand: StripHand;
}

/** The days that are chosen, or just being swept over. */
function SweptDays({ data, hand, chosen }: PartProps) {
  const { layout, dates, classes } = data;
  const days = chosenDays(chosen);
  const columnOf = (date: string): number =>
    layout.indexOf(date) ?? dates.findIndex((d) => d >= date);
  const kept = days && { from: columnOf(days.from), to: columnOf(days.to) };
  const range = hand.swept ?? kept;
  if (!range) return null;
  return (
    <span
      aria-hidden="true"
      className="absolute top-0 border-x-2 border-bracken bg-bracken/15"
      style={{
        left: range.from * layout.step,
        width: (range.to - range.from + 1) * layout.step,
        height: classes.length * ROW_HEIGHT,
      }}
    />
  );
}

/** The cell that the keyboard is at: the only one that is there for screen readers. */
function CursorCell(props: PartProps & { classPeriod: ClassItem }) {
  const { data, hand, chosen, classPeriod } = props;
  const { row, column } = hand.cursor;
  const { step } = data.layout;
  const chosenId = chosenNotch(chosen)?.id;
  return (
    <span
      role="gridcell"
      id="strip-cell"
      aria-colindex={column + 2}
      aria-selected={data.notchesAt(row, column).some((n) => n.id === chosenId)}
      aria-label={`${classTitle(classPeriod)}. ${cellInWords(data, hand.cursor, props)}`}
      className={`absolute inset-y-0 rounded-mark ${hand.hasFocus ? 'outline-2 -outline-offset-1 outline-bracken' : ''}`}
      style={{ left: column * step, width: step }}
    />
  );
}

function Row(props: PartProps & { classPeriod: ClassItem; row: number }) {
  const { data, hand, now, clashing, chosen, proposed, classPeriod, row } = props;
  const { id } = classPeriod;
  return (
    <div
      role="row"
      aria-rowindex={row + 1}
      className="absolute left-0 flex w-full items-center"
      style={{ top: row * ROW_HEIGHT, height: ROW_HEIGHT }}
    >
      <span
        role="rowheader"
        aria-colindex={1}
        className="min-w-0 shrink-0 pr-2"
        style={{ width: LABEL_WIDTH }}
      >
        <RowHead classPeriod={classPeriod} />
      </span>
      <span className="relative h-full flex-1">
        <StripRow
          pennant={classPeriod.pennant}
          notches={data.notchesOf(id)}
          series={data.series}
          layout={data.layout}
          now={now}
          clashing={clashing}
          lit={chosenNotch(chosen)?.seriesId ?? null}
        />
        <StripOverlay classId={id} data={data} hand={hand} proposed={proposed} chosen={chosen} />
        {row === hand.cursor.row && <CursorCell {...props} />}
      </span>
    </div>
  );
}

function Grid(props: PartProps) {
  const { data, hand, label, today, from } = props;
  const { classes, layout, nowColumn } = data;
  const keys = useStripKeys(data, hand, props);
  const pointer = useStripPointer(data, hand, props);
  const isNowShown = nowColumn >= 0 && today >= from;
  return (
    <div
      role="grid"
      aria-label={label}
      aria-rowcount={classes.length}
      aria-colcount={data.dates.length + 1}
      tabIndex={0}
      aria-activedescendant={classes.length > 0 ? 'strip-cell' : undefined}
      data-testid="strip"
      className="relative touch-pan-y select-none"
      style={{ height: classes.length * ROW_HEIGHT, cursor: hand.hover ? 'pointer' : 'default' }}
      onFocus={() => hand.setFocus(true)}
      onBlur={() => {
        hand.setFocus(false);
        if (hand.carried?.byKeys) hand.setCarried(null);
      }}
      {...keys}
      {...pointer}
    >
      <div className="absolute top-0" style={{ left: LABEL_WIDTH }}>
        <StripGround
          layout={layout}
          rows={classes.length}
          nowColumn={isNowShown ? nowColumn : null}
        />
        <SweptDays {...props} />
      </div>
      {classes.map((c, row) => (
        <Row key={c.id} {...props} classPeriod={c} row={row} />
      ))}
    </div>
  );
}

/** A term or a year, one row for each class period: a grid that is worked by pointer and by keyboard alike. */
export function Strip(props: StripProps) {
  const [track, width] = useWidth();
  const data = useStripData(props, width);
  const hand = useStripHand(data, props);
  return (
    <section ref={track} aria-label={say.termStrip} className="min-w-0">
      {width > 0 && (
        <>
          <div style={{ marginLeft: LABEL_WIDTH }}>
            <StripDates layout={data.layout} />
          </div>
          <Grid {...props} data={data} hand={hand} />
          <StripReadout {...props} data={data} hand={hand} />
        </>
      )}
    </section>
  );
}
