import { addMinutes, dateInWords, isHeld, type Occurrence } from '@glen/core';
import { Button } from '../../ui/Button.js';
import { canLeaveOut, type SheetForm } from './useSheetForm.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

interface Listed {
  row: Occurrence;
  isLeftOut: boolean;
}

/** What becomes of a date, in words; nothing of one that is simply held. */
function stateOf({ row, isLeftOut }: Listed, clashing: Set<string>, now: string): string {
  if (isLeftOut) return say.leftOut;
  if (row.status === 'skipped') return fill(say.skippedWhy, { why: row.why ?? '' });
  if (row.status === 'cancelled')
    return row.why ? fill(say.cancelledWhy, { why: row.why }) : say.cancelledAlone;
  if (row.was)
    return fill(say.movedFromDateAndTime, { date: dateInWords(row.was.date), time: row.was.time });
  if (clashing.has(row.key)) return 'clashes';
  return row.end <= now ? say.inThePast : '';
}

const spanOf = ({ time, minutes, untimed }: Occurrence): string =>
  untimed ? '' : `${time}–${addMinutes(time, minutes)}`;

/** Every date of a series in words, beside the strip that shows them; a date is left out or taken in again here too. */
export function DateList({ form }: { form: SheetForm }) {
  const { tried, toggleDate, draft, now } = form;
  const { run } = tried;
  if (!run || draft.every === 'once') return null;
  const listed: Listed[] = [
    ...run.rows.map((row) => ({ row, isLeftOut: false })),
    ...run.leftOut.map((row) => ({ row, isLeftOut: true })),
  ].sort((a, b) => (a.row.start < b.row.start ? -1 : 1));
  const clashing = new Set(run.clashes.map((clash) => clash.key));
  const mayLeaveOut = canLeaveOut(form);
  return (
    <details className="mt-2 text-md">
      <summary className="w-fit text-bracken-deep">{say.allItsDatesInWords}</summary>
      <ol className="mt-1 columns-[17rem] gap-x-8">
        {listed.map((one) => (
          <li
            key={one.row.key}
            className="flex break-inside-avoid flex-wrap items-baseline gap-x-2"
          >
            <span className={isHeld(one.row) && !one.isLeftOut ? '' : 'text-soft line-through'}>
              {dateInWords(one.row.date)}{' '}
              <span className="font-mono text-sm">{spanOf(one.row)}</span>
            </span>
            <span className="text-soft">{stateOf(one, clashing, now)}</span>
            {mayLeaveOut && (one.isLeftOut || isHeld(one.row)) && (
              <Button
                kind="link"
                aria-label={`${one.isLeftOut ? say.takeInAgain : say.leaveOut}: ${dateInWords(one.row.date)}`}
                onClick={() => toggleDate(one.row.key)}
              >
                {one.isLeftOut ? say.takeInAgain : say.leaveOut}
              </Button>
            )}
          </li>
        ))}
      </ol>
    </details>
  );
}
