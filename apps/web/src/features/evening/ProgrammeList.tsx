import type { ReactNode } from 'react';
import { programmeAt } from '@glen/core/light';
import type { Answer } from '@glen/contract';
import { timeUntil } from '../../app/clock.js';
import { Chip } from '../../ui/Chip.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type Item = Answer<'doorProgramme'>['items'][number];

interface ProgrammeListProps {
  items: Item[];
  /** When the session ends, and school time; instants. */
  end: string;
  now: string;
  /** What stands at the end of a line. */
  aside?: (place: number) => ReactNode;
}

/** What comes after what, with what is on and when the next of it begins. */
export function ProgrammeList({ items, end, now, aside }: ProgrammeListProps) {
  const { on, next } = programmeAt(
    items.map(({ at }) => at),
    { end },
    now,
  );
  return (
    <ol>
      {items.map(({ at, time, title, speaker }, place) => (
        <li
          key={at}
          aria-current={place === on ? 'time' : undefined}
          className={`flex flex-wrap items-baseline gap-x-3 border-t border-line py-1.5 ${place === on ? '-mx-2 bg-moss-tint px-2' : ''}`}
        >
          <span className="w-14 font-mono">{time}</span>
          <span className="min-w-0 flex-1 basis-40 break-words">
            <b>{title}</b>
            {speaker && <span className="block text-soft">{speaker}</span>}
          </span>
          {place === on && <Chip tone="well">{say.now}</Chip>}
          {place === next && (
            <span className="text-sm text-soft">
              {fill(say.inSpan, { span: timeUntil(at, now) })}
            </span>
          )}
          {aside?.(place)}
        </li>
      ))}
    </ol>
  );
}
