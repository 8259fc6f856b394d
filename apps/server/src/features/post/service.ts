import { GlenInputError, givesCode, placeWallTime, planPosts, type PostTiming } from '@glen/core';
import type { Answer, Body, Post } from '@glen/contract';
import type { Tx } from '../../db/connect.js';
import type { Glen } from '../../glen.js';
import { HttpProblem, notFound, stale, wrongField } from '../../http/problem.js';
import { enqueue } from '../../jobs/outbox.js';
import { OutsideError } from '../../outside/outsideError.js';
import { audit } from '../audit/audit.js';
import { rulesOfLink, rulesOfLinks } from '../entry/service.js';
import { peopleOfLink } from '../link/audience.js';
import { mainLinksOf, readSchool } from '../school/store.js';
import { describePost } from './describe.js';
import { previewPlaces } from './preview.js';
import { tellPosts } from './follow.js';
import {
  beyondAudience,
  dropPlacement,
  heldPost,
  historyOf,
  hostedOf,
  hurryPost,
  insertPost,
  linkForPost,
  notePlaced,
  placementById,
  placementsOf,
  placesOf,
  readersOf,
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

const named = (people: { name: string }[]): string => {
  const shown = people
    .slice(0, 3)
    .map((p) => p.name)
    .join(', ');
  return people.length > 3 ? `${shown} and ${people.length - 3} more` : shown;
};

type Wrong = { path: string; message: string };

/** What is wrong with one place: what would let people read a private link, or an entry code, that is not for them; and what cannot be at all. */
async function wrongWith(
  glen: Glen,
  by: number,
  post: Pick<PostText, 'words' | 'linkWords' | 'about'>,
  place: PlaceText,
  hosted: Set<number>,
): Promise<[field: string, message: string] | null> {
  if (!hosted.has(place.classId)) return ['classId', 'You do not host this class period.'];
  if (place.kind === 'calendar' && post.about === 'link')
    return ['kind', 'A calendar holds sessions: let the post be about sessions.'];
  if (place.kind === 'item' && place.shape.section === null)
    return ['section', 'Choose a section, or make one.'];
  const link = await linkForPost(glen.db, place.linkId, by);
  if (!link?.host) return ['linkId', 'This link is not yours to post.'];
  if (link.state === 'retired')
    return ['linkId', 'This link has been stopped; nobody gets in by it.'];
  const readers = await readersOf(glen.db, {
    class_id: place.classId,
    link_id: place.linkId,
    shape: place.shape,
  });
  if (readers.length === 0 && place.shape.readers !== 'class')
    return ['readers', 'Nobody of this class period would see it.'];
  const beyond = beyondAudience(readers, await peopleOfLink(glen.db, place.linkId));
  if (beyond.length === 0) return null;
  const { rules } = await rulesOfLink(glen.db, place.linkId);
  if (
    rules.entryCode !== null &&
    givesCode({ words: place.shape.words ?? post.words, linkWords: post.linkWords })
  )
    return [
      'readers',
      `The entry code would be seen by ${named(beyond)}, whom this link is not for.`,
    ];
  return rules.whoMayEnter === 'invited' || rules.whoMayEnter === 'roll'
    ? ['readers', `This link would be seen by ${named(beyond)}, whom it is not for.`]
    : null;
}

async function placeProblems(
  glen: Glen,
  by: number,
  post: Pick<PostText, 'words' | 'linkWords' | 'about'>,
  places: PlaceText[],
): Promise<Wrong[]> {
  const hosted = await hostedOf(
    glen.db,
    by,
    places.map((p) => p.classId),
  );
  const found = await Promise.all(places.map((place) => wrongWith(glen, by, post, place, hosted)));
  return found.flatMap((wrong, i) =>
    wrong ? [{ path: `places.${i}.${wrong[0]}`, message: wrong[1] }] : [],
  );
}

async function checkPlaces(
  glen: Glen,
  by: number,
  post: Pick<PostText, 'words' | 'linkWords' | 'about'>,
  places: PlaceText[],
): Promise<void> {
  const errors = await placeProblems(glen, by, post, places);
  if (errors.length > 0) throw new HttpProblem(422, 'Something needs mending.', { errors });
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
  const problems = await placeProblems(glen, by, text, places);
  const rules = await rulesOfLinks(
    glen.db,
    places.map((p) => p.linkId),
  );
  return {
    problems,
    asksCode: [...rules.values()].some((r) => r.rules.entryCode !== null),
    givesCode: givesCode({ words: text.words, linkWords: text.linkWords }),
    places: await previewPlaces(
      glen,
      text,
      places,
      new Set(problems.map((p) => Number(p.path.split('.')[1]))),
    ),
  };
}

export async function addPost(glen: Glen, classId: number, by: number, body: Sent): Promise<Post> {
  const [text, places] = await Promise.all([
    textFrom(glen, body),
    placesFrom(glen, classId, body.places),
  ]);
  await checkPlaces(glen, by, text, places);
  const id = await glen.db.transaction(async (tx) => {
    const post = await insertPost(glen.db, { classId, by }, text, tx);
    await writePlaces(glen.db, post, places, tx);
    await wakePost(glen.db, glen.clock, post, tx);
    await audit(
      glen.db,
      glen.clock,
      { by, action: 'post', subject: `post:${post}`, after: body },
      tx,
    );
    await tellPosts(
      glen,
      places.map((p) => ({ class_id: p.classId })),
      tx,
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
  const changed = await glen.db.transaction(async (tx) => {
    const row = await heldPost(glen.db, id, tx);
    if (!row) throw notFound('This post');
    const after = text(row);
    if (!(await updatePost(glen.db, id, version, after, tx))) return false;
    if (places) await writePlaces(glen.db, id, places, tx);
    await wakePost(glen.db, glen.clock, id, tx);
    await audit(
      glen.db,
      glen.clock,
      {
        by,
        action,
        subject: `post:${id}`,
        before: textOf(row),
        after: { ...after, ...(places ? { places } : {}) },
      },
      tx,
    );
    await tellPosts(glen, await placesOf(glen.db, [id], 0, tx), tx);
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
  await checkPlaces(
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
  await glen.db.transaction(async (tx) => {
    const row = await heldPost(glen.db, id, tx);
    if (!row) throw notFound('This post');
    if (!row.early.includes(occurrenceId))
      await hurryPost(glen.db, id, [...row.early, occurrenceId], tx);
    await wakePost(glen.db, glen.clock, id, tx);
    await audit(
      glen.db,
      glen.clock,
      { by, action: 'post-now', subject: `post:${id}`, after: { occurrence: occurrenceId } },
      tx,
    );
    await tellPosts(glen, await placesOf(glen.db, [id], 0, tx), tx);
  });
  glen.nudge();
  return describePost(glen, id, by);
}

const sendAgain = (glen: Glen, id: number, tx: Tx): Promise<void> =>
  enqueue(glen.db, glen.clock, { kind: 'placement', subject: String(id) }, tx);

/** Tries what of a post has not got out again at once. It stays as it is, so no version is asked for. */
export async function retryPost(glen: Glen, id: number, by: number): Promise<Post> {
  await glen.db.transaction(async (tx) => {
    for (const p of await placementsOf(glen.db, [id], tx))
      if (p.job_state === 'failed' || p.job_state === 'queued') await sendAgain(glen, p.id, tx);
    await audit(glen.db, glen.clock, { by, action: 'retry-post', subject: `post:${id}` }, tx);
    await tellPosts(glen, await placesOf(glen.db, [id], 0, tx), tx);
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
  await glen.db.transaction(async (tx) => {
    if (deed === 'retry') await sendAgain(glen, id, tx);
    if (deed === 'not-done') await unplace(glen.db, id, tx);
    if (deed === 'take-down' || deed === 'put-back') {
      await dropPlacement(glen.db, id, deed === 'take-down', tx);
      if (deed === 'put-back' && !byHand && !row.dropped) {
        await renewPlacement(glen.db, id, tx);
        await sendAgain(glen, id, tx);
      }
      await wakePost(glen.db, glen.clock, row.post_id, tx);
    }
    await audit(
      glen.db,
      glen.clock,
      { by, action: `placement-${deed}`, subject: `post:${row.post_id}`, after: { placement: id } },
      tx,
    );
    await tellPosts(glen, [row], tx);
  });
  if (deed === 'done') await notePlaced(glen.db, row, glen.clock.school());
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
