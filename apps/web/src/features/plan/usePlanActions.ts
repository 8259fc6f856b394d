import { useState } from 'react';
import { useNavigate } from 'react-router';
import { dateInWords } from '@glen/core';
import type { Problem } from '@glen/contract';
import { toast } from '../../ui/toast.js';
import { mayEdit } from '../school/mayEdit.js';
import { chosenDays, chosenNotch, type Chosen, type PutDown } from './chosen.js';
import type { Notch, Strip } from './strip/layout.js';
import { useChanges } from './useChanges.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

const tell = (failure: Problem | undefined): void => {
  if (failure) toast.error(failure.errors?.[0]?.message ?? failure.title);
};

/** What is chosen on the plan, and what can be done with it. */
export function usePlanActions(strip: Strip | undefined, now: string) {
  const navigate = useNavigate();
  const [chosen, choose] = useState<Chosen>(null);
  const { change } = useChanges();
  const notches = strip?.notches ?? [];
  const series = new Map((strip?.series ?? []).map((s) => [s.id, s]));
  const hosted = new Set((strip?.classes ?? []).filter(mayEdit).map((c) => c.id));
  const classIdOf = (n: Notch): number => series.get(n.seriesId)?.classId ?? 0;
  const titleOf = (n: Notch): string => n.title ?? series.get(n.seriesId)?.title ?? '';

  // What was chosen may have moved on since: it is looked up anew.
  const picked = notches.find((n) => n.id === chosenNotch(chosen)?.id);
  const days = chosenDays(chosen);
  const isSwept = (n: Notch): boolean =>
    days !== null &&
    n.date >= days.from &&
    n.date <= days.to &&
    n.start > now &&
    hosted.has(classIdOf(n));
  const swept = notches.filter(isSwept);

  const move = (notch: Notch, { date, time, version }: PutDown): void => {
    const { seriesId, key, minutes } = notch;
    const at = time === undefined ? {} : { time, minutes };
    const label = fill(time ? say.movedToDateAndTime : say.movedToDate, {
      title: titleOf(notch),
      date: dateInWords(date),
      time: time ?? '',
    });
    const to = { kind: 'move' as const, date, ...at };
    void change([{ seriesId, version, key, scope: 'one', change: to }], label).then(tell);
  };

  const cancel = (): void => {
    const ahead = (picked ? [picked] : swept).filter(
      (n) => n.status !== 'cancelled' && n.end > now,
    );
    const [first] = ahead;
    if (!first) return;
    const label =
      ahead.length === 1
        ? fill(say.cancelledTitleDate, { title: titleOf(first), date: dateInWords(first.date) })
        : fill(say.cancelledSessions, { aheadCount: ahead.length });
    const changes = ahead.map((n) => ({
      seriesId: n.seriesId,
      version: series.get(n.seriesId)!.version,
      key: n.key,
      scope: 'one' as const,
      change: { kind: 'cancel' as const },
    }));
    void change(changes, label).then(tell);
  };

  const open = (notch: Notch): void => {
    const classId = classIdOf(notch);
    if (hosted.has(classId)) void navigate(`/plan/${notch.seriesId}?on=${notch.key}`);
    else void navigate(`/classes/${classId}`);
  };

  const current: Chosen = picked ? { notch: picked } : days;
  return { chosen: current, choose, series, swept, move, cancel, open, change };
}

export type PlanActions = ReturnType<typeof usePlanActions>;
