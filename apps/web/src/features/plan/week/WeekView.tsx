import { useMemo, useRef } from 'react';
import { dateInWords, dayInfo, isHeld, type SchoolCalendar } from '@glen/core';
import { LandingWords } from '../strip/LandingWords.js';
import type { Notch } from '../strip/layout.js';
import type { GridProps } from '../strip/stripProps.js';
import { useWeekHand, type WeekHand } from './useWeekHand.js';
import { WeekDay } from './WeekDay.js';
import { daysOfWeek, layoutWeek, type WeekLayout } from './weekLayout.js';
import * as say from '../words.js';

interface WeekProps extends GridProps {
  monday: string;
}

interface DayHeadProps {
  date: string;
  school: SchoolCalendar;
  isToday: boolean;
}

function DayHead({ date, school, isToday }: DayHeadProps) {
  const day = dayInfo(school, date);
  const bellAndCycle = [day.bell, day.cycleDay].filter(Boolean).join(' · ');
  return (
    <p className={`min-w-0 px-2 pb-1 text-md ${isToday ? 'font-bold text-bracken-deep' : ''}`}>
      {dateInWords(date)}{' '}
      <span className="block truncate text-sm text-soft">
        {day.teaching ? bellAndCycle : day.why}
      </span>
    </p>
  );
}

function Hours({ hours: [first, last], y }: WeekLayout) {
  return (
    <div aria-hidden="true" className="relative w-12 shrink-0 font-mono text-xs text-soft">
      {Array.from({ length: last - first }, (_, i) => (
        <span
          key={i}
          className="absolute right-2"
          style={{ top: Math.max(0, y((first + i) * 60) - 8) }}
        >
          {String(first + i).padStart(2, '0')}
        </span>
      ))}
    </div>
  );
}

function Readout({ carried, landing }: WeekHand) {
  return (
    <p aria-live="polite" className="mt-2 min-h-6 text-md">
      {carried && landing ? (
        <LandingWords landing={landing} byKeys={carried.byKeys} />
      ) : (
        <span className="text-soft">{say.dragASessionToAnother}</span>
      )}
    </p>
  );
}

/** One week with its real hours: bells behind, sessions as blocks that can be dragged to another day and time. */
export function WeekView(props: WeekProps) {
  const { strip, school, monday, today, proposed } = props;
  const grid = useRef<HTMLDivElement>(null);
  const layout = useMemo(() => {
    const rows = proposed?.rows ?? [];
    const days = daysOfWeek(school, monday, [...strip.notches, ...rows]);
    return layoutWeek(school, days, [...strip.notches, ...rows.filter(isHeld)]);
  }, [school, monday, strip.notches, proposed]);
  const series = useMemo(() => new Map(strip.series.map((s) => [s.id, s])), [strip.series]);
  const classOf = (n: Notch) => strip.classes.find((c) => c.id === series.get(n.seriesId)?.classId);
  const hand = useWeekHand({ ...props, layout, classOf, grid });
  const columns = {
    gridTemplateColumns: `repeat(${layout.days.length}, minmax(0, 1fr))`,
  };
  return (
    <section aria-label={say.week} className="min-w-0">
      <div className="ml-12 grid" style={columns}>
        {layout.days.map((date) => (
          <DayHead key={date} date={date} school={school} isToday={date === today} />
        ))}
      </div>
      <div className="relative flex" style={{ height: layout.height }}>
        <Hours {...layout} />
        <div ref={grid} className="relative grid flex-1 border-y border-line" style={columns}>
          {layout.days.map((date) => (
            <WeekDay
              key={date}
              {...props}
              date={date}
              series={series}
              classOf={classOf}
              layout={layout}
              hand={hand}
            />
          ))}
        </div>
      </div>
      <Readout {...hand} />
    </section>
  );
}
