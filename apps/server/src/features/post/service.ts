import { GlenInputError, givesCode, placeWallTime, planPosts, type PostTiming } from '@glen/core';
import type { Answer, Body, Post } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { HttpProblem, notFound, stale, wrongField } from '../../http/problem.js';
import { OutsideError } from '../../outside/outsideError.js';
import { rulesOfLinks } from '../entry/service.js';
import { mainLinksOf, readSchool } from '../school/store.js';
import { describePost } from './describe.js';
import { checkPlaces, refuseWrongPlaces } from './checkPlaces.js';
import { previewPlaces } from './preview.js';
import { tellPosts } from './follow.js';
import {
  dropPlacement,
  heldPost,
  historyOf,
  hurryPost,
  insertPost,
  isOfPost,
  notePlaced,
  placementById,
  placementsOf,
  placesOf,
  renewPlacement,
  siteOfClass,
  unplace,
  updatePost,
  writePlaces,
  type PlaceText,
  type PostRow,
  type PostText,
} from './store.js';
import { wakePost } from './wake.js';

type Sent = Body<'addPost'>;

async function timingOf(glen: Glen, timing: Sent['timing']): Promise<PostTiming> {
  if (timing === 'now' || timing === 'draft') return { kind: timing };
  if ('before' in timing) return { kind: 'before', minutes: timing.before };
  if ('morning' in timing) return { kind: 'morning', time: timing.morning };
  return {
    kind: 'at',
    at: placeWallTime(timing.at.date, timing.at.time, 0, (await readSchool(glen.db)).calendar.zone)
      .start,
  };
}

/** The places as they are kept; a link that is not named is the one that the class period goes by. */
async function placesFrom(glen: Glen, classId: number, sent: Sent['places']): Promise<PlaceText[]> {
  const places = sent ?? [
    {
      classId,
      kind: 'stream' as const,
      readers: 'class' as const,
      words: null,
      title: '',
      section: null,
      position: 0,
      inText: false,
      newTab: true,
      name: '',
    },
  ];
  const main = await mainLinksOf(
    glen.db,
    places.map((p) => p.classId),
  );
  return places.map(({ id, classId: of, linkId, kind, ...shape }, i) => {
    const link = linkId ?? main.get(of);
    if (link === undefined)
      throw wrongField(`places.${i}.classId`, 'There is no such class period.');
    return { ...(id === undefined ? {} : { id }), classId: of, linkId: link, kind, shape };
  });
}

/** The core says what timings have no meaning; its words are shown beside the field. */
function checkPlan(post: PostText, zone: string): void {
  try {
    planPosts(
      {
        id: '0',
        places: [],
        about: post.about,
        timing: post.timing,
        zone,
        afterwards: post.afterwards,
        withdrawn: false,
      },
      [],
      '2026-01-01T00:00:00Z',
    );
  } catch (error) {
    if (error instanceof GlenInputError) throw wrongField('timing', error.message);
    throw error;
  }
}

async function textFrom(glen: Glen, body: Sent): Promise<PostText> {
  const on = typeof body.about === 'object' ? body.about.on : null;
  const text: PostText = {
    words: body.words,
    linkWords: body.linkWords,
    about: body.about === 'link' ? 'link' : 'sessions',
    onDate: on,
    timing: await timingOf(glen, body.timing),
    afterwards: body.afterwards,
    pinned: body.pinned,
    withdrawn: false,
  };
  checkPlan(text, (await readSchool(glen.db)).calendar.zone);
  return text;
}

/** What a post would do, before it is saved: when and how often at each place, who would read it, how it would look. */
export async function previewPost(
  glen: Glen,
  classId: number,
  by: number,
  body: Sent,
): Promise<Answer<'previewPost'>> {
  const [text, places] = await Promise.all([
    textFrom(glen, body),
    placesFrom(glen, classId, body.places),
  ]);
  const { problems, foreign } = await checkPlaces(glen, by, text, places);
  // Of a class period or link that is somebody else's nothing is told, not even whether it asks for a code.
  const own = places.filter((_, i) => !foreign.has(i));
  const wrong = new Set(problems.map((p) => Number(p.path.split('.')[1])));
  const rules = await rulesOfLinks(
    glen.db,
    own.map((p) => p.linkId),
  );
  const asking = own.filter((p) => rules.get(p.linkId)!.rules.entryCode !== null);
  return {
    problems,
    asksCode: asking.length > 0,
    givesCode: asking.every((p) =>
      givesCode({ words: p.shape.words ?? text.words, linkWords: text.linkWords }),
    ),
    places: await previewPlaces(glen, text, places, { wrong, foreign }),
  };
}

