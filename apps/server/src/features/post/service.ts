import { dateInWords, placeWallTime, renderPost, sessionAtDoor, wallClockAt, type PostValues } from '@glen/core';
import type { Body, Post } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { notFound, stale } from '../../http/problem.js';
import { enqueue } from '../../jobs/outbox.js';
import { audit } from '../audit/audit.js';
import { rulesOfClass } from '../entry/service.js';
import { linkAddress } from '../link/service.js';
import { announce } from '../live/feed.js';
import { sessionRowsOfClass } from '../plan/store.js';
import { classById, readSchool, staffOf } from '../school/store.js';
import { insertPost, notePlaced, postById, postByPlacement, postsOfClass, stateOfPost, updatePost, type PostRow } from './store.js';

const postOf = (row: PostRow, zone: string): Post => {
  const { date, time } = wallClockAt(row.due_at, zone);
  return {
    id: row.id, classId: row.class_id, version: row.version, words: row.words, linkWords: row.link_words, dueAt: row.due_at, due: { date, time },
    state: stateOfPost(row), pending: row.wanted_version !== row.actual_version && row.job_state !== null,
    tries: row.tries ?? 0, error: row.last_error, outSince: row.out_since, by: row.by_name,
  };
};

export async function listPosts(glen: Glen, classId: number): Promise<{ posts: Post[]; siteAddress: string | null }> {
  const { calendar } = await readSchool(glen.db);
  const rows = await postsOfClass(glen.db, classId);
  const klass = await glen.db.one<{ ref: string }>('SELECT ref FROM class_periods WHERE id = :classId', { classId });
  return { posts: rows.map((row) => postOf(row, calendar.zone)), siteAddress: klass ? glen.courseSite.streamAddress(klass.ref) : null };
}

async function onePost(glen: Glen, id: number): Promise<Post> {
  const row = await postById(glen.db, id);
  if (!row) throw notFound('This post');
  return postOf(row, (await readSchool(glen.db)).calendar.zone);
}

/** The instant a post is due; one timed for a moment that has passed goes out at once. */
async function dueOf(glen: Glen, when: Body<'addPost'>['when']): Promise<string> {
  if (when === 'now') return glen.clock.school();
  return placeWallTime(when.date, when.time, 0, (await readSchool(glen.db)).calendar.zone).start;
}

export async function addPost(glen: Glen, classId: number, by: number, body: Body<'addPost'>): Promise<Post> {
  const klass = await classById(glen.db, classId, by);
  if (!klass) throw notFound('This class period');
  const dueAt = await dueOf(glen, body.when);
  const id = await glen.db.transaction(async (tx) => {
    const post = await insertPost(glen.db, { classId, linkId: klass.link_id, by, words: body.words, linkWords: body.linkWords, dueAt, place: 'stream' }, tx);
    await enqueue(glen.db, glen.clock, { kind: 'placement', subject: String(post.placementId), dueSchool: dueAt }, tx);
    await audit(glen.db, glen.clock, { by, action: 'post', subject: `post:${post.id}`, after: body }, tx);
    await announce(glen.db, glen.clock, `class:${classId}`, { thing: 'posts', id: classId }, tx);
    return post.id;
  });
  glen.nudge();
  return onePost(glen, id);
}

interface PostChange { words?: string; linkWords?: string; dueAt?: string; withdrawn?: boolean }

/** Changes a post and has its place brought in line; withdrawing waits while its undo is offered. */
async function changePost(glen: Glen, id: number, by: number, version: number, action: string, change: PostChange): Promise<Post> {
  const row = await postById(glen.db, id);
  if (!row) throw notFound('This post');
  const isOut = row.out_since !== null;
  const after = {
    words: change.words ?? row.words, linkWords: change.linkWords ?? row.link_words,
    dueAt: isOut ? row.due_at : (change.dueAt ?? row.due_at), withdrawn: change.withdrawn ?? Boolean(row.withdrawn),
  };
  const changed = await glen.db.transaction(async (tx) => {
    if (!(await updatePost(glen.db, id, version, after, tx))) return false;
    await enqueue(glen.db, glen.clock, {
      kind: 'placement', subject: String(row.placement_id), dueSchool: isOut || after.withdrawn ? null : after.dueAt,
      waitSeconds: after.withdrawn && isOut ? glen.config.undoSeconds : 0,
    }, tx);
    await audit(glen.db, glen.clock, { by, action, subject: `post:${id}`, before: { words: row.words, linkWords: row.link_words, withdrawn: Boolean(row.withdrawn) }, after }, tx);
    await announce(glen.db, glen.clock, `class:${row.class_id}`, { thing: 'posts', id: row.class_id }, tx);
    return true;
  });
  if (!changed) throw stale(await onePost(glen, id));
  glen.nudge();
  return onePost(glen, id);
}

