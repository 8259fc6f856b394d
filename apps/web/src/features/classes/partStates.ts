import type { EntryRules } from '@glen/core';
import { dateInWords } from '@glen/core/light';
import type { LinkRow, Post } from '@glen/contract';
import type { ClassPeriod } from '../school/classPeriod.js';
import { valueInWords } from '../entry/sentences.js';
import { isIn } from '../post/postFilter.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

const MANY = new Intl.PluralRules('en');
const count = (n: number, one: string, many: string): string =>
  `${n} ${MANY.select(n) === 'one' ? one : many}`;

interface Now {
  /** An instant of school time. */
  now: string;
  /** The school's local date. */
  today: string;
}

/** “next today 10:45 · 17 ahead” */
export function sessionsState({ sessions }: Pick<ClassPeriod, 'sessions'>, at: Now): string {
  const isAhead = (s: ClassPeriod['sessions'][number]): boolean =>
    !s.undated && (s.status === 'planned' || s.status === 'moved') && s.end > at.now;
  const ahead = sessions.filter(isAhead);
  const next = ahead[0];
  if (!next) return say.noneAhead;
  const day = next.date === at.today ? 'today' : dateInWords(next.date);
  return fill(say.nextAhead, { day, time: next.time, aheadCount: ahead.length });
}

/** “the roll; hosts straight in”, or “the roll, straight in” where that is all of them. */
export function entryState({ whoMayEnter, straightIn }: EntryRules): string {
  const who = valueInWords('whoMayEnter', whoMayEnter).toLowerCase();
  const straight = valueInWords('straightIn', straightIn).replace('only ', '');
  const isAll = straightIn === 'everyone' || straight === who;
  return isAll ? fill(say.straightIn, { who }) : fill(say.someStraightIn, { who, straight });
}

export function linksState(links: Pick<LinkRow, 'state'>[]): string {
  const live = links.filter((l) => l.state === 'live').length;
  return live === 0 ? say.noneWorks : count(live, 'works', 'work');
}

/** How posts of a state are counted; those that are over are not. */
const POSTS: Record<string, (n: number) => string> = {
  out: (n) => fill(say.nOut, { n }),
  queued: (n) => fill(say.nQueued, { n }),
  draft: (n) => count(n, 'draft', 'drafts'),
  failed: (n) => fill(say.nFailed, { n }),
  todo: (n) => fill(say.nByHand, { n }),
};

/** “1 out, 2 queued” */
export function postsState(posts: Post[]): string {
  const told = Object.entries(POSTS).map(([state, words]) => {
    const n = posts.filter((post) => isIn(post, state)).length;
    return n === 0 ? '' : words(n);
  });
  return told.filter(Boolean).join(', ') || say.itStandsNowhere;
}

export const rollState = (rollSize: number): string =>
  rollSize === 0 ? 'empty' : count(rollSize, 'person', 'people');
