import { Op, col, fn } from 'sequelize';
import type { PostTiming, RichText } from '@glen/core';
import type { Db } from '../../db/connect.js';
import type { OccurrenceRow } from '../../db/models/Occurrence.js';
import type { PostRow as PostModel } from '../../db/models/Post.js';
import type { PlaceShape, PostPlaceRow } from '../../db/models/PostPlace.js';
import { plain, type Plain } from '../../db/plain.js';
import { changeAsRead } from '../../db/versions.js';
import { leftOutOf } from '../audience/store.js';
import type { PlaceRow } from './places.sql.js';

export type { PlaceShape } from '../../db/models/PostPlace.js';

export type Words = string | RichText;
export type PlaceKind = PostPlaceRow['kind'];

export interface PostRow extends Plain<PostModel> {
  by_name: string;
}

const withAuthor = (post: PostModel): PostRow => ({ ...plain(post), by_name: post.author!.name });

const AUTHOR = { association: 'author', attributes: ['name'] };

/** Posts, the newest first. */
export async function postsById(db: Db, ids: number[]): Promise<PostRow[]> {
  const posts = await db.models.Post.findAll({
    where: { id: ids },
    include: [AUTHOR],
    order: [['id', 'DESC']],
  });
  return posts.map(withAuthor);
}

/** A post, held against other changes of it. */
export async function heldPost(db: Db, id: number): Promise<PostRow | undefined> {
  const post = await db.models.Post.findByPk(id, { include: [AUTHOR], lock: true });
  return post ? withAuthor(post) : undefined;
}

const newestFirst = (ids: number[]): number[] => [...new Set(ids)].sort((a, b) => b - a);

/** Posts that go to some class periods. */
export async function postIdsOf(db: Db, classIds: number[]): Promise<number[]> {
  const places = await db.models.PostPlace.findAll({
    attributes: ['post_id'],
    where: { removed: false, class_id: classIds },
  });
  return newestFirst(places.map((place) => place.post_id));
}

const IN_FORCE = { association: 'post', attributes: [], where: { withdrawn: false } };

/** The posts that bear a link and are not withdrawn. */
export async function postIdsOfLink(db: Db, linkId: number): Promise<number[]> {
  const places = await db.models.PostPlace.findAll({
    attributes: ['post_id'],
    where: { removed: false, link_id: linkId },
    include: [IN_FORCE],
  });
  return newestFirst(places.map((place) => place.post_id));
}

/** Posts, not withdrawn, that go to a class period or bear a link of its. */
export async function postIdsTouching(db: Db, classId: number): Promise<number[]> {
  const { Link, PostPlace } = db.models;
  const links = await Link.findAll({ attributes: ['id'], where: { class_id: classId } });
  const places = await PostPlace.findAll({
    attributes: ['post_id'],
    where: { [Op.or]: [{ class_id: classId }, { link_id: links.map((link) => link.id) }] },
    include: [IN_FORCE],
  });
  return newestFirst(places.map((place) => place.post_id));
}

export const postIdsInForce = async (db: Db): Promise<number[]> =>
  (await db.models.Post.findAll({ attributes: ['id'], where: { withdrawn: false } })).map(
    (post) => post.id,
  );

/** The host by whom each class period is signed: the first by name. */
export async function hostNames(db: Db, classIds: number[]): Promise<Map<number, string>> {
  const hosts = await db.models.ClassStaff.findAll({
    attributes: ['class_id', [fn('MIN', col('person.name')), 'name']],
    where: { as_what: 'host', class_id: classIds },
    include: [{ association: 'person', attributes: [] }],
    group: ['class_id'],
  });
  return new Map(hosts.map((row) => [row.class_id, String(row.get('name'))]));
}

/** A class period as its course site knows it. */
export async function siteOfClass(
  db: Db,
  classId: number,
): Promise<{ id: number; ref: string } | undefined> {
  const found = await db.models.ClassPeriod.findByPk(classId, { attributes: ['id', 'ref'] });
  return found ? { id: found.id, ref: found.ref } : undefined;
}

/** Who wrote a post. */
export async function authorOf(
  db: Db,
  postId: number,
): Promise<{ id: number; name: string } | null> {
  const post = await db.models.Post.findByPk(postId, { include: ['author'] });
  return post?.author ? { id: post.author.id, name: post.author.name } : null;
}

/** A session that a post speaks of, with its series; nothing for one about the lasting link. */
export const sessionOf = (db: Db, occurrenceId: number): Promise<OccurrenceRow | null> =>
  db.models.Occurrence.findByPk(occurrenceId, { include: ['series'] });

/** Those of some class periods that a person hosts. */
export async function hostedOf(db: Db, personId: number, classIds: number[]): Promise<Set<number>> {
  const staff = await db.models.ClassStaff.findAll({
    where: { person_id: personId, class_id: classIds, as_what: ['host', 'co-teacher'] },
  });
  return new Set(staff.map((row) => row.class_id));
}

/** What somebody posted in a class period goes on in another's name: whoever hosts there no longer has nothing go out. */
export async function passPosts(
  db: Db,
  classId: number,
  { from, to }: { from: number; to: number },
): Promise<void> {
  await db.models.Post.update({ made_by: to }, { where: { class_id: classId, made_by: from } });
}

/** A link, and whether a person hosts its class period, not left out of it, and so may post it. */
export async function linkForPost(
  db: Db,
  id: number,
  by: number,
): Promise<{ state: 'live' | 'retired'; host: boolean } | undefined> {
  const link = await db.models.Link.findByPk(id, { attributes: ['state', 'class_id'] });
  if (!link) return undefined;
  const [hosted, out] = await Promise.all([
    hostedOf(db, by, [link.class_id]),
    leftOutOf(db, by, [id]),
  ]);
  return { state: link.state, host: hosted.has(link.class_id) && out.size === 0 };
}

