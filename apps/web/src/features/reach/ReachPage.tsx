import { toast } from 'sonner';
import { notesForReach, type NoteAction } from '@glen/core';
import type { Answer, LinkRow } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { offerUndo } from '../../app/undo.js';
import { ChoicePart } from '../../ui/SentencePart.js';
import { Empty, Loading, Trouble } from '../../ui/States.js';
import { Margin, Screen } from '../../ui/Margin.js';
import { useNoteActions } from '../../app/useNoteActions.js';
import { MomentPart } from './MomentPart.js';
import { useAddressParts } from './useAddressParts.js';
import { Legend, ReachGrid } from './ReachGrid.js';

type Reach = Answer<'reach'>;

/** What mends reach at one press; each can be taken back. */
function useRemedies(reach: Reach | undefined): (action: NoteAction) => void {
  const act = useNoteActions();
  const [deed] = api.usePlacementActionMutation();
  const [add] = api.useAddPostMutation();
  const [withdraw] = api.useWithdrawPostMutation();
  const run = async ({ name, subject }: NoteAction): Promise<void> => {
    const place = (what: 'take-down' | 'put-back') =>
      deed({ params: { placementId: subject! }, body: { do: what } }).unwrap();
    if (name === 'take-down') {
      await place('take-down');
      offerUndo('It is being taken down there.', () => place('put-back'));
    } else if (name === 'put-back') {
      await place('put-back');
      toast('The new link is on its way there.');
    } else if (name === 'post-here') {
      const { link } = reach!;
      const { post } = await add({
        params: { classId: link.classId },
        body: {
          words: '',
          linkWords: link.main ? 'Join {class}' : `${link.label}: your door`,
          places: [
            {
              classId: link.classId,
              linkId: link.id,
              kind: 'stream',
              readers: link.main ? 'class' : 'audience',
            },
          ],
        },
      }).unwrap();
      offerUndo('Posted.', () =>
        withdraw({ params: { postId: post.id }, body: { version: post.version } }).unwrap(),
      );
    }
  };
  return (action) =>
    ['take-down', 'put-back', 'post-here'].includes(action.name)
      ? void run(action).catch((error: unknown) =>
          toast.error(
            problemOf(error)?.errors?.[0]?.message ??
              problemOf(error)?.title ??
              'That did not work.',
          ),
        )
      : act(action);
}

const nameOf = (l: LinkRow): string => `${l.classTitle}${l.main ? '' : `: ${l.label}`}`;

/** Who sees which link: students across, places down, for one link and one moment. */
export default function ReachPage() {
  const [search, go] = useAddressParts();
  const { data: links } = api.useLinksQuery();
  const live = (links?.links ?? []).filter((l) => l.state === 'live');
  const linkId = Number(search.get('link')) || live[0]?.id;
  const at = search.get('at') ?? '';
  const {
    currentData: reach,
    error,
    refetch,
  } = api.useReachQuery(
    { params: { linkId: linkId ?? 0 }, query: { at: at || undefined } },
    { skip: linkId === undefined },
  );
  const act = useRemedies(reach);
  if (links && live.length === 0)
    return (
      <Screen>
        <Empty title="No links yet">
          Once the office puts you down for a class period, its reach stands here.
        </Empty>
      </Screen>
    );
  return (
    <Screen {...(reach ? { margin: <Margin notes={notesForReach(reach)} onAction={act} /> } : {})}>
      <h1 className="text-[27px]">Who sees which link</h1>
      <p className="mt-1 mb-4 text-lg leading-[2.2]">
        For{' '}
        {links && linkId !== undefined && (
          <ChoicePart
            label="Link"
            value={String(linkId)}
            onChange={(link) => go({ link })}
            choices={live.map((l) => ({ value: String(l.id), label: nameOf(l) }))}
          />
        )}
        ,{' '}
        <MomentPart
          at={at}
          next={reach?.next ?? null}
          shown={reach?.at}
          onChange={(to) => go({ at: to })}
        />
        .
      </p>
      {reach?.trouble && (
        <p role="status" className="mb-3 rounded-small bg-gorse-tint p-3 text-gorse-deep">
          {reach.trouble} This is what it last confirmed.
        </p>
      )}
      {error && !reach ? (
        <Trouble problem={problemOf(error)} retry={() => void refetch()} />
      ) : !reach ? (
        <Loading lines={6} />
      ) : reach.people.length === 0 ? (
        <Empty title="Nobody is meant to see it">
          Its audience is empty, and nobody reads it by chance.
        </Empty>
      ) : (
        <>
          <ReachGrid reach={reach} />
          <Legend people={reach.people} />
        </>
      )}
    </Screen>
  );
}
