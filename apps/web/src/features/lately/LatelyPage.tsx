import { dateInWords } from '@glen/core';
import type { Me } from '@glen/contract';
import { problemOf } from '../../app/api.js';
import { wallClock } from '../../app/clock.js';
import { Button } from '../../ui/Button.js';
import { Margin, Screen } from '../../ui/Margin.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { Empty, Loading, Trouble } from '../../ui/States.js';
import { useLately, type LatelyChange } from './useLately.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

interface RowProps {
  change: LatelyChange;
  zone: string;
  take: (change: LatelyChange) => Promise<void>;
}

function Row({ change, zone, take }: RowProps) {
  const { date, time } = wallClock(change.at, zone);
  return (
    <li className="flex flex-wrap items-baseline gap-x-4 gap-y-1 border-b border-line py-2">
      <span className="w-40 shrink-0 font-mono text-sm whitespace-nowrap text-soft">
        {dateInWords(date)} {time}
      </span>
      <span
        className={`min-w-48 flex-1 break-words ${change.takenBack ? 'text-soft line-through' : ''}`}
      >
        {change.what}
      </span>
      {change.takenBack ? (
        <span className="text-soft">{say.takenBackShort}</span>
      ) : (
        <Button
          aria-label={fill(say.takeItBack, { what: change.what })}
          onClick={() => void take(change)}
        >
          {say.takeItBackShort}
        </Button>
      )}
    </li>
  );
}

const NOTES = [
  {
    severity: 'inform' as const,
    title: say.untilSomebodyChangesTheSame,
    text: say.aChangeIsTakenBack,
  },
];

/** My last fifty changes, and taking them back: over reloads and days. */
export default function LatelyPage({ me }: { me: Me }) {
  const { changes, error, refetch, take } = useLately();
  return (
    <Screen margin={<Margin notes={NOTES} />}>
      <ScreenTitle tab={say.lately} />
      {error && <Trouble problem={problemOf(error)} retry={() => void refetch()} />}
      {!changes && !error && <Loading lines={6} />}
      {changes?.length === 0 && <Empty title={say.nothingYet}>{say.whatYouChangeStandsHere}</Empty>}
      <ol className="mt-3">
        {changes?.map((change) => (
          <Row key={change.id} change={change} zone={me.school.zone} take={take} />
        ))}
      </ol>
    </Screen>
  );
}
