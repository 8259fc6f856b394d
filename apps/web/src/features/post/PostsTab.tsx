import { useState } from 'react';
import { useSearchParams } from 'react-router';
import { POST_FIELDS, dateInWords, renderPost, worstFirst, type Note } from '@glen/core';
import type { Answer, Post, Problem } from '@glen/contract';
import { api, messageFor, problemOf } from '../../app/api.js';
import { useNow, wallClock } from '../../app/clock.js';
import { offerUndo } from '../../app/undo.js';
import { Button, buttonClass } from '../../ui/Button.js';
import { Chip, type Tone } from '../../ui/Chip.js';
import { Field, FieldError, inputClass } from '../../ui/Field.js';
import { Empty, Loading, Trouble } from '../../ui/States.js';
import { ClassHead, type ClassAnswer } from '../classes/ClassPage.js';
import { Margin, Screen } from '../frame/Margin.js';

interface Draft { words: string; linkWords: string; later: boolean; date: string; time: string }

const stateOf = (post: Post): { tone: Tone; text: string } => {
  if (post.state === 'withdrawn') return post.pending ? { tone: 'careful', text: 'Being taken down' } : { tone: 'plain', text: 'Withdrawn' };
  if (post.state === 'failed') return { tone: 'wrong', text: 'Failed' };
  if (post.state === 'out') return post.pending ? { tone: 'careful', text: 'Out, change under way' } : { tone: 'well', text: 'Out' };
  return post.tries > 0 ? { tone: 'careful', text: 'Waits for the course site' } : { tone: 'inform', text: `Goes out ${dateInWords(post.due.date)} ${post.due.time}` };
};

function notesOf(posts: Post[]): Note[] {
  const failed = posts.filter((p) => p.state === 'failed').length;
  const waiting = posts.filter((p) => p.state === 'queued').length;
  const out = posts.filter((p) => p.state === 'out').length;
  return worstFirst([
    ...(failed > 0 ? [{ severity: 'wrong' as const, title: failed === 1 ? 'A post failed' : `${failed} posts failed`, text: posts.find((p) => p.state === 'failed')!.error ?? '' }] : []),
    ...(waiting > 0 ? [{ severity: 'inform' as const, title: waiting === 1 ? '1 post waits for its time' : `${waiting} posts wait for their time`, text: 'They go out by themselves, also when you are not signed in.' }] : []),
    ...(out > 0 ? [{ severity: 'well' as const, title: out === 1 ? 'The link stands in 1 post' : `The link stands in ${out} posts`, text: 'On the class stream.' }] : []),
  ]);
}

/** Composes a post, new or standing; nothing typed is lost when the server refuses. */
function Composer({ of, editing, start, onDone }: { of: ClassAnswer; editing: Post | null; start: Draft; onDone: () => void }) {
  const [draft, setDraft] = useState(start);
  const [problem, setProblem] = useState<Problem>();
  const [version, setVersion] = useState(editing?.version);
  const [add, adding] = api.useAddPostMutation();
  const [edit, changing] = api.useEditPostMutation();
  const [withdraw] = api.useWithdrawPostMutation();
  const isOut = editing?.state === 'out';
  const c = of.class;
  const send = async (): Promise<void> => {
    setProblem(undefined);
    const body = { words: draft.words, linkWords: draft.linkWords, when: draft.later ? { date: draft.date, time: draft.time } : ('now' as const) };
    const { data, error } = editing ? await edit({ params: { postId: editing.id }, body: { ...body, version: version! } }) : await add({ params: { classId: c.id }, body });
    if (!data) {
      const refused = problemOf(error);
      setProblem(refused);
      if (refused?.status === 409) setVersion((refused.current as Post).version);
      return;
    }
    if (!editing) offerUndo(draft.later ? 'Post queued.' : 'Posted.', () => withdraw({ params: { postId: data.post.id }, body: { version: data.post.version } }).unwrap());
    onDone();
  };
  const preview = renderPost({ words: draft.words, linkWords: draft.linkWords }, { address: c.link.address, class: c.title, title: c.title, ...(c.period === null ? {} : { period: c.period }), date: dateInWords(draft.date), time: draft.time }, 'html');
  const theirs = problem?.status === 409 ? (problem.current as Post) : undefined;
  return (
    <section aria-label={editing ? 'Change a post' : 'New post'} className="mb-6 rounded-big border border-line bg-sheet p-5 shadow-soft">
      <h2 className="mb-3 text-lg">{editing ? 'Change the post' : 'Post to the class stream'}</h2>
      {theirs && <div role="alert" className="mb-4 rounded-small bg-gorse-tint p-3 text-gorse-deep"><p className="font-semibold">Somebody changed this post while you were at it. It now says:</p><p className="whitespace-pre-wrap">{theirs.words}</p><p>Link words: {theirs.linkWords}</p><p className="mt-1">Save again to put yours over it, or leave it.</p></div>}
      <div className="grid gap-5 md:grid-cols-2">
        <form className="grid content-start gap-4" onSubmit={(event) => { event.preventDefault(); void send(); }}>
          <Field label="Words" hint={`Fields that fill themselves: ${POST_FIELDS.map((f) => `{${f}}`).join(' ')}`} error={messageFor(problem, 'words')}>{(p) => <textarea {...p} rows={5} className={inputClass} value={draft.words} onChange={(e) => setDraft({ ...draft, words: e.target.value })} />}</Field>
          <Field label="Link words" hint="They are the link. Blank shows the bare address." error={messageFor(problem, 'linkWords')}>{(p) => <input {...p} className={inputClass} value={draft.linkWords} onChange={(e) => setDraft({ ...draft, linkWords: e.target.value })} />}</Field>
          {!isOut && (
            <fieldset className="grid gap-2">
              <legend className="text-sm font-semibold">When</legend>
              <label className="flex items-center gap-2"><input type="radio" name="when" checked={!draft.later} onChange={() => setDraft({ ...draft, later: false })} />Now</label>
              <label className="flex flex-wrap items-center gap-2"><input type="radio" name="when" checked={draft.later} onChange={() => setDraft({ ...draft, later: true })} />At a time
                <input type="date" aria-label="Date" disabled={!draft.later} className={`${inputClass} !w-auto disabled:opacity-60`} value={draft.date} onChange={(e) => setDraft({ ...draft, date: e.target.value })} />
                <input type="time" aria-label="Time" disabled={!draft.later} className={`${inputClass} !w-auto disabled:opacity-60`} value={draft.time} onChange={(e) => setDraft({ ...draft, time: e.target.value })} /></label>
              {messageFor(problem, 'when') && <FieldError>{messageFor(problem, 'when')}</FieldError>}
            </fieldset>
          )}
          {problem && !problem.errors && !theirs && <FieldError>{problem.title}</FieldError>}
          <div className="flex gap-3"><Button type="submit" kind="act" disabled={adding.isLoading || changing.isLoading}>{editing ? 'Save the change' : draft.later ? `Queue for ${dateInWords(draft.date)} ${draft.time}` : 'Post it now'}</Button><Button onClick={onDone}>Leave it</Button></div>
        </form>
        <section aria-label="As students will see it" className="min-w-0">
          <h3 className="mb-2 text-sm font-semibold text-soft">As students will see it</h3>
          {/* renderPost escapes everything typed; what it gives holds only its own marks. */}
          <div className="rounded-small border border-edge p-4 break-words [&_a]:text-loch-deep [&_a]:underline [&_p+p]:mt-2" dangerouslySetInnerHTML={{ __html: preview }} />
        </section>
      </div>
    </section>
  );
}

