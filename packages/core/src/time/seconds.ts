import { fail } from '../input.js';
import { TWO_DIGITS, dateOf, dayNumber, timeOf } from './dates.js';

const INSTANT = /^(\d{4}-\d{2}-\d{2})T([01]\d|2[0-3]):([0-5]\d):([0-5]\d)Z$/;

/** Seconds since 1970 of an instant `2026-10-14T13:45:00Z`; throws at `path` on any other form. */
export function secondsOf(instant: unknown, path: string): number {
  const parts = typeof instant === 'string' ? INSTANT.exec(instant) : null;
  if (!parts) fail(path, 'Give an instant such as 2026-10-14T13:45:00Z.');
  return (
    dayNumber(parts[1], path) * 86400 +
    Number(parts[2]) * 3600 +
    Number(parts[3]) * 60 +
    Number(parts[4])
  );
}

/** The instant of a number of seconds since 1970. */
export function utcOf(seconds: number): string {
  const days = Math.floor(seconds / 86400);
  const rest = seconds - days * 86400;
  return `${dateOf(days)}T${timeOf(Math.floor(rest / 60))}:${TWO_DIGITS[rest % 60]!}Z`;
}

/** An instant shifted by seconds. */
export const plusSeconds = (instant: string, seconds: number): string =>
  utcOf(secondsOf(instant, 'instant') + seconds);

/** An instant shifted by minutes. */
export const plusMinutes = (instant: string, minutes: number): string =>
  utcOf(secondsOf(instant, 'instant') + minutes * 60);
