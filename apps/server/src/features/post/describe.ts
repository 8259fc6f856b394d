import { classTitle, wallClockAt, type Delivery as Planned } from '@glen/core';
import type { Answer, Post } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { notFound } from '../../http/problem.js';
import { deliveriesOf, factsOf, type PostFacts } from './facts.js';
import {
  postIdsOf,
  readerCounts,
  siteOfClass,
  type PlaceRow,
  type PlacementRow,
  type PostRow,
} from './store.js';

type PlaceItem = Post['places'][number];
type DeliveryItem = Post['deliveries'][number];

/** How many dates to come are shown of each place, and how many that are over. */
const TO_COME = 4;
const OVER = 6;

const clock = (instant: string, zone: string): { date: string; time: string } => {
  const { date, time } = wallClockAt(instant, zone);
  return { date, time };
};
const titleOf = (p: PlaceRow): string => classTitle({ title: p.class_title, period: p.period });

/** Where a place is, in words. */
export function whereOf(p: PlaceRow): string {
  const only = p.shape.readers === 'audience' ? ` (${p.link_label})` : '';
  return `${placeName(p)}${only}`;
}

function placeName(p: PlaceRow): string {
  switch (p.kind) {
    case 'stream':
      return `Stream of ${titleOf(p)}`;
    case 'item':
      return `Course page of ${titleOf(p)}`;
    case 'calendar':
      return `Calendar of ${titleOf(p)}`;
    case 'by-hand':
      return `${p.shape.name || 'By hand'}, ${titleOf(p)}`;
  }
}

function handState(p: PlacementRow): DeliveryItem['state'] {
  if (p.wish === 'gone') return p.out_since === null ? 'gone' : 'takedown';
  return p.sent_revision < p.revision ? 'todo' : 'done';
}

function siteState(p: PlacementRow): DeliveryItem['state'] {
  if (p.job_state === 'failed') return 'failed';
  if (p.wish === 'gone') return p.out_since === null ? 'gone' : 'out';
  if (p.missing_since !== null) return 'missing';
  if (p.out_since === null) return 'queued';
  return p.wish === 'struck' ? 'struck' : 'out';
}

/** What somebody who no longer hosts had planned does not go out. */
const lostWords = (post: PostRow, place: PlaceRow): string =>
  `${post.by_name} no longer hosts ${titleOf(place)}.`;

/** What has been wished, and nobody has looked at yet: to be taken down, or put up again. */
const isToFollow = (planned: Planned | undefined, row: PlacementRow): boolean =>
  (planned?.wanted === 'gone' && row.wish !== 'gone') ||
  (planned?.wanted === 'out' && row.wish === 'gone' && !row.dropped);

function deliveryItem(
  facts: PostFacts,
  post: PostRow,
  place: PlaceRow,
  planned: Planned | undefined,
  row: PlacementRow | undefined,
  occurrenceId: number,
): DeliveryItem {
  const session =
    occurrenceId === 0
      ? undefined
      : facts.occurrences.get(place.link_id)?.find((o) => o.id === occurrenceId);
  const byHand = place.kind === 'by-hand';
  const due = planned?.due ?? row?.due_at ?? null;
  const state = row
    ? byHand
      ? handState(row)
      : siteState(row)
    : place.lost
      ? 'failed'
      : planned?.due === null
        ? 'draft'
        : 'queued';
  const late = session ? session.start_at : due;
  return {
    key: planned?.key ?? `${post.id}/${place.id}/${occurrenceId || 'link'}`,
    placeId: place.id,
    placementId: row?.id ?? null,
    session: session
      ? { id: session.id, title: session.title, date: session.local_date, time: session.local_time }
      : null,
    state,
    due: due === null ? null : clock(row && post.about === 'link' ? row.due_at : due, facts.zone),
    overdue: state === 'todo' && late !== null && late < facts.now,
    pending: row
      ? !byHand && (row.sent_revision < row.revision || isToFollow(planned, row))
      : planned?.wanted === 'out',
    tries: row?.tries ?? 0,
    error: row ? row.last_error : place.lost ? lostWords(post, place) : null,
    outSince: row?.out_since ?? null,
  };
}

/** Deliveries of one place: those that have been made, newest last, then the next to come. */
function ofPlace(
  facts: PostFacts,
  post: PostRow,
  place: PlaceRow,
  planned: Planned[],
): DeliveryItem[] {
  const rows = facts.placements.filter((p) => p.place_id === place.id && p.part === 'thing');
  const byOccurrence = new Map(rows.map((r) => [r.occurrence_id, r]));
  const plans = new Map(
    planned.filter((d) => d.place === String(place.id)).map((d) => [Number(d.occurrence ?? 0), d]),
  );
  const item = (occurrenceId: number): DeliveryItem =>
    deliveryItem(
      facts,
      post,
      place,
      plans.get(occurrenceId),
      byOccurrence.get(occurrenceId),
      occurrenceId,
    );
  const made = rows.map((r) => item(r.occurrence_id));
  const over = made.filter((d) => d.state === 'gone' || d.state === 'done' || d.state === 'struck');
  const standing = made.filter((d) => !over.includes(d));
  const toCome =
    post.withdrawn || place.removed
      ? []
      : [...plans]
          .filter(
            ([id, d]) => !byOccurrence.has(id) && (d.wanted === 'later' || d.wanted === 'out'),
          )
          .slice(0, TO_COME)
          .map(([id]) => item(id));
  return [...over.slice(-OVER), ...standing, ...toCome];
}

