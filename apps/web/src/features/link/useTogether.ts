import { useState } from 'react';
import type { LinkDetail, Problem, Sent } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { offerUndo } from '../../app/undo.js';

type Share = LinkDetail['shares'][number];

/** What would bring a class period back to this door just as it was. */
const asSent = (share: Share): Sent<'shareLink'> => ({
  classId: share.classId,
  ownDoor: share.ownDoor,
  ...(share.seriesId === null ? {} : { seriesId: share.seriesId }),
  ...(share.key === null ? {} : { key: share.key }),
});

/** Lets other class periods meet at a link, and sends them back to their own doors. */
export function useTogether(link: LinkDetail) {
  const [share, { isLoading }] = api.useShareLinkMutation();
  const [unshare] = api.useUnshareLinkMutation();
  const [problem, setProblem] = useState<Problem>();
  const params = { linkId: link.id };

  const add = async (body: Sent<'shareLink'>, title: string): Promise<void> => {
    setProblem(undefined);
    const { data, error } = await share({ params, body });
    if (!data) return setProblem(problemOf(error));
    const made = data.shares.at(-1)!;
    offerUndo(`${title} meets here ${made.words}.`, () =>
      unshare({ params, body: { shareId: made.id } }).unwrap(),
    );
  };
  const remove = async (shared: Share): Promise<void> => {
    setProblem(undefined);
    const { data, error } = await unshare({ params, body: { shareId: shared.id } });
    if (!data) return setProblem(problemOf(error));
    offerUndo(`${shared.title} meets at its own door again.`, () =>
      share({ params, body: asSent(shared) }).unwrap(),
    );
  };
  return { add, remove, problem, isSaving: isLoading };
}
