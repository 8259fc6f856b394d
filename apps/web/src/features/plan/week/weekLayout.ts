import { scaleLinear } from 'd3-scale';
import { addDays, bellsOn, dayInfo, minuteOfDay, timeOf, type SchoolCalendar } from '@glen/core';

const HOUR_HEIGHT = 52;
/** How near, in minutes, a session is put down before it keeps to the bell. */
const SNAP_TO_BELL = 12;
/** Minutes between two times at which it can be put down otherwise. */
export const STEP = 5;
const LAST_START = 1435;
const MINUTES_OF_DAY = 1440;
const SCHOOL_HOURS: [number, number] = [8, 16];

interface Timed {
  date: string;
  time: string;
  minutes: number;
}

export interface WeekLayout {
  days: string[];
  /** The whole hours shown, from and to: evenings too, where something stands there. */
  hours: [number, number];
  height: number;
  /** Pixels from the top, by minute of the day. */
  y: (minute: number) => number;
  /** The minute of the day at a height. */
  minuteAt: (y: number) => number;
}

/** The week's days: those with bells, and the others on which something stands. */
export function daysOfWeek(school: SchoolCalendar, monday: string, used: Timed[]): string[] {
  const dates = Array.from({ length: 7 }, (_, i) => addDays(monday, i));
  const isUsed = (date: string): boolean => used.some((u) => u.date === date);
  return dates.filter((date) => dayInfo(school, date).bell !== undefined || isUsed(date));
}

function hoursOf(school: SchoolCalendar, days: string[], shown: Timed[]): [number, number] {
  const bells = days.flatMap((day) => bellsOn(school, day));
  const starts = [...shown.map((n) => n.time), ...bells.map((b) => b.start)];
  if (starts.length === 0) return SCHOOL_HOURS;
  const first = Math.min(...starts.map((time) => minuteOfDay(time, 'time')));
  const last = Math.max(
    ...shown.map((n) => Math.min(MINUTES_OF_DAY, minuteOfDay(n.time, 'time') + n.minutes)),
    ...bells.map((b) => minuteOfDay(b.end, 'end')),
  );
  return [Math.floor(first / 60), Math.ceil(last / 60)];
}

export function layoutWeek(school: SchoolCalendar, days: string[], used: Timed[]): WeekLayout {
  const hours = hoursOf(
    school,
    days,
    used.filter((u) => days.includes(u.date)),
  );
  const [first, last] = hours;
  const height = (last - first) * HOUR_HEIGHT;
  const y = scaleLinear()
    .domain([first * 60, last * 60])
    .range([0, height]);
  return { days, hours, height, y: (minute) => y(minute), minuteAt: (at) => y.invert(at) };
}

/** Top and height of something that lasts some minutes, tall enough to be read; what runs past midnight ends with its day. */
export function boxOf({ y }: WeekLayout, { time, minutes }: Omit<Timed, 'date'>, least: number) {
  const start = minuteOfDay(time, 'time');
  const top = y(start);
  return { top, height: Math.max(least, y(Math.min(MINUTES_OF_DAY, start + minutes)) - top) };
}

const startAt = (minute: number): string => timeOf(Math.max(0, Math.min(LAST_START, minute)));

/** The time at which something is put down near a minute of a day: a bell's, where one is near. */
export function snapped(school: SchoolCalendar, date: string, minute: number): string {
  const starts = bellsOn(school, date).map((b) => minuteOfDay(b.start, 'start'));
  const bell = starts.find((start) => Math.abs(start - minute) <= SNAP_TO_BELL);
  return startAt(bell ?? Math.round(minute / STEP) * STEP);
}

export const shiftedTime = (time: string, minutes: number): string =>
  startAt(minuteOfDay(time, 'time') + minutes);
