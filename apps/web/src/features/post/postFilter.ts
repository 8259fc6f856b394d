import type { Post } from '@glen/contract';
import { inALine } from './draft.js';
import * as say from './words.js';

/** Stands in a filter for everything. */
export const ALL = 'all';

export const STATES = [
  ['out', say.out],
  ['queued', say.queued],
  ['draft', say.drafts],
  ['failed', say.failed],
  ['todo', say.byHand],
  ['over', say.overOrWithdrawn],
] as const;

export const KINDS = [
  ['stream', say.classStreams],
  ['item', say.coursePages],
  ['calendar', 'calendars'],
  ['mail', 'mail'],
  ['by-hand', say.placesFilledByHand],
] as const;

/** Which posts are looked at; `day` is a date or blank, ids are as text. */
export interface Filter {
  state: string;
  classId: string;
  kind: string;
  day: string;
  typed: string;
}
export const NO_FILTER: Filter = { state: ALL, classId: ALL, kind: ALL, day: '', typed: '' };

/** Whether a post is counted under a state of the list. */
export function isIn(post: Post, state: string): boolean {
  if (state === ALL) return true;
  if (state === 'over') return post.state === 'over' || post.state === 'withdrawn';
  if (state === 'todo')
    return post.deliveries.some((d) => d.state === 'todo' || d.state === 'takedown');
  return post.state === state;
}

const textOf = ({ reads: { words, linkWords }, places }: Post): string =>
  [inALine(words), linkWords, ...places.map((p) => p.where)].join(' ').toLowerCase();

function hasWords(post: Post, typed: string): boolean {
  const text = textOf(post);
  return typed
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.includes(word));
}

/** Whether a post is for a day: one of its sessions is then, or it goes out then. */
const isOn = ({ deliveries }: Post, day: string): boolean =>
  deliveries.some((d) => d.session?.date === day || d.due?.date === day);

/** Whether a post passes all that is asked of it. */
export const fits = (post: Post, { state, classId, kind, day, typed }: Filter): boolean =>
  isIn(post, state) &&
  (classId === ALL || post.places.some((p) => String(p.classId) === classId)) &&
  (kind === ALL || post.places.some((p) => p.kind === kind)) &&
  (day === '' || isOn(post, day)) &&
  hasWords(post, typed);
