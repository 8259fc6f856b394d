import type { Answer } from '@glen/contract';
import { Button } from '../../ui/Button.js';

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
  const shown = classes.length === 1 ? '1 class period' : `${classes.length} class periods`;
  return (
    <nav aria-label="Pages of the plan" className="mt-3 flex flex-wrap items-center gap-2">
      <span className="text-md text-soft">{shown} of the school on this page</span>
      {!isFirst && <Button onClick={() => set('after', null)}>From the first</Button>}
      {hasMore && last && (
        <Button onClick={() => set('after', String(last.id))}>The next ones</Button>
      )}
    </nav>
  );
}
