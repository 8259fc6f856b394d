import { Link } from 'react-router';
import { useMinute } from '../../app/clock.js';
import { Button } from '../../ui/Button.js';
import { useLately } from './useLately.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

/** So many of the last changes stand in the margin, as long as they are as new as that. */
const MOST_SHOWN = 2;
const NEW_MINUTES = 60;
/** Until then the undo on the screen says it already. */
const OFFERED_MINUTES = 0.5;

const minutesBetween = (from: string, to: string): number =>
  (Date.parse(to) - Date.parse(from)) / 60_000;

const isLately = (minutes: number): boolean => minutes >= OFFERED_MINUTES && minutes < NEW_MINUTES;

/** In the margin: what I changed a moment ago, each with the way back. */
export function LatelyPart() {
  const now = useMinute();
  const { changes = [], take } = useLately();
  const shown = changes
    .filter(({ takenBack, at }) => !takenBack && isLately(minutesBetween(at, now)))
    .slice(0, MOST_SHOWN);
  if (shown.length === 0) return null;
  return (
    <section aria-label={say.lately} className="mt-4 border-t border-line pt-3 text-md">
      <h3 className="mb-1 font-sans text-sm font-semibold text-soft">{say.lately}</h3>
      <ul className="grid gap-2">
        {shown.map((change) => (
          <li key={change.id}>
            {change.what}{' '}
            <Button
              kind="link"
              aria-label={fill(say.takeItBack, { what: change.what })}
              onClick={() => void take(change)}
            >
              {say.takeItBackShort}
            </Button>
          </li>
        ))}
      </ul>
      <Link
        className="mt-2 inline-block text-bracken-deep underline-offset-3 hover:underline"
        to="/lately"
      >
        {say.allMyLastChanges}
      </Link>
    </section>
  );
}
