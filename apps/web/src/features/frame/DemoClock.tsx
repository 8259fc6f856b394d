import { Popover } from 'radix-ui';
import { Suspense, lazy } from 'react';
import { dateInWords } from '@glen/core/light';
import { useNow, wallClock } from '../../app/clock.js';
import { Loading } from '../../ui/States.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

// Its fields are heavier than all else that a first look needs.
const DemoClockCard = lazy(() => import('./DemoClockCard.js'));

/** The demo's clock, to be moved; everything follows. */
function MovableClock({ date, time }: { date: string; time: string }) {
  const shown = `${dateInWords(date)} ${time}`;
  return (
    <Popover.Root>
      <Popover.Trigger
        className="rounded-small px-1.5 py-1 font-mono max-half:min-h-11 text-sm whitespace-nowrap text-bar-act hover:underline"
        aria-label={fill(say.demoDayMoveTheClock, { shown })}
      >
        <span className="hidden wide:inline">{say.demoDay} </span>
        <span className="max-half:hidden">{dateInWords(date)} </span>
        {time}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={8}
          className="z-30 grid w-72 gap-3 rounded-big border border-line bg-sheet p-4 text-ink shadow-soft"
          aria-label={say.moveTheDemosClock}
        >
          <Suspense fallback={<Loading lines={3} />}>
            <DemoClockCard date={date} time={time} />
          </Suspense>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

/** School time in the top bar; in the demo it can be moved. */
export function SchoolClock({ zone, demo }: { zone: string; demo: boolean }) {
  const now = useNow();
  const { date, time } = wallClock(now, zone);
  if (demo) return <MovableClock date={date} time={time} />;
  return (
    <time dateTime={now} className="font-mono text-sm text-bar-soft">
      <span className="max-half:hidden">{dateInWords(date)} </span>
      {time}
    </time>
  );
}
