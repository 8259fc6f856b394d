import { useMemo } from 'react';
import {
  GlenInputError,
  USUAL_SLOTS,
  addDays,
  dryRun,
  type DryRun,
  type KnownBooking,
  type Note,
  type SchoolCalendar,
  type SessionPlan,
  type SlotPattern,
} from '@glen/core';
import type { ClassItem } from '@glen/contract';
import { api } from '../../app/api.js';
import * as say from './words.js';

/** Days for which what is on the books is asked about: the most that one question may span. */
const SPAN = 399;

/** What is being changed: a whole series, or one session of it, which may clash with the others. */
interface Edited {
  seriesId: number;
  sessionId?: number;
}

interface Tried {
  run?: DryRun;
  notes: Note[];
  problem?: { path: string; message: string };
}

/** What a plan is tried against. */
interface Surroundings {
  school: SchoolCalendar;
  of: ClassItem;
  /** Null: the class period's own. */
  linkId: number | 'fresh' | null;
  now: string;
  editing: Edited | null;
  /** Clashes that are meant, by key. */
  kept: string[];
  /** Class periods that meet in it too. */
  together: ClassItem[];
  /** How it is cut into slots, where it is. */
  slots?: SlotPattern | undefined;
}

/** The first day about which what is on the books is asked: the month's, so that it is asked seldom. */
const monthOf = (plan: SessionPlan | null, now: string): string =>
  plan && /^\d{4}-\d{2}-\d{2}$/.test(plan.first) ? `${plan.first.slice(0, 8)}01` : now.slice(0, 10);

/** What the people concerned have on the books, and the link where it is not the class period's own. */
function useBooks(plan: SessionPlan | null, { of, linkId, now, editing }: Surroundings) {
  const month = monthOf(plan, now);
  const isOwn = typeof linkId !== 'number';
  const except = editing && editing.sessionId === undefined ? editing.seriesId : undefined;
  const params = { classId: of.id };
  const { data } = api.useBookingsQuery({
    params,
    query: {
      from: month,
      to: addDays(month, SPAN),
      ...(except === undefined ? {} : { except }),
      ...(isOwn ? {} : { link: linkId }),
    },
  });
  const { data: links } = api.useClassLinksQuery({ params }, { skip: isOwn });
  return { data, link: isOwn ? null : (links?.links.find((l) => l.id === linkId) ?? null) };
}

/** Runs the dry run; what is wrong with the plan comes as a note and beside its field. */
function tryIt(work: () => DryRun): Tried {
  try {
    const run = work();
    return { run, notes: run.notes };
  } catch (error) {
    if (!(error instanceof GlenInputError)) throw error;
    const { path, message } = error;
    return {
      notes: [{ severity: 'wrong', title: say.notQuite, text: message }],
      problem: { path, message },
    };
  }
}

/** How many may come by all the rolls that meet in it, beside how many the door lets in. */
function roomOf(
  of: ClassItem,
  link: { audienceSize: number } | null,
  together: ClassItem[],
  capacity: number | undefined,
): { room?: { coming: number; capacity: number } } {
  if (capacity === undefined) return {};
  const rolls = together.map((c) => c.rollSize);
  const coming = rolls.reduce((sum, n) => sum + n, link?.audienceSize ?? of.rollSize);
  return { room: { coming, capacity } };
}

const patternOf = (minutes?: number, gap?: number): { slots?: SlotPattern } =>
  minutes === undefined ? {} : { slots: { ...USUAL_SLOTS, minutes, gap: gap ?? 0 } };

/** What a plan would do on a link, anew with each change of it: the same computation as the server's, against what is on the books. */
export function useDryRun(plan: SessionPlan | null, around: Surroundings): Tried {
  const { school, of, linkId, now, editing, kept, together, slots } = around;
  const [slotMinutes, slotGap] = [slots?.minutes, slots?.gap];
  const { data, link } = useBooks(plan, around);
  const exceptSession = editing?.sessionId;
  const isEdit = editing !== null;
  const minute = now.slice(0, 16);
  return useMemo((): Tried => {
    if (!plan) return { notes: [] };
    const own = link ?? of.link;
    const bookings = (data?.bookings ?? []) as KnownBooking[];
    return tryIt(() =>
      dryRun(plan, {
        school,
        now: `${minute}:00Z`,
        readerZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
        isEdit,
        linkCode: linkId === 'fresh' ? null : own.code,
        classId: of.id,
        kept,
        ...(own.kind === 'event' ? {} : { rollSize: link?.audienceSize ?? of.rollSize }),
        ...roomOf(of, link, together, data?.capacity),
        ...patternOf(slotMinutes, slotGap),
        holds: data?.holds ?? [],
        names: data?.names ?? {},
        bookings: bookings.filter((b) => b.id !== `session ${exceptSession}`),
      }),
    );
  }, [
    plan,
    school,
    minute,
    of,
    link,
    linkId,
    data,
    kept,
    isEdit,
    exceptSession,
    together,
    slotMinutes,
    slotGap,
  ]);
}
