import type { ChangedSession, Occurrence } from '@glen/core';

/** A date as far as what has become of it goes. */
export interface DateRow {
  title: string;
  status: Occurrence['status'];
  local_date: string;
  local_time: string;
  minutes: number;
  /** Why it is cancelled or moved, in its host's words. */
  why: string | null;
  was_date: string | null;
  was_time: string | null;
  was_minutes: number | null;
}

/** A date that is not held as people knew it; null where it is, or nobody could have known otherwise. */
export function changedSession(row: DateRow): ChangedSession | null {
  const { title, status, local_date: date, local_time: time, minutes, why: note } = row;
  const was =
    row.was_date === null
      ? null
      : { date: row.was_date, time: row.was_time!, minutes: row.was_minutes! };
  if (status === 'cancelled' || (status === 'moved' && was !== null))
    return { title, status, date, time, minutes, was, note };
  return null;
}
