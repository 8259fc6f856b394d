import { CalendarSync } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useState } from 'react';
import { api, problemOf } from '../../app/api.js';
import { Button } from '../../ui/Button.js';
import { Loading, Trouble } from '../../ui/States.js';
import { copyAddress } from '../link/copy.js';

/** One feed: its address to copy, or the way to one; a new address asks once more, since the old one stops. */
function Feed({
  title,
  address,
  onMake,
  busy,
}: {
  title: string;
  address: string | null;
  onMake: () => void;
  busy: boolean;
}) {
  const [asked, setAsked] = useState(false);
  return (
    <li className="border-t border-line py-2 first:border-t-0">
      <p className="font-semibold">{title}</p>
      {address === null ? (
        <Button className="mt-1" disabled={busy} onClick={onMake}>
          Make an address
        </Button>
      ) : (
        <>
          <code className="mt-0.5 block rounded-small bg-shade px-2 py-0.5 font-mono text-xs break-all">
            {address}
          </code>
          <p className="mt-1.5 flex flex-wrap items-center gap-3">
            <Button onClick={() => void copyAddress(address, 'Calendar address copied.')}>
              Copy address
            </Button>
            <Button
              kind="link"
              disabled={busy}
              onClick={() => {
                if (asked) onMake();
                setAsked(!asked);
              }}
            >
              {asked ? 'Yes, replace it; the old one stops' : 'Replace it'}
            </Button>
          </p>
        </>
      )}
    </li>
  );
}

export function FeedList() {
  const { data, error, refetch } = api.useFeedsQuery();
  const [replace, { isLoading }] = api.useReplaceFeedMutation();
  if (error && !data) return <Trouble problem={problemOf(error)} retry={() => void refetch()} />;
  if (!data) return <Loading lines={2} />;
  return (
    <ul>
      <Feed
        title="All that is mine"
        address={data.own}
        busy={isLoading}
        onMake={() => void replace({ body: {} })}
      />
      {data.classes.map((c) => (
        <Feed
          key={c.classId}
          title={c.title}
          address={c.address}
          busy={isLoading}
          onMake={() => void replace({ body: { classId: c.classId } })}
        />
      ))}
    </ul>
  );
}

/** Private addresses under which calendar programs find the sessions, always as they stand. */
export function FeedsButton() {
  return (
    <Popover.Root>
      <Popover.Trigger asChild>
        <Button className="!px-2.5 !py-1 !text-sm">
          <CalendarSync size={15} aria-hidden="true" />
          Calendar feeds
        </Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={6}
          align="end"
          aria-label="Calendar feeds"
          className="z-30 max-h-view w-96 max-w-view overflow-y-auto rounded-small border border-line bg-sheet p-4 text-md text-ink shadow-soft"
        >
          <p className="mb-2 text-soft">
            A calendar program that subscribes to such an address shows the sessions with their
            links. Whoever has the address can read them.
          </p>
          <FeedList />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
