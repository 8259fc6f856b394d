import {
  useEffect,
  useMemo,
  useRef,
  useState,
  type KeyboardEvent,
  type PointerEvent,
  type ReactNode,
} from 'react';
import {
  classTitle,
  dateInWords,
  dayInfo,
  isHeld,
  type Occurrence,
  type SchoolCalendar,
} from '@glen/core';
import type { ClassItem } from '@glen/contract';
import {
  ROW_HEIGHT,
  columnsOf,
  dotPath,
  groupBy,
  layoutStrip,
  nearest,
  notchPath,
  type Notch,
  type Strip as StripData,
} from './layout.js';
import { StripDates, StripGround } from './StripGround.js';
import { RowHead, StripRow } from './StripRow.js';
import { useLanding } from './useLanding.js';
import { notchInWords } from './words.js';
import { mayEdit } from '../../school/mayEdit.js';

/** What is chosen on the strip: a session with its series, or all of some days. */
export type Chosen = { notch: Notch } | { from: string; to: string } | null;

export interface StripProps {
  strip: StripData;
  school: SchoolCalendar;
  now: string;
  today: string;
  from: string;
  to: string;
  label: string;
  /** What the sheet would put on the books. */
  proposed: { classId: number; rows: Occurrence[]; clashing: Set<string> } | null;
  clashing: Set<number>;
  chosen: Chosen;
  onChoose: (chosen: Chosen) => void;
  onMove: (notch: Notch, date: string, version: number) => void;
  onOpen: (notch: Notch) => void;
  onCancel: () => void;
}

const NONE: Notch[] = [];
const LABEL_WIDTH = 172;
const DRAG_FROM = 4;

function useWidth(): [React.RefObject<HTMLDivElement | null>, number] {
  const ref = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(0);
  useEffect(() => {
    const observer = new ResizeObserver(([entry]) =>
      setWidth(Math.floor(entry!.contentRect.width)),
    );
    observer.observe(ref.current!);
    return () => observer.disconnect();
  }, []);
  return [ref, width];
}

