import { useEffect, useRef, useState } from 'react';
import type { Answer, ClassItem, Post, Problem } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { useServices } from '../../app/useServices.js';
import { offerUndo } from '../../app/undo.js';
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
  const [draft, setDraft] = useState(() =>
    editing ? draftOf(editing) : newDraft(classPeriod, courseSite),
  );
  const [start] = useState(draft.words);
  const [problem, setProblem] = useState<Problem>();
  const [version, setVersion] = useState(editing?.version);
  const [add, adding] = api.useAddPostMutation();
  const [edit, changing] = api.useEditPostMutation();
  const [withdraw] = api.useWithdrawPostMutation();
  const preview = usePreview(classPeriod.id, draft);
  /** How often the form was changed; an answer about the form as it was before says nothing of it now. */
  const changes = useRef(0);

  const change = (part: Partial<PostDraft>): void => {
    changes.current += 1;
    setDraft((d) => ({ ...d, ...part }));
    setProblem((p) => (p?.status === 409 ? p : undefined));
  };
  const save = () => {
    const body = bodyOf(draft);
    return editing
      ? edit({ params: { postId: editing.id }, body: { ...body, version: version! } })
      : add({ params: { classId: classPeriod.id }, body });
  };
  const refuse = (refused: Problem | undefined, isOfNow: boolean): void => {
    const isStale = refused?.status === 409;
    if (isOfNow || isStale) setProblem(refused);
    if (isStale) setVersion((refused.current as Post).version);
  };
  const send = async (): Promise<void> => {
    setProblem(undefined);
    const sent = changes.current;
    const { data, error } = await save();
    if (!data) return refuse(problemOf(error), changes.current === sent);
    const { post } = data;
    if (!editing)
      offerUndo(doneWords(draft), () =>
        withdraw({ params: { postId: post.id }, body: { version: post.version } }).unwrap(),
      );
    onDone(post);
  };
  return {
    draft,
    /** The words it began with; the editor reads them once. */
    start,
    change,
    send,
    isSaving: adding.isLoading || changing.isLoading,
    problem,
    /** The post as somebody else saved it meanwhile. */
    theirs: problem?.status === 409 ? (problem.current as Post) : undefined,
    preview,
  };
}
