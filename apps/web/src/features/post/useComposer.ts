import { useEffect, useRef, useState } from 'react';
import type { Answer, ClassItem, Post } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { useServices } from '../../app/useServices.js';
import { useServerForm } from '../../app/useServerForm.js';
import { offerWayBack } from '../../app/undo.js';
import { wayBack } from '../../app/wayBack.js';
import { bodyOf, doneWords, draftOf, newDraft, type PostDraft } from './draft.js';

/** How long nothing is typed before the server is asked what it would do. */
const PAUSE_MS = 250;

/** What the server would do with a draft: what each place would show, to whom, and what is wrong. Asked anew where the class period's rules change meanwhile. */
function usePreview(classId: number, draft: PostDraft): Answer<'previewPost'> | undefined {
  const [ask] = api.usePreviewPostMutation();
  const [answer, setAnswer] = useState<Answer<'previewPost'>>();
  const { data: rules } = api.useRulesQuery({ params: { classId } });
  const body = JSON.stringify(bodyOf(draft));
  useEffect(() => {
    let isCurrent = true;
    const look = async (): Promise<void> => {
      const { data } = await ask({
        params: { classId },
        body: JSON.parse(body) as ReturnType<typeof bodyOf>,
      });
      if (isCurrent && data) setAnswer(data);
    };
    const timer = setTimeout(() => void look(), PAUSE_MS);
    return () => {
      isCurrent = false;
      clearTimeout(timer);
    };
  }, [ask, classId, body, rules]);
  return answer;
}

interface Composing {
  classPeriod: ClassItem;
  /** A post that stands already; `null`: a new one. */
  editing: Post | null;
  onDone: (post?: Post) => void;
}

/** A post that is being written; nothing typed is lost when the server refuses. */
export function useComposer({ classPeriod, editing, onDone }: Composing) {
  const { courseSite } = useServices();
  const [add] = api.useAddPostMutation();
  const [edit] = api.useEditPostMutation();
  /** What a change replaces: the post as it was read, or as somebody else has saved it since. */
  const version = useRef(editing?.version);
  /** How often the form was changed; an answer about the form as it was before says nothing of it now. */
  const changes = useRef(0);

  const save = (draft: PostDraft) => {
    const body = bodyOf(draft);
    return editing
      ? edit({ params: { postId: editing.id }, body: { ...body, version: version.current! } })
      : add({ params: { classId: classPeriod.id }, body });
  };
  const form = useServerForm<PostDraft, PostDraft, Answer<'addPost'>>({
    start: editing ? draftOf(editing) : newDraft(classPeriod, courseSite),
    keepAs: {
      name: editing ? `post ${editing.id}` : 'new post',
      version: () => version.current,
    },
    send: async (draft) => {
      const sent = changes.current;
      const { data, error } = await save(draft);
      const refused = problemOf(error);
      if (refused?.status === 409) version.current = (refused.current as Post).version;
      else if (refused && changes.current !== sent) return {};
      return { data, error };
    },
    onDone: (saved: Answer<'addPost'> | undefined) => {
      if (!saved) return;
      const { post } = saved;
      if (!editing)
        offerWayBack(doneWords(form.getValues()), [
          wayBack('withdrawPost', { params: { postId: post.id }, body: { version: post.version } }),
        ]);
      onDone(post);
    },
  });
  const { half, throwAway } = form;
  // What was begun on an older version is saved over that one: somebody else's change since is told of.
  const begunOn = half?.version;
  useEffect(() => {
    if (begunOn !== undefined) version.current = begunOn;
  }, [begunOn]);
  const draft = form.watch();
  const [start, setStart] = useState({ words: draft.words, turn: 0 });
  return {
    ...form,
    draft,
    /** The words it began with; the editor reads them once in each turn. */
    start,
    throwAway: (): void => {
      throwAway();
      version.current = editing?.version;
      setStart({ words: form.getValues('words'), turn: start.turn + 1 });
    },
    change: (part: Partial<PostDraft>): void => {
      changes.current += 1;
      form.change(part);
    },
    /** The post as somebody else saved it meanwhile. */
    theirs: form.theirs as Post | undefined,
    preview: usePreview(classPeriod.id, draft),
  };
}
