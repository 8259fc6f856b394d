import { useState } from 'react';
import { toast } from 'sonner';
import { dateInWords } from '@glen/core/light';
import type { Post } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { wallClock } from '../../app/clock.js';
import { offerUndo } from '../../app/undo.js';
import { Button } from '../../ui/Button.js';
import { Chip } from '../../ui/Chip.js';
import { Pennant } from '../../ui/Pennant.js';
import { ByHand } from './ByHand.js';
import { inALine, releasedBody } from './draft.js';
import { deliveryState, planInWords, postState } from './words.js';

type Place = Post['places'][number];
type Delivery = Post['deliveries'][number];

function DeliveryLine({
  delivery: d,
  place,
  mayEdit,
  zone,
  start,
}: {
  delivery: Delivery;
  place: Place;
  mayEdit: boolean;
  zone: string;
  start: boolean;
}) {
  const byHand = place.kind === 'by-hand';
  const [open, setOpen] = useState(start && byHand);
  const [act] = api.usePlacementActionMutation();
  const { tone, text } = deliveryState(d, byHand);
  const placementId = d.placementId;
  const action = (what: 'retry' | 'put-back' | 'take-down') =>
    act({ params: { placementId: placementId! }, body: { do: what } }).unwrap();
  const takeDown = async (): Promise<void> => {
    await action('take-down');
    offerUndo(`It is being taken down: ${place.where}.`, () => action('put-back'));
  };
  const since = d.outSince === null ? null : wallClock(d.outSince, zone);
  return (
    <li className="py-1">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1 text-[15px]">
        {d.session && (
          <span className="w-40 shrink-0">
            <span className="font-mono">
              {dateInWords(d.session.date)} {d.session.time}
            </span>
          </span>
        )}
        <Chip tone={tone}>{text}</Chip>
        {since && (
          <span className="text-sm text-soft">
            since {dateInWords(since.date)} {since.time}
          </span>
        )}
        {mayEdit && placementId !== null && (
          <span className="ml-auto flex gap-4">
            {(d.state === 'failed' || (d.state === 'queued' && d.tries > 0)) && !byHand && (
              <Button kind="link" onClick={() => void action('retry')}>
                Try again
              </Button>
            )}
            {(d.state === 'missing' || (d.state === 'gone' && d.session === null)) && !byHand && (
              <Button kind="link" onClick={() => void action('put-back')}>
                Put it back
              </Button>
            )}
            {(d.state === 'out' || d.state === 'struck') && (
              <Button kind="link" onClick={() => void takeDown()}>
                Take down here
              </Button>
            )}
            {byHand && d.state !== 'gone' && (
              <Button kind="link" aria-expanded={open} onClick={() => setOpen(!open)}>
                {open ? 'Hide what to paste' : 'Show what to paste'}
              </Button>
            )}
          </span>
        )}
      </div>
      {d.error && (
        <p className="text-sm text-berry-deep">
          {d.error}
          {d.state === 'queued' ? ' Glen tries again by itself.' : ''}
        </p>
      )}
      {open && placementId !== null && (
        <ByHand delivery={{ ...d, placementId }} mayEdit={mayEdit} />
      )}
    </li>
  );
}

/** Every place of a post with what stands there, since when and who reads it. */
function Places({ post, zone, open }: { post: Post; zone: string; open: boolean }) {
  return (
    <ul className="mt-2 grid gap-2" aria-label="Where it stands">
      {post.places.map((place) => {
        const own = post.deliveries.filter((d) => d.placeId === place.id);
        return (
          <li key={place.id} className="flex gap-3 rounded-small bg-shade/50 px-3 py-1.5">
            <span className="mt-1">
              <Pennant pennant={place.pennant} size="small" />
            </span>
            <div className="min-w-0 flex-1">
              <p className="text-[15px]">
                {place.address === null ? (
                  place.where
                ) : (
                  <a
                    className="hover:underline"
                    href={place.address}
                    target="_blank"
                    rel="noreferrer"
                  >
                    {place.where}
                  </a>
                )}{' '}
                <span className="text-soft">
                  ·{' '}
                  {place.readers === 'class'
                    ? `${place.readerCount} read there`
                    : `shown to ${place.readerCount} only`}
                  {place.lost ? ' · its maker no longer hosts here' : ''}
                </span>
              </p>
              {own.length > 0 && (
                <ul>
                  {own.map((d) => (
                    <DeliveryLine
                      key={d.key}
                      delivery={d}
                      place={place}
                      mayEdit={post.mayEdit}
                      zone={zone}
                      start={open && (d.state === 'todo' || d.state === 'takedown')}
                    />
                  ))}
                </ul>
              )}
            </div>
          </li>
        );
      })}
    </ul>
  );
}

