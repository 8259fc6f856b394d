import { wallClockAt, type Delivery as Planned } from '@glen/core';
import type { Post } from '@glen/contract';
import type { LetterCounts } from '../mail/postLetterStore.js';
import type { PostFacts } from './facts.js';
import type { PlacementRow } from './placements.sql.js';
import type { PlaceRow, PostOccurrenceRow } from './places.sql.js';
import type { PostRow } from './store.js';
import { titleOf } from './whereOf.js';

export type DeliveryItem = Post['deliveries'][number];

export function clockOf(instant: string, zone: string): { date: string; time: string } {
  const { date, time } = wallClockAt(instant, zone);
  return { date, time };
}

const sameBody = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

function handState(p: PlacementRow): DeliveryItem['state'] {
  if (p.wish === 'gone') return p.out_since === null ? 'gone' : 'takedown';
  // What was done stands as long as the same is to stand there, whatever has changed elsewhere.
  return p.out_since !== null && sameBody(p.sent_body, p.body) ? 'done' : 'todo';
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

/** One thing that a post wants at a place (`planned`), that has been made there (`row`), or both. */
interface DeliveryAt {
  post: PostRow;
  place: PlaceRow;
  /** 0: for the lasting link, not for one session. */
  occurrenceId: number;
  planned: Planned | undefined;
  row: PlacementRow | undefined;
}

export function deliveryItem(facts: PostFacts, at: DeliveryAt): DeliveryItem {
  const { post, place, occurrenceId, planned, row } = at;
  const session =
    occurrenceId === 0
      ? undefined
      : facts.occurrences.get(place.link_id)?.find((o) => o.id === occurrenceId);
  return {
    key: planned?.key ?? `${post.id}/${place.id}/${occurrenceId || 'link'}`,
    placeId: place.id,
    session: session ? sessionItem(session) : null,
    due: dueOf(at, facts.zone),
    overdue: isOverdue(at, session, facts.now),
    ...(row ? madeItem(at, row, facts.letters?.get(row.id)) : comingItem(at)),
  };
}

const sessionItem = (o: PostOccurrenceRow): DeliveryItem['session'] => ({
  id: o.id,
  title: o.title,
  date: o.local_date,
  time: o.local_time,
  status: o.status,
});

type Standing = Pick<
  DeliveryItem,
  'placementId' | 'state' | 'pending' | 'tries' | 'error' | 'outSince' | 'letters'
>;

/** What has been made of it. */
function madeItem(
  { place, planned }: DeliveryAt,
  row: PlacementRow,
  letters: LetterCounts | undefined,
): Standing {
  const byHand = place.kind === 'by-hand';
  return {
    placementId: row.id,
    state: byHand ? handState(row) : siteState(row),
    pending: !byHand && (row.sent_revision < row.revision || isToFollow(planned, row)),
    tries: row.tries ?? 0,
    error: row.last_error,
    outSince: row.out_since,
    letters: letters ?? null,
  };
}

/** What is to come of it. */
function comingItem({ post, place, planned }: DeliveryAt): Standing {
  const coming = planned?.due === null ? 'draft' : 'queued';
  return {
    placementId: null,
    state: place.lost ? 'failed' : coming,
    pending: planned?.wanted === 'out',
    tries: 0,
    error: place.lost ? lostWords(post, place) : null,
    outSince: null,
    letters: null,
  };
}

function dueOf({ post, planned, row }: DeliveryAt, zone: string): DeliveryItem['due'] {
  const due = planned?.due ?? row?.due_at ?? null;
  if (due === null) return null;
  return clockOf(row && post.about === 'link' ? row.due_at : due, zone);
}

/** To be done by hand, and the session has begun, or the time it was due has passed. */
function isOverdue(
  { place, planned, row }: DeliveryAt,
  session: PostOccurrenceRow | undefined,
  now: string,
): boolean {
  const late = session ? session.start_at : (planned?.due ?? row?.due_at ?? null);
  const isToDo = row !== undefined && place.kind === 'by-hand' && handState(row) === 'todo';
  return isToDo && late !== null && late < now;
}
