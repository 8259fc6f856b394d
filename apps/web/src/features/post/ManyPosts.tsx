import type { Post } from '@glen/contract';
import { toast } from '../../ui/toast.js';
import { api, problemOf } from '../../app/api.js';
import { offerWayBack } from '../../app/undo.js';
import { wayBack } from '../../app/wayBack.js';
import { Button } from '../../ui/Button.js';
import { releasedBody } from './draft.js';
import { fill, many } from '../../ui/fill.js';
import * as say from './words.js';

/** Does one thing to several posts, each by itself; those that worked come back. */
async function toEach(
  posts: Post[],
  work: (post: Post) => Promise<{ post: Post }>,
): Promise<Post[]> {
  const done: Post[] = [];
  for (const post of posts) {
    try {
      done.push((await work(post)).post);
    } catch (error) {
      toast.error(problemOf(error)?.title ?? say.oneOfThemDid);
    }
  }
  return done;
}

const takenDownInWords = (n: number): string => many(say.postsAreBeingTakenDown, n);

/** What can be done to several posts at once. */
function useManyPosts() {
  const [withdraw] = api.useWithdrawPostMutation();
  const [retry] = api.useRetryPostMutation();
  const [edit] = api.useEditPostMutation();
  const params = (post: Post) => ({ postId: post.id });
  const asItIs = (post: Post) => ({ params: params(post), body: { version: post.version } });
  return {
    takeDown: async (posts: Post[]): Promise<void> => {
      const done = await toEach(posts, (post) => withdraw(asItIs(post)).unwrap());
      if (done.length === 0) return;
      // A post as it is answered has its new version.
      const calls = done.map((post) => wayBack('restorePost', asItIs(post)));
      offerWayBack(takenDownInWords(done.length), calls);
    },
    tryAgain: (posts: Post[]) => toEach(posts, (post) => retry({ params: params(post) }).unwrap()),
    release: (posts: Post[]) =>
      toEach(posts, (post) => edit({ params: params(post), body: releasedBody(post) }).unwrap()),
  };
}

/** What can be done with all that are chosen, by whoever may. */
export function ManyPosts({ posts, clear }: { posts: Post[]; clear: () => void }) {
  const chosen = useManyPosts();
  const own = posts.filter((p) => p.mayEdit);
  const actions = [
    {
      words: (n: number) => fill(say.withdrawN, { n }),
      to: own.filter((p) => p.state !== 'withdrawn'),
      act: chosen.takeDown,
    },
    {
      words: (n: number) => fill(say.tryAgainN, { n }),
      to: own.filter((p) => p.state === 'failed'),
      act: chosen.tryAgain,
    },
    {
      words: (n: number) => fill(say.releaseN, { n }),
      to: own.filter((p) => p.state === 'draft'),
      act: chosen.release,
    },
  ];
  return (
    <p
      role="group"
      aria-label={say.withTheChosen}
      className="mb-2 flex flex-wrap items-center gap-3 rounded-small bg-bracken-tint px-3 py-2"
    >
      <b>{many(say.chosen, posts.length)}</b>
      {actions
        .filter(({ to }) => to.length > 0)
        .map(({ words, to, act }) => (
          <Button key={words(to.length)} onClick={() => void act(to).then(clear)}>
            {words(to.length)}
          </Button>
        ))}
      <Button kind="link" onClick={clear}>
        {say.chooseNone}
      </Button>
    </p>
  );
}
