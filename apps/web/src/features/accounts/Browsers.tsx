import { useState } from 'react';
import { dateInWords } from '@glen/core/light';
import type { Answer } from '@glen/contract';
import { api } from '../../app/api.js';
import { wallClock } from '../../app/clock.js';
import { Loaded } from '../../app/Loaded.js';
import { restartLive } from '../../app/live.js';
import { Button } from '../../ui/Button.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type Session = Answer<'ownSessions'>['sessions'][number];

/** An instant of the machine's clock, as the school's walls show it. */
function inWords(instant: string, zone: string): string {
  const { date, time } = wallClock(instant, zone);
  return `${dateInWords(date)} ${time}`;
}

interface BrowserProps {
  session: Session;
  zone: string;
  isBusy: boolean;
  end: () => void;
}

const Browser = ({ session, zone, isBusy, end }: BrowserProps) => (
  <li className="flex flex-wrap items-center justify-between gap-x-4 gap-y-1 border-t border-line py-3">
    <div>
      <b>{session.browser || say.aBrowserThatDoes}</b>
      <p className="text-sm text-soft">
        {fill(say.signedInLastUsed, {
          since: inWords(session.begunAt, zone),
          last: inWords(session.seenAt, zone),
        })}
      </p>
    </div>
    {session.isThis ? (
      <span className="text-sm text-soft">{say.thisOne}</span>
    ) : (
      <Button disabled={isBusy} onClick={end}>
        {say.signOutThere}
      </Button>
    )}
  </li>
);

/** Signs out everywhere; asked once more, since it ends here too. */
function Everywhere() {
  const [signOut, { isLoading }] = api.useSignOutEverywhereMutation();
  const [isAsked, setAsked] = useState(false);
  const press = () => {
    if (isAsked) void signOut().then(restartLive);
    else setAsked(true);
  };
  return (
    <Button kind="danger" disabled={isLoading} onClick={press}>
      {isAsked ? say.yesSignOutHereToo : say.signOutEverywhere}
    </Button>
  );
}

/** The browsers that one is signed in with. */
export function Browsers({ zone }: { zone: string }) {
  const asked = api.useOwnSessionsQuery();
  const [end, { isLoading }] = api.useEndOwnSessionMutation();
  return (
    <section aria-label={say.whereYouAreSignedIn}>
      <h2 className="mb-2 text-xl">{say.whereYouAreSignedIn}</h2>
      <p className="mb-2 text-soft">{say.aBrowserThatNobodyUses}</p>
      <Loaded asked={asked} isPart>
        {({ sessions }) => (
          <ul className="mb-3">
            {sessions.map((session) => (
              <Browser
                key={session.id}
                session={session}
                zone={zone}
                isBusy={isLoading}
                end={() => void end({ params: { sessionId: session.id } })}
              />
            ))}
          </ul>
        )}
      </Loaded>
      <Everywhere />
    </section>
  );
}
