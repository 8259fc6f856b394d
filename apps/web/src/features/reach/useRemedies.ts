import { useNavigate } from 'react-router';
import type { NoteAction } from '@glen/core';
import type { Sent } from '@glen/contract';
import { toast } from '../../ui/toast.js';
import { api, problemOf } from '../../app/api.js';
import { offerUndo } from '../../app/undo.js';
import { useNoteActions } from '../../app/useNoteActions.js';
import { useServices } from '../../app/useServices.js';
import type { Reach } from './verdicts.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

/** A post that brings a link to those it is for, in a few plain words. */
const bodyFor = (link: Reach['link']): Sent<'addPost'> => ({
  words: '',
  linkWords: link.main ? say.joinClass : fill(say.yourDoor, { link: link.label }),
  places: [
    {
      classId: link.classId,
      linkId: link.id,
      kind: 'stream',
      readers: link.main ? 'class' : 'audience',
    },
  ],
});

function sayWhy(error: unknown): void {
  const problem = problemOf(error);
  toast.error(problem?.errors?.[0]?.message ?? problem?.title ?? say.thatDidNotWork);
}

/** What mends reach at one press; each can be taken back. */
export function useRemedies(link: Reach['link'] | undefined): (action: NoteAction) => void {
  const act = useNoteActions();
  const navigate = useNavigate();
  const { courseSite } = useServices();
  const [add] = api.useAddPostMutation();
  const [withdraw] = api.useWithdrawPostMutation();
  const postHere = async (to: Reach['link']): Promise<void> => {
    const { post } = await add({
      params: { classId: to.classId },
      body: bodyFor(to),
    }).unwrap();
    offerUndo(say.posted, () =>
      withdraw({ params: { postId: post.id }, body: { version: post.version } }).unwrap(),
    );
  };
  return (action) => {
    const { name } = action;
    if (name === 'post-here' && courseSite) void postHere(link!).catch(sayWhy);
    // Where nothing takes orders, the place has to be named first.
    else if (name === 'post-here') void navigate(`/classes/${link!.classId}/posts?new`);
    else act(action);
  };
}
