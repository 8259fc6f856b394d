import type { Answer, Post } from '@glen/contract';
import {
  fillLine,
  renderPost,
  richOf,
  richToPlain,
  summariseDeliveries,
  type Delivery as Planned,
} from '@glen/core';
import type { Glen } from '../../glen.js';
import { notFound } from '../../http/problem.js';
import { siteAddress } from '../../outside/courseSite.js';
import { letterCounts } from '../mail/postLetterStore.js';
import { classesOf } from '../school/classes.sql.js';
import { classesHostedBy } from '../school/store.js';
import { clockOf, deliveryItem, type DeliveryItem } from './deliveryItem.js';
import { textAt } from './bodies.js';
import { deliveriesOf, factsOf, valuesOf, type PostFacts } from './facts.js';
import { readerCounts } from './places.sql.js';
import { type PlaceRow } from './places.sql.js';
import { postIdsOf, siteOfClass, type PostRow } from './store.js';
import { titleOf, whereOf } from './whereOf.js';

type PlaceItem = Post['places'][number];

const isOnSite = ({ kind }: PlaceRow): boolean => kind !== 'by-hand' && kind !== 'mail';

/** How many dates to come are shown of each place, and how many that are over. */
const TO_COME = 4;
const OVER = 6;

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
    deliveryItem(facts, {
      post,
      place,
      occurrenceId,
      planned: plans.get(occurrenceId),
      row: byOccurrence.get(occurrenceId),
    });
  const made = rows.map((r) => item(r.occurrence_id));
  const over = made.filter((d) => d.state === 'gone' || d.state === 'done' || d.state === 'struck');
  const standing = made.filter((d) => !over.includes(d));
  const isToCome = (d: Planned): boolean => d.wanted === 'later' || d.wanted === 'out';
  const toCome = [...plans]
    .filter(([id, d]) => !byOccurrence.has(id) && isToCome(d))
    .slice(0, post.withdrawn || place.removed ? 0 : TO_COME)
    .map(([id]) => item(id));
  return [...over.slice(-OVER), ...standing, ...toCome];
}

function aboutOf(post: PostRow): Post['about'] {
  return post.on_date === null ? post.about : { on: post.on_date };
}

function timingOf({ timing }: PostRow, zone: string): Post['timing'] {
  switch (timing.kind) {
    case 'now':
    case 'draft':
      return timing.kind;
    case 'at':
      return { at: clockOf(timing.at, zone) };
    case 'before':
      return { before: timing.minutes };
    case 'morning':
      return { morning: timing.time };
  }
}

/** How a post reads at a place, for the session of it that stands, or is the next to. */
function readAt(
  glen: Glen,
  facts: PostFacts,
  post: PostRow,
  { place, deliveries }: { place: PlaceRow | undefined; deliveries: DeliveryItem[] },
): Post['reads'] {
  if (!place) return { words: richToPlain(richOf(post.words)), linkWords: post.link_words };
  const here = deliveries.filter((d) => d.placeId === place.id && d.session !== null);
  const shown = here.find((d) => d.outSince !== null) ?? here.find((d) => d.state === 'queued');
  const session = facts.occurrences.get(place.link_id)?.find((o) => o.id === shown?.session?.id);
  const values = valuesOf(glen, facts, place, session ?? null);
  const text = textAt(post, place.shape);
  return {
    words: renderPost(text, values, 'text', { linkAtEnd: false }),
    linkWords: fillLine(text.linkWords, values) || values.address,
  };
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
    reads: readAt(glen, facts, post, { place: shown[0] ?? places[0], deliveries }),
    about: aboutOf(post),
    timing: timingOf(post, facts.zone),
    afterwards: post.afterwards,
    pinned: Boolean(post.pinned),
    by: post.by_name,
    mayEdit: shown.length > 0 && shown.every((p) => p.mine),
    ...summariseDeliveries(deliveries, {
      withdrawn: Boolean(post.withdrawn),
      draft: post.timing.kind === 'draft',
    }),
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
      linkWords: p.shape.linkWords ?? '',
      withCalendar: p.shape.withCalendar ?? false,
      withAfterLessons: p.shape.withAfterLessons ?? false,
      where: whereOf(p),
      readerCount: counts.get(p.id) ?? 0,
      address: isOnSite(p) ? siteAddress(glen, p.class_ref) : null,
      lost: Boolean(p.lost),
    })),
    deliveries,
  };
}

/** What has become of the letters of those places that are mail. */
const lettersIn = (glen: Glen, facts: PostFacts): Promise<NonNullable<PostFacts['letters']>> =>
  letterCounts(
    glen.db,
    facts.placements.filter((row) => row.body.kind === 'mail').map((row) => row.id),
  );

/** Posts as somebody may read them: drafts are their class period's hosts' alone. */
export async function describePosts(
  glen: Glen,
  postIds: number[],
  personId: number,
): Promise<Post[]> {
  const known = await factsOf(glen, postIds, { personId });
  const facts = { ...known, letters: await lettersIn(glen, known) };
  const [counts, hosted] = await Promise.all([
    readerCounts(glen.db, facts.places),
    classesHostedBy(glen.db, personId),
  ]);
  return facts.posts
    .filter((post) => post.timing.kind !== 'draft' || hosted.has(post.class_id))
    .map((post) => describe(glen, facts, post, counts));
}

export async function describePost(glen: Glen, id: number, personId: number): Promise<Post> {
  const [post] = await describePosts(glen, [id], personId);
  if (!post) throw notFound('This post');
  return post;
}

/** The posts of all the class periods that one teaches or visits. */
export async function allPosts(glen: Glen, personId: number): Promise<Answer<'allPosts'>> {
  const classes = await classesOf(glen.db, personId, false);
  const own = classes.filter((c) => c.as_what !== null).map((c) => c.id);
  return { posts: await postsFor(glen, own, personId) };
}

export async function postsOfClass(
  glen: Glen,
  classId: number,
  personId: number,
): Promise<Answer<'posts'>> {
  const { ref } = (await siteOfClass(glen.db, classId))!;
  return {
    posts: await describePosts(glen, await postIdsOf(glen.db, [classId]), personId),
    siteAddress: siteAddress(glen, ref),
  };
}

/** Where the links of one's class periods stand, or are about to, by class period; and what its posts need thought for. */
export async function postsFor(glen: Glen, classIds: number[], personId: number): Promise<Post[]> {
  return describePosts(glen, await postIdsOf(glen.db, classIds), personId);
}
