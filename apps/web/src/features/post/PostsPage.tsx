import { useEffect, useState } from 'react';
import { Link, useLocation, useSearchParams } from 'react-router';
import { notesForPosts, sessionsOfNow } from '@glen/core';
import type { ClassItem, Me, Post } from '@glen/contract';
import { api } from '../../app/api.js';
import { classComeFrom } from '../../app/cameFrom.js';
import { useNow } from '../../app/clock.js';
import { Loaded } from '../../app/Loaded.js';
import { useNoteActions } from '../../app/useNoteActions.js';
import { Button, buttonClass } from '../../ui/Button.js';
import { Margin, Screen } from '../../ui/Margin.js';
import { Empty } from '../../ui/States.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { LatelyPart } from '../lately/LatelyPart.js';
import { mayEdit } from '../school/mayEdit.js';
import { Composer } from './Composer.js';
import { ManyPosts } from './ManyPosts.js';
import { PostFilters } from './PostFilters.js';
import { PostRow } from './PostRow.js';
import { NO_FILTER, fits } from './postFilter.js';
import * as say from './words.js';

/** Scrolls to the post that the address asks for, once it is there. */
function useShownFirst(): number {
  const [search] = useSearchParams();
  const postId = Number(search.get('show'));
  useEffect(() => {
    if (postId) document.getElementById(`post-${postId}`)?.scrollIntoView({ block: 'start' });
  }, [postId]);
  return postId;
}

/** A set with one thing put in or taken out. */
function withOne(before: Set<number>, id: number, isIn: boolean): Set<number> {
  const after = new Set(before);
  if (isIn) after.add(id);
  else after.delete(id);
  return after;
}

const Head = ({ onWrite }: { onWrite: (() => void) | undefined }) => (
  <header className="mb-4 flex flex-wrap items-baseline gap-4">
    <ScreenTitle tab={say.posts} />
    <Link className={buttonClass('link')} to="/posts/reach">
      {say.whoSeesWhichLink}
    </Link>
    <Link className={buttonClass('link')} to="/posts/student-sees">
      {say.whatAStudentSees}
    </Link>
    <Link className={buttonClass('link')} to="/posts/elsewhere">
      {say.takeItElsewhere}
    </Link>
    {onWrite && (
      <Button kind="act" className="ml-auto" onClick={onWrite}>
        {say.writeAPost}
      </Button>
    )}
  </header>
);

const NothingYet = () => (
  <Empty title={say.nothingHasBeenPostedYet}>{say.writeOnePostForAny}</Empty>
);

interface PostsProps {
  posts: Post[];
  classes: ClassItem[];
  zone: string;
}

/** What is looked at and what is chosen; both outlast the writing of a post. */
function useChoice() {
  const [filter, setFilter] = useState(NO_FILTER);
  const [chosen, setChosen] = useState<Set<number>>(new Set());
  const shownFirst = useShownFirst();
  return { filter, setFilter, chosen, setChosen, shownFirst };
}

interface ListProps extends PostsProps {
  choice: ReturnType<typeof useChoice>;
  onCompose: (what: Post | 'new') => void;
}

/** The posts that pass the filter, with what can be done to those that are chosen. */
function PostList({ posts, classes, zone, choice, onCompose }: ListProps) {
  const { filter, setFilter, chosen, setChosen, shownFirst } = choice;
  const shown = posts.filter((p) => fits(p, filter));
  const picked = posts.filter((p) => chosen.has(p.id));
  return (
    <>
      <PostFilters
        filter={filter}
        change={(part) => setFilter({ ...filter, ...part })}
        posts={posts}
        classes={classes}
      />
      {picked.length > 0 && <ManyPosts posts={picked} clear={() => setChosen(new Set())} />}
      {shown.length === 0 && (
        <Empty title={say.noPostFits}>
          <Button kind="link" onClick={() => setFilter(NO_FILTER)}>
            {say.showThemAll}
          </Button>
        </Empty>
      )}
      <ul>
        {shown.map((post) => (
          <PostRow
            key={post.id}
            post={post}
            zone={zone}
            open={post.id === shownFirst}
            onChange={() => onCompose(post)}
            chosen={chosen.has(post.id)}
            onChoose={(on) => setChosen((before) => withOne(before, post.id, on))}
          />
        ))}
      </ul>
    </>
  );
}

/** The class period that a new post starts with: the one looked at, the one somebody comes from, or that of the next lesson; not there until that is known. */
function useStartsWith(hosted: ClassItem[], lookedAt: string): ClassItem | undefined {
  const { pathname } = useLocation();
  const [from] = useState(() => classComeFrom(pathname));
  const { data: today, isLoading } = api.useTodayQuery();
  const now = useNow();
  const of = (id: number | undefined): ClassItem | undefined => hosted.find((c) => c.id === id);
  const next = today ? sessionsOfNow(today.sessions, now)[0] : undefined;
  const wished = of(Number(lookedAt)) ?? of(from);
  // Which lesson is next is waited for: a post that has begun stays with its class period.
  return wished ?? (isLoading ? undefined : (of(next?.classId) ?? hosted[0]));
}

function Posts({ posts, classes, zone }: PostsProps) {
  const [search, setSearch] = useSearchParams();
  const [composing, setComposing] = useState<Post | 'new' | null>(null);
  const choice = useChoice();
  const act = useNoteActions();
  const hosted = classes.filter(mayEdit);
  const firstHosted = useStartsWith(hosted, choice.filter.classId);
  const wanted = composing ?? (search.has('new') && firstHosted ? 'new' : null);
  const done = (): void => {
    setComposing(null);
    if (search.has('new')) setSearch({}, { replace: true });
  };
  if (wanted)
    return (
      <Composer
        key={wanted === 'new' ? 'new' : wanted.id}
        head={
          <ScreenTitle tab={say.newPost2} className="mb-4">
            {say.posts}
          </ScreenTitle>
        }
        classPeriod={
          wanted === 'new' ? firstHosted! : classes.find((c) => c.id === wanted.classId)!
        }
        classes={classes}
        editing={wanted === 'new' ? null : wanted}
        zone={zone}
        onDone={done}
      />
    );
  return (
    <Screen margin={<Margin notes={notesForPosts(posts)} onAction={act} below={<LatelyPart />} />}>
      <Head onWrite={firstHosted ? () => setComposing('new') : undefined} />
      {posts.length === 0 ? (
        <NothingYet />
      ) : (
        <PostList
          posts={posts}
          classes={classes}
          zone={zone}
          choice={choice}
          onCompose={setComposing}
        />
      )}
    </Screen>
  );
}

/** All posts of one's class periods: what is out, queued, draft, failed and to do by hand. */
export default function PostsPage({ me }: { me: Me }) {
  const posts = api.useAllPostsQuery();
  const classes = api.useClassesQuery();
  const data = posts.data &&
    classes.data && { posts: posts.data.posts, classes: classes.data.classes };
  return (
    <Loaded asked={{ ...posts, error: posts.error ?? classes.error, data }} lines={7}>
      {(both) => <Posts {...both} zone={me.school.zone} />}
    </Loaded>
  );
}
