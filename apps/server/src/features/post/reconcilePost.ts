import { nextMoment, type Delivery } from '@glen/core';
import type { Glen } from '../../glen.js';
import { announcePosts } from './announcePosts.js';
import { deliveriesOf, factsOf, nextSession, type PostFacts } from './facts.js';
import { headingOf, keepersElsewhere } from './headings.js';
import { type PlacementRow } from './placements.sql.js';
import { insertPlacement, updatePlacement, type Wished } from './placementStore.js';
import { scheduleLook, scheduleReconcile } from './scheduleReconcile.js';
import { type PlaceRow } from './places.sql.js';
import { heldPost, type PostRow } from './store.js';
import { placementsBySlot, slotOf, wishes } from './wishes.js';

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

interface Change {
  post: PostRow;
  old: PlacementRow | undefined;
  wished: Wished;
  place: PlaceRow;
}

/** Withdrawing, and what a replaced link changes, wait while their undo is offered. */
const isUndoable = ({ post, old, wished }: Omit<Change, 'place'>): boolean =>
  wished.wish === 'gone'
    ? Boolean(post.withdrawn || old?.dropped)
    : old !== undefined && old.wish === wished.wish && old.code !== wished.code;

/** Writes one wish down where it is new; gives whether it was. */
async function writeDown(glen: Glen, { post, old, wished: w, place }: Change): Promise<boolean> {
  if (old && old.wish === w.wish && (w.wish === 'gone' || same(old.body, w.body))) return false;
  const id = old ? old.id : await insertPlacement(glen.db, post.id, w);
  if (old) await updatePlacement(glen.db, id, w);
  if (place.kind === 'by-hand') return true;
  if (!old && place.kind !== 'mail') await scheduleLook(glen, place.class_id);
  // What has been sent cannot be called back, so that letters wait for second thoughts.
  const waits = place.kind === 'mail' || isUndoable({ post, old, wished: w });
  await glen.enqueue({
    kind: 'placement',
    subject: String(id),
    waitSeconds: waits ? glen.config.undoSeconds : 0,
  });
  return true;
}

/** When a post must be looked at again by time alone. */
function nextLook(facts: PostFacts, post: PostRow, deliveries: Delivery[]): string | null {
  const sessions = facts.places
    .filter((p) => p.post_id === post.id && (!p.removed || headingOf(p) !== null))
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
export async function reconcilePost(glen: Glen, postId: number): Promise<void> {
  await glen.db.transaction(async () => {
    const post = await heldPost(glen.db, postId);
    if (!post) return;
    const facts = await factsOf(glen, [postId]);
    const deliveries = deliveriesOf(facts, post);
    const there = placementsBySlot(facts, post);
    const places = new Map(facts.places.map((p) => [p.id, p]));
    const wished = await wishes(glen, facts, post, deliveries);
    let changed = false;
    for (const one of wished) {
      const [old, place] = [there.get(slotOf(one)), places.get(one.placeId)!];
      if (await writeDown(glen, { post, old, wished: one, place })) changed = true;
    }
    // A heading that others stand under is kept right though its own post is withdrawn.
    const isIdle = post.withdrawn && wished.every((one) => one.wish === 'gone');
    const at = isIdle ? null : nextLook(facts, post, deliveries);
    for (const id of keepersElsewhere(facts, post, { isOver: !changed }))
      await scheduleReconcile(glen, id);
    if (at !== null) await scheduleReconcile(glen, postId, at);
    if (changed) await announcePosts(glen, facts.places);
  });
  glen.nudge();
}
