import { bellsOn, dayInfo, isHeld, minuteOfDay } from '@glen/core';
import type { ClassItem } from '@glen/contract';
import { chosenNotch } from '../chosen.js';
import { lanesOf } from '../dayLineLayout.js';
import type { Notch } from '../strip/layout.js';
import type { GridProps } from '../strip/stripProps.js';
import type { StripSeries } from '../strip/inWords.js';
import { SlotLines } from './SlotLines.js';
import type { WeekHand } from './useWeekHand.js';
import { WeekBlock } from './WeekBlock.js';
import { boxOf, type WeekLayout } from './weekLayout.js';
import { fill } from '../../../ui/fill.js';
import * as say from '../words.js';

const LEAST_HEIGHT = 20;

interface DayProps extends GridProps {
  date: string;
  series: Map<number, StripSeries>;
  classOf: (n: Notch) => ClassItem | undefined;
  layout: WeekLayout;
  hand: WeekHand;
}

function Bells({ date, school, layout }: Pick<DayProps, 'date' | 'school' | 'layout'>) {
  const { y } = layout;
  return bellsOn(school, date).map((b) => {
    const top = y(minuteOfDay(b.start, 'start'));
    return (
      <span
        key={b.label}
        aria-hidden="true"
        className="absolute inset-x-0 border-t border-dotted border-line bg-shade/40 px-1 text-xs text-soft"
        style={{ top, height: y(minuteOfDay(b.end, 'end')) - top }}
      >
        {b.label}
      </span>
    );
  });
}

/** What the sheet would put on the books on this day. */
function ProposedBlocks({
  date,
  proposed,
  layout,
}: Pick<DayProps, 'date' | 'proposed' | 'layout'>) {
  if (!proposed) return null;
  const here = proposed.rows.filter((o) => isHeld(o) && o.date === date);
  return here.map((o) => (
    <span
      key={o.key}
      className="pointer-events-none absolute inset-x-1 z-20 rounded-small border-2 border-bracken bg-bracken-tint px-1.5 text-fine font-semibold text-bracken-deep"
      style={boxOf(layout, o, LEAST_HEIGHT)}
    >
      {fill(proposed.clashing.has(o.key) ? say.newAtClashes : say.newAt, { time: o.time })}
      <SlotLines time={o.time} minutes={o.minutes} slots={proposed.slots} layout={layout} />
    </span>
  ));
}

/** The carried session, where it would be put down. */
function Ghost({ date, hand, layout }: Pick<DayProps, 'date' | 'hand' | 'layout'>) {
  const { carried, landing } = hand;
  if (carried?.date !== date || !landing) return null;
  const colours =
    landing.tone === 'wrong'
      ? 'border-berry bg-berry-tint text-berry-deep'
      : 'border-bracken bg-bracken-tint text-bracken-deep';
  const { time, notch } = carried;
  return (
    <span
      className={`pointer-events-none absolute inset-x-1 z-20 rounded-small border-2 px-1.5 text-fine font-semibold ${colours}`}
      style={boxOf(layout, { time, minutes: notch.minutes }, LEAST_HEIGHT)}
    >
      {time}
    </span>
  );
}

/** One day of the week: its bells behind, its sessions as blocks before them. */
export function WeekDay(props: DayProps) {
  const { date, strip, school, series, classOf, chosen, clashing, now, layout, hand } = props;
  const here = strip.notches.filter((n) => n.date === date);
  const lanes = lanesOf(
    here.map((n) => {
      const start = minuteOfDay(n.time, 'time');
      return { start, end: start + n.minutes };
    }),
  );
  const chosenId = chosenNotch(chosen)?.id;
  const shade = dayInfo(school, date).teaching ? '' : 'bg-shade';
  return (
    <div className={`relative border-l border-line ${shade}`}>
      <Bells date={date} school={school} layout={layout} />
      {here.map((n, i) => (
        <WeekBlock
          key={n.id}
          notch={n}
          series={series.get(n.seriesId)}
          classPeriod={classOf(n)}
          lane={lanes[i]!}
          now={now}
          isChosen={n.id === chosenId}
          isClashing={clashing.has(n.id)}
          layout={layout}
          hand={hand}
        />
      ))}
      <ProposedBlocks {...props} />
      <Ghost {...props} />
    </div>
  );
}
