import type { Glen } from '../../glen.js';
import type { Handlers } from '../../http/mount.js';
import { addPost, editPost, listPosts, restorePost, retryPost, withdrawPost } from './service.js';

export const postRoutes = (glen: Glen): Pick<Handlers, 'posts' | 'addPost' | 'editPost' | 'withdrawPost' | 'restorePost' | 'retryPost'> => ({
  posts: ({ params }) => listPosts(glen, params.classId),
  addPost: async ({ params, body, who }) => ({ post: await addPost(glen, params.classId, who.person!.id, body) }),
  editPost: async ({ params, body, who }) => ({ post: await editPost(glen, params.postId, who.person!.id, body) }),
  withdrawPost: async ({ params, body, who }) => ({ post: await withdrawPost(glen, params.postId, who.person!.id, body.version) }),
  restorePost: async ({ params, body, who }) => ({ post: await restorePost(glen, params.postId, who.person!.id, body.version) }),
  retryPost: async ({ params, who }) => ({ post: await retryPost(glen, params.postId, who.person!.id) }),
});
