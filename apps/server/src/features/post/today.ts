import { dateInWords, type TodayHand, type TodayPost } from '@glen/core';
import type { Answer, Post } from '@glen/contract';

type Placed = Answer<'today'>['placements'];

const where = (post: Post, placeId: number): Post['places'][number] =>
  post.places.find((p) => p.id === placeId)!;

/** What a day says of posts: where each class period's link stands, what is stuck, and what is to be done by hand. */
export function todayPosts(
  posts: Post[],
  hosted: Set<number>,
  date: string,
): { placements: Placed; posts: TodayPost[]; hand: TodayHand[]; marks: Answer<'today'>['hand'] } {
  const marks: Answer<'today'>['hand'] = [];
  const placements: Placed = [];
  const stuck: TodayPost[] = [];
  const hand: TodayHand[] = [];
  for (const post of posts) {
    if (post.state === 'withdrawn') continue;
    for (const place of post.places) {
      const here = post.deliveries.filter((d) => d.placeId === place.id);
      const state = here.some((d) => d.state === 'failed' || d.state === 'missing')
        ? 'failed'
        : here.some((d) => d.outSince !== null)
          ? 'out'
          : here.some((d) => d.state === 'todo')
            ? 'todo'
            : here.some((d) => d.state === 'draft')
              ? 'draft'
              : here.some((d) => d.state === 'queued')
                ? 'queued'
                : 'over';
      if (state !== 'over')
        placements.push({
          classId: place.classId,
          postId: post.id,
          kind: place.kind,
          state,
          due: here.find((d) => d.state === 'queued')?.due ?? here[0]?.due ?? null,
        });
    }
    const open = post.deliveries.filter((d) =>
      post.places.some((p) => p.id === d.placeId && hosted.has(p.classId)),
    );
    const trouble =
      open.find((d) => d.state === 'failed' || d.state === 'missing') ??
      open.find((d) => d.tries > 0 && d.error !== null);
    if (trouble)
      stuck.push({
        id: post.id,
        classTitle: where(post, trouble.placeId).classTitle,
        state:
          trouble.state === 'missing'
            ? 'missing'
            : trouble.state === 'failed'
              ? 'failed'
              : 'queued',
        error: trouble.error,
        tries: trouble.tries,
        ...(trouble.placementId === null ? {} : { placementId: trouble.placementId }),
      });
    if (post.state === 'draft' && open.length > 0)
      stuck.push({
        id: post.id,
        classTitle: where(post, open[0]!.placeId).classTitle,
        state: 'draft',
        error: null,
        tries: 0,
      });
    for (const d of open) {
      const byHand = where(post, d.placeId).kind === 'by-hand';
      const soon = byHand && d.state === 'queued' && d.due?.date === date;
      if (d.state === 'todo' || d.state === 'takedown' || soon) {
        if (d.due?.date === date)
          marks.push({
            postId: post.id,
            where: where(post, d.placeId).where,
            time: d.due.time,
            waits: soon,
          });
        hand.push({
          postId: post.id,
          placementId: d.placementId,
          where: where(post, d.placeId).where,
          what: d.state === 'takedown' ? 'take-down' : d.outSince === null ? 'paste' : 'change',
          due:
            d.due &&
            (d.due.date === date ? d.due.time : `${dateInWords(d.due.date)} ${d.due.time}`),
          overdue: d.overdue,
          waits: soon,
        });
      }
    }
  }
  return { placements, posts: stuck, hand, marks };
}
