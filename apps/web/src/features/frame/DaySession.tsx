import { areHostsGone } from '@glen/core/light';
import type { Pennant as PennantOf, Session } from '@glen/contract';
import { Pennant } from '../../ui/Pennant.js';
import type { ShownSession } from './shownSessions.js';
import * as say from './words.js';

type Phase = 'past' | 'running' | 'ahead';

const DRESS: Record<Phase, string> = {
  running: 'border-2 border-bracken bg-sheet',
  past: 'border-line bg-paper text-soft',
  ahead: 'border-edge bg-sheet',
};
const LEFT_ALONE = 'border-2 border-berry bg-berry-tint text-berry-deep';

function phaseOf({ start, end }: Session, now: string): Phase {
  if (end <= now) return 'past';
  return start <= now ? 'running' : 'ahead';
}

/** How high a session stands: the whole strip, or its lane of it. In pixels. */
const heightOf = (lane: number, lanes: number) =>
  lanes === 1 ? { top: 25, height: 28 } : { top: 21 + lane * 18, height: 17, fontSize: 11 };

interface DaySessionProps {
  shown: ShownSession;
  pennant: PennantOf | undefined;
  now: string;
  /** Where a minute of the day lies, as a part of the strip's width. */
  place: (minute: number) => string;
  onOpen: () => void;
}

/** One session on the day line; what does not fit is left out: first its title, then its time. */
export function DaySession({ shown, pennant, now, place, onOpen }: DaySessionProps) {
  const { session, start, end, lane, lanes } = shown;
  const { time, title, draft, alone } = session;
  const isLeft = areHostsGone({ hostsInside: 0, hostLeftAt: alone?.since ?? null }, now);
  const more = [draft && say.draft, isLeft && say.noHostIsIn].filter(Boolean);
  const phase = phaseOf(session, now);
  return (
    <button
      type="button"
      onClick={onOpen}
      title={[`${time} ${title}`, ...more].join(', ')}
      className={`@container absolute flex items-center gap-1.5 overflow-hidden rounded-small border px-1 text-left text-fine font-semibold whitespace-nowrap ${isLeft ? LEFT_ALONE : DRESS[phase]} ${draft ? 'border-dashed' : ''}`}
      style={{
        left: place(start),
        width: `calc(${place(end)} - ${place(start)} - 2px)`,
        minWidth: 30,
        ...heightOf(lane, lanes),
      }}
    >
      {pennant && (
        <span className={phase === 'past' ? 'opacity-70' : ''}>
          <Pennant pennant={pennant} size={lanes === 1 ? 'small' : 'tiny'} />
        </span>
      )}
      <span className="sr-only">
        {time} {title}
        {isLeft && `, ${say.noHostIsIn}`}
      </span>
      <span
        aria-hidden="true"
        className="hidden font-mono text-xs font-normal @min-[58px]:inline @min-[110px]:hidden"
      >
        {time}
      </span>
      <span aria-hidden="true" className="hidden truncate @min-[110px]:inline">
        {title}
      </span>
    </button>
  );
}
