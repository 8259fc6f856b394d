import { useState } from 'react';
import type { LinkDetail, Problem, Sent } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { offerUndo } from '../../app/undo.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

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
  const [share] = api.useShareLinkMutation();
  const [unshare] = api.useUnshareLinkMutation();
  const [problem, setProblem] = useState<Problem>();
  const params = { linkId: link.id };

  /** Sends it; once it is done it can be taken back. */
  const add = async (body: Sent<'shareLink'>, title: string) => {
    setProblem(undefined);
    const answer = await share({ params, body });
    const made = answer.data?.shares.at(-1);
    if (made)
      offerUndo(fill(say.meetsHere, { title, words: made.words }), () =>
        unshare({ params, body: { shareId: made.id } }).unwrap(),
      );
    return answer;
  };
  const remove = async (shared: Share): Promise<void> => {
    setProblem(undefined);
    const { data, error } = await unshare({ params, body: { shareId: shared.id } });
    if (!data) return setProblem(problemOf(error));
    offerUndo(fill(say.meetsAtItsOwnDoor, { shared: shared.title }), () =>
      share({ params, body: asSent(shared) }).unwrap(),
    );
  };
  return { add, remove, problem };
}
