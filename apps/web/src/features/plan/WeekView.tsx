import { useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { scaleLinear } from 'd3-scale';
import {
  addDays,
  addMinutes,
  bellsOn,
  dateInWords,
  dayInfo,
  minuteOfDay,
  timeOf,
  type Occurrence,
  type SchoolCalendar,
} from '@glen/core';
import { Pennant } from '../../ui/Pennant.js';
import { lanesOf } from './dayLineLayout.js';
import type { Chosen } from './strip/Strip.js';
import type { Notch, Strip } from './strip/layout.js';
import { useLanding } from './strip/useLanding.js';
import { notchInWords } from './strip/words.js';
import { mayEdit } from '../school/mayEdit.js';

const HOUR = 52;
const SNAP_TO_BELL = 12;
const STEP = 5;

interface WeekProps {
  strip: Strip;
  school: SchoolCalendar;
  monday: string;
  now: string;
  today: string;
  clashing: Set<number>;
  proposed: { classId: number; rows: Occurrence[]; clashing: Set<string> } | null;
  chosen: Chosen;
  onChoose: (chosen: Chosen) => void;
  onMove: (notch: Notch, date: string, version: number, time: string) => void;
  onOpen: (notch: Notch) => void;
  onCancel: () => void;
}

/** The whole hours that a week needs, evenings too. */
function hoursOf(
  school: SchoolCalendar,
  dates: string[],
  notches: Pick<Notch, 'time' | 'minutes'>[],
): [number, number] {
  const starts = [
    ...notches.map((n) => minuteOfDay(n.time, 'time')),
    ...dates.flatMap((d) => bellsOn(school, d).map((b) => minuteOfDay(b.start, 'start'))),
  ];
  const ends = [
    ...notches.map((n) => Math.min(1440, minuteOfDay(n.time, 'time') + n.minutes)),
    ...dates.flatMap((d) => bellsOn(school, d).map((b) => minuteOfDay(b.end, 'end'))),
  ];
  return starts.length === 0
    ? [8, 16]
    : [Math.floor(Math.min(...starts) / 60), Math.ceil(Math.max(...ends) / 60)];
}

/** One week with its real hours: bells behind, sessions as blocks that can be dragged to another day and time. */
export function WeekView({
  strip,
  school,
  monday,
  now,
  today,
  clashing,
  proposed,
  chosen,
  onChoose,
  onMove,
  onOpen,
  onCancel,
}: WeekProps) {
  const days = useMemo(
    () =>
      Array.from({ length: 7 }, (_, i) => addDays(monday, i)).filter(
        (d) =>
          dayInfo(school, d).bell !== undefined ||
          strip.notches.some((n) => n.date === d) ||
          proposed?.rows.some((o) => o.date === d),
      ),
    [school, monday, strip.notches, proposed],
  );
  const held = (proposed?.rows ?? []).filter((o) => o.status === 'planned' || o.status === 'moved');
  const here = strip.notches.filter((n) => days.includes(n.date));
  const [first, last] = hoursOf(school, days, [
    ...here,
    ...held.filter((o) => days.includes(o.date)),
  ]);
  const y = scaleLinear()
    .domain([first * 60, last * 60])
    .range([0, (last - first) * HOUR]);
  const series = new Map(strip.series.map((s) => [s.id, s]));
  const classOf = (n: Pick<Notch, 'seriesId'>) =>
    strip.classes.find((c) => c.id === series.get(n.seriesId)?.classId);
  const grid = useRef<HTMLDivElement>(null);
  const pressed = useRef<{ notch: Notch; x: number; y: number; grab: number } | null>(null);
  const [carried, setCarried] = useState<{
    notch: Notch;
    date: string;
    time: string;
    byKeys: boolean;
  } | null>(null);
  const { landing, version } = useLanding(
    carried?.notch ?? null,
    carried ? (classOf(carried.notch)?.id ?? null) : null,
    school,
    carried,
  );
  const editable = (n: Notch): boolean =>
    n.start > now && n.status !== 'cancelled' && mayEdit(classOf(n));

  const snapped = (date: string, minute: number): string => {
    const bell = bellsOn(school, date)
      .map((b) => minuteOfDay(b.start, 'start'))
      .find((start) => Math.abs(start - minute) <= SNAP_TO_BELL);
    return timeOf(Math.max(0, Math.min(1435, bell ?? Math.round(minute / STEP) * STEP)));
  };
  const putDown = (): void => {
    if (
      carried &&
      landing?.row &&
      version !== undefined &&
      (carried.date !== carried.notch.date || carried.time !== carried.notch.time)
    )
      onMove(carried.notch, carried.date, version, carried.time);
    setCarried(null);
  };
  const onPointerDown = (event: PointerEvent, notch: Notch): void => {
    if (event.button !== 0) return;
    const box = event.currentTarget.getBoundingClientRect();
    pressed.current = { notch, x: event.clientX, y: event.clientY, grab: event.clientY - box.top };
    event.currentTarget.setPointerCapture(event.pointerId);
    onChoose({ notch });
  };
  const onPointerMove = (event: PointerEvent): void => {
    const start = pressed.current;
    if (
      !start ||
      !editable(start.notch) ||
      Math.hypot(event.clientX - start.x, event.clientY - start.y) < 4
    )
      return;
    const box = grid.current!.getBoundingClientRect();
    const column = Math.max(
      0,
      Math.min(days.length - 1, Math.floor(((event.clientX - box.left) / box.width) * days.length)),
    );
    const date = days[column]!;
    setCarried({
      notch: start.notch,
      date,
      time: snapped(date, y.invert(event.clientY - box.top - start.grab)),
      byKeys: false,
    });
  };
  const onPointerUp = (): void => {
    if (carried && !carried.byKeys) putDown();
    pressed.current = null;
  };
  const onKeyDown = (event: KeyboardEvent, notch: Notch): void => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const shift = (byDays: number, minutes: number): void => {
      if (!carried) return;
      const date =
        days[Math.max(0, Math.min(days.length - 1, days.indexOf(carried.date) + byDays))]!;
      setCarried({
        ...carried,
        date,
        time: timeOf(Math.max(0, Math.min(1435, minuteOfDay(carried.time, 'time') + minutes))),
      });
    };
    const actions: Record<string, () => void> = carried
      ? {
          ArrowLeft: () => shift(-1, 0),
          ArrowRight: () => shift(1, 0),
          ArrowUp: () => shift(0, -STEP),
          ArrowDown: () => shift(0, STEP),
          Enter: putDown,
          Escape: () => setCarried(null),
        }
      : {
          m: () => {
            if (editable(notch)) {
              onChoose({ notch });
              setCarried({ notch, date: notch.date, time: notch.time, byKeys: true });
            }
          },
          e: () => onOpen(notch),
          Enter: () => onChoose({ notch }),
          Delete: onCancel,
          Escape: () => onChoose(null),
        };
    const action = actions[event.key];
    if (!action) return;
    event.preventDefault();
    event.stopPropagation();
    action();
  };
  const chosenId = chosen && 'notch' in chosen ? chosen.notch.id : null;

  return (
    <section aria-label="Week" className="min-w-0">
      <div
        className="ml-12 grid"
        style={{ gridTemplateColumns: `repeat(${days.length}, minmax(0, 1fr))` }}
      >
        {days.map((date) => {
          const day = dayInfo(school, date);
          return (
            <p
              key={date}
              className={`px-2 pb-1 text-[15px] ${date === today ? 'font-bold text-bracken-deep' : ''}`}
            >
              {dateInWords(date)}{' '}
              <span className="block text-sm text-soft">
                {day.teaching ? [day.bell, day.cycleDay].filter(Boolean).join(' · ') : day.why}
              </span>
            </p>
          );
        })}
      </div>
      <div className="relative flex" style={{ height: (last - first) * HOUR }}>
        <div aria-hidden="true" className="relative w-12 shrink-0 font-mono text-xs text-soft">
          {Array.from({ length: last - first }, (_, i) => (
            <span key={i} className="absolute right-2" style={{ top: Math.max(0, i * HOUR - 8) }}>
              {String(first + i).padStart(2, '0')}
            </span>
          ))}
        </div>
        <div
          ref={grid}
          className="relative grid flex-1 border-y border-line"
          style={{ gridTemplateColumns: `repeat(${days.length}, minmax(0, 1fr))` }}
        >
          {days.map((date) => {
            const of = here.filter((n) => n.date === date);
            const lanes = lanesOf(
              of.map((n) => ({
                start: minuteOfDay(n.time, 'time'),
                end: minuteOfDay(n.time, 'time') + n.minutes,
              })),
            );
            const day = dayInfo(school, date);
            return (
              <div
                key={date}
                className={`relative border-l border-line ${day.teaching ? '' : 'bg-shade'}`}
              >
                {bellsOn(school, date).map((b) => (
                  <span
                    key={b.label}
                    aria-hidden="true"
                    className="absolute inset-x-0 border-t border-dotted border-line bg-shade/40 px-1 text-[11px] text-soft"
                    style={{
                      top: y(minuteOfDay(b.start, 'start')),
                      height: y(minuteOfDay(b.end, 'end')) - y(minuteOfDay(b.start, 'start')),
                    }}
                  >
                    {b.label}
                  </span>
                ))}
                {of.map((n, i) => {
                  const top = y(minuteOfDay(n.time, 'time'));
                  const { lane, of: lanesHere } = lanes[i]!;
                  const c = classOf(n);
                  const isCancelled = n.status === 'cancelled';
                  return (
                    <button
                      key={n.id}
                      type="button"
                      aria-pressed={chosenId === n.id}
                      aria-label={`${notchInWords(n, series.get(n.seriesId), now)}${clashing.has(n.id) ? ', clashes' : ''}`}
                      onPointerDown={(e) => onPointerDown(e, n)}
                      onPointerMove={onPointerMove}
                      onPointerUp={onPointerUp}
                      onPointerCancel={() => {
                        pressed.current = null;
                        setCarried(null);
                      }}
                      onDoubleClick={() => onOpen(n)}
                      onKeyDown={(e) => onKeyDown(e, n)}
                      onBlur={() => {
                        if (carried?.byKeys) setCarried(null);
                      }}
                      className={`absolute z-10 flex touch-none flex-col items-start gap-0.5 overflow-hidden rounded-small border bg-sheet px-1.5 py-0.5 text-left text-[13px] leading-tight ${chosenId === n.id ? 'outline-2 outline-bracken' : ''} ${isCancelled ? 'border-dashed border-edge text-soft line-through' : series.get(n.seriesId)?.draft ? 'border-dashed border-edge' : 'border-edge'} ${n.end <= now ? 'text-soft' : ''} ${carried?.notch.id === n.id ? 'opacity-40' : ''}`}
                      style={{
                        top,
                        height: Math.max(22, y(minuteOfDay(n.time, 'time') + n.minutes) - top - 1),
                        left: `calc(${(lane / lanesHere) * 100}% + 2px)`,
                        width: `calc(${100 / lanesHere}% - 5px)`,
                      }}
                    >
                      <span aria-hidden="true" className="flex w-full items-center gap-1.5">
                        {c && <Pennant pennant={c.pennant} size="tiny" />}
                        <span className="truncate font-semibold">
                          {n.title ?? series.get(n.seriesId)?.title}
                        </span>
                      </span>
                      <span aria-hidden="true" className="font-mono text-xs whitespace-nowrap">
                        {n.time}
                        {lanesHere === 1 && `–${addMinutes(n.time, n.minutes)}`}
                      </span>
                      {clashing.has(n.id) && (
                        <span
                          aria-hidden="true"
                          className="absolute top-1 right-1 size-2.5 rounded-full bg-berry"
                        />
                      )}
                    </button>
                  );
                })}
                {held
                  .filter((o) => o.date === date)
                  .map((o) => (
                    <span
                      key={o.key}
                      className="pointer-events-none absolute inset-x-1 z-20 rounded-small border-2 border-bracken bg-bracken-tint px-1.5 text-[13px] font-semibold text-bracken-deep"
                      style={{
                        top: y(minuteOfDay(o.time, 'time')),
                        height: Math.max(
                          20,
                          y(minuteOfDay(o.time, 'time') + o.minutes) -
                            y(minuteOfDay(o.time, 'time')),
                        ),
                      }}
                    >
                      new, {o.time}
                      {proposed!.clashing.has(o.key) ? ', clashes' : ''}
                    </span>
                  ))}
                {carried?.date === date && landing && (
                  <span
                    className={`pointer-events-none absolute inset-x-1 z-20 rounded-small border-2 px-1.5 text-[13px] font-semibold ${landing.tone === 'wrong' ? 'border-berry bg-berry-tint text-berry-deep' : 'border-bracken bg-bracken-tint text-bracken-deep'}`}
                    style={{
                      top: y(minuteOfDay(carried.time, 'time')),
                      height: Math.max(
                        20,
                        y(minuteOfDay(carried.time, 'time') + carried.notch.minutes) -
                          y(minuteOfDay(carried.time, 'time')),
                      ),
                    }}
                  >
                    {carried.time}
                  </span>
                )}
              </div>
            );
          })}
        </div>
      </div>
      <p aria-live="polite" className="mt-2 min-h-6 text-[15px]">
        {carried && landing ? (
          <span
            className={
              landing.tone === 'wrong'
                ? 'text-berry-deep'
                : landing.tone === 'careful'
                  ? 'text-gorse-deep'
                  : 'text-moss-deep'
            }
          >
            {landing.text}
            {carried.byKeys ? ' Enter puts it down, Escape leaves it.' : ''}
          </span>
        ) : (
          <span className="text-soft">
            Drag a session to another day or time, or press m and the arrows.
          </span>
        )}
      </p>
    </section>
  );
}
