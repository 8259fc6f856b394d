import { Temporal } from 'temporal-polyfill';
import { fail } from '../input.js';
import { dayNumber, minuteOfDay, timeOf } from './dates.js';
import { placeOnDay, type PlacedTime } from './zoneTable.js';

/** Zones that were found to be some; there are about six hundred. */
const known = new Set<string>();

/** Throws at `path` unless the name is an IANA zone that this machine knows. */
export function checkZone(zone: unknown, path: string): string {
  if (typeof zone === 'string' && known.has(zone)) return zone;
  try {
    if (typeof zone !== 'string' || /^[+-]/.test(zone)) throw new RangeError();
    Temporal.Instant.fromEpochMilliseconds(0).toZonedDateTimeISO(zone);
    known.add(zone);
    return zone;
  } catch {
    fail(path, 'Give a time zone by its IANA name, such as America/Halifax.');
  }
}

/** Where a wall-clock time falls in a zone; see placeOnDay for times that do not exist or exist twice. */
export const placeWallTime = (
  date: string,
  time: string,
  minutes: number,
  zone: string,
): PlacedTime => placeOnDay(dayNumber(date, 'date'), minuteOfDay(time, 'time'), minutes, zone);

/** The wall clock in a zone at an instant. */
export function wallClockAt(
  instant: string,
  zone: string,
): { date: string; time: string; seconds: number } {
  const at = Temporal.Instant.from(instant).toZonedDateTimeISO(zone);
  return {
    date: at.toPlainDate().toString(),
    time: timeOf(at.hour * 60 + at.minute),
    seconds: at.second,
  };
}
