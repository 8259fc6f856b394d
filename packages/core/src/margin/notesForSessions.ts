import { findClashes } from '../clash/findClashes.js';
import { addMinutes, dateInWords } from '../time/dates.js';
import type { Finding } from '../entry/reviewRules.js';
import type { RuleField } from '../entry/rules.js';
import { worstFirst, type Note } from './note.js';
import { notesForRules } from './notesForRules.js';

/** A session as far as notes about it go. Instants in UTC, date and time on the school's wall clock. */
export interface NotedSession {
  id: number;
  seriesId: number;
  key: string;
  classId: number;
  title: string;
  date: string;
  time: string;
  minutes: number;
  start: string;
  end: string;
  status: 'planned' | 'moved' | 'cancelled' | 'skipped';
  draft: boolean;
  door: 'shut' | 'open' | 'ended';
  /** Drop-in hours may overlap others and clash with nothing. */
  dropIn?: boolean;
}

/** Those that are still to come or running, drafts among them. */
export const ahead = (sessions: NotedSession[], now: string): NotedSession[] =>
  sessions.filter(
    (s) => (s.status === 'planned' || s.status === 'moved') && s.end > now && s.door !== 'ended',
  );

/** Ids of the sessions of one teacher, still ahead, that overlap others of theirs: drop-in hours may, drafts do not count. */
export function overlapping(sessions: NotedSession[], now: string): Set<number> {
  const held = ahead(sessions, now).filter((s) => !s.draft && !s.dropIn);
  return new Set(
    findClashes(
      held.map((s) => ({ id: String(s.id), start: s.start, end: s.end, holds: ['teacher'] })),
    ).flatMap((c) => [Number(c.a), Number(c.b)]),
  );
}

/** More would not be shown. */
const MOST_OVERLAPS = 5;

/** A note for each pair that overlaps, the first few, with the way to change either. Expects them sorted by start. */
export function overlaps(all: NotedSession[]): Note[] {
  const held = all.filter((s) => !s.dropIn);
  let found = 0;
  return held.flatMap((a, i) => {
    const notes: Note[] = [];
    for (let k = i + 1; k < held.length; k++) {
      const b = held[k]!;
      if (b.start >= a.end || ++found > MOST_OVERLAPS) break;
      notes.push({
        severity: 'wrong',
        title: `${a.title} overlaps ${b.title}`,
        text: `${dateInWords(b.date)}, ${b.time} to ${addMinutes(b.time, b.minutes)}. Both doors would be yours at once.`,
        actions: [
          { name: 'edit-session', label: `Change ${b.time}`, subject: b.seriesId, key: b.key },
          { name: 'edit-session', label: `Change ${a.time}`, subject: a.seriesId, key: a.key },
        ],
      });
    }
    return notes;
  });
}

export const drafts = (sessions: NotedSession[]): Note[] =>
  sessions
    .filter((s) => s.draft)
    .map((s) => ({
      severity: 'careful',
      title: `${s.title} is a draft`,
      text: `${dateInWords(s.date)}, ${s.time}; students see nothing of it, and its door stays shut.`,
      actions: [
        { name: 'publish-session', label: 'Schedule it', subject: s.seriesId },
        { name: 'edit-session', label: 'Look at it', subject: s.seriesId, key: s.key },
      ],
    }));

export const unposted = (c: { id: number; title: string }): Note => ({
  severity: 'careful',
  title: `${c.title}: its link stands nowhere`,
  text: 'Students would have to know it by heart.',
  actions: [{ name: 'post-link', label: 'Post it', subject: c.id }],
});

/** What needs thought about weeks of sessions: overlaps and drafts, else that there are none. */
export function notesForPlan(sessions: NotedSession[], now: string): Note[] {
  const coming = ahead(sessions, now);
  const held = coming.filter((s) => !s.draft);
  const mend = [...overlaps(held), ...drafts(coming)];
  const well: Note[] =
    mend.length === 0 && held.length > 0
      ? [
          {
            severity: 'well',
            title: 'No overlaps',
            text:
              held.length === 1
                ? 'One session is planned.'
                : `${held.length} sessions are planned, none at the same time as another.`,
          },
        ]
      : [];
  return worstFirst([...mend, ...well]);
}

/** What needs thought about one class period: its drafts, its rules, whether its link stands anywhere, and what is next. */
export function notesForClass(
  c: {
    id: number;
    title: string;
    sessions: NotedSession[];
    findings: Finding[];
    locked: readonly RuleField[];
    linkStands: boolean;
  },
  now: string,
): Note[] {
  const coming = ahead(c.sessions, now);
  const next = coming.find((s) => !s.draft);
  const held = coming.filter((s) => !s.draft).length;
  return worstFirst([
    ...drafts(coming),
    ...(c.linkStands ? [] : [unposted(c)]),
    ...notesForRules(c.findings, c.locked, c.id),
    ...(next
      ? [
          {
            severity: 'inform' as const,
            title: `Next: ${dateInWords(next.date)}, ${next.time}`,
            text:
              held === 1 ? 'The only one planned.' : `${held} sessions ahead, all on this link.`,
          },
        ]
      : []),
  ]);
}
