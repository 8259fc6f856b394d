import type { Glen } from '../../glen.js';
import type { Handlers } from '../../http/mount.js';
import { HttpProblem } from '../../http/problem.js';
import { OutsideError } from '../../outside/outsideError.js';
import { classesOf } from '../school/store.js';
import { postsFor, postsOfClass } from './describe.js';
import {
  actOnPlacement,
  addPost,
  coursePage,
  editPost,
  formsOf,
  postHistory,
  postNow,
  previewPost,
  restorePost,
  retryPost,
  withdrawPost,
} from './service.js';
import { siteOfClass } from './store.js';
import { lookAtSite } from './sync.js';

type Names =
  | 'posts'
  | 'allPosts'
  | 'previewPost'
  | 'postNow'
  | 'addPost'
  | 'editPost'
  | 'withdrawPost'
  | 'restorePost'
  | 'retryPost'
  | 'postHistory'
  | 'coursePage'
  | 'placementForms'
  | 'placementDeed'
  | 'lookAtSite';

export const postRoutes = (glen: Glen): Pick<Handlers, Names> => ({
  posts: ({ params, who }) => postsOfClass(glen, params.classId, who.person!.id),
  allPosts: async ({ who }) => ({
    posts: await postsFor(
      glen,
      (await classesOf(glen.db, who.person!.id, false))
        .filter((c) => c.as_what !== null)
        .map((c) => c.id),
      who.person!.id,
    ),
  }),
  previewPost: ({ params, body, who }) => previewPost(glen, params.classId, who.person!.id, body),
  postNow: async ({ params, body, who }) => ({
    post: await postNow(glen, params.postId, who.person!.id, body.occurrenceId),
  }),
  addPost: async ({ params, body, who }) => ({
    post: await addPost(glen, params.classId, who.person!.id, body),
  }),
  editPost: async ({ params, body, who }) => ({
    post: await editPost(glen, params.postId, who.person!.id, body),
  }),
  withdrawPost: async ({ params, body, who }) => ({
    post: await withdrawPost(glen, params.postId, who.person!.id, body.version),
  }),
  restorePost: async ({ params, body, who }) => ({
    post: await restorePost(glen, params.postId, who.person!.id, body.version),
  }),
  retryPost: async ({ params, who }) => ({
    post: await retryPost(glen, params.postId, who.person!.id),
  }),
  postHistory: ({ params }) => postHistory(glen, params.postId),
  coursePage: ({ params }) => coursePage(glen, params.classId),
  placementForms: ({ params }) => formsOf(glen, params.placementId),
  placementDeed: async ({ params, body, who }) => ({
    post: await actOnPlacement(glen, params.placementId, who.person!.id, body.do),
  }),
  lookAtSite: async ({ params }) => {
    const klass = (await siteOfClass(glen.db, params.classId))!;
    try {
      return { missing: await lookAtSite(glen, klass) };
    } catch (error) {
      if (error instanceof OutsideError) throw new HttpProblem(503, error.message);
      throw error;
    }
  },
});