const ORDER: DeliveryItem['state'][] = [
  'failed',
  'missing',
  'takedown',
  'todo',
  'draft',
  'out',
  'done',
  'queued',
  'struck',
  'gone',
];
const SUMMARY: Record<DeliveryItem['state'], Post['state']> = {
  failed: 'failed',
  missing: 'failed',
  takedown: 'todo',
  todo: 'todo',
  draft: 'draft',
  queued: 'queued',
  out: 'out',
  done: 'out',
  struck: 'over',
  gone: 'over',
};

function summary(
  post: PostRow,
  deliveries: DeliveryItem[],
): Pick<Post, 'state' | 'due' | 'pending' | 'tries' | 'error' | 'outSince'> {
  const sorted = [...deliveries].sort((a, b) => ORDER.indexOf(a.state) - ORDER.indexOf(b.state));
  const worst = sorted[0];
  const standing = deliveries
    .filter((d) => d.outSince !== null)
    .map((d) => d.outSince!)
    .sort();
  const coming = deliveries
    .filter((d) => d.state === 'queued' && d.due !== null)
    .map((d) => d.due!)
    .sort((a, b) => (a.date + a.time < b.date + b.time ? -1 : 1));
  return {
    state: post.withdrawn
      ? 'withdrawn'
      : worst
        ? SUMMARY[worst.state]
        : post.timing.kind === 'draft'
          ? 'draft'
          : 'over',
    due: coming[0] ?? worst?.due ?? null,
    pending: deliveries.some((d) => d.pending),
    tries: Math.max(0, ...deliveries.map((d) => d.tries)),
    error: deliveries.find((d) => d.error !== null)?.error ?? null,
    outSince: standing[0] ?? null,
  };
}

function aboutOf(post: PostRow): Post['about'] {
  return post.on_date === null ? post.about : { on: post.on_date };
}

export function timingOf({ timing }: PostRow, zone: string): Post['timing'] {
  switch (timing.kind) {
    case 'now':
    case 'draft':
      return timing.kind;
    case 'at':
      return { at: clock(timing.at, zone) };
    case 'before':
      return { before: timing.minutes };
    case 'morning':
      return { morning: timing.time };
  }
}

function describe(glen: Glen, facts: PostFacts, post: PostRow, counts: Map<number, number>): Post {
  const places = facts.places.filter((p) => p.post_id === post.id);
  const planned = deliveriesOf(facts, post);
  const deliveries = places.flatMap((place) =>
    ofPlace(facts, post, place, planned).filter((d) => !place.removed || d.state !== 'gone'),
  );
  const shown = places.filter((p) => !p.removed);
  return {
    id: post.id,
    classId: post.class_id,
    version: post.version,
    words: post.words,
    linkWords: post.link_words,
    about: aboutOf(post),
    timing: timingOf(post, facts.zone),
    afterwards: post.afterwards,
    pinned: Boolean(post.pinned),
    by: post.by_name,
    mayEdit: shown.length > 0 && shown.every((p) => p.mine),
    ...summary(post, deliveries),
    places: shown.map((p): PlaceItem => ({
      id: p.id,
      classId: p.class_id,
      classTitle: titleOf(p),
      pennant: p.pennant,
      linkId: p.link_id,
      linkLabel: p.link_label,
      code: p.code,
      kind: p.kind,
      ...p.shape,
      where: whereOf(p),
      readerCount: counts.get(p.id) ?? 0,
      address: p.kind === 'by-hand' ? null : glen.courseSite.classAddress(p.class_ref),
      lost: Boolean(p.lost),
    })),
    deliveries,
  };
}

export async function describePosts(
  glen: Glen,
  postIds: number[],
  personId: number,
): Promise<Post[]> {
  const facts = await factsOf(glen, postIds, { personId });
  const counts = await readerCounts(glen.db, facts.places);
  return facts.posts.map((post) => describe(glen, facts, post, counts));
}

export async function describePost(glen: Glen, id: number, personId: number): Promise<Post> {
  const [post] = await describePosts(glen, [id], personId);
  if (!post) throw notFound('This post');
  return post;
}

export async function postsOfClass(
  glen: Glen,
  classId: number,
  personId: number,
): Promise<Answer<'posts'>> {
  const { ref } = (await siteOfClass(glen.db, classId))!;
  return {
    posts: await describePosts(glen, await postIdsOf(glen.db, [classId]), personId),
    siteAddress: glen.courseSite.classAddress(ref),
  };
}

/** Where the links of one's class periods stand, or are about to, by class period; and what its posts need thought for. */
export async function postsFor(glen: Glen, classIds: number[], personId: number): Promise<Post[]> {
  return describePosts(glen, await postIdsOf(glen.db, classIds), personId);
}
