import { bellsOn, dayInfo } from '../calendar/dayInfo.js';
import type { SchoolCalendar } from '../calendar/school.js';
import type { Finding } from '../entry/reviewRules.js';
import type { RuleField } from '../entry/rules.js';
import { addDays, dateInWords } from '../time/dates.js';
import { worstFirst, type Note } from './note.js';
import { notesForRules } from './notesForRules.js';
import { leftAlone, type DayRoom } from './leftAlone.js';
import { ahead, drafts, overlaps, type NotedSession } from './notesForSessions.js';

export type TodaySession = NotedSession & DayRoom;

export interface TodayPost {
  id: number;
  classTitle: string;
  state: 'queued' | 'out' | 'failed' | 'withdrawn' | 'missing' | 'draft';
  error: string | null;
  tries: number;
  placementId?: number;
}

/** Something to be done by hand at a place that Glen cannot fill; `waits`: not yet, later today. */
export interface TodayHand {
  postId: number;
  placementId: number | null;
  where: string;
  what: 'paste' | 'change' | 'take-down';
  due: string | null;
  overdue: boolean;
  waits: boolean;
}

/** A class period that somebody hosts: what its rules come to. Whether its link is seen, reach says. */
export interface TodayClass {
  id: number;
  title: string;
  findings: Finding[];
  locked: RuleField[];
}

export interface TodayFacts {
  school: SchoolCalendar;
  date: string;
  now: string;
  sessions: TodaySession[];
  posts: TodayPost[];
  hand?: TodayHand[];
  classes: TodayClass[];
  notices?: TodayNotice[];
}

/** What somebody has been told and has not put away yet. */
export interface TodayNotice {
  id: number;
  title: string;
  text: string;
}

/** How many days ahead a change of bells is worth a note. */
const LOOK_AHEAD_DAYS = 7;

function posts(all: TodayPost[]): Note[] {
  const note = (post: TodayPost, severity: Note['severity'], title: string): Note => ({
    severity,
    title,
    text: post.error ?? 'The course site gave no reason.',
    actions: [{ name: 'retry-post', label: 'Try again now', subject: post.id }],
  });
  return [
    ...all
      .filter((p) => p.state === 'failed')
      .map((post) => note(post, 'wrong', `A post to ${post.classTitle} did not get out`)),
    ...all
      .filter((p) => p.state === 'queued' && p.tries > 0)
      .map((post) =>
        note(post, 'careful', `A post to ${post.classTitle} waits for the course site`),
      ),
    ...all
      .filter((p) => p.state === 'missing')
      .map((post): Note => ({
        severity: 'careful',
        title: `A post to ${post.classTitle} is not there any more`,
        text: 'Somebody has taken it off the course site.',
        actions:
          post.placementId === undefined
            ? []
            : [{ name: 'put-back', label: 'Put it back', subject: post.placementId }],
      })),
    ...all
      .filter((p) => p.state === 'draft')
      .map((post): Note => ({
        severity: 'inform',
        title: `A draft to ${post.classTitle} waits for you`,
        text: 'It goes out when you release it.',
        actions: [{ name: 'see-post', label: 'Look at it', subject: post.id }],
      })),
  ];
}

const HAND_WORDS: Record<TodayHand['what'], string> = {
  paste: 'Put the link there',
  change: 'Put the changed words there',
  'take-down': 'Its time is over, or it was withdrawn',
};

const isDown = ({ what }: TodayHand): boolean => what === 'take-down';

/** What is to be done by hand, the overdue first; what waits for later today is said without asking for it. */
function byHand(all: TodayHand[]): Note[] {
  const asked = all.filter((h) => !h.waits);
  return [
    ...asked.map((h): Note => ({
      severity: h.overdue ? 'wrong' : 'careful',
      title: `${isDown(h) ? 'Take it down by hand' : 'By hand'}: ${h.where}`,
      text: `${HAND_WORDS[h.what]}${h.overdue ? `; it was due ${h.due ?? 'before'}` : ''}.`,
      actions: [
        {
          name: 'see-post',
          label: isDown(h) ? 'Show what stands there' : 'Show what to paste',
          subject: h.postId,
        },
        ...(h.placementId === null
          ? []
          : [
              {
                name: 'hand-done' as const,
                label: isDown(h) ? 'It is taken down' : 'Done',
                subject: h.placementId,
              },
            ]),
      ],
    })),
    ...all
      .filter((h) => h.waits)
      .map((h): Note => ({
        severity: 'inform',
        title: `By hand at ${h.due ?? 'its time'}: ${h.where}`,
        text: 'Glen asks you then, with what to paste.',
      })),
  ];
}

/** The next days on which other bells ring than the weekday's usual ones. */
function otherBells(school: SchoolCalendar, date: string): Note[] {
  for (let i = 1; i <= LOOK_AHEAD_DAYS; i++) {
    const day = addDays(date, i);
    const exception = school.bellFor.find((b) => b.date === day);
    const info = dayInfo(school, day);
    if (!exception || !info.teaching) continue;
    const first = bellsOn(school, day)[0];
    return [
      {
        severity: 'inform',
        title: `${dateInWords(day)} has ${info.bell} bells`,
        text: first
          ? `Lessons begin at ${first.start}. Sessions planned by bell period move with them.`
          : 'Sessions planned by bell period move with them.',
      },
    ];
  }
  return [];
}

/** What needs thought across a teacher's day, each with what mends it; else that all is ready. */
export function notesForToday({
  school,
  date,
  now,
  sessions,
  posts: allPosts,
  hand = [],
  classes,
  notices = [],
}: TodayFacts): Note[] {
  const coming = ahead(sessions, now);
  const held = coming.filter((s) => !s.draft);
  const concerned = classes.filter((c) => held.some((s) => s.classId === c.id));
  const mend = [
    ...leftAlone(sessions, now, school.zone),
    ...notices.map((n): Note => ({
      severity: 'careful',
      title: n.title,
      text: n.text,
      actions: [{ name: 'seen-notice', label: 'Seen', subject: n.id }],
    })),
    ...byHand(hand),
    ...overlaps(held),
    ...posts(allPosts),
    ...drafts(coming),
    ...concerned.flatMap((c) => notesForRules(c.findings, c.locked, c.id, c.title)),
  ];
  const day = dayInfo(school, date);
  const closed: Note[] =
    !day.teaching && held.length > 0
      ? [
          {
            severity: 'careful',
            title: 'The school is closed today',
            text: `${day.why}. What is planned is held all the same.`,
          },
        ]
      : [];
  const asks = mend.some((n) => n.severity === 'wrong' || n.severity === 'careful');
  const well: Note[] =
    !asks && held.length > 0
      ? [
          {
            severity: 'well',
            title: held.length === 1 ? 'The next door is ready' : `${held.length} doors are ready`,
            text: 'No overlaps, rules safe, no post is stuck.',
          },
        ]
      : [];
  return worstFirst([...mend, ...closed, ...otherBells(school, date), ...well]);
}