/** Notes the order of some places among those under their heading. */
export async function orderPlaces(db: Db, ids: number[]): Promise<void> {
  const places = await db.models.PostPlace.findAll({ where: { id: ids }, lock: true });
  for (const place of places)
    await place.update({ shape: { ...place.shape, order: ids.indexOf(place.id) } });
}

/** Places as they would be, for a post that is not saved. */
export async function wouldBePlaces(db: Db, places: PlaceText[]): Promise<PlaceRow[]> {
  const { ClassPeriod, Link } = db.models;
  const classes = await ClassPeriod.findAll({ where: { id: places.map((p) => p.classId) } });
  const links = await Link.findAll({ where: { id: places.map((p) => p.linkId) } });
  return places.flatMap((place, i): PlaceRow[] => {
    const at = classes.find((row) => row.id === place.classId);
    const link = links.find((row) => row.id === place.linkId);
    if (!at || !link) return [];
    const { ref: class_ref, title: class_title, period, pennant } = at;
    const { code, label: link_label, state: link_state } = link;
    return [
      {
        ...{ id: i + 1, post_id: 0, class_id: at.id, link_id: link.id },
        ...{ kind: place.kind, shape: place.shape, removed: 0, lost: 0, mine: 1 },
        ...{ class_ref, class_title, period, pennant, code, link_label, link_state },
      },
    ];
  });
}

interface PastDeed {
  at: string;
  by_name: string | null;
  action: string;
  before: unknown;
  after: unknown;
}

/** So much of a post's past is told. */
const MOST_DEEDS = 200;

/** Who did what to a post, the newest first. */
export async function historyOf(db: Db, id: number): Promise<PastDeed[]> {
  const entries = await db.models.AuditEntry.findAll({
    where: { subject: `post:${id}` },
    include: [{ association: 'person', attributes: ['name'] }],
    order: [['id', 'DESC']],
    limit: MOST_DEEDS,
  });
  return entries.map((entry) => ({
    at: entry.school_at ?? entry.at,
    by_name: entry.person?.name ?? null,
    action: entry.action,
    before: entry.before_state,
    after: entry.after_state,
  }));
}

export interface PostText {
  words: Words;
  linkWords: string;
  about: 'link' | 'sessions';
  onDate: string | null;
  timing: PostTiming;
  afterwards: PostRow['afterwards'];
  pinned: boolean;
  withdrawn: boolean;
}

const columnsOf = (p: PostText) => ({
  words: p.words,
  link_words: p.linkWords,
  about: p.about,
  on_date: p.onDate,
  timing: p.timing,
  afterwards: p.afterwards,
  pinned: p.pinned,
  withdrawn: p.withdrawn,
});

export async function insertPost(
  db: Db,
  at: { classId: number; by: number },
  post: PostText,
): Promise<number> {
  const { id } = await db.models.Post.create({
    class_id: at.classId,
    made_by: at.by,
    ...columnsOf(post),
  });
  return id;
}

/** Changes a post that still has the version its editor read; whether it had. */
export const updatePost = (db: Db, id: number, version: number, post: PostText): Promise<boolean> =>
  changeAsRead(db.models.Post, { id, version }, columnsOf(post));

export interface PlaceText {
  id?: number;
  classId: number;
  linkId: number;
  kind: PlaceKind;
  shape: PlaceShape;
}

/** Whether a session is one that a post could speak of: held at a link that it bears. */
export async function isOfPost(db: Db, id: number, occurrenceId: number): Promise<boolean> {
  const { Occurrence, PostPlace } = db.models;
  const occurrence = await Occurrence.findByPk(occurrenceId, { attributes: ['link_id'] });
  if (!occurrence) return false;
  const { link_id } = occurrence;
  return (await PostPlace.count({ where: { post_id: id, link_id, removed: false } })) > 0;
}

/** The post about one session is asked for before its time. */
export async function hurryPost(db: Db, id: number, early: number[]): Promise<void> {
  await db.models.Post.update({ early }, { where: { id } });
}

/** Gives a post these places: those that it has already by their ids, the others new; what is left out goes. A place never changes its class period or kind. */
/** Under the same heading a place stays where it was put meanwhile, whoever changes its post. */
const inItsOrder = (shape: PlaceShape, old: PlaceShape): PlaceShape =>
  old.order !== undefined && JSON.stringify(shape.section) === JSON.stringify(old.section)
    ? { ...shape, order: old.order }
    : shape;

export async function writePlaces(db: Db, postId: number, places: PlaceText[]): Promise<void> {
  const { PostPlace } = db.models;
  const there = await PostPlace.findAll({ where: { post_id: postId } });
  const isKept = (p: PlaceText): boolean =>
    there.some((t) => t.id === p.id && t.class_id === p.classId && t.kind === p.kind);
  const kept = places.filter(isKept).map((p) => p.id!);
  await PostPlace.update(
    { removed: true },
    { where: { post_id: postId, id: { [Op.notIn]: kept } } },
  );
  for (const place of places) {
    const columns = { link_id: place.linkId, shape: place.shape };
    const old = isKept(place) ? there.find((t) => t.id === place.id) : undefined;
    if (old)
      await old.update({ ...columns, shape: inItsOrder(place.shape, old.shape), removed: false });
    else
      await PostPlace.create({
        post_id: postId,
        class_id: place.classId,
        kind: place.kind,
        ...columns,
      });
  }
}