export async function addPost(glen: Glen, classId: number, by: number, body: Sent): Promise<Post> {
  const [text, places] = await Promise.all([
    textFrom(glen, body),
    placesFrom(glen, classId, body.places),
  ]);
  await refuseWrongPlaces(glen, by, text, places);
  const id = await glen.db.transaction(async () => {
    const post = await insertPost(glen.db, { classId, by }, text);
    await writePlaces(glen.db, post, places);
    await wakePost(glen, post);
    await glen.audit({ by, action: 'post', subject: `post:${post}`, after: body });
    await tellPosts(
      glen,
      places.map((p) => ({ class_id: p.classId })),
    );
    return post;
  });
  glen.nudge();
  return describePost(glen, id, by);
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
  action: string;
  text: (row: PostRow) => PostText;
  places?: PlaceText[];
}

/** Changes a post and has its places follow. */
async function changePost(
  glen: Glen,
  id: number,
  { by, version, action, text, places }: Change,
): Promise<Post> {
  await mustHostAll(glen, id, by);
  const changed = await glen.db.transaction(async () => {
    const row = await heldPost(glen.db, id);
    if (!row) throw notFound('This post');
    const after = text(row);
    if (!(await updatePost(glen.db, id, version, after))) return false;
    if (places) await writePlaces(glen.db, id, places);
    await wakePost(glen, id);
    await glen.audit({
      by,
      action,
      subject: `post:${id}`,
      before: textOf(row),
      after: { ...after, ...(places ? { places } : {}) },
    });
    await tellPosts(glen, await placesOf(glen.db, [id], 0));
    return true;
  });
  if (!changed) throw stale(await describePost(glen, id, by));
  glen.nudge();
  return describePost(glen, id, by);
}

export async function editPost(
  glen: Glen,
  id: number,
  by: number,
  body: Body<'editPost'>,
): Promise<Post> {
  const [text, standing] = await Promise.all([textFrom(glen, body), placesOf(glen.db, [id])]);
  const kept = standing.filter((p) => !p.removed);
  const places = body.places ? await placesFrom(glen, kept[0]!.class_id, body.places) : undefined;
  await refuseWrongPlaces(
    glen,
    by,
    text,
    places ??
      kept.map((p) => ({
        id: p.id,
        classId: p.class_id,
        linkId: p.link_id,
        kind: p.kind,
        shape: p.shape,
      })),
  );
  return changePost(glen, id, {
    by,
    version: body.version,
    action: 'edit-post',
    text: (row) => ({ ...text, withdrawn: Boolean(row.withdrawn) }),
    ...(places ? { places } : {}),
  });
}

export const withdrawPost = (glen: Glen, id: number, by: number, version: number): Promise<Post> =>
  changePost(glen, id, {
    by,
    version,
    action: 'withdraw-post',
    text: (row) => ({ ...textOf(row), withdrawn: true }),
  });

export const restorePost = (glen: Glen, id: number, by: number, version: number): Promise<Post> =>
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
): Promise<Post> {
  await mustHostAll(glen, id, by);
  await glen.db.transaction(async () => {
    const row = await heldPost(glen.db, id);
    if (!row) throw notFound('This post');
    if (!(await isOfPost(glen.db, id, occurrenceId)))
      throw wrongField('occurrenceId', 'This post does not speak of that session.');
    if (!row.early.includes(occurrenceId))
      await hurryPost(glen.db, id, [...row.early, occurrenceId]);
    await wakePost(glen, id);
    await glen.audit({
      by,
      action: 'post-now',
      subject: `post:${id}`,
      after: { occurrence: occurrenceId },
    });
    await tellPosts(glen, await placesOf(glen.db, [id], 0));
  });
  glen.nudge();
  return describePost(glen, id, by);
}

const sendAgain = (glen: Glen, id: number): Promise<void> =>
  glen.enqueue({ kind: 'placement', subject: String(id) });

