import { useMemo } from 'react';
import {
  GlenInputError,
  addDays,
  dryRun,
  type DryRun,
  type KnownBooking,
  type Note,
  type SchoolCalendar,
  type SessionPlan,
} from '@glen/core';
import type { ClassItem } from '@glen/contract';
import { api } from '../../app/api.js';

/** Days for which what is on the books is asked about: the most that one question may span. */
const SPAN = 399;

/** What is being changed: a whole series, or one session of it, which may clash with the others. */
export interface Edited {
  seriesId: number;
  sessionId?: number;
}

export interface Tried {
  run?: DryRun;
  notes: Note[];
  problem?: { path: string; message: string };
}

/** What a plan would do on a link (null: the class period's own), anew with each change of it: the same computation as the server's, against what is on the books. */
export function useDryRun(
  plan: SessionPlan | null,
  {
    school,
    of,
    linkId,
    now,
    editing,
    kept,
  }: {
    school: SchoolCalendar;
    of: ClassItem;
    linkId: number | 'fresh' | null;
    now: string;
    editing: Edited | null;
    kept: string[];
  },
): Tried {
  const month =
    plan && /^\d{4}-\d{2}-\d{2}$/.test(plan.first)
      ? `${plan.first.slice(0, 8)}01`
      : now.slice(0, 10);
  const exceptSeries = editing && editing.sessionId === undefined ? editing.seriesId : undefined;
  const exceptSession = editing?.sessionId;
  const isEdit = editing !== null;
  const { data } = api.useBookingsQuery({
    params: { classId: of.id },
    query: {
      from: month,
      to: addDays(month, SPAN),
      ...(exceptSeries === undefined ? {} : { except: exceptSeries }),
      ...(typeof linkId === 'number' ? { link: linkId } : {}),
    },
  });
  const { data: links } = api.useClassLinksQuery(
    { params: { classId: of.id } },
    { skip: typeof linkId !== 'number' },
  );
  const on =
    typeof linkId !== 'number' ? null : (links?.links.find((l) => l.id === linkId) ?? null);
  const minute = now.slice(0, 16);
  return useMemo((): Tried => {
    if (!plan) return { notes: [] };
    const readerZone = Intl.DateTimeFormat().resolvedOptions().timeZone;
    try {
      const run = dryRun(plan, {
        school,
        now: `${minute}:00Z`,
        readerZone,
        isEdit,
        linkCode: linkId === 'fresh' ? null : (on?.code ?? of.link.code),
        classId: of.id,
        kept,
        ...((on ?? of.link).kind === 'event' ? {} : { rollSize: on?.audienceSize ?? of.rollSize }),
        holds: data?.holds ?? [],
        names: data?.names ?? {},
        bookings: ((data?.bookings ?? []) as KnownBooking[]).filter(
          (b) => b.id !== `session ${exceptSession}`,
        ),
      });
      return { run, notes: run.notes };
    } catch (error) {
      if (error instanceof GlenInputError)
        return {
          notes: [{ severity: 'wrong', title: 'Not quite', text: error.message }],
          problem: { path: error.path, message: error.message },
        };
      throw error;
    }
  }, [plan, school, minute, of, on, linkId, data, kept, isEdit, exceptSession]);
}
