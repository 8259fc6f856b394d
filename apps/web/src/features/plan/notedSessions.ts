import type { NotedSession } from '@glen/core';
import { mayEdit } from '../school/mayEdit.js';
import type { Notch, Strip } from './strip/layout.js';

/** The teacher's own sessions on the strip, as notes and clashes ask for them. */
export function notedSessions(strip: Strip): NotedSession[] {
  const series = new Map(strip.series.map((s) => [s.id, s]));
  const own = new Map(strip.classes.filter(mayEdit).map((c) => [c.id, c]));
  const isOwn = (n: Notch): boolean =>
    n.heldAt === undefined && own.has(series.get(n.seriesId)!.classId);
  return strip.notches.filter(isOwn).map((n): NotedSession => {
    const { classId, title, draft } = series.get(n.seriesId)!;
    return {
      id: n.id,
      seriesId: n.seriesId,
      key: n.key,
      classId,
      title: n.title ?? title,
      date: n.date,
      time: n.time,
      minutes: n.minutes,
      start: n.start,
      end: n.end,
      status: n.status,
      draft,
      door: 'shut',
      dropIn: own.get(classId)!.link.kind === 'help',
    };
  });
}
