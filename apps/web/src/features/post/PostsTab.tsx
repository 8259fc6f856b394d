import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { notesForPosts } from '@glen/core';
import type { Answer, Post } from '@glen/contract';
import { api } from '../../app/api.js';
import { Loaded } from '../../app/Loaded.js';
import { useNoteActions } from '../../app/useNoteActions.js';
import { Button, buttonClass } from '../../ui/Button.js';
import { Margin, Screen, type Around } from '../../ui/Margin.js';
import { Empty } from '../../ui/States.js';
import type { ClassPeriod } from '../school/classPeriod.js';
import { LatelyPart } from '../lately/LatelyPart.js';
import { mayEdit } from '../school/mayEdit.js';
import { Composer } from './Composer.js';
import { Headings } from './Headings.js';
import { LookAgain } from './LookAgain.js';
import { PostRow } from './PostRow.js';
import * as say from './words.js';

interface PostsProps {
  classPeriod: ClassPeriod;
  around: Around;
  zone: string;
}

interface ListProps extends PostsProps {
  answer: Answer<'posts'>;
  onCompose: (what: Post | 'new') => void;
}

/** The posts of a class period, and where else to look. */
function PostList({ classPeriod: { class: c }, around, answer, zone, onCompose }: ListProps) {
  const act = useNoteActions();
  const { posts, siteAddress } = answer;
  return (
    <Screen
      around={around}
      margin={<Margin notes={notesForPosts(posts)} onAction={act} below={<LatelyPart />} />}
    >
      <p className="mb-3 flex flex-wrap items-center gap-3">
        {mayEdit(c) && (
          <Button kind="act" onClick={() => onCompose('new')}>
            {say.postTheLink}
          </Button>
        )}
        {siteAddress && (
          <a className={buttonClass()} href={siteAddress} target="_blank" rel="noreferrer">
            {say.seeTheCourseSite}
          </a>
        )}
        <Link className={buttonClass()} to={`/posts/reach?link=${c.link.id}`}>
          {say.whoSeesIt}
        </Link>
        {siteAddress && mayEdit(c) && posts.length > 0 && <LookAgain classId={c.id} />}
      </p>
      {posts.length === 0 && (
        <Empty title={say.theLinkStandsNowhereYet}>{say.postItOnceAndIt}</Empty>
      )}
      <ul>
        {posts.map((post) => (
          <PostRow key={post.id} post={post} zone={zone} onChange={() => onCompose(post)} />
        ))}
      </ul>
      <Headings classId={c.id} mayEdit={mayEdit(c)} />
    </Screen>
  );
}

function Posts(props: PostsProps & { answer: Answer<'posts'> }) {
  const { classPeriod, around, zone } = props;
  const [search, setSearch] = useSearchParams();
  const [composing, setComposing] = useState<Post | 'new' | null>(search.has('new') ? 'new' : null);
  const { data } = api.useClassesQuery();
  const done = (): void => {
    setComposing(null);
    if (search.has('new')) setSearch({}, { replace: true });
  };
  if (!composing) return <PostList {...props} onCompose={setComposing} />;
  return (
    <Composer
      key={composing === 'new' ? 'new' : composing.id}
      around={around}
      classPeriod={classPeriod.class}
      classes={data?.classes ?? [classPeriod.class]}
      editing={composing === 'new' ? null : composing}
      zone={zone}
      onDone={done}
    />
  );
}

/** What has been posted of a class period's link, and posting it. */
export default function PostsTab(props: PostsProps) {
  const asked = api.usePostsQuery({ params: { classId: props.classPeriod.class.id } });
  return (
    <Loaded asked={asked} lines={4} around={props.around}>
      {(answer) => <Posts {...props} answer={answer} />}
    </Loaded>
  );
}