function Row({ post, mayEdit, onChange }: { post: Post; mayEdit: boolean; onChange: () => void }) {
  const [withdraw] = api.useWithdrawPostMutation();
  const [restore] = api.useRestorePostMutation();
  const [retry] = api.useRetryPostMutation();
  const { tone, text } = stateOf(post);
  const takeDown = async (): Promise<void> => {
    const { data } = await withdraw({ params: { postId: post.id }, body: { version: post.version } });
    if (data) offerUndo('The post is being taken down.', () => restore({ params: { postId: post.id }, body: { version: data.post.version } }).unwrap());
  };
  return (
    <li className="border-t border-line py-3">
      <div className="flex flex-wrap items-center gap-3">
        <Chip tone={tone}>{text}</Chip>
        <span className="text-sm text-soft">by {post.by}, for {dateInWords(post.due.date)} {post.due.time}</span>
        {mayEdit && (
          <span className="ml-auto flex gap-4">
            {post.state === 'failed' && <Button kind="link" onClick={() => void retry({ params: { postId: post.id } })}>Try again</Button>}
            {post.state === 'withdrawn' ? <Button kind="link" onClick={() => void restore({ params: { postId: post.id }, body: { version: post.version } })}>Put back</Button> : <><Button kind="link" onClick={onChange}>Change</Button><Button kind="link" onClick={() => void takeDown()}>Withdraw</Button></>}
          </span>
        )}
      </div>
      {post.error && <p className="mt-1 text-berry-deep">{post.error}{post.state === 'queued' ? ' Glen tries again by itself.' : ''}</p>}
      <p className="mt-1.5 line-clamp-6 break-words whitespace-pre-wrap">{post.words}</p>
      <p className="text-loch-deep">{post.linkWords}</p>
    </li>
  );
}

function Posts({ of, answer, zone }: { of: ClassAnswer; answer: Answer<'posts'>; zone: string }) {
  const [search] = useSearchParams();
  const [composing, setComposing] = useState<Post | 'new' | null>(search.has('new') ? 'new' : null);
  const now = useNow();
  const { date, time } = wallClock(now, zone);
  const mayEdit = of.class.mine === 'host' || of.class.mine === 'co-teacher';
  const start: Draft = composing && composing !== 'new'
    ? { words: composing.words, linkWords: composing.linkWords, later: composing.state !== 'out', date: composing.due.date, time: composing.due.time }
    : { words: '', linkWords: `Join {class}${of.class.period ? ', period {period}' : ''}`, later: false, date, time };
  return (
    <Screen margin={<Margin notes={notesOf(answer.posts)} />}>
      <ClassHead of={of} />
      {composing
        ? <Composer key={composing === 'new' ? 'new' : composing.id} of={of} editing={composing === 'new' ? null : composing} start={start} onDone={() => setComposing(null)} />
        : mayEdit && <p className="mb-3 flex gap-3"><Button kind="act" onClick={() => setComposing('new')}>Post the link</Button>{answer.siteAddress && <a className={buttonClass()} href={answer.siteAddress} target="_blank" rel="noreferrer">See the stream</a>}</p>}
      {answer.posts.length === 0 && !composing && <Empty title="The link stands nowhere yet">Post it once and it stays: the link is the same all year.</Empty>}
      <ul>{answer.posts.map((post) => <Row key={post.id} post={post} mayEdit={mayEdit} onChange={() => setComposing(post)} />)}</ul>
    </Screen>
  );
}

export default function PostsTab({ of, zone }: { of: ClassAnswer; zone: string }) {
  const { data, error, refetch } = api.usePostsQuery({ params: { classId: of.class.id } });
  if (error && !data) return <Screen><ClassHead of={of} /><Trouble problem={problemOf(error)} retry={() => void refetch()} /></Screen>;
  if (!data) return <Screen><ClassHead of={of} /><Loading /></Screen>;
  return <Posts of={of} answer={data} zone={zone} />;
}
