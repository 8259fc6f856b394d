import type { NotedLink } from '@glen/core';
import type { LinkDetail, LinkRow } from '@glen/contract';
import { wallClock } from '../../app/clock.js';

const isDetail = (l: LinkRow | LinkDetail): l is LinkDetail => 'former' in l;

/** A link as the notes of the margin ask about it. */
export const notedLink = (l: LinkRow | LinkDetail, now: string, zone: string): NotedLink => ({
  id: l.id,
  label: l.label,
  main: l.main,
  state: l.state,
  kind: l.kind,
  audienceSize: l.audienceSize,
  guests: l.audience.filter((a) => a.kind === 'guest').length,
  shown: l.shown,
  groups: l.audience.flatMap((a) => (a.kind === 'group' ? [{ name: a.name, size: a.size }] : [])),
  former: isDetail(l)
    ? l.former.map((f) => ({
        how: f.how,
        untilDate: f.until !== null && f.until > now ? wallClock(f.until, zone).date : null,
      }))
    : [],
  running: isDetail(l) && l.running,
  replacedNow: isDetail(l) && l.mayTakeBack,
});

type Audience = LinkRow['audience'][number];

function nameOf(of: Audience, classId: number): string {
  if (of.kind === 'guest') return of.email;
  return of.kind === 'class' && of.id === classId ? 'the whole class period' : of.name;
}

/** From so many on, the others are only counted. */
const MOST_NAMED = 3;

/** Whom a link is for, in a few words. */
export function audienceInWords(l: Pick<LinkRow, 'audience' | 'classId'>): string {
  const words = l.audience.map((of) => nameOf(of, l.classId));
  if (words.length === 0) return 'nobody yet';
  if (words.length <= MOST_NAMED) return words.join(', ');
  return `${words.slice(0, 2).join(', ')} and ${words.length - 2} more`;
}

/** What links are commonly for, each with the rules that go with it. Any other words will do too. */
export const PURPOSES = [
  { words: 'Lessons', preset: 'lesson', kind: 'lesson' },
  { words: 'Group work', preset: 'lesson', kind: 'lesson' },
  { words: 'One-to-one', preset: 'one-to-one', kind: 'one-to-one' },
  { words: 'Drop-in help', preset: 'help', kind: 'help' },
  { words: 'Talks with parents', preset: 'parents', kind: 'one-to-one' },
  { words: 'Open evening', preset: 'evening', kind: 'event' },
  { words: 'Project group', preset: 'project', kind: 'project' },
] as const;
