import { useEffect, useState } from 'react';
import { utcOf } from '@glen/core/light';
import { api } from './api.js';
import { fill } from '../ui/fill.js';
import * as say from './words.js';

/** School time in this browser: its own clock, set by what the server last said. */
let offsetSeconds = 0;

function setSchoolClock(serverNow: string): void {
  offsetSeconds = Math.round(Date.parse(serverNow) / 1000 - Date.now() / 1000);
}

const schoolNow = (): string => utcOf(Math.floor(Date.now() / 1000) + offsetSeconds);

const schoolMinute = (): string => `${schoolNow().slice(0, 16)}:00Z`;

/** What a reading of school time gives, looked at every second: a screen is drawn anew only where that changed. */
function useClock(read: () => string): string {
  const { data } = api.useMeQuery();
  const [shown, setShown] = useState(read);
  useEffect(() => {
    if (data) setSchoolClock(data.clock.now);
    setShown(read());
    const timer = setInterval(() => setShown(read()), 1000);
    return () => clearInterval(timer);
  }, [data, read]);
  return shown;
}

/** School time now, an instant, anew every second. */
export const useNow = (): string => useClock(schoolNow);

/** School time to the minute, an instant: for screens that are costly to draw and tell no seconds. */
export const useMinute = (): string => useClock(schoolMinute);

/** Wall clock in a zone, by the browser's own tables: `Wed 14 Oct`, `10:31`, and the date itself. */
export function wallClock(instant: string, zone: string): { date: string; time: string } {
  const parts = new Intl.DateTimeFormat('en-CA', {
    timeZone: zone,
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
  }).formatToParts(new Date(instant));
  const part = (type: string): string => parts.find((p) => p.type === type)!.value;
  return {
    date: `${part('year')}-${part('month')}-${part('day')}`,
    time: `${part('hour')}:${part('minute')}`,
  };
}

/** `9 min`, `1 h 5 min`, `40 s`, `3 days`: the time from now to then, never negative. */
export function timeUntil(then: string, now: string): string {
  const seconds = Math.max(0, Math.round((Date.parse(then) - Date.parse(now)) / 1000));
  if (seconds < 60) return `${seconds} s`;
  const minutes = Math.ceil(seconds / 60);
  if (minutes < 60) return fill(say.minutesMin, { minutes });
  if (minutes < 48 * 60)
    return minutes % 60 === 0
      ? `${minutes / 60} h`
      : fill(say.hMin, { floor: Math.floor(minutes / 60), minutes: minutes % 60 });
  return fill(say.roundDays, { round: Math.round(minutes / 1440) });
}
