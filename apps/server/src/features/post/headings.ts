import { fillLine } from '@glen/core';
import type { Answer } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { wrongField } from '../../http/problem.js';
import { classesHostedBy } from '../school/store.js';
import { announcePosts } from './announcePosts.js';
import { textAt } from './bodies.js';
import { factsOf, valuesOf, type PostFacts } from './facts.js';
import { headingRows, type HeadingRow } from './headingStore.js';
import type { PlaceRow } from './places.sql.js';
import { scheduleReconcile } from './scheduleReconcile.js';
import { orderPlaces, postIdsOf, type PostRow } from './store.js';

type Place = Pick<PlaceRow, 'id' | 'class_id' | 'shape'>;

/** The heading of Glen's own that a place is under, as it was written; null where it is under another. */
export const headingOf = ({ shape: { section } }: Pick<PlaceRow, 'shape'>): string | null =>
  section && 'title' in section ? section.title : null;

/** The places under the same heading of the same class period, the oldest first. */
const sharing = ({ headings }: Pick<PostFacts, 'headings'>, place: Place): HeadingRow[] =>
  headings.filter((row) => row.class_id === place.class_id && row.title === headingOf(place));

/** The oldest place under a heading: the heading is kept at the site under its name, for as long as any of them stands. */
export const keeperOf = (facts: Pick<PostFacts, 'headings'>, place: Place): number =>
  sharing(facts, place)[0]?.place_id ?? place.id;

/** The headings that a post keeps and that something stands under: one of its own places (`standing`), or another post's. */
export function keptHeadings(facts: PostFacts, post: PostRow, standing: PlaceRow[]): PlaceRow[] {
  const isHere = (keeper: PlaceRow): boolean =>
    standing.some((p) => p.class_id === keeper.class_id && headingOf(p) === headingOf(keeper));
  const isElsewhere = (keeper: PlaceRow): boolean =>
    sharing(facts, keeper).some((row) => row.post_id !== post.id && row.stands);
  return facts.places.filter(
    (p) =>
      p.post_id === post.id &&
      headingOf(p) !== null &&
      keeperOf(facts, p) === p.id &&
      (isHere(p) || isElsewhere(p)),
  );
}

/** Other posts that keep a heading which a place of this one is under; with `isOver` only those that nothing else wakes. */
export function keepersElsewhere(
  facts: PostFacts,
  post: PostRow,
  { isOver }: { isOver: boolean },
): number[] {
  const own = facts.places.filter((p) => p.post_id === post.id && headingOf(p) !== null);
  const keepers = own.flatMap((p) => sharing(facts, p)[0] ?? []);
  const others = keepers.filter((row) => row.post_id !== post.id && (!isOver || row.is_over));
  return [...new Set(others.map((row) => row.post_id))];
}

type Heading = Answer<'headings'>['headings'][number];

/** In the order in which they are to stand; among equals the older first. */
const inOrder = (a: PlaceRow, b: PlaceRow): number =>
  (a.shape.order ?? 0) - (b.shape.order ?? 0) || a.id - b.id;

/** Glen's own headings on a class period's course page, and what is under each; drafts are their class period's hosts' alone. */
export async function headingsOf(
  glen: Glen,
  classId: number,
  personId: number,
): Promise<Answer<'headings'>> {
  const facts = await factsOf(glen, await postIdsOf(glen.db, [classId]));
  const hosted = await classesHostedBy(glen.db, personId);
  const isShown = ({ post_id }: PlaceRow): boolean => {
    const post = facts.posts.find((p) => p.id === post_id)!;
    return post.timing.kind !== 'draft' || hosted.has(post.class_id);
  };
  const rows = facts.headings.filter((row) => row.class_id === classId && !row.is_over);
  const titles = [...new Set(rows.map((row) => row.title))];
  return {
    headings: titles.flatMap((written): Heading[] => {
      const ids = new Set(rows.filter((r) => r.title === written).map((r) => r.place_id));
      const under = facts.places.filter((p) => ids.has(p.id) && isShown(p)).sort(inOrder);
      if (under.length === 0) return [];
      const title = fillLine(written, valuesOf(glen, facts, under[0]!, null));
      return [{ written, title, items: under.map((place) => itemOf(glen, facts, place)) }];
    }),
  };
}

function itemOf(glen: Glen, facts: PostFacts, place: PlaceRow): Heading['items'][number] {
  const post = facts.posts.find((p) => p.id === place.post_id)!;
  const values = valuesOf(glen, facts, place, null);
  const title = fillLine(place.shape.title || textAt(post, place.shape).linkWords, values);
  return { placeId: place.id, postId: post.id, title: title || values.address };
}

/** The posts of some places of a class period, all under one heading. */
async function postsUnderOne(glen: Glen, classId: number, places: number[]): Promise<Set<number>> {
  const rows = await headingRows(glen.db, [classId]);
  const named = places.map((id) => rows.find((row) => row.place_id === id));
  const isOne = named.every((row) => row !== undefined && row.title === named[0]!.title);
  if (!isOne || new Set(places).size !== places.length)
    throw wrongField('order', 'Name the places under one heading, each once.');
  return new Set(named.map((row) => row!.post_id));
}

/** Puts what is under a heading in another order; other places stay where they are. */
export async function orderItems(
  glen: Glen,
  classId: number,
  by: number,
  order: number[],
): Promise<Answer<'orderItems'>> {
  await glen.db.transaction(async () => {
    const posts = await postsUnderOne(glen, classId, order);
    await orderPlaces(glen.db, order);
    for (const id of posts) await scheduleReconcile(glen, id);
    await glen.audit({ by, action: 'order-items', subject: `class:${classId}`, after: { order } });
    await announcePosts(glen, [{ class_id: classId }]);
  });
  glen.nudge();
  return headingsOf(glen, classId, by);
}
