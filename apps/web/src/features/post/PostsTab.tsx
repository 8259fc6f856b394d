import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { toast } from 'sonner';
import { notesForPosts } from '@glen/core';
import type { Answer, Post } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { Button, buttonClass } from '../../ui/Button.js';
import { Empty, Loading, Trouble } from '../../ui/States.js';
import { ClassHead, type ClassAnswer } from '../classes/ClassPage.js';
import { mayEdit } from '../classes/mayEdit.js';
import { Margin, Screen } from '../frame/Margin.js';
import { useNoteActions } from '../frame/useNoteActions.js';
import { Composer } from './Composer.js';
import { PostRow } from './PostRow.js';

/** Holds what Glen has put on the course site against what stands there. */
export function LookAgain({ classId }: { classId: number }) {
  const [look, { isLoading }] = api.useLookAtSiteMutation();
  const run = async (): Promise<void> => {
    const { data, error } = await look({ params: { classId } });
    if (data)
      toast(
        data.missing === 0
          ? 'All that Glen put there stands there.'
          : `${data.missing === 1 ? 'One thing is' : `${data.missing} things are`} not there any more.`,
      );
    else toast.error(problemOf(error)?.title ?? 'That did not work.');
  };
  return (
    <Button kind="link" disabled={isLoading} onClick={() => void run()}>
      Look whether it all still stands there
    </Button>
  );
}

function Posts({ of, answer, zone }: { of: ClassAnswer; answer: Answer<'posts'>; zone: string }) {
  const [search, setSearch] = useSearchParams();
  const [composing, setComposing] = useState<Post | 'new' | null>(search.has('new') ? 'new' : null);
  const { data: classes } = api.useClassesQuery();
  const act = useNoteActions();
  const done = (): void => {
    setComposing(null);
    if (search.has('new')) setSearch({}, { replace: true });
  };
  if (composing)
    return (
      <Composer
        key={composing === 'new' ? 'new' : composing.id}
        head={<ClassHead of={of} />}
        of={of.class}
        classes={classes?.classes ?? [of.class]}
        editing={composing === 'new' ? null : composing}
        zone={zone}
        onDone={done}
      />
    );
  return (
    <Screen margin={<Margin notes={notesForPosts(answer.posts)} onAction={act} />}>
      <ClassHead of={of} />
      <p className="mb-3 flex flex-wrap items-center gap-3">
        {mayEdit(of.class) && (
          <Button kind="act" onClick={() => setComposing('new')}>
            Post the link
          </Button>
        )}
        <a className={buttonClass()} href={answer.siteAddress} target="_blank" rel="noreferrer">
          See the course site
        </a>
        <Link className={buttonClass()} to={`/posts/reach?link=${of.class.link.id}`}>
          Who sees it
        </Link>
        {mayEdit(of.class) && answer.posts.length > 0 && <LookAgain classId={of.class.id} />}
      </p>
      {answer.posts.length === 0 && (
        <Empty title="The link stands nowhere yet">
          Post it once and it stays: the link is the same all year.
        </Empty>
      )}
      <ul>
        {answer.posts.map((post) => (
          <PostRow key={post.id} post={post} zone={zone} onChange={() => setComposing(post)} />
        ))}
      </ul>
    </Screen>
  );
}

export default function PostsTab({ of, zone }: { of: ClassAnswer; zone: string }) {
  const { data, error, refetch } = api.usePostsQuery({ params: { classId: of.class.id } });
  if (error && !data)
    return (
      <Screen>
        <ClassHead of={of} />
        <Trouble problem={problemOf(error)} retry={() => void refetch()} />
      </Screen>
    );
  if (!data)
    return (
      <Screen>
        <ClassHead of={of} />
        <Loading />
      </Screen>
    );
  return <Posts of={of} answer={data} zone={zone} />;
}
