import { useEffect, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { toast } from 'sonner';
import { notesForPosts } from '@glen/core';
import { classTitle } from '@glen/core/light';
import type { ClassItem, Me, Post } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { offerUndo } from '../../app/undo.js';
import { Button, buttonClass } from '../../ui/Button.js';
import { inputClass } from '../../ui/Field.js';
import { ChoicePart } from '../../ui/SentencePart.js';
import { Empty, Loading, Trouble } from '../../ui/States.js';
import { mayEdit } from '../school/mayEdit.js';
import { Margin, Screen } from '../../ui/Margin.js';
import { useNoteActions } from '../../app/useNoteActions.js';
import { Composer } from './Composer.js';
import { inALine, releasedBody } from './draft.js';
import { PostRow } from './PostRow.js';

const ALL = 'all';
const STATES = [
  ['out', 'Out'],
  ['queued', 'Queued'],
  ['draft', 'Drafts'],
  ['failed', 'Failed'],
  ['todo', 'By hand'],
  ['over', 'Over or withdrawn'],
] as const;
const KINDS = [
  ['stream', 'class streams'],
  ['item', 'course pages'],
  ['calendar', 'calendars'],
  ['by-hand', 'places filled by hand'],
] as const;

interface Filter {
  state: string;
  classId: string;
  kind: string;
  day: string;
  typed: string;
}
const NONE: Filter = { state: ALL, classId: ALL, kind: ALL, day: '', typed: '' };

const isIn = (post: Post, state: string): boolean =>
  state === 'over'
    ? post.state === 'over' || post.state === 'withdrawn'
    : state === 'todo'
      ? post.deliveries.some((d) => d.state === 'todo' || d.state === 'takedown')
      : post.state === state;

function fits(post: Post, { state, classId, kind, day, typed }: Filter): boolean {
  const text =
    `${inALine(post.words)} ${post.linkWords} ${post.places.map((p) => p.where).join(' ')}`.toLowerCase();
  return (
    (state === ALL || isIn(post, state)) &&
    (classId === ALL || post.places.some((p) => String(p.classId) === classId)) &&
    (kind === ALL || post.places.some((p) => p.kind === kind)) &&
    (day === '' || post.deliveries.some((d) => d.session?.date === day || d.due?.date === day)) &&
    typed
      .toLowerCase()
      .split(/\s+/)
      .every((word) => text.includes(word))
  );
}

function Filters({
  filter,
  change,
  posts,
  classes,
}: {
  filter: Filter;
  change: (part: Partial<Filter>) => void;
  posts: Post[];
  classes: ClassItem[];
}) {
  return (
    <div className="mb-3 grid gap-2">
      <div role="radiogroup" aria-label="Which posts" className="flex flex-wrap gap-1.5">
        {[[ALL, 'All'] as const, ...STATES].map(([state, words]) => {
          const n = state === ALL ? posts.length : posts.filter((p) => isIn(p, state)).length;
          return (
            <button
              key={state}
              type="button"
              role="radio"
              aria-checked={filter.state === state}
              onClick={() => change({ state })}
              className={`rounded-small border px-3 py-1 text-[15px] ${filter.state === state ? 'border-ink bg-ink text-paper' : 'border-edge bg-sheet'}`}
            >
              {words} <span className="font-mono text-sm">{n}</span>
            </button>
          );
        })}
      </div>
      <p className="flex flex-wrap items-center gap-x-2 gap-y-1 leading-[2.1]">
        On{' '}
        <ChoicePart
          label="Kind of place"
          value={filter.kind}
          marked={filter.kind !== ALL}
          onChange={(kind) => change({ kind })}
          choices={[
            { value: ALL, label: 'every kind of place' },
            ...KINDS.map(([value, label]) => ({ value, label })),
          ]}
        />{' '}
        of{' '}
        <ChoicePart
          label="Class period"
          value={filter.classId}
          marked={filter.classId !== ALL}
          onChange={(classId) => change({ classId })}
          choices={[
            { value: ALL, label: 'every class period' },
            ...classes.map((c) => ({ value: String(c.id), label: classTitle(c) })),
          ]}
        />
        , on{' '}
        <input
          type="date"
          aria-label="Day"
          className="rounded-small border border-edge bg-sheet px-2 py-0.5"
          value={filter.day}
          onChange={(e) => change({ day: e.target.value })}
        />
        <input
          type="search"
          aria-label="Find posts"
          placeholder="with these words"
          className={`${inputClass} ml-auto !w-56 !py-1`}
          value={filter.typed}
          onChange={(e) => change({ typed: e.target.value })}
        />
      </p>
    </div>
  );
}

/** What can be done with all that are chosen. */
function Many({ posts, clear }: { posts: Post[]; clear: () => void }) {
  const [withdraw] = api.useWithdrawPostMutation();
  const [restore] = api.useRestorePostMutation();
  const [retry] = api.useRetryPostMutation();
  const [edit] = api.useEditPostMutation();
  const own = posts.filter((p) => p.mayEdit);
  const standing = own.filter((p) => p.state !== 'withdrawn');
  const failed = own.filter((p) => p.state === 'failed');
  const drafts = own.filter((p) => p.state === 'draft');
  const all = async (what: Post[], work: (p: Post) => Promise<{ post: Post }>): Promise<Post[]> => {
    const done: Post[] = [];
    for (const p of what) {
      try {
        done.push((await work(p)).post);
      } catch (error) {
        toast.error(problemOf(error)?.title ?? 'One of them did not work.');
      }
    }
    clear();
    return done;
  };
  const takeDown = async (): Promise<void> => {
    const done = await all(standing, (p) =>
      withdraw({ params: { postId: p.id }, body: { version: p.version } }).unwrap(),
    );
    if (done.length > 0)
      offerUndo(
        done.length === 1
          ? 'One post is being taken down.'
          : `${done.length} posts are being taken down.`,
        () =>
          Promise.all(
            done.map((p) =>
              restore({ params: { postId: p.id }, body: { version: p.version } }).unwrap(),
            ),
          ),
      );
  };
  const release = (p: Post) => edit({ params: { postId: p.id }, body: releasedBody(p) }).unwrap();
  return (
    <p
      role="group"
      aria-label="With the chosen"
      className="mb-2 flex flex-wrap items-center gap-3 rounded-small bg-bracken-tint px-3 py-2"
    >
      <b>{posts.length === 1 ? '1 chosen' : `${posts.length} chosen`}</b>
      {standing.length > 0 && (
        <Button onClick={() => void takeDown()}>Withdraw {standing.length}</Button>
      )}
      {failed.length > 0 && (
        <Button
          onClick={() => void all(failed, (p) => retry({ params: { postId: p.id } }).unwrap())}
        >
          Try {failed.length} again
        </Button>
      )}
      {drafts.length > 0 && (
        <Button onClick={() => void all(drafts, release)}>Release {drafts.length}</Button>
      )}
      <Button kind="link" onClick={clear}>
        Choose none
      </Button>
    </p>
  );
}

/** All posts of one's class periods: what is out, queued, draft, failed and to do by hand. */
export default function PostsPage({ me }: { me: Me }) {
  const [search, setSearch] = useSearchParams();
  const { data, error, refetch } = api.useAllPostsQuery();
  const { data: classes } = api.useClassesQuery();
  const act = useNoteActions();
  const [filter, setFilter] = useState<Filter>(NONE);
  const [chosen, setChosen] = useState<Set<number>>(new Set());
  const [composing, setComposing] = useState<Post | 'new' | null>(null);
  const shownFirst = Number(search.get('show'));
  const isThere = data !== undefined;
  useEffect(() => {
    if (shownFirst && isThere)
      document.getElementById(`post-${shownFirst}`)?.scrollIntoView({ block: 'start' });
  }, [shownFirst, isThere]);
  if (error && !data)
    return (
      <Screen>
        <Trouble problem={problemOf(error)} retry={() => void refetch()} />
      </Screen>
    );
  if (!data || !classes)
    return (
      <Screen>
        <Loading lines={7} />
      </Screen>
    );
  const taught = classes.classes;
  const hosted = classes.classes.filter(mayEdit);
  const wanted = composing ?? (search.has('new') && hosted.length > 0 ? 'new' : null);
  const done = (): void => {
    setComposing(null);
    if (search.has('new')) setSearch({}, { replace: true });
  };
  if (wanted) {
    const of =
      wanted === 'new' ? hosted[0]! : classes.classes.find((c) => c.id === wanted.classId)!;
    return (
      <Composer
        key={wanted === 'new' ? 'new' : wanted.id}
        head={<h1 className="mb-4 text-[27px]">Posts</h1>}
        of={of}
        classes={classes.classes}
        editing={wanted === 'new' ? null : wanted}
        zone={me.school.zone}
        onDone={done}
      />
    );
  }
  const posts = data.posts.filter((p) => fits(p, filter));
  const picked = data.posts.filter((p) => chosen.has(p.id));
  return (
    <Screen margin={<Margin notes={notesForPosts(data.posts)} onAction={act} />}>
      <header className="mb-4 flex flex-wrap items-baseline gap-4">
        <h1 className="text-[27px]">Posts</h1>
        <Link className={buttonClass('link')} to="/posts/reach">
          Who sees which link
        </Link>
        <Link className={buttonClass('link')} to="/posts/see-as">
          What a student sees
        </Link>
        {hosted.length > 0 && (
          <Button kind="act" className="ml-auto" onClick={() => setComposing('new')}>
            Write a post
          </Button>
        )}
      </header>
      {data.posts.length === 0 ? (
        <Empty title="Nothing has been posted yet">
          Write one post for any mix of streams, course pages and calendars: Glen puts it there at
          the right minute and keeps account of where every link stands.
        </Empty>
      ) : (
        <>
          <Filters
            filter={filter}
            change={(part) => setFilter({ ...filter, ...part })}
            posts={data.posts}
            classes={taught}
          />
          {picked.length > 0 && <Many posts={picked} clear={() => setChosen(new Set())} />}
          {posts.length === 0 ? (
            <Empty title="No post fits">
              <Button kind="link" onClick={() => setFilter(NONE)}>
                Show them all
              </Button>
            </Empty>
          ) : (
            <ul>
              {posts.map((post) => (
                <PostRow
                  key={post.id}
                  post={post}
                  zone={me.school.zone}
                  open={post.id === shownFirst}
                  onChange={() => setComposing(post)}
                  chosen={chosen.has(post.id)}
                  onChoose={(on) =>
                    setChosen((was) => {
                      const now = new Set(was);
                      if (on) now.add(post.id);
                      else now.delete(post.id);
                      return now;
                    })
                  }
                />
              ))}
            </ul>
          )}
        </>
      )}
    </Screen>
  );
}
