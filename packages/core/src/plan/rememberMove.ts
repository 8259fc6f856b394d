/** Where a session stands: wall clock and minutes. */
export interface Standing {
  date: string;
  time: string;
  minutes: number;
}

/**
 * Where a session stood before it was moved, once it is planned anew: people who knew of the first time are to be
 * told of that one, however often it moved since; back where it was, it has not moved. Null where nothing changed.
 */
export function rememberMove(
  before: Standing & { was: Standing | null },
  now: Standing,
): Standing | null {
  const first = before.was ?? { date: before.date, time: before.time, minutes: before.minutes };
  return first.date === now.date && first.time === now.time && first.minutes === now.minutes
    ? null
    : { date: first.date, time: first.time, minutes: first.minutes };
}