/** A term or a year, one row for each class period: a grid that is worked by pointer and by keyboard alike. */
export function Strip({
  strip,
  school,
  now,
  today,
  from,
  to,
  label,
  proposed,
  clashing,
  chosen,
  onChoose,
  onMove,
  onOpen,
  onCancel,
}: StripProps) {
  const [track, width] = useWidth();
  const { classes, notches } = strip;
  const dates = useMemo(
    () =>
      columnsOf(
        school,
        from,
        to,
        [...notches, ...(proposed?.rows ?? []).filter(isHeld)]
          .map((n) => n.date)
          .filter((d) => d >= from && d <= to),
      ),
    [school, from, to, notches, proposed],
  );
  const layout = useMemo(
    () => layoutStrip(school, dates, notches, Math.max(200, width - LABEL_WIDTH)),
    [school, dates, notches, width],
  );
  const series = useMemo(() => new Map(strip.series.map((s) => [s.id, s])), [strip.series]);
  const classOfSeries = useMemo(
    () => new Map(strip.series.map((s) => [s.id, s.classId])),
    [strip.series],
  );
  const byClass = useMemo(
    () => groupBy(notches, (n) => classOfSeries.get(n.seriesId) ?? 0),
    [notches, classOfSeries],
  );
  const nowColumn = dates.findIndex((d) => d >= today);
  const [cursor, setCursor] = useState<{ row: number; column: number }>({
    row: 0,
    column: Math.max(0, nowColumn),
  });
  const [hasFocus, setFocus] = useState(false);
  const [hover, setHover] = useState<Notch | null>(null);
  const [carried, setCarried] = useState<{ notch: Notch; column: number; byKeys: boolean } | null>(
    null,
  );
  const [swept, setSwept] = useState<{ from: number; to: number } | null>(null);
  const pressed = useRef<{
    x: number;
    notch: Notch | undefined;
    column: number;
    row: number;
  } | null>(null);

  const at = (row: number, column: number): Notch[] =>
    (byClass.get(classes[row]?.id ?? 0) ?? NONE).filter((n) => n.date === dates[column]);
  const chosenNotch = chosen && 'notch' in chosen ? chosen.notch : null;
  const moving = carried?.notch ?? null;
  const { landing, version } = useLanding(
    moving ?? chosenNotch,
    (moving ?? chosenNotch) ? (classOfSeries.get((moving ?? chosenNotch)!.seriesId) ?? null) : null,
    school,
    carried ? { date: dates[carried.column]! } : null,
  );
  const editable = (n: Notch | undefined): n is Notch =>
    n !== undefined &&
    n.start > now &&
    n.status !== 'cancelled' &&
    mayEdit(classes.find((c) => c.id === classOfSeries.get(n.seriesId)));

  const putDown = (): void => {
    if (
      carried &&
      landing?.row &&
      version !== undefined &&
      dates[carried.column] !== carried.notch.date
    )
      onMove(carried.notch, dates[carried.column]!, version);
    setCarried(null);
  };

  const placeOf = (event: PointerEvent): { row: number; column: number; y: number } => {
    const box = event.currentTarget.getBoundingClientRect();
    const y = event.clientY - box.top;
    const row = Math.max(0, Math.min(classes.length - 1, Math.floor(y / ROW_HEIGHT)));
    return {
      row,
      column: layout.columnAt(event.clientX - box.left - LABEL_WIDTH),
      y: y - row * ROW_HEIGHT,
    };
  };
  const onPointerDown = (event: PointerEvent): void => {
    if (event.button !== 0 || (event.target as HTMLElement).closest('a')) return;
    const { row, column, y } = placeOf(event);
    const notch = nearest(layout, at(row, column), y);
    pressed.current = { x: event.clientX, notch, column, row };
    setCursor({ row, column });
    event.currentTarget.setPointerCapture(event.pointerId);
    if (notch) onChoose({ notch });
  };
  const onPointerMove = (event: PointerEvent): void => {
    const { row, column, y } = placeOf(event);
    const start = pressed.current;
    if (!start) return setHover(nearest(layout, at(row, column), y) ?? null);
    if (Math.abs(event.clientX - start.x) < DRAG_FROM) return;
    if (start.notch) {
      if (editable(start.notch)) setCarried({ notch: start.notch, column, byKeys: false });
    } else setSwept({ from: Math.min(start.column, column), to: Math.max(start.column, column) });
  };
  const onPointerUp = (): void => {
    if (carried && !carried.byKeys) putDown();
    else if (swept) {
      onChoose({ from: dates[swept.from]!, to: dates[swept.to]! });
      setSwept(null);
    } else if (pressed.current && !pressed.current.notch) onChoose(null);
    pressed.current = null;
  };

  const go = (row: number, column: number, sweep: boolean): void => {
    const next = {
      row: Math.max(0, Math.min(classes.length - 1, row)),
      column: Math.max(0, Math.min(dates.length - 1, column)),
    };
    setCursor(next);
    if (carried) return setCarried({ ...carried, column: next.column });
    if (sweep) {
      const range =
        chosen && 'from' in chosen
          ? [chosen.from, chosen.to]
          : [dates[cursor.column]!, dates[cursor.column]!];
      const anchor = dates[cursor.column] === range[0] ? range[1]! : range[0]!;
      const here = dates[next.column]!;
      onChoose(here < anchor ? { from: here, to: anchor } : { from: anchor, to: here });
    }
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    if ((event.target as HTMLElement).closest('a')) return;
    const { row, column } = cursor;
    const here = at(row, column);
    const again = chosenNotch ? here.findIndex((n) => n.id === chosenNotch.id) : -1;
    const actions: Record<string, () => void> = {
      ArrowLeft: () => go(row, column - 1, event.shiftKey),
      ArrowRight: () => go(row, column + 1, event.shiftKey),
      ArrowUp: () => go(carried ? row : row - 1, column, false),
      ArrowDown: () => go(carried ? row : row + 1, column, false),
      PageUp: () => go(row, column - 5, event.shiftKey),
      PageDown: () => go(row, column + 5, event.shiftKey),
      Home: () => go(row, 0, event.shiftKey),
      End: () => go(row, dates.length - 1, event.shiftKey),
      Enter: () => {
        if (carried) putDown();
        else if (again >= 0 && here.length === 1) onOpen(here[0]!);
        else onChoose(here.length > 0 ? { notch: here[(again + 1) % here.length]! } : null);
      },
      m: () => {
        const notch =
          chosenNotch && here.some((n) => n.id === chosenNotch.id) ? chosenNotch : here[0];
        if (!carried && editable(notch)) {
          onChoose({ notch });
          setCarried({ notch, column, byKeys: true });
        }
      },
      e: () => {
        if (here[0]) onOpen(here[0]);
      },
      Delete: onCancel,
      Escape: () => {
        if (carried) {
          setCarried(null);
          setCursor({ row, column: layout.indexOf(carried.notch.date) ?? column });
        } else onChoose(null);
      },
    };
    const action = actions[event.key];
    if (!action || event.ctrlKey || event.metaKey || event.altKey) return;
    event.preventDefault();
    event.stopPropagation();
    action();
  };

  const shown =
    hover ?? (hasFocus ? at(cursor.row, cursor.column)[0] : undefined) ?? chosenNotch ?? undefined;
  const dayWords = (date: string): string => {
    const day = dayInfo(school, date);
    return day.teaching
      ? [day.cycleDay && `${day.cycleDay} day`, day.bell && `${day.bell} bells`]
          .filter(Boolean)
          .join(', ')
      : (day.why ?? '');
  };
  const cellWords = (row: number, column: number): string => {
    const here = at(row, column);
    const date = dates[column]!;
    return here.length > 0
      ? here.map((n) => notchInWords(n, series.get(n.seriesId), now)).join('; ')
      : `${dateInWords(date)}: nothing${dayInfo(school, date).teaching ? '' : `, ${dayWords(date)}`}`;
  };
  const readout: ReactNode =
    carried && landing ? (
      <span
        className={
          landing.tone === 'wrong'
            ? 'text-berry-deep'
            : landing.tone === 'careful'
              ? 'text-gorse-deep'
              : 'text-moss-deep'
        }
      >
        {landing.text} {carried.byKeys ? 'Enter puts it down, Escape leaves it.' : ''}
      </span>
    ) : shown ? (
      <>
        <b>{notchInWords(shown, series.get(shown.seriesId), now)}</b>
        {series.get(shown.seriesId)?.repeats ? (
          <span className="text-soft"> · {series.get(shown.seriesId)!.words}</span>
        ) : null}
      </>
    ) : proposed && !hasFocus ? null : (
      <span className="text-soft">
        {hasFocus
          ? cellWords(cursor.row, cursor.column)
          : 'Each notch is a session. Choose one, drag it to another day, or sweep over days.'}
      </span>
    );
  const overlay = (of: ClassItem): ReactNode => {
    const paths: ReactNode[] = [];
    if (proposed?.classId === of.id) {
      const rows = proposed.rows.filter(isHeld);
      paths.push(
        <path
          key="new"
          d={rows.map((o) => notchPath(layout, o)).join('')}
          fill="var(--bracken)"
          stroke="var(--sheet)"
          strokeWidth={1}
        />,
      );
      paths.push(
        <path
          key="clashing"
          d={rows
            .filter((o) => proposed.clashing.has(o.key))
            .map((o) => dotPath(layout, o))
            .join('')}
          fill="var(--berry)"
        />,
      );
    }
    if (chosenNotch && classOfSeries.get(chosenNotch.seriesId) === of.id && !carried)
      paths.push(
        <path
          key="chosen"
          d={notchPath(layout, chosenNotch)}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={2.4}
        />,
      );
    if (carried && classOfSeries.get(carried.notch.seriesId) === of.id && landing) {
      const ghost = { date: dates[carried.column]!, time: landing.row?.time ?? carried.notch.time };
      paths.push(
        <path
          key="ghost"
          d={notchPath(layout, ghost)}
          fill={landing.tone === 'wrong' ? 'var(--berry)' : 'var(--bracken)'}
          stroke="var(--ink)"
          strokeWidth={2}
        />,
      );
    }
    return paths.length === 0 ? null : (
      <svg
        aria-hidden="true"
        width={layout.width}
        height={ROW_HEIGHT}
        className="absolute inset-0 overflow-visible"
      >
        {paths}
      </svg>
    );
  };
  const range = swept
    ? { from: swept.from, to: swept.to }
    : chosen && 'from' in chosen
      ? {
          from: layout.indexOf(chosen.from) ?? dates.findIndex((d) => d >= chosen.from),
          to: layout.indexOf(chosen.to) ?? dates.findIndex((d) => d >= chosen.to),
        }
      : null;

  return (
    <section ref={track} aria-label="Term strip" className="min-w-0">
      {width > 0 && (
        <>
          <div style={{ marginLeft: LABEL_WIDTH }}>
            <StripDates layout={layout} />
          </div>
          <div
            role="grid"
            aria-label={label}
            aria-rowcount={classes.length}
            aria-colcount={dates.length + 1}
            tabIndex={0}
            aria-activedescendant={classes.length > 0 ? 'strip-cell' : undefined}
            data-testid="strip"
            className="relative touch-pan-y select-none"
            style={{ height: classes.length * ROW_HEIGHT, cursor: hover ? 'pointer' : 'default' }}
            onFocus={() => setFocus(true)}
            onBlur={() => {
              setFocus(false);
              if (carried?.byKeys) setCarried(null);
            }}
            onKeyDown={onKeyDown}
            onPointerDown={onPointerDown}
            onPointerMove={onPointerMove}
            onPointerUp={onPointerUp}
            onPointerCancel={() => {
              pressed.current = null;
              setCarried(null);
              setSwept(null);
            }}
            onPointerLeave={() => setHover(null)}
            onDoubleClick={() => {
              if (chosenNotch) onOpen(chosenNotch);
            }}
          >
            <div className="absolute top-0" style={{ left: LABEL_WIDTH }}>
              <StripGround
                layout={layout}
                rows={classes.length}
                nowColumn={nowColumn < 0 || today < from ? null : nowColumn}
              />
              {range && (
                <span
                  aria-hidden="true"
                  className="absolute top-0 border-x-2 border-bracken bg-bracken/15"
                  style={{
                    left: range.from * layout.step,
                    width: (range.to - range.from + 1) * layout.step,
                    height: classes.length * ROW_HEIGHT,
                  }}
                />
              )}
            </div>
            {classes.map((of, row) => (
              <div
                key={of.id}
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
                  <RowHead of={of} />
                </span>
                <span className="relative h-full flex-1">
                  <StripRow
                    of={of}
                    notches={byClass.get(of.id) ?? NONE}
                    series={series}
                    layout={layout}
                    now={now}
                    clashing={clashing}
                    lit={chosenNotch?.seriesId ?? null}
                  />
                  {overlay(of)}
                  {row === cursor.row && (
                    <span
                      role="gridcell"
                      id="strip-cell"
                      aria-colindex={cursor.column + 2}
                      aria-selected={
                        chosenNotch !== null &&
                        at(row, cursor.column).some((n) => n.id === chosenNotch.id)
                      }
                      aria-label={`${classTitle(of)}. ${cellWords(row, cursor.column)}`}
                      className={`absolute inset-y-0 rounded-[3px] ${hasFocus ? 'outline-2 -outline-offset-1 outline-bracken' : ''}`}
                      style={{ left: cursor.column * layout.step, width: layout.step }}
                    />
                  )}
                </span>
              </div>
            ))}
          </div>
          <p
            aria-live={carried ? 'polite' : 'off'}
            className={`mt-4 text-[15px] ${proposed ? 'empty:mt-0' : 'min-h-6'}`}
          >
            {readout}
          </p>
          {proposed && !classes.some((c) => c.id === proposed.classId) && (
            <p className="text-sm text-soft">The class period is not among the rows shown.</p>
          )}
        </>
      )}
    </section>
  );
}
