import type { Occurrence } from '../plan/plan.js';
import { findClashes, type Booking } from './findClashes.js';

/** A session on the books, as far as a plan can clash with it. `date`, `time`: on the school's wall clock. */
export interface KnownBooking extends Booking {
  seriesId: number;
  classId: number;
  title: string;
  date: string;
  time: string;
  minutes: number;
}

/** One planned date against one session on the books; `on`: what both would hold. Instants. */
export interface PlanClash {
  key: string;
  date: string;
  other: KnownBooking;
  on: string[];
  start: string;
  end: string;
}

const OURS = 'plan ';

/** What a plan's held dates clash with, by start. Sessions of the series that is being changed are not to be among the bookings. */
export function planClashes(
  held: Occurrence[],
  holds: string[],
  bookings: KnownBooking[],
): PlanClash[] {
  if (held.length === 0 || bookings.length === 0) return [];
  const byId = new Map(bookings.map((b) => [b.id, b]));
  const byKey = new Map(held.map((o) => [OURS + o.key, o]));
  const ours = held.map((o): Booking => ({ id: OURS + o.key, start: o.start, end: o.end, holds }));
  return findClashes([...ours, ...bookings]).flatMap(({ a, b, on, start, end }): PlanClash[] => {
    const mine = byKey.get(a) ?? byKey.get(b);
    const other = byId.get(a) ?? byId.get(b);
    return mine && other ? [{ key: mine.key, date: mine.date, other, on, start, end }] : [];
  });
}
