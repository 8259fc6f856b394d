import type { NotedLink } from '@glen/core';
import type { LinkDetail, LinkRow } from '@glen/contract';
import { wallClock } from '../../app/clock.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

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

export const WHOLE_CLASS = say.theWholeClassPeriod;

function nameOf(member: Audience, classId: number): string {
  if (member.kind === 'guest') return member.name || member.email;
  return member.kind === 'class' && member.id === classId ? WHOLE_CLASS : member.name;
}

/** From so many on, the others are only counted. */
const MOST_NAMED = 3;

/** Some names of an audience in a line. */
export function namedInWords(names: string[]): string {
  if (names.length === 0) return say.nobodyYet;
  if (names.length <= MOST_NAMED) return names.join(', ');
  return fill(say.namesAndNamesCountMore, {
    names: names.slice(0, 2).join(', '),
    namesCount: names.length - 2,
  });
}

/** Whom a link is for, in a few words. */
export const audienceInWords = (link: Pick<LinkRow, 'audience' | 'classId'>): string =>
  namedInWords(link.audience.map((member) => nameOf(member, link.classId)));

/** What links are commonly for, each with the rules that go with it. Any other words will do too. */
export const PURPOSES = [
  { words: say.lessons, preset: 'lesson', kind: 'lesson' },
  { words: say.groupWork, preset: 'lesson', kind: 'lesson' },
  { words: say.oneToOne, preset: 'one-to-one', kind: 'one-to-one' },
  { words: say.dropInHelp, preset: 'help', kind: 'help' },
  { words: say.talksWithParents, preset: 'parents', kind: 'one-to-one' },
  { words: say.openEvening, preset: 'evening', kind: 'event' },
  { words: say.projectGroup, preset: 'project', kind: 'project' },
] as const;

/** Whether students see a link, after the word “Students”. */
export const SHOWN = [
  { value: 'true', label: say.seeItInTheirDay },
  { value: 'false', label: say.doNotSeeIt },
];
