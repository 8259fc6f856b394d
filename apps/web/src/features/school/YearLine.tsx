import type { MouseEvent } from 'react';
import { addDays, dateInWords, dayInfo, dayNumber, type SchoolCalendar } from '@glen/core';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type Closure = SchoolCalendar['closures'][number];

/** The drawing's own measure; the browser stretches it to the page's width. */
const WIDTH = 1000;
const HEIGHT = 58;
const BAND = { top: 16, height: 26 };
const THINNEST = 4;

const HATCH = 'url(#year-hatch)';
const CLOSURE_FILL: Record<Closure['kind'], string> = {
  exams: 'var(--berry)',
  staff: 'var(--gorse)',
  holiday: HATCH,
};

/** The first days of months between two dates, both counted. */
function monthsBetween(first: string, last: string): string[] {
  const months: string[] = [];
  for (let day = first; day <= last; day = addDays(day, 1))
    if (day.endsWith('-01')) months.push(day);
  return months;
}

/** Where days lie on a line from the first to the last day. */
interface Scale {
  x: (date: string) => number;
  width: (first: string, last: string) => number;
}

function scaleOf(first: string, days: number): Scale {
  const from = dayNumber(first, 'first');
  const x = (date: string): number => ((dayNumber(date, 'date') - from) / days) * WIDTH;
  return { x, width: (a, b) => Math.max(THINNEST, x(addDays(b, 1)) - x(a)) };
}

const Hatching = () => (
  <defs>
    <pattern
      id="year-hatch"
      width="5"
      height="5"
      patternUnits="userSpaceOnUse"
      patternTransform="rotate(45)"
    >
      <path d="M0 0v5" stroke="var(--edge)" strokeWidth="2.4" />
    </pattern>
  </defs>
);

interface PartProps {
  school: SchoolCalendar;
  scale: Scale;
}

const TermBars = ({ school, scale }: PartProps) =>
  school.terms.map(({ name, first, last }) => (
    <g key={name}>
      <rect
        x={scale.x(first)}
        y={BAND.top}
        width={scale.width(first, last)}
        height={BAND.height}
        rx={4}
        fill="var(--loch-tint)"
        stroke="var(--loch)"
      />
      <text x={scale.x(first) + 6} y={11} fontSize={12} fill="var(--ink)">
        {name}
      </text>
    </g>
  ));

const ClosureBars = ({ school, scale }: PartProps) =>
  school.closures.map(({ name, first, last, kind }, i) => (
    <rect
      key={i}
      x={scale.x(first)}
      y={BAND.top}
      width={scale.width(first, last)}
      height={BAND.height}
      fill={CLOSURE_FILL[kind]}
      opacity={kind === 'holiday' ? 1 : 0.75}
    >
      <title>{`${name}, ${dateInWords(first)}`}</title>
    </rect>
  ));

const OtherBells = ({ school, scale }: PartProps) =>
  school.bellFor
    .filter(({ date }) => dayInfo(school, date).teaching)
    .map(({ bell, date }) => (
      <circle key={date} cx={scale.x(date) + 1.5} cy={29} r={3.5} fill="var(--loch-deep)">
        <title>{fill(say.bellBellsDate, { bell, date: dateInWords(date) })}</title>
      </circle>
    ));

const Legend = ({ isPickable }: { isPickable: boolean }) => (
  <figcaption className="flex flex-wrap gap-x-4 text-sm text-soft">
    <span>{say.hatchedHoliday}</span>
    <span>{say.goldStaffDay}</span>
    <span>{say.redExaminations}</span>
    <span>{say.dotOtherBells}</span>
    {isPickable && <span>{say.pressADayToClose}</span>}
  </figcaption>
);

interface YearLineProps {
  school: SchoolCalendar;
  today: string;
  /** What a press on a day of the line does; nothing where it is only looked at. */
  onPick?: ((date: string) => void) | undefined;
}

/** The school year at a glance: terms, closures hatched, examinations, days of other bells. */
export function YearLine({ school, today, onPick }: YearLineProps) {
  const first = school.terms[0]?.first ?? today;
  const last = school.terms.at(-1)?.last ?? today;
  const days = dayNumber(last, 'last') - dayNumber(first, 'first') + 1;
  if (days < 2) return null;
  const scale = scaleOf(first, days);
  const span = fill(say.fromDateToDate, {
    from: dateInWords(first, 'with-year'),
    until: dateInWords(last, 'with-year'),
  });
  const count = fill(say.termsClosures, {
    termsCount: school.terms.length,
    closuresCount: school.closures.length,
  });
  const isNow = first <= today && today <= last;
  const pick = (event: MouseEvent<SVGSVGElement>): void => {
    const box = event.currentTarget.getBoundingClientRect();
    onPick?.(addDays(first, Math.floor(((event.clientX - box.left) / box.width) * days)));
  };
  return (
    <figure className="mb-4">
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className={onPick ? 'w-full cursor-copy' : 'w-full'}
        onClick={pick}
        role="img"
        aria-label={fill(say.theSchoolYear, { span, count })}
      >
        <Hatching />
        <TermBars school={school} scale={scale} />
        <ClosureBars school={school} scale={scale} />
        <OtherBells school={school} scale={scale} />
        {monthsBetween(first, last).map((month) => (
          <text key={month} x={scale.x(month)} y={55} fontSize={11} fill="var(--soft)">
            {dateInWords(month).slice(6)}
          </text>
        ))}
        {isNow && <path d={`M${scale.x(today)} 12V46`} stroke="var(--bracken)" strokeWidth={2} />}
      </svg>
      <Legend isPickable={onPick !== undefined} />
    </figure>
  );
}
