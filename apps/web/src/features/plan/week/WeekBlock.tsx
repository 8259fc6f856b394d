import { addMinutes, classTitle } from '@glen/core';
import type { ClassItem } from '@glen/contract';
import { Pennant } from '../../../ui/Pennant.js';
import type { Notch } from '../strip/layout.js';
import { notchInWords, type StripSeries } from '../strip/inWords.js';
import { SlotLines } from './SlotLines.js';
import type { WeekHand } from './useWeekHand.js';
import { boxOf, type WeekLayout } from './weekLayout.js';
import { fill } from '../../../ui/fill.js';
import * as say from '../words.js';

const LEAST_HEIGHT = 22;

interface BlockProps {
  notch: Notch;
  series: StripSeries | undefined;
  classPeriod: ClassItem | undefined;
  /** Which of how many that are held at the same time, side by side. */
  lane: { lane: number; of: number };
  now: string;
  isChosen: boolean;
  isClashing: boolean;
  layout: WeekLayout;
  hand: WeekHand;
}

function classesOf({ notch, series, now, isChosen, hand }: BlockProps): string {
  const isCancelled = notch.status === 'cancelled';
  return [
    isCancelled || series?.draft ? 'border-dashed' : '',
    isCancelled ? 'text-soft line-through' : '',
    isChosen ? 'outline-2 outline-bracken' : '',
    notch.end <= now ? 'text-soft' : '',
    hand.carried?.notch.id === notch.id ? 'opacity-40' : '',
  ].join(' ');
}

/** What it is called: where there is little room the title gives way, the period that tells it from its like does not. */
function Title({
  notch,
  series,
  classPeriod,
}: Pick<BlockProps, 'notch' | 'series' | 'classPeriod'>) {
  const title = notch.title ?? series?.title ?? '';
  if (!classPeriod?.period || title !== classTitle(classPeriod))
    return <span className="min-w-0 flex-1 truncate font-semibold">{title}</span>;
  return (
    <>
      <span className="min-w-0 truncate font-semibold">{classPeriod.title}</span>
      <span className="shrink-0 font-semibold">
        {fill(say.periodShort, { period: classPeriod.period })}
      </span>
    </>
  );
}

/** One session in the week: a block from its start to its end that can be dragged. */
export function WeekBlock(props: BlockProps) {
  const { notch, series, classPeriod, lane, now, isChosen, isClashing, layout, hand } = props;
  const { top, height } = boxOf(layout, notch, LEAST_HEIGHT + 1);
  const words = notchInWords(notch, series, now);
  return (
    <button
      type="button"
      aria-pressed={isChosen}
      aria-label={isClashing ? fill(say.wordsClashes, { words }) : words}
      {...hand.handlersOf(notch)}
      className={`absolute z-10 flex touch-none flex-col items-start gap-0.5 overflow-hidden rounded-small border border-edge bg-sheet px-1.5 py-0.5 text-left text-fine leading-tight ${classesOf(props)}`}
      style={{
        top,
        height: height - 1,
        left: `calc(${(lane.lane / lane.of) * 100}% + 2px)`,
        width: `calc(${100 / lane.of}% - 5px)`,
      }}
    >
      <span aria-hidden="true" className="flex w-full items-center gap-1">
        {classPeriod && <Pennant pennant={classPeriod.pennant} size="tiny" />}
        <Title notch={notch} series={series} classPeriod={classPeriod} />
        {isClashing && <span className="ml-auto size-2.5 shrink-0 rounded-full bg-berry" />}
      </span>
      <span aria-hidden="true" className="font-mono text-xs whitespace-nowrap">
        {notch.time}
        {lane.of === 1 && `–${addMinutes(notch.time, notch.minutes)}`}
      </span>
      <SlotLines time={notch.time} minutes={notch.minutes} slots={series?.slots} layout={layout} />
    </button>
  );
}
