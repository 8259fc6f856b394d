import type { Glen } from '../../glen.js';
import type { Handlers } from '../../http/mount.js';
import { allPosts, postsOfClass } from './describe.js';
import { coursePage } from './coursePage.js';
import { headingsOf, orderItems } from './headings.js';
import { linkPlaces } from './linkPlaces.js';
import { actOnPlacement, formsOf } from './placements.js';
import { placementLetter } from './placementLetter.js';
import { previewPost } from './preview.js';
import {
  addPost,
  editPost,
  postHistory,
  postNow,
  restorePost,
  retryPost,
  withdrawPost,
} from './service.js';
import { lookAtSiteOf } from './sync.js';

export const postRoutes = (glen: Glen) =>
  ({
    posts: ({ params, who }) => postsOfClass(glen, params.classId, who.person!.id),
    allPosts: ({ who }) => allPosts(glen, who.person!.id),
    previewPost: ({ params, body, who }) => previewPost(glen, params.classId, who.person!.id, body),
    addPost: ({ params, body, who }) => addPost(glen, params.classId, who.person!.id, body),
    editPost: ({ params, body, who }) => editPost(glen, params.postId, who.person!.id, body),
    postNow: ({ params, body, who }) =>
      postNow(glen, params.postId, who.person!.id, body.occurrenceId),
    withdrawPost: ({ params, body, who }) =>
      withdrawPost(glen, params.postId, who.person!.id, body.version),
    restorePost: ({ params, body, who }) =>
      restorePost(glen, params.postId, who.person!.id, body.version),
    retryPost: ({ params, who }) => retryPost(glen, params.postId, who.person!.id),
    postHistory: ({ params }) => postHistory(glen, params.postId),
    linkPlaces: ({ params, who }) => linkPlaces(glen, params.linkId, who.person!.id),
    headings: ({ params, who }) => headingsOf(glen, params.classId, who.person!.id),
    orderItems: ({ params, body, who }) =>
      orderItems(glen, params.classId, who.person!.id, body.order),
    coursePage: ({ params }) => coursePage(glen, params.classId),
    placementForms: ({ params }) => formsOf(glen, params.placementId),
    placementLetter: ({ params }) => placementLetter(glen, params.placementId),
    placementAction: ({ params, body, who }) =>
      actOnPlacement(glen, params.placementId, who.person!.id, body.do),
    lookAtSite: ({ params }) => lookAtSiteOf(glen, params.classId),
  }) satisfies Partial<Handlers>;
