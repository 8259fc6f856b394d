import { postDeed, type Action } from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { HttpProblem, notFound, stale, wrongField } from '../../http/problem.js';
import { announcePosts } from './announcePosts.js';
import { refuseWrongPlaces } from './checkPlaces.js';
import { describePost } from './describe.js';
import { placementsOf } from './placements.sql.js';
import { scheduleReconcile } from './scheduleReconcile.js';
import { placesFrom, textFrom, type Sent } from './sentPost.js';
import { placesOf, type PlaceRow } from './places.sql.js';
import {
  heldPost,
  historyOf,
  hurryPost,
  insertPost,
  isOfPost,
  updatePost,
  writePlaces,
  type PlaceText,
  type PostRow,
  type PostText,
} from './store.js';

type OnePost = Answer<'addPost'>;

export async function addPost(
  glen: Glen,
  classId: number,
  by: number,
  body: Sent,
): Promise<OnePost> {
  const [text, places] = await Promise.all([
    textFrom(glen, body),
    placesFrom(glen, classId, body.places),
  ]);
  await refuseWrongPlaces(glen, by, text, places);
  const id = await glen.db.transaction(async () => {
    const post = await insertPost(glen.db, { classId, by }, text);
    await writePlaces(glen.db, post, places);
    await scheduleReconcile(glen, post);
    await glen.audit({ by, action: 'post', subject: `post:${post}`, after: body });
    await announcePosts(
      glen,
      places.map((p) => ({ class_id: p.classId })),
    );
    return post;
  });
  glen.nudge();
  return { post: await describePost(glen, id, by) };
}

const textOf = (row: PostRow): PostText => ({
  words: row.words,
  linkWords: row.link_words,
  about: row.about,
  onDate: row.on_date,
  timing: row.timing,
  afterwards: row.afterwards,
  pinned: Boolean(row.pinned),
  withdrawn: Boolean(row.withdrawn),
});

/** Only who hosts all that a post goes to may change it. */
async function mustHostAll(glen: Glen, id: number, by: number): Promise<void> {
  const places = (await placesOf(glen.db, [id], by)).filter((p) => !p.removed);
  const other = places.find((p) => !p.mine);
  if (other)
    throw new HttpProblem(
      403,
      `This post goes to ${other.class_title} too, which somebody else hosts.`,
    );
}

interface Change {
  by: number;
  version: number;
  action: Action;
  text: (row: PostRow) => PostText;
  places?: PlaceText[];
  /** Where it went before, where that may change. */
  placesBefore?: PlaceText[];
}

/** Changes a post and has its places follow. */
async function changePost(
  glen: Glen,
  id: number,
  { by, version, action, text, places, placesBefore }: Change,
): Promise<OnePost> {
  await mustHostAll(glen, id, by);
  const changed = await glen.db.transaction(async () => {
    const row = await heldPost(glen.db, id);
    if (!row) throw notFound('This post');
    const after = text(row);
    if (!(await updatePost(glen.db, id, version, after))) return false;
    if (places) await writePlaces(glen.db, id, places);
    await scheduleReconcile(glen, id);
    await glen.audit({
      by,
      action,
      subject: `post:${id}`,
      before: { ...textOf(row), ...(placesBefore ? { places: placesBefore } : {}) },
      after: { ...after, ...(places ? { places } : {}) },
    });
    await announcePosts(glen, await placesOf(glen.db, [id], 0));
    return true;
  });
  if (!changed) throw stale(await describePost(glen, id, by));
  glen.nudge();
  return { post: await describePost(glen, id, by) };
}

const placeTextOf = (p: PlaceRow): PlaceText => ({
  id: p.id,
  classId: p.class_id,
  linkId: p.link_id,
  kind: p.kind,
  shape: p.shape,
});

export async function editPost(
  glen: Glen,
  id: number,
  by: number,
  body: Body<'editPost'>,
): Promise<OnePost> {
  const [text, standing] = await Promise.all([textFrom(glen, body), placesOf(glen.db, [id])]);
  const kept = standing.filter((p) => !p.removed);
  const places = body.places ? await placesFrom(glen, kept[0]!.class_id, body.places) : undefined;
  const placesBefore = kept.map(placeTextOf);
  await refuseWrongPlaces(glen, by, text, places ?? placesBefore);
  return changePost(glen, id, {
    by,
    version: body.version,
    action: 'edit-post',
    text: (row) => ({ ...text, withdrawn: Boolean(row.withdrawn) }),
    ...(places ? { places, placesBefore } : {}),
  });
}

export const withdrawPost = (
  glen: Glen,
  id: number,
  by: number,
  version: number,
): Promise<OnePost> =>
  changePost(glen, id, {
    by,
    version,
    action: 'withdraw-post',
    text: (row) => ({ ...textOf(row), withdrawn: true }),
  });

export const restorePost = (
  glen: Glen,
  id: number,
  by: number,
  version: number,
): Promise<OnePost> =>
  changePost(glen, id, {
    by,
    version,
    action: 'restore-post',
    text: (row) => ({ ...textOf(row), withdrawn: false }),
  });

/** Has the posts about one session go out now, whatever their timing. */
export async function postNow(
  glen: Glen,
  id: number,
  by: number,
  occurrenceId: number,
): Promise<OnePost> {
  await mustHostAll(glen, id, by);
  await glen.db.transaction(async () => {
    const row = await heldPost(glen.db, id);
    if (!row) throw notFound('This post');
    if (!(await isOfPost(glen.db, id, occurrenceId)))
      throw wrongField('occurrenceId', 'This post does not speak of that session.');
    if (!row.early.includes(occurrenceId))
      await hurryPost(glen.db, id, [...row.early, occurrenceId]);
    await scheduleReconcile(glen, id);
    await glen.audit({
      by,
      action: 'post-now',
      subject: `post:${id}`,
      after: { occurrence: occurrenceId },
    });
    await announcePosts(glen, await placesOf(glen.db, [id], 0));
  });
  glen.nudge();
  return { post: await describePost(glen, id, by) };
}

/** Tries what of a post has not got out again at once. It stays as it is, so no version is asked for. */
export async function retryPost(glen: Glen, id: number, by: number): Promise<OnePost> {
  await glen.db.transaction(async () => {
    for (const p of await placementsOf(glen.db, [id]))
      if (p.job_state === 'failed' || p.job_state === 'queued')
        await glen.enqueue({ kind: 'placement', subject: String(p.id) });
    await glen.audit({ by, action: 'retry-post', subject: `post:${id}` });
    await announcePosts(glen, await placesOf(glen.db, [id], 0));
  });
  glen.nudge();
  return { post: await describePost(glen, id, by) };
}

export const postHistory = async (glen: Glen, id: number): Promise<Answer<'postHistory'>> => ({
  entries: (await historyOf(glen.db, id)).map((e) => ({
    at: e.at,
    by: e.by_name,
    did: postDeed(e),
  })),
});
