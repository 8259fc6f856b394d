import { Temporal } from 'temporal-polyfill';
import { TAILS, dateOf, timeOf } from './dates.js';
import { utcOf } from './seconds.js';

/** Seconds of offset from UTC that hold from an instant (seconds since 1970) on, and by how many they changed there. */
interface Stretch {
  from: number;
  offset: number;
  change: number;
}

const DAY = 86400;
/** How far from its ends a table is trusted. */
const MARGIN = 2 * DAY;

/** A zone's offsets over some years, looked up without asking Temporal anew each time. */
class ZoneTable {
  private readonly stretches: Stretch[];

  constructor(
    zone: string,
    readonly from: number,
    readonly to: number,
  ) {
    const at = (seconds: number) =>
      Temporal.Instant.fromEpochMilliseconds(seconds * 1000).toZonedDateTimeISO(zone);
    this.stretches = [{ from: -Infinity, offset: at(from).offsetNanoseconds / 1e9, change: 0 }];
    for (
      let next = at(from).getTimeZoneTransition('next');
      next !== null;
      next = next.getTimeZoneTransition('next')
    ) {
      const seconds = Math.floor(next.epochMilliseconds / 1000);
      if (seconds > to) break;
      const offset = next.offsetNanoseconds / 1e9;
      this.stretches.push({
        from: seconds,
        offset,
        change: Math.abs(offset - this.stretches.at(-1)!.offset),
      });
    }
  }

  /** The offset at a wall-clock second counted as if it were UTC; undefined where clocks change so near that it may be missing or double. */
  offsetAtWall(wall: number): number | undefined {
    let low = 0;
    let high = this.stretches.length - 1;
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if (this.stretches[middle]!.from + this.stretches[middle]!.offset <= wall) low = middle;
      else high = middle - 1;
    }
    const here = this.stretches[low]!;
    const next = this.stretches[low + 1];
    const since = wall - here.offset - here.from;
    const left = next === undefined ? Infinity : next.from - (wall - here.offset);
    return since < here.change || (next !== undefined && left <= next.change)
      ? undefined
      : here.offset;
  }

  covers(wall: number): boolean {
    return this.from + MARGIN < wall && wall < this.to - MARGIN;
  }
}

const tables = new Map<string, ZoneTable>();
/** Years that a table reaches on either side of what it was made for. */
const REACH = 12 * 366 * DAY;

function tableFor(zone: string, wall: number): ZoneTable {
  const known = tables.get(zone);
  if (known?.covers(wall)) return known;
  const table = new ZoneTable(zone, wall - REACH, wall + REACH);
  tables.set(zone, table);
  return table;
}

export interface PlacedTime {
  date: string;
  time: string;
  start: string;
  end: string;
}

/** Temporal's own answer, for times near a change of clocks. */
function placeExactly(day: number, minute: number, minutes: number, zone: string): PlacedTime {
  const at = Temporal.PlainDateTime.from(`${dateOf(day)}T${timeOf(minute)}`).toZonedDateTime(zone, {
    disambiguation: 'compatible',
  });
  const start = Math.floor(at.epochMilliseconds / 1000);
  return {
    date: at.toPlainDate().toString(),
    time: timeOf(at.hour * 60 + at.minute),
    start: utcOf(start),
    end: utcOf(start + minutes * 60),
  };
}

/**
 * Where a wall-clock minute of a day (day number since 1970) falls in a zone. One that does not exist (spring) moves
 * forward by the gap, one that exists twice (autumn) is the earlier: RFC 5545 §3.3.5 and Temporal's 'compatible' agree on
 * both. `minutes` is elapsed time, so `end` is exact across a change of clocks.
 */
export function placeOnDay(
  day: number,
  minute: number,
  minutes: number,
  zone: string,
  date = dateOf(day),
  time = timeOf(minute),
): PlacedTime {
  const wall = day * DAY + minute * 60;
  const offset = tableFor(zone, wall).offsetAtWall(wall);
  if (offset === undefined || offset % 1 !== 0) return placeExactly(day, minute, minutes, zone);
  const start = wall - offset;
  // Mostly an instant falls on the very date that was asked for, whose text is there already.
  const at = (seconds: number): string => {
    const within = seconds - day * DAY;
    return within >= 0 && within < DAY && within % 60 === 0
      ? date + TAILS[within / 60]!
      : utcOf(seconds);
  };
  return { date, time, start: at(start), end: at(start + minutes * 60) };
}
