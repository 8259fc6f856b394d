import { dateInWords, richOf, richToPlain, type RichText } from '@glen/core';
import type { ClassItem, Post, Sent } from '@glen/contract';
import { fill, many } from '../../ui/fill.js';
import * as say from './words.js';

type Body = Sent<'addPost'>;
export type PlaceDraft = NonNullable<Body['places']>[number];
export type PlaceKind = PlaceDraft['kind'];
export type About = NonNullable<Body['about']>;
export type Timing = NonNullable<Body['timing']>;

/** A post while it is written. */
export interface PostDraft {
  words: RichText;
  linkWords: string;
  about: About;
  timing: Timing;
  afterwards: NonNullable<Body['afterwards']>;
  pinned: boolean;
  places: PlaceDraft[];
}

/** The custom is to post about ten minutes before. */
export const MINUTES_BEFORE = 10;
export const MORNING = '07:30';

/** Where no course site takes orders, every place is filled by hand. */
export const firstKind = (hasSite: boolean): PlaceKind => (hasSite ? 'stream' : 'by-hand');

export const newDraft = (c: ClassItem, hasSite: boolean): PostDraft => ({
  words: [],
  // Where a class has no period, the words about it vanish.
  linkWords: say.joinPeriod,
  about: 'link',
  timing: 'now',
  afterwards: 'stay',
  pinned: false,
  places: [{ classId: c.id, kind: firstKind(hasSite && !c.isOccasion) }],
});

export const draftOf = (post: Post): PostDraft => ({
  words: richOf(post.words as RichText | string),
  linkWords: post.linkWords,
  about: post.about,
  timing: post.timing,
  afterwards: post.afterwards,
  pinned: post.pinned,
  places: post.places.map(
    ({
      id,
      classId,
      linkId,
      kind,
      readers,
      words,
      linkWords,
      title,
      section,
      position,
      inText,
      newTab,
      name,
      withCalendar,
      withAfterLessons,
    }) => ({
      id,
      classId,
      linkId,
      kind,
      readers,
      words,
      linkWords,
      title,
      section,
      position,
      inText,
      newTab,
      name,
      withCalendar,
      withAfterLessons,
    }),
  ),
});

export const bodyOf = (d: PostDraft): Body => ({ ...d, words: d.words });

/** A timing that has a meaning for what the post is about; one that had is kept. */
export function timingFor(about: About, timing: Timing): Timing {
  if (about !== 'link')
    return typeof timing === 'object' && 'at' in timing && about === 'sessions'
      ? { before: MINUTES_BEFORE }
      : timing;
  return typeof timing === 'object' && !('at' in timing) ? 'now' : timing;
}

/** A draft as it is released: about sessions it goes out at their time, else at once. */
export const releasedBody = (p: Post) => ({
  version: p.version,
  words: p.words,
  linkWords: p.linkWords,
  about: p.about,
  afterwards: p.afterwards,
  pinned: p.pinned,
  timing: p.about === 'link' ? ('now' as const) : { before: MINUTES_BEFORE },
});

type At = { date: string; time: string };

/** Whether a time of one's own lies before now, both by the school's clock. */
const isPast = (at: At, now: At): boolean => `${at.date} ${at.time}` < `${now.date} ${now.time}`;

/** What the main button says: what will have been done. */
export function buttonWords(
  { timing, about, places }: PostDraft,
  { dates, now }: { dates: number; now: At },
): string {
  // A post without a place yet is said as a post to one.
  const to = Math.max(places.length, 1);
  if (timing === 'draft') return say.keepTheDraft;
  if (timing === 'now')
    return about === 'sessions' && dates > 1
      ? fill(say.postForSessionsNow, { dates })
      : many(say.postItNow, to);
  if ('at' in timing && isPast(timing.at, now)) return many(say.thatTimeIsPast, to);
  if ('at' in timing)
    return many(say.queueFor, to, { date: dateInWords(timing.at.date), time: timing.at.time });
  if (dates === 0) return say.noSessionAheadToPost;
  return many(say.queuePosts, dates);
}

/** What has been done once a new post is saved. */
export function doneWords({ timing }: PostDraft): string {
  if (timing === 'now') return say.posted;
  return timing === 'draft' ? say.theDraftIsKept : say.postQueued;
}

/** Words in a line. */
export const inALine = (words: Post['words']): string =>
  richToPlain(richOf(words as RichText | string))
    .replace(/\s+/g, ' ')
    .trim();
