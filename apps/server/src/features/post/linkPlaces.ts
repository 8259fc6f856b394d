import type { Answer, Post } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { describePosts } from './describe.js';
import { postIdsOfLink } from './store.js';

type Stand = Answer<'linkPlaces'>['places'][number];

/** What a link's page says of one place: the delivery of each post there that most needs thought, what is over left out. */
function standsAt(post: Post, place: Post['places'][number]): Stand[] {
  const here = post.deliveries.filter((d) => d.placeId === place.id && d.state !== 'gone');
  const first =
    here.find((d) => d.state === 'failed' || d.state === 'missing') ??
    here.find((d) => d.state === 'todo' || d.state === 'takedown') ??
    here.find((d) => d.outSince !== null) ??
    here[0];
  return first
    ? [
        {
          postId: post.id,
          pending: here.some((d) => d.pending),
          place: place.where,
          state: first.state,
          since: first.outSince,
          readers: place.readerCount,
        },
      ]
    : [];
}

/** Where a link stands, or is about to, and how many may read it there. */
export async function linkPlaces(
  glen: Glen,
  linkId: number,
  personId: number,
): Promise<Answer<'linkPlaces'>> {
  const posts = await describePosts(glen, await postIdsOfLink(glen.db, linkId), personId);
  return {
    places: posts.flatMap((post) =>
      post.places.filter((p) => p.linkId === linkId).flatMap((p) => standsAt(post, p)),
    ),
  };
}