export const editPost = async (glen: Glen, id: number, by: number, body: Body<'editPost'>): Promise<Post> =>
  changePost(glen, id, by, body.version, 'edit-post', { words: body.words, linkWords: body.linkWords, dueAt: await dueOf(glen, body.when) });

export const withdrawPost = (glen: Glen, id: number, by: number, version: number): Promise<Post> =>
  changePost(glen, id, by, version, 'withdraw-post', { withdrawn: true });

export const restorePost = (glen: Glen, id: number, by: number, version: number): Promise<Post> =>
  changePost(glen, id, by, version, 'restore-post', { withdrawn: false });

/** Tries a post that has not got out again at once. It stays as it is, so no version is asked for. */
export async function retryPost(glen: Glen, id: number, by: number): Promise<Post> {
  const row = await postById(glen.db, id);
  if (!row) throw notFound('This post');
  await glen.db.transaction(async (tx) => {
    await enqueue(glen.db, glen.clock, { kind: 'placement', subject: String(row.placement_id), dueSchool: row.out_since !== null || row.withdrawn ? null : row.due_at }, tx);
    await audit(glen.db, glen.clock, { by, action: 'retry-post', subject: `post:${id}` }, tx);
    await announce(glen.db, glen.clock, `class:${row.class_id}`, { thing: 'posts', id: row.class_id }, tx);
  });
  glen.nudge();
  return onePost(glen, id);
}

async function valuesFor(glen: Glen, row: PostRow): Promise<PostValues> {
  const [{ calendar }, sessions, { rules }, staff] = await Promise.all([
    readSchool(glen.db), sessionRowsOfClass(glen.db, row.class_id), rulesOfClass(glen.db, row.class_id), staffOf(glen.db, row.class_id),
  ]);
  const next = sessionAtDoor(sessions.map((s) => ({ ...s, start: s.start_at, end: s.end_at })), rules, glen.clock.school())?.occurrence;
  const { date } = wallClockAt(glen.clock.school(), calendar.zone);
  return {
    address: linkAddress(glen, row.code),
    class: row.class_title,
    title: next?.title ?? row.class_title,
    date: dateInWords(next?.local_date ?? date),
    ...(next ? { time: next.local_time } : {}),
    ...(row.period === null ? {} : { period: row.period }),
    host: staff.find((s) => s.as === 'host')?.name ?? '',
    entryCode: rules.entryCode ?? 'none',
  };
}

/** Brings what stands at a place to what ought to stand there. Repeating it does no harm. */
export async function syncPlacement(glen: Glen, placementId: number): Promise<void> {
  const row = await postByPlacement(glen.db, placementId);
  if (!row) return;
  const call = { classRef: row.class_ref, key: `glen-${placementId}`, revision: row.version };
  if (row.withdrawn) {
    await glen.courseSite.withdraw(call);
    await notePlaced(glen.db, placementId, row.version, null);
    return;
  }
  const values = await valuesFor(glen, row);
  const text = { words: row.words, linkWords: row.link_words };
  await glen.courseSite.publish({ ...call, html: renderPost(text, values, 'html'), text: renderPost(text, values, 'text') });
  await notePlaced(glen.db, placementId, row.version, glen.clock.school());
}

export async function tellPostChanged(glen: Glen, placementId: number): Promise<void> {
  const row = await postByPlacement(glen.db, placementId);
  if (row) await announce(glen.db, glen.clock, `class:${row.class_id}`, { thing: 'posts', id: row.class_id });
}
