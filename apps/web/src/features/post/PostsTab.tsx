import { useState, type ReactNode } from 'react';
import { Link, useSearchParams } from 'react-router';
import { toast } from 'sonner';
import { notesForPosts } from '@glen/core';
import type { Answer, Post } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { Button, buttonClass } from '../../ui/Button.js';
import { Empty, Loading, Trouble } from '../../ui/States.js';
import { mayEdit } from '../school/mayEdit.js';
import { Margin, Screen } from '../../ui/Margin.js';
import { useNoteActions } from '../../app/useNoteActions.js';
import { Composer } from './Composer.js';
import { PostRow } from './PostRow.js';
import type { ClassPeriod } from '../school/classPeriod.js';

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

function Posts({
  classPeriod,
  head,
  answer,
  zone,
}: {
  classPeriod: ClassPeriod;
  head: ReactNode;
  answer: Answer<'posts'>;
  zone: string;
}) {
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
        head={head}
        of={classPeriod.class}
        classes={classes?.classes ?? [classPeriod.class]}
        editing={composing === 'new' ? null : composing}
        zone={zone}
        onDone={done}
      />
    );
  return (
    <Screen margin={<Margin notes={notesForPosts(answer.posts)} onAction={act} />}>
      {head}
      <p className="mb-3 flex flex-wrap items-center gap-3">
        {mayEdit(classPeriod.class) && (
          <Button kind="act" onClick={() => setComposing('new')}>
            Post the link
          </Button>
        )}
        <a className={buttonClass()} href={answer.siteAddress} target="_blank" rel="noreferrer">
          See the course site
        </a>
        <Link className={buttonClass()} to={`/posts/reach?link=${classPeriod.class.link.id}`}>
          Who sees it
        </Link>
        {mayEdit(classPeriod.class) && answer.posts.length > 0 && (
          <LookAgain classId={classPeriod.class.id} />
        )}
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

export default function PostsTab({
  classPeriod,
  head,
  zone,
}: {
  classPeriod: ClassPeriod;
  head: ReactNode;
  zone: string;
}) {
  const { data, error, refetch } = api.usePostsQuery({ params: { classId: classPeriod.class.id } });
  if (error && !data)
    return (
      <Screen>
        {head}
        <Trouble problem={problemOf(error)} retry={() => void refetch()} />
      </Screen>
    );
  if (!data)
    return (
      <Screen>
        {head}
        <Loading />
      </Screen>
    );
  return <Posts head={head} classPeriod={classPeriod} answer={data} zone={zone} />;
}
