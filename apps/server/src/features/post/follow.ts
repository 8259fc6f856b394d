import { nextMoment, type Delivery } from '@glen/core';
import type { Glen } from '../../glen.js';
import { bodyAt, sectionAt } from './bodies.js';
import { deliveriesOf, factsOf, nextSession, valuesOf, type PostFacts } from './facts.js';
import {
  heldPost,
  insertPlacement,
  readersOf,
  updatePlacement,
  type PlaceRow,
  type PlacementRow,
  type PostRow,
  type Wished,
} from './store.js';
import { lookLater, wakePost } from './wake.js';

const slot = (w: { placeId: number; part: string; occurrenceId: number }): string =>
  `${w.placeId}/${w.part}/${w.occurrenceId}`;

/** What ought to become of a placement, from what its delivery wants and what there is already; null: leave it alone. */
function wishFor(
  wanted: Delivery['wanted'],
  there: PlacementRow | undefined,
  mayMake: boolean,
): PlacementRow['wish'] | null {
  if (there?.dropped) return 'gone';
  if (!there || there.wish === 'gone')
    return wanted === 'out' && (mayMake || there?.out_since) ? 'out' : null;
  return wanted === 'out' || wanted === 'later' ? 'out' : wanted === 'kept' ? there.wish : wanted;
}

/** What a post wants at each of its places at the facts' moment; what is to be left alone is left out. */
export async function wishes(
  glen: Glen,
  facts: PostFacts,
  post: PostRow,
  deliveries: Delivery[],
): Promise<Wished[]> {
  const there = new Map(
    facts.placements
      .filter((p) => p.post_id === post.id)
      .map((p) => [slot({ placeId: p.place_id, part: p.part, occurrenceId: p.occurrence_id }), p]),
  );
  const places = new Map(facts.places.map((p) => [p.id, p]));
  const readers = new Map<number, Awaited<ReturnType<typeof readersOf>>>();
  const wished: Wished[] = [];
  const standing = new Set<PlaceRow>();
  for (const d of deliveries) {
    const place = places.get(Number(d.place))!;
    const occurrenceId = Number(d.occurrence ?? 0);
    const old = there.get(slot({ placeId: place.id, part: 'thing', occurrenceId }));
    const wish = wishFor(d.wanted, old, !place.lost);
    if (wish === null) continue;
    if (wish === 'gone') {
      wished.push({
        placeId: place.id,
        part: 'thing',
        occurrenceId,
        wish,
        body: old!.body,
        code: old!.code,
        dueAt: facts.now,
      });
      continue;
    }
    standing.add(place);
    if (place.shape.readers !== 'class' && !readers.has(place.id))
      readers.set(place.id, await readersOf(glen.db, place));
    const session =
      d.occurrence === null
        ? null
        : facts.occurrences.get(place.link_id)!.find((o) => o.id === occurrenceId)!;
    const values = valuesOf(glen, facts, place, session);
    wished.push({
      placeId: place.id,
      part: 'thing',
      occurrenceId,
      wish,
      body: bodyAt({
        post,
        place,
        values,
        session,
        struck: wish === 'struck',
        readers: readers.get(place.id) ?? null,
      }),
      code: place.code,
      dueAt: d.due ?? facts.now,
    });
  }
  for (const place of standing) {
    const body = sectionAt(place, valuesOf(glen, facts, place, null));
    if (body)
      wished.push({
        placeId: place.id,
        part: 'section',
        occurrenceId: 0,
        wish: 'out',
        body,
        code: '',
        dueAt: facts.now,
      });
  }
  // What stands for sessions, places or sections that there are no more.
  const named = new Set(wished.map(slot));
  const spokenOf = new Set(
    deliveries.map((d) =>
      slot({ placeId: Number(d.place), part: 'thing', occurrenceId: Number(d.occurrence ?? 0) }),
    ),
  );
  for (const [key, p] of there)
    if (p.wish !== 'gone' && !named.has(key) && !spokenOf.has(key))
      wished.push({
        placeId: p.place_id,
        part: p.part,
        occurrenceId: p.occurrence_id,
        wish: 'gone',
        body: p.body,
        code: p.code,
        dueAt: facts.now,
      });
  return wished;
}

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/** Writes one wish down where it is new; gives whether it was. Withdrawing, and what a replaced link changes, wait while their undo is offered. */
async function write(
  glen: Glen,
  post: PostRow,
  old: PlacementRow | undefined,
  w: Wished,
  { kind, class_id: classId }: PlaceRow,
): Promise<boolean> {
  if (old && old.wish === w.wish && (w.wish === 'gone' || same(old.body, w.body))) return false;
  const id = old ? old.id : await insertPlacement(glen.db, post.id, w);
  if (old) await updatePlacement(glen.db, id, w);
  if (kind === 'by-hand') return true;
  if (!old) await lookLater(glen, classId);
  const undoable =
    (w.wish === 'gone' && Boolean(post.withdrawn || old?.dropped)) ||
    (old !== undefined && old.wish === w.wish && old.code !== w.code);
  await glen.enqueue({
    kind: 'placement',
    subject: String(id),
    waitSeconds: undoable ? glen.config.undoSeconds : 0,
  });
  return true;
}

/** When a post must be looked at again by time alone. */
function wakeAt(facts: PostFacts, post: PostRow, deliveries: Delivery[]): string | null {
  const sessions = facts.places
    .filter((p) => p.post_id === post.id && !p.removed)
    .flatMap((p) => nextSession(facts, p.link_id)?.closes ?? []);
  const moments = [nextMoment(deliveries, facts.now), ...sessions].filter(
    (at): at is string => at !== null && at > facts.now,
  );
  return moments.length === 0 ? null : moments.reduce((a, b) => (a < b ? a : b));
}

/**
 * Looks at what a post wants at each of its places, writes down what has changed, has it sent, and says when to look
 * again. Repeating it does no harm; whatever changes in between wakes it anew.
 */
export async function followPost(glen: Glen, postId: number): Promise<void> {
  await glen.db.transaction(async () => {
    const post = await heldPost(glen.db, postId);
    if (!post) return;
    const facts = await factsOf(glen, [postId], {});
    const deliveries = deliveriesOf(facts, post);
    const there = new Map(
      facts.placements.map((p) => [
        slot({ placeId: p.place_id, part: p.part, occurrenceId: p.occurrence_id }),
        p,
      ]),
    );
    const places = new Map(facts.places.map((p) => [p.id, p]));
    let changed = false;
    for (const w of await wishes(glen, facts, post, deliveries))
      changed = (await write(glen, post, there.get(slot(w)), w, places.get(w.placeId)!)) || changed;
    const at = post.withdrawn ? null : wakeAt(facts, post, deliveries);
    if (at !== null) await wakePost(glen, postId, at);
    if (changed) await tellPosts(glen, facts.places);
  });
  glen.nudge();
}

/** Those who look at the posts of some places' class periods hear that they have changed. */
export async function tellPosts(glen: Glen, places: { class_id: number }[]): Promise<void> {
  for (const classId of new Set(places.map((p) => p.class_id)))
    await glen.announce(`class:${classId}`, { thing: 'posts', id: classId });
}
