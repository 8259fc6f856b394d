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
  guests: l.guestCount,
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

export const WHOLE_CLASS = 'the whole class period';

function nameOf(member: Audience, classId: number): string {
  if (member.kind === 'guest') return member.name || member.email;
  return member.kind === 'class' && member.id === classId ? WHOLE_CLASS : member.name;
}

/** From so many on, the others are only counted. */
const MOST_NAMED = 3;

/** Some names of an audience in a line. */
export function namedInWords(names: string[]): string {
  if (names.length === 0) return 'nobody yet';
  if (names.length <= MOST_NAMED) return names.join(', ');
  return `${names.slice(0, 2).join(', ')} and ${names.length - 2} more`;
}

/** Whom a link is for, in a few words. */
export const audienceInWords = (link: Pick<LinkRow, 'audience' | 'classId'>): string =>
  namedInWords(link.audience.map((member) => nameOf(member, link.classId)));

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

/** Whether students see a link, after the word “Students”. */
export const SHOWN = [
  { value: 'true', label: 'see it in their day' },
  { value: 'false', label: 'do not see it' },
];
