import type { Answer } from '@glen/contract';
import { Button } from '../../ui/Button.js';
import { fill, many } from '../../ui/fill.js';
import * as say from './words.js';

interface PagesProps {
  strip: Answer<'strip'>;
  isFirst: boolean;
  set: (key: string, value: string | null) => void;
}

/** Where a school has more class periods than one page of the plan shows: on to the next ones, and back. */
export function Pages({ strip, isFirst, set }: PagesProps) {
  if (isFirst && !strip.hasMore) return null;
  const { classes, hasMore } = strip;
  const last = classes.at(-1);
  const shown = many(say.classPeriodsShown, classes.length);
  return (
    <nav aria-label={say.pagesOfThePlan} className="mt-3 flex flex-wrap items-center gap-2">
      <span className="text-md text-soft">{fill(say.ofTheSchoolOnThis, { shown })}</span>
      {!isFirst && <Button onClick={() => set('after', null)}>{say.fromTheFirst}</Button>}
      {hasMore && last && (
        <Button onClick={() => set('after', String(last.id))}>{say.theNextOnes}</Button>
      )}
    </nav>
  );
}
