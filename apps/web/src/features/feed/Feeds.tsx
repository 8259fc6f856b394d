import { CalendarSync } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useState } from 'react';
import { dateInWords } from '@glen/core/light';
import type { Answer } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { wallClock } from '../../app/clock.js';
import { Button } from '../../ui/Button.js';
import { Loading, Trouble } from '../../ui/States.js';
import { copyAddress } from '../link/copy.js';
import { AlarmPart } from './AlarmPart.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type FeedState = Answer<'feeds'>['own'];

interface FeedProps extends FeedState {
  title: string;
  /** Left out: one's own. */
  classId?: number;
  /** Of what is posted there, told with the other. */
  newsAddress?: string | null;
  /** The school's time zone. */
  zone: string;
  isBusy: boolean;
  make: () => void;
  switchOff: () => void;
}

interface AddressProps {
  address: string;
  words: string;
  done: string;
}

const OneAddress = ({ address, words, done }: AddressProps) => (
  <>
    <code className="mt-1.5 block rounded-small bg-shade px-2 py-0.5 font-mono text-xs break-all">
      {address}
    </code>
    <Button className="mt-1.5" onClick={() => void copyAddress(address, done)}>
      {words}
    </Button>
  </>
);

/** A feed's addresses, for the only time that they are shown. */
const FreshAddress = ({ address, news }: { address: string; news: string | null }) => (
  <div role="status">
    <p className="mt-1 text-soft">{news === null ? say.copyItNow : say.copyThemNow}</p>
    <OneAddress
      address={address}
      words={news === null ? say.copyAddress : say.copyTheCalendarsAddress}
      done={say.calendarAddressCopied}
    />
    {news !== null && (
      <OneAddress
        address={news}
        words={say.copyTheAddressOfWhat}
        done={say.addressOfWhatIsPosted}
      />
    )}
  </div>
);

/** What becomes of an address that stands already: each asks once more, since whatever reads it stops. */
function Standing({ make, switchOff, isBusy }: Pick<FeedProps, 'make' | 'switchOff' | 'isBusy'>) {
  const [asked, setAsked] = useState<'make' | 'off'>();
  const press = (what: 'make' | 'off', act: () => void) => () => {
    if (asked === what) act();
    setAsked(asked === what ? undefined : what);
  };
  return (
    <p className="mt-1.5 flex flex-wrap items-center gap-3">
      <Button kind="link" disabled={isBusy} onClick={press('make', make)}>
        {asked === 'make' ? say.yesMakeItTheOld : say.makeANewAddress}
      </Button>
      <Button kind="link" disabled={isBusy} onClick={press('off', switchOff)}>
        {asked === 'off' ? say.yesSwitchItOff : say.switchItOff}
      </Button>
    </p>
  );
}

/** One feed: an address to copy while it is fresh, what can become of one that stands, or the way to one. */
export function Feed(feed: FeedProps) {
  const { title, classId, zone, since, address, alarmMinutes, isBusy, make, switchOff } = feed;
  return (
    <li className="border-t border-line py-2 first:border-t-0">
      <p className="font-semibold">{title}</p>
      {since === null && (
        <Button className="mt-1" disabled={isBusy} onClick={make}>
          {say.makeAnAddress}
        </Button>
      )}
      {address !== null && <FreshAddress address={address} news={feed.newsAddress ?? null} />}
      {since !== null && address === null && (
        <p className="mt-0.5 text-soft">
          {fill(say.anAddressMadeOnWorks, { date: dateInWords(wallClock(since, zone).date) })}
        </p>
      )}
      {since !== null && <AlarmPart title={title} classId={classId} minutes={alarmMinutes} />}
      {since !== null && <Standing make={make} switchOff={switchOff} isBusy={isBusy} />}
    </li>
  );
}

/** Of the feeds as they stand, the address that was made last, while it is shown. */
const withFresh = (feeds: Answer<'feeds'>, made: Answer<'feeds'> | undefined): Answer<'feeds'> => {
  if (!made) return feeds;
  const fresh = (now: FeedState, then: FeedState | undefined): string | null =>
    then && now.since === then.since ? then.address : null;
  return {
    own: { ...feeds.own, address: fresh(feeds.own, made.own) },
    classes: feeds.classes.map((feed) => {
      const then = made.classes.find((other) => other.classId === feed.classId);
      const address = fresh(feed, then);
      return {
        ...feed,
        address,
        newsAddress: address === null ? null : (then?.newsAddress ?? null),
      };
    }),
  };
};

/** The feeds as they stand, and what can be done with each. */
export function useFeeds(zone: string) {
  const asked = api.useFeedsQuery();
  const [replace, { data: made, isLoading: isMaking }] = api.useReplaceFeedMutation();
  const [switchOff, { isLoading: isEnding }] = api.useSwitchOffFeedMutation();
  const acts = (body: { classId?: number }) => ({
    zone,
    isBusy: isMaking || isEnding,
    make: () => void replace({ body }),
    switchOff: () => void switchOff({ body }),
  });
  return { asked, feeds: asked.data && withFresh(asked.data, made), acts };
}

export function FeedList({ zone }: { zone: string }) {
  const { asked, feeds, acts } = useFeeds(zone);
  const { error, refetch } = asked;
  if (error && !feeds) return <Trouble problem={problemOf(error)} retry={() => void refetch()} />;
  if (!feeds) return <Loading lines={2} />;
  const { own, classes } = feeds;
  return (
    <ul>
      <Feed title={say.allThatIsMine} {...own} {...acts({})} />
      {classes.map((feed) => (
        <Feed key={feed.classId} {...feed} {...acts({ classId: feed.classId })} />
      ))}
    </ul>
  );
}

/** Private addresses under which calendar programs find the sessions, always as they stand. */
export function FeedsButton({ zone }: { zone: string }) {
  return (
    <Popover.Root>
      <Popover.Trigger asChild>
        <Button className="!px-2.5 !py-1 !text-sm">
          <CalendarSync size={15} aria-hidden="true" />
          {say.calendarFeeds}
        </Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={6}
          align="end"
          aria-label={say.calendarFeeds}
          className="z-30 max-h-view w-96 max-w-view overflow-y-auto rounded-small border border-line bg-sheet p-4 text-md text-ink shadow-soft"
        >
          <p className="mb-2 text-soft">{say.aCalendarProgramThatSubscribes}</p>
          <FeedList zone={zone} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
