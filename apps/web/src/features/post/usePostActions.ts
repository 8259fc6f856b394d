import type { Post } from '@glen/contract';
import { toast } from '../../ui/toast.js';
import { api, problemOf } from '../../app/api.js';
import { offerWayBack } from '../../app/undo.js';
import { wayBack } from '../../app/wayBack.js';
import { releasedBody } from './draft.js';
import * as say from './words.js';

/** Where somebody was faster, the list shows how it stands now; it is only to be pressed again. */
function tell(error: unknown): void {
  const problem = problemOf(error);
  if (!problem) return;
  const faster = say.somebodyChangedThisPostJust;
  toast.error(problem.status === 409 ? faster : problem.title);
}

/** What can be done with a whole post at one press. */
export function usePostActions(post: Post) {
  const [withdraw] = api.useWithdrawPostMutation();
  const [restore] = api.useRestorePostMutation();
  const [retry] = api.useRetryPostMutation();
  const [edit] = api.useEditPostMutation();
  const params = { postId: post.id };
  const { version } = post;
  return {
    takeDown: async (): Promise<void> => {
      const { data, error } = await withdraw({ params, body: { version } });
      if (!data) return tell(error);
      const back = { version: data.post.version };
      offerWayBack(say.thePostIsBeingTaken, [wayBack('restorePost', { params, body: back })]);
    },
    putBack: async (): Promise<void> => tell((await restore({ params, body: { version } })).error),
    release: async (): Promise<void> =>
      tell((await edit({ params, body: releasedBody(post) })).error),
    retry: (): void => void retry({ params }),
  };
}