/** Tries what of a post has not got out again at once. It stays as it is, so no version is asked for. */
export async function retryPost(glen: Glen, id: number, by: number): Promise<Post> {
  await glen.db.transaction(async () => {
    for (const p of await placementsOf(glen.db, [id]))
      if (p.job_state === 'failed' || p.job_state === 'queued') await sendAgain(glen, p.id);
    await glen.audit({ by, action: 'retry-post', subject: `post:${id}` });
    await tellPosts(glen, await placesOf(glen.db, [id], 0));
  });
  glen.nudge();
  return describePost(glen, id, by);
}

/** One deed at one placement; each may be repeated without harm. */
export async function actOnPlacement(
  glen: Glen,
  id: number,
  by: number,
  deed: Body<'placementDeed'>['do'],
): Promise<Post> {
  const row = await placementById(glen.db, id);
  if (!row) throw notFound('This placement');
  const byHand = row.body.kind === 'hand';
  if (
    byHand !== (deed === 'done' || deed === 'not-done') &&
    deed !== 'take-down' &&
    deed !== 'put-back'
  )
    throw new HttpProblem(
      409,
      byHand ? 'This place is filled by hand.' : 'Glen fills this place itself.',
    );
  await glen.db.transaction(async () => {
    if (deed === 'retry') await sendAgain(glen, id);
    if (deed === 'done') await notePlaced(glen.db, row, glen.clock.school());
    if (deed === 'not-done') await unplace(glen.db, id);
    if (deed === 'take-down' || deed === 'put-back') {
      await dropPlacement(glen.db, id, deed === 'take-down');
      if (deed === 'put-back' && !byHand && !row.dropped) {
        await renewPlacement(glen.db, id);
        await sendAgain(glen, id);
      }
      await wakePost(glen, row.post_id);
    }
    await glen.audit({
      by,
      action: `placement-${deed}`,
      subject: `post:${row.post_id}`,
      after: { placement: id },
    });
    await tellPosts(glen, [row]);
  });
  glen.nudge();
  return describePost(glen, row.post_id, by);
}

/** What to paste at a place that is filled by hand. */
export async function formsOf(glen: Glen, id: number): Promise<Answer<'placementForms'>> {
  const row = await placementById(glen.db, id);
  if (!row || row.body.kind !== 'hand') throw notFound('This placement');
  const { html, text, markdown } = row.body;
  return { html, text, markdown };
}

const DEEDS: Record<string, string> = {
  post: 'wrote it',
  'edit-post': 'changed it',
  'withdraw-post': 'withdrew it',
  'restore-post': 'put it back',
  'retry-post': 'had it tried again',
  'post-now': 'had it posted before its time',
  'placement-retry': 'had one place tried again',
  'placement-done': 'did one place by hand',
  'placement-not-done': 'said that one place is not done',
  'placement-put-back': 'put it back at one place',
  'placement-take-down': 'took it down at one place',
};

export const postHistory = async (glen: Glen, id: number): Promise<Answer<'postHistory'>> => ({
  entries: (await historyOf(glen.db, id)).map((e) => ({
    at: e.at,
    by: e.by_name,
    did: DEEDS[e.action] ?? e.action,
  })),
});

/** The class period's course page, as the site has it just now; trouble is said, not thrown, for the composer goes on without. */
export async function coursePage(glen: Glen, classId: number): Promise<Answer<'coursePage'>> {
  const { ref } = (await siteOfClass(glen.db, classId))!;
  try {
    const [sections, items] = await Promise.all([
      glen.courseSite.list(ref, 'section'),
      glen.courseSite.list(ref, 'item'),
    ]);
    const inOrder = (a: { position?: number }, b: { position?: number }): number =>
      (a.position ?? 0) - (b.position ?? 0);
    return {
      sections: sections.sort(inOrder).map((s) => ({
        key: s.key,
        title: s.title ?? '',
        ours: s.key.startsWith('glen-'),
        items: items
          .filter((i) => i.section === s.key)
          .sort(inOrder)
          .map((i) => ({ key: i.key, title: i.title ?? '' })),
      })),
      trouble: null,
    };
  } catch (error) {
    if (!(error instanceof OutsideError)) throw error;
    return { sections: [], trouble: error.message };
  }
}
