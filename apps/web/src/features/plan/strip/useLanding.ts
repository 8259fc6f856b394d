import { useMemo } from 'react';
import type { SchoolCalendar } from '@glen/core';
import { api } from '../../../app/api.js';
import { landingOf, type Landing, type LandingTarget } from './landing.js';
import type { Notch } from './layout.js';

/** Where a carried session would land, at every move; and the version of its series that was looked at. */
export function useLanding(
  notch: Notch | null,
  classId: number | null,
  school: SchoolCalendar,
  target: LandingTarget | null,
): { landing: Landing | null; version: number | undefined } {
  const { data } = api.useSessionQuery(
    { params: { seriesId: notch?.seriesId ?? 0 }, query: { on: notch?.key ?? '' } },
    { skip: !notch },
  );
  const year = { from: school.terms[0]!.first, to: school.terms.at(-1)!.last };
  const { data: books } = api.useBookingsQuery(
    { params: { classId: classId ?? 0 }, query: year },
    { skip: !notch || classId === null },
  );
  // The answer about the session before may still be there.
  const session = data?.session.seriesId === notch?.seriesId ? data?.session : undefined;
  const date = target?.date;
  const time = target?.time;
  const landing = useMemo(() => {
    if (!notch || !session || date === undefined) return null;
    const there = time === undefined ? { date } : { date, time };
    return landingOf(notch, there, { session, books }, school);
  }, [notch, session, books, school, date, time]);
  return { landing, version: notch ? session?.version : undefined };
}
