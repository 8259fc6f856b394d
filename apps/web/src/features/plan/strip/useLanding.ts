import { useMemo } from 'react';
import {
  addDays,
  dateInWords,
  dayInfo,
  editSeries,
  expandPlan,
  isHeld,
  planClashes,
  type KnownBooking,
  type Occurrence,
  type SchoolCalendar,
  type SessionPlan,
} from '@glen/core';
import { api } from '../../../app/api.js';
import type { Notch } from './layout.js';

export interface Landing {
  row: Occurrence | null;
  text: string;
  tone: 'well' | 'careful' | 'wrong';
}

/** What would become of a notch if it were put down on a date (and, in the week, at a time): where it would stand, and what it would meet there. */
export function useLanding(
  notch: Notch | null,
  classId: number | null,
  school: SchoolCalendar,
  target: { date: string; time?: string } | null,
): { landing: Landing | null; version: number | undefined } {
  const { data } = api.useSessionQuery(
    { params: { seriesId: notch?.seriesId ?? 0 }, query: { on: notch?.key ?? '' } },
    { skip: !notch },
  );
  const from = school.terms[0]!.first;
  const { data: books } = api.useBookingsQuery(
    { params: { classId: classId ?? 0 }, query: { from, to: school.terms.at(-1)!.last } },
    { skip: !notch || classId === null },
  );
  const session = data?.session;
  const date = target?.date;
  const time = target?.time;
  const landing = useMemo((): Landing | null => {
    if (!notch || !session || session.seriesId !== notch.seriesId || date === undefined)
      return null;
    const plan = { ...session.plan, zone: session.plan.zone ?? school.zone } as SessionPlan;
    const series = { title: '', description: '', plan };
    const { keep, warnings } = editSeries(
      series,
      {
        scope: 'one',
        key: notch.key,
        change: {
          kind: 'move',
          date,
          ...(time === undefined ? {} : { time, minutes: notch.minutes }),
        },
      },
      school,
    );
    const row =
      expandPlan(keep!.plan, school, { from: date, to: addDays(date, 1) }).find(
        (o) => o.key === notch.key && isHeld(o),
      ) ?? null;
    const when = `${dateInWords(date)}${row ? `, ${row.time}` : ''}`;
    if (!row) return { row, text: `${when}: no bell gives it a time there.`, tone: 'wrong' };
    const others = (books?.bookings ?? []).filter(
      (b) => b.id !== `session ${notch.id}`,
    ) as KnownBooking[];
    const [clash] = planClashes([row], books?.holds ?? [], others);
    if (clash)
      return {
        row,
        text: `${when}: clashes with ${clash.other.title}, ${clash.other.time}.`,
        tone: 'wrong',
      };
    const day = dayInfo(school, date);
    const warning = warnings[0]?.message ?? (day.teaching ? undefined : `${when}: ${day.why}.`);
    return warning
      ? { row, text: warning, tone: 'careful' }
      : { row, text: `${when}: free.`, tone: 'well' };
  }, [notch, session, books, school, date, time]);
  return {
    landing,
    version: session && notch && session.seriesId === notch.seriesId ? session.version : undefined,
  };
}
