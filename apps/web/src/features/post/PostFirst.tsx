import { dateInWords } from '@glen/core/light';
import { toast } from '../../ui/toast.js';
import { api, problemOf } from '../../app/api.js';
import { Button } from '../../ui/Button.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

/** When it goes out by itself, before a session of the date `on`. */
function goesOutInWords(due: { date: string; time: string } | null, on?: string): string {
  if (!due) return say.itsPostGoesOutLater;
  return fill(due.date === on ? say.itsPostGoesOutAt : say.itsPostGoesOutOn, {
    date: dateInWords(due.date),
    time: due.time,
  });
}

/** Before a door is opened: its post may not be out yet, and can go out now. Says nothing to those who may not read the posts. */
export function PostFirst({
  classId,
  session,
}: {
  classId: number;
  session: { date: string; time: string } | null;
}) {
  const { data } = api.usePostsQuery({ params: { classId } }, { skip: session === null });
  const [postNow, { isLoading }] = api.usePostNowMutation();
  const waiting = (data?.posts ?? [])
    .filter((p) => p.mayEdit && p.timing !== 'draft')
    .flatMap((post) =>
      post.deliveries
        .filter(
          (d) =>
            d.state === 'queued' &&
            !d.pending &&
            d.session !== null &&
            d.session.date === session?.date &&
            d.session.time === session.time &&
            post.places.some(
              (place) =>
                place.id === d.placeId && place.classId === classId && place.kind !== 'by-hand',
            ),
        )
        .map((d) => ({ post, d })),
    );
  const first = waiting[0];
  if (!first) return null;
  const send = async (): Promise<void> => {
    const { error } = await postNow({
      params: { postId: first.post.id },
      body: { occurrenceId: first.d.session!.id },
    });
    if (error) toast.error(problemOf(error)?.title ?? say.thatDidNotWork);
    else toast(say.itsPostGoesOutNow);
  };
  return (
    <p className="flex flex-wrap items-center gap-3 rounded-small bg-loch-tint px-3 py-2 text-loch-deep">
      {goesOutInWords(first.d.due, session?.date)}{' '}
      <Button disabled={isLoading} onClick={() => void send()}>
        {say.postItNow2}
      </Button>
    </p>
  );
}
