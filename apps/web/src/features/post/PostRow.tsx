import { useState } from 'react';
import { dateInWords } from '@glen/core/light';
import type { Post } from '@glen/contract';
import { api } from '../../app/api.js';
import { wallClock } from '../../app/clock.js';
import { BareTick } from '../../ui/BareTick.js';
import { Button } from '../../ui/Button.js';
import { Chip } from '../../ui/Chip.js';
import { inALine } from './draft.js';
import { PostPlaces } from './PostPlaces.js';
import { usePostActions } from './usePostActions.js';
import { planInWords, postState } from './states.js';
import { fill, many } from '../../ui/fill.js';
import * as say from './words.js';

function History({ postId, zone }: { postId: number; zone: string }) {
  const { data } = api.usePostHistoryQuery({ params: { postId } });
  return (
    <ol aria-label={say.history} className="mt-2 grid gap-0.5 text-sm text-soft">
      {data?.entries.map((e, i) => {
        const at = wallClock(e.at, zone);
        return (
          <li key={i}>
            {dateInWords(at.date)} {at.time}: {e.by ?? say.glen} {e.did}
          </li>
        );
      })}
    </ol>
  );
}

/** What its hosts can do with a post. */
function PostActions({ post, onChange }: { post: Post; onChange: () => void }) {
  const { takeDown, putBack, release, retry } = usePostActions(post);
  const isStuck = post.state === 'failed' || (post.state === 'queued' && post.tries > 0);
  if (post.state === 'withdrawn')
    return (
      <Button kind="link" onClick={() => void putBack()}>
        {say.putBack}
      </Button>
    );
  return (
    <>
      {isStuck && (
        <Button kind="link" onClick={retry}>
          {say.tryAgain}
        </Button>
      )}
      {post.state === 'draft' && (
        <Button kind="link" onClick={() => void release()}>
          {say.releaseThePost}
        </Button>
      )}
      <Button kind="link" onClick={onChange}>
        {say.change}
      </Button>
      <Button kind="link" onClick={() => void takeDown()}>
        {say.withdraw}
      </Button>
    </>
  );
}

/** Where a post stands, in full, with what has become of it since it was made. */
function Details({ post, zone, open }: { post: Post; zone: string; open: boolean }) {
  const [history, setHistory] = useState(false);
  return (
    <>
      <PostPlaces post={post} zone={zone} open={open} />
      <p className="mt-1">
        <Button kind="link" aria-expanded={history} onClick={() => setHistory(!history)}>
          {history ? say.hideItsHistory : say.itsHistory}
        </Button>
      </p>
      {history && <History postId={post.id} zone={zone} />}
    </>
  );
}

interface PostRowProps {
  post: Post;
  zone: string;
  onChange: () => void;
  /** Its places are shown at once. */
  open?: boolean;
  chosen?: boolean;
  onChoose?: (on: boolean) => void;
}

function ChooseBox({ post, chosen = false, onChoose }: PostRowProps) {
  if (!onChoose) return null;
  return (
    <BareTick
      aria-label={fill(say.chooseInALine, {
        inALine: inALine(post.reads.words) || post.reads.linkWords,
      })}
      checked={chosen}
      onChange={(e) => onChoose(e.target.checked)}
    />
  );
}

/** One post: what it says, how it stands, and what can be done with it. */
export function PostRow(props: PostRowProps) {
  const { post, zone, onChange, open = false } = props;
  const [shown, setShown] = useState(open);
  const { tone, text } = postState(post);
  const { places, error } = post;
  const words = inALine(post.reads.words);
  return (
    <li className="border-t border-line py-3" id={`post-${post.id}`}>
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <ChooseBox {...props} />
        <Chip tone={tone}>{text}</Chip>
        <span className="text-sm text-soft">
          {fill(say.planBy, { plan: planInWords(post), by: post.by })}
        </span>
        <span className="ml-auto flex flex-wrap gap-x-4">
          {post.mayEdit && <PostActions post={post} onChange={onChange} />}
          <Button kind="link" aria-expanded={shown} onClick={() => setShown(!shown)}>
            {many(say.itsPlaces, places.length)}
          </Button>
        </span>
      </div>
      {!shown && error && (
        <p className="mt-1 text-berry-deep">
          {error}
          {post.state === 'queued' && ` ${say.glenTriesAgainByItself}`}
        </p>
      )}
      {words && <p className="mt-1.5 line-clamp-3 break-words">{words}</p>}
      <p className="text-loch-deep">{post.reads.linkWords}</p>
      {shown ? (
        <Details post={post} zone={zone} open={open} />
      ) : (
        <p className="mt-1 text-sm text-soft">{places.map((p) => p.where).join(' · ')}</p>
      )}
    </li>
  );
}
