import { z } from 'zod';
import { id, idParam, utcInstant, version } from '../basics.js';
import { ofClass, ofLink, ofPlacement, ofPost, readVersion } from '../params.js';
import {
  handForms,
  headingsAnswer,
  itemsOrder,
  onePost,
  pageSection,
  placementAction,
  postBody,
  postPreview,
  postSchema,
} from '../postSchemas.js';
import {
  atQuery,
  dayQuery,
  reachAnswer,
  reachOfDayAnswer,
  studentSeesAnswer,
} from '../reachSchemas.js';
import type { EndpointName } from '../endpoints.js';
import type { Shapes } from './shapes.js';

/** Posts, their places, and who is reached. */
export const posts = {
  posts: {
    params: ofClass,
    answer: z.object({ posts: z.array(postSchema), siteAddress: z.string().nullable() }),
  },
  allPosts: { answer: z.object({ posts: z.array(postSchema) }) },
  postHistory: {
    params: ofPost,
    answer: z.object({
      entries: z.array(z.object({ at: utcInstant, by: z.string().nullable(), did: z.string() })),
    }),
  },
  coursePage: {
    params: ofClass,
    answer: z.object({ sections: z.array(pageSection), trouble: z.string().nullable() }),
  },
  headings: { params: ofClass, answer: headingsAnswer },
  orderItems: { params: ofClass, body: itemsOrder, answer: headingsAnswer },
  placementForms: { params: ofPlacement, answer: handForms },
  placementLetter: { params: ofPlacement, answer: z.object({ eml: z.string() }) },
  placementAction: { params: ofPlacement, body: placementAction, answer: onePost },
  reach: { params: ofLink, query: atQuery, answer: reachAnswer },
  reachOfDay: { query: dayQuery, answer: reachOfDayAnswer },
  studentSees: {
    params: ofClass,
    query: atQuery.extend({ personId: idParam }),
    answer: studentSeesAnswer,
  },
  lookAtSite: { params: ofClass, answer: z.object({ missing: z.int() }) },
  addPost: { params: ofClass, body: postBody, answer: onePost },
  previewPost: { params: ofClass, body: postBody, answer: postPreview },
  postNow: { params: ofPost, body: z.object({ occurrenceId: id }), answer: onePost },
  editPost: { params: ofPost, body: postBody.extend({ version }), answer: onePost },
  withdrawPost: { params: ofPost, body: readVersion, answer: onePost },
  restorePost: { params: ofPost, body: readVersion, answer: onePost },
  retryPost: { params: ofPost, answer: onePost },
} satisfies Partial<Record<EndpointName, Shapes>>;