function History({ postId, zone }: { postId: number; zone: string }) {
  const { data } = api.usePostHistoryQuery({ params: { postId } });
  return (
    <ol aria-label="History" className="mt-2 grid gap-0.5 text-sm text-soft">
      {data?.entries.map((e, i) => {
        const at = wallClock(e.at, zone);
        return (
          <li key={i}>
            {dateInWords(at.date)} {at.time}: {e.by ?? 'Glen'} {e.did}
          </li>
        );
      })}
    </ol>
  );
}

/** Where somebody was faster, the list shows how it stands now; it is only to be pressed again. */
const refused = (error: unknown): void => {
  const problem = problemOf(error);
  if (problem)
    toast.error(
      problem.status === 409
        ? 'Somebody changed this post just now. It is shown as it stands; press again if you still want to.'
        : problem.title,
    );
};

/** One post: what it says, how it stands, and what can be done with it. `open`: its places are shown at once. */
export function PostRow({
  post,
  zone,
  onChange,
  open = false,
  chosen,
  onChoose,
}: {
  post: Post;
  zone: string;
  onChange: () => void;
  open?: boolean;
  chosen?: boolean;
  onChoose?: (on: boolean) => void;
}) {
  const [shown, setShown] = useState(open);
  const [history, setHistory] = useState(false);
  const [withdraw] = api.useWithdrawPostMutation();
  const [restore] = api.useRestorePostMutation();
  const [retry] = api.useRetryPostMutation();
  const [edit] = api.useEditPostMutation();
  const { tone, text } = postState(post);
  const params = { postId: post.id };
  const takeDown = async (): Promise<void> => {
    const { data, error } = await withdraw({ params, body: { version: post.version } });
    if (!data) refused(error);
    else
      offerUndo('The post is being taken down.', () =>
        restore({ params, body: { version: data.post.version } }).unwrap(),
      );
  };
  const putBack = async (): Promise<void> =>
    refused((await restore({ params, body: { version: post.version } })).error);
  const release = async (): Promise<void> =>
    refused((await edit({ params, body: releasedBody(post) })).error);
  const trouble = !shown && post.error ? post.error : null;
  const stuck = post.state === 'failed' || (post.state === 'queued' && post.tries > 0);
  const words = inALine(post.words);
  return (
    <li className="border-t border-line py-3" id={`post-${post.id}`}>
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        {onChoose && (
          <input
            type="checkbox"
            aria-label={`Choose: ${words || post.linkWords}`}
            className="size-4 accent-bracken"
            checked={chosen ?? false}
            onChange={(e) => onChoose(e.target.checked)}
          />
        )}
        <Chip tone={tone}>{text}</Chip>
        <span className="text-sm text-soft">
          {planInWords(post)} · by {post.by}
        </span>
        <span className="ml-auto flex flex-wrap gap-x-4">
          {post.mayEdit && stuck && (
            <Button kind="link" onClick={() => void retry({ params })}>
              Try again
            </Button>
          )}
          {post.mayEdit && post.state === 'draft' && (
            <Button kind="link" onClick={() => void release()}>
              Release it
            </Button>
          )}
          {post.mayEdit &&
            (post.state === 'withdrawn' ? (
              <Button kind="link" onClick={() => void putBack()}>
                Put back
              </Button>
            ) : (
              <>
                <Button kind="link" onClick={onChange}>
                  Change
                </Button>
                <Button kind="link" onClick={() => void takeDown()}>
                  Withdraw
                </Button>
              </>
            ))}
          <Button kind="link" aria-expanded={shown} onClick={() => setShown(!shown)}>
            {post.places.length === 1 ? 'Where it stands' : `Its ${post.places.length} places`}
          </Button>
        </span>
      </div>
      {trouble && (
        <p className="mt-1 text-berry-deep">
          {trouble}
          {post.state === 'queued' ? ' Glen tries again by itself.' : ''}
        </p>
      )}
      {words && <p className="mt-1.5 line-clamp-3 break-words">{words}</p>}
      <p className="text-loch-deep">{post.linkWords}</p>
      {shown ? (
        <>
          <Places post={post} zone={zone} open={open} />
          <p className="mt-1">
            <Button kind="link" aria-expanded={history} onClick={() => setHistory(!history)}>
              {history ? 'Hide its history' : 'Its history'}
            </Button>
          </p>
          {history && <History postId={post.id} zone={zone} />}
        </>
      ) : (
        <p className="mt-1 text-sm text-soft">{post.places.map((p) => p.where).join(' · ')}</p>
      )}
    </li>
  );
}
