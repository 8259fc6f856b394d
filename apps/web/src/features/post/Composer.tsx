import { useEffect, useState, type ReactNode } from 'react';
import { POST_FIELDS, notesForPost, type NoteAction } from '@glen/core';
import { classTitle } from '@glen/core/light';
import type { Answer, ClassItem, Post, Problem } from '@glen/contract';
import { api, messageFor, problemOf } from '../../app/api.js';
import { useNow, wallClock } from '../../app/clock.js';
import { offerUndo } from '../../app/undo.js';
import { Button } from '../../ui/Button.js';
import { Field, FieldError, inputClass } from '../../ui/Field.js';
import { mayEdit } from '../school/mayEdit.js';
import { Margin, Screen } from '../../ui/Margin.js';
import { bodyOf, buttonWords, draftOf, inALine, newDraft, type PostDraft } from './draft.js';
import { PlacesPart } from './PlacesPart.js';
import { Preview } from './Preview.js';
import { RichEditor } from './RichEditor.js';
import { TimingPart } from './TimingPart.js';

/** How long nothing is typed before the server is asked what it would do. */
const PAUSE_MS = 250;

function usePreview(classId: number, draft: PostDraft): Answer<'previewPost'> | undefined {
  const [ask] = api.usePreviewPostMutation();
  const [answer, setAnswer] = useState<Answer<'previewPost'>>();
  const body = JSON.stringify(bodyOf(draft));
  useEffect(() => {
    let current = true;
    const timer = setTimeout(() => {
      void ask({ params: { classId }, body: JSON.parse(body) as ReturnType<typeof bodyOf> }).then(
        ({ data }) => {
          if (current && data) setAnswer(data);
        },
      );
    }, PAUSE_MS);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [ask, classId, body]);
  return answer;
}

const UNFILLED = new RegExp(`\\{(${POST_FIELDS.join('|')})\\}`, 'g');

const notesOf = (draft: PostDraft, preview: Answer<'previewPost'>, classes: ClassItem[]) =>
  notesForPost({
    about: draft.about === 'link' ? 'link' : 'sessions',
    draft: draft.timing === 'draft',
    afterwards: draft.afterwards,
    asksCode: preview.asksCode,
    givesCode: preview.givesCode,
    places: preview.places.map((p) => ({
      where: p.where,
      classTitle: classTitle(
        classes.find((c) => c.id === p.classId) ?? { title: '', period: null },
      ),
      kind: draft.places[p.index]?.kind ?? 'stream',
      readerCount: p.readerCount,
      dates: p.dates,
      due: p.due,
      unfilled: [...new Set(`${p.title ?? ''} ${p.heading ?? ''} ${p.text}`.match(UNFILLED) ?? [])],
      problem:
        preview.problems.find((x) => x.path.startsWith(`places.${p.index}.`))?.message ?? null,
    })),
  });

/** Composes a post for any mix of places, new or standing; nothing typed is lost when the server refuses. */
export function Composer({
  head,
  of,
  classes,
  editing,
  zone,
  onDone,
}: {
  head: ReactNode;
  of: ClassItem;
  classes: ClassItem[];
  editing: Post | null;
  zone: string;
  onDone: (post?: Post) => void;
}) {
  const [draft, setDraft] = useState(() => (editing ? draftOf(editing) : newDraft(of)));
  const [start] = useState(draft.words);
  const [problem, setProblem] = useState<Problem>();
  const [version, setVersion] = useState(editing?.version);
  const [add, adding] = api.useAddPostMutation();
  const [edit, changing] = api.useEditPostMutation();
  const [withdraw] = api.useWithdrawPostMutation();
  const { date, time } = wallClock(useNow(), zone);
  const preview = usePreview(of.id, draft);
  const change = (part: Partial<PostDraft>): void => {
    setDraft((d) => ({ ...d, ...part }));
    // What the server said of the form as it was is not held against it as it is now.
    setProblem((p) => (p?.status === 409 ? p : undefined));
  };
  const dates = (preview?.places ?? []).reduce((sum, p) => sum + p.dates, 0);
  const send = async (): Promise<void> => {
    setProblem(undefined);
    const { data, error } = editing
      ? await edit({
          params: { postId: editing.id },
          body: { ...bodyOf(draft), version: version! },
        })
      : await add({ params: { classId: of.id }, body: bodyOf(draft) });
    if (!data) {
      const refused = problemOf(error);
      setProblem(refused);
      if (refused?.status === 409) setVersion((refused.current as Post).version);
      return;
    }
    if (!editing)
      offerUndo(
        draft.timing === 'now'
          ? 'Posted.'
          : draft.timing === 'draft'
            ? 'The draft is kept.'
            : 'Post queued.',
        () =>
          withdraw({
            params: { postId: data.post.id },
            body: { version: data.post.version },
          }).unwrap(),
      );
    onDone(data.post);
  };
  const act = ({ name }: NoteAction): void => {
    if (name === 'put-in-code') change({ linkWords: `${draft.linkWords} (code: {entryCode})` });
    if (name === 'make-standing') change({ about: 'link', timing: 'now', afterwards: 'stay' });
  };
  const theirs = problem?.status === 409 ? (problem.current as Post) : undefined;
  const own = classes.filter(mayEdit);
  return (
    <Screen
      margin={<Margin notes={preview ? notesOf(draft, preview, classes) : []} onAction={act} />}
    >
      {head}
      <section
        aria-label={editing ? 'Change a post' : 'New post'}
        className="mb-6 rounded-big border border-line bg-sheet p-5 shadow-soft"
      >
        <h2 className="mb-3 text-lg">{editing ? 'Change the post' : 'New post'}</h2>
        {theirs && (
          <div role="alert" className="mb-4 rounded-small bg-gorse-tint p-3 text-gorse-deep">
            <p className="font-semibold">
              Somebody changed this post while you were at it. It now says:
            </p>
            <p>{inALine(theirs.words)}</p>
            <p>Link words: {theirs.linkWords}</p>
            <p className="mt-1">Save again to put yours over it, or leave it.</p>
          </div>
        )}
        <form
          className="grid gap-4"
          onSubmit={(event) => {
            event.preventDefault();
            void send();
          }}
        >
          <div className="grid gap-5 md:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
            <div className="grid content-start gap-4">
              <RichEditor
                label="Words"
                start={start}
                onChange={(words) => change({ words })}
                error={messageFor(problem, 'words')}
              />
              <Field
                label="Link words"
                hint="They are the link. Blank shows the bare address."
                error={messageFor(problem, 'linkWords')}
              >
                {(p) => (
                  <input
                    {...p}
                    className={inputClass}
                    value={draft.linkWords}
                    onChange={(e) => change({ linkWords: e.target.value })}
                  />
                )}
              </Field>
            </div>
            <Preview places={preview?.places ?? []} />
          </div>
          <div>
            <TimingPart
              draft={draft}
              change={change}
              today={{ date, time }}
              wrong={messageFor(problem, 'timing') !== undefined}
              isOut={editing?.outSince != null}
            />
            {messageFor(problem, 'timing', 'about') && (
              <FieldError>{messageFor(problem, 'timing', 'about')}</FieldError>
            )}
          </div>
          <PlacesPart
            places={draft.places}
            classes={own}
            problem={
              problem ??
              (preview && preview.problems.length > 0
                ? { type: '', title: '', status: 422, errors: preview.problems }
                : undefined)
            }
            onChange={(places) => change({ places })}
          />
          {problem && !problem.errors && !theirs && <FieldError>{problem.title}</FieldError>}
          <div className="flex gap-3">
            <Button type="submit" kind="act" disabled={adding.isLoading || changing.isLoading}>
              {editing ? 'Save the change' : buttonWords(draft, dates)}
            </Button>
            <Button onClick={() => onDone()}>Leave it</Button>
          </div>
        </form>
      </section>
    </Screen>
  );
}
