import { dateInWords } from '@glen/core/light';
import { api } from '../../app/api.js';
import { wallClock } from '../../app/clock.js';
import { Button } from '../../ui/Button.js';
import type { Leaving } from './useLeaving.js';
import { fill, many } from '../../ui/fill.js';
import * as say from './words.js';

interface WereHereProps {
  classId: number;
  zone: string;
  leaving: Leaving;
}

/** Who was taken off the roll, to be brought back with what they had. */
export function WereHere({ classId, zone, leaving }: WereHereProps) {
  const { data } = api.useRollLeftQuery({ params: { classId } });
  if (!data || data.left.length === 0) return null;
  return (
    <details className="mt-5 print:hidden">
      <summary className="cursor-pointer text-soft">
        {many(say.takenOffThisRoll, data.left.length)}
      </summary>
      <ul aria-label={say.takenOff} className="mt-2 max-w-2xl">
        {data.left.map(({ id, name, leftAt }) => (
          <li key={id} className="flex items-center gap-3 border-t border-line py-1.5">
            <span className="min-w-0 flex-1">
              {name}{' '}
              <span className="text-sm text-soft">
                {fill(say.untilDate, { date: dateInWords(wallClock(leftAt, zone).date) })}
              </span>
            </span>
            <Button
              aria-label={fill(say.bringBack, { name })}
              onClick={() => void leaving.bringBack({ id, name })}
            >
              {say.bringBackShort}
            </Button>
          </li>
        ))}
      </ul>
    </details>
  );
}
