import { dateInWords } from '@glen/core';
import type { Answer } from '@glen/contract';
import { Button } from '../../ui/Button.js';
import type { FreeTime } from './BusyStrip.js';
import { BareTick } from '../../ui/BareTick.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type Found = Answer<'freeTimes'>;

/** "everybody can", "without Signe Aalto". */
function whoCan({ missing }: FreeTime, people: Found['people']): string {
  if (missing.length === 0) return people.length === 1 ? 'free' : say.everybodyCan;
  const names = missing.map((id) => people.find((one) => one.id === id)?.name ?? '');
  return fill(say.withoutNames, { names: names.join(', ') });
}

interface TimesListProps {
  times: FreeTime[];
  people: Found['people'];
  chosen: FreeTime;
  isSending: boolean;
  /** Those that are ticked, to be offered, by when they begin. */
  ticked: string[];
  onTick: (time: FreeTime) => void;
  onChoose: (time: FreeTime) => void;
  onSchedule: (time: FreeTime) => void;
}

interface LineProps extends Omit<TimesListProps, 'times'> {
  time: FreeTime;
}

function TimeLine({ time, people, chosen, isSending, ticked, onTick, ...on }: LineProps) {
  const { onChoose, onSchedule } = on;
  const isChosen = time.start === chosen.start;
  const when = `${dateInWords(time.date)}, ${time.time}`;
  return (
    <li
      className={`flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-line px-2 py-1.5 ${isChosen ? 'bg-shade' : ''}`}
      onMouseEnter={() => onChoose(time)}
    >
      <BareTick
        aria-label={fill(say.offerToGuests, { when })}
        checked={ticked.includes(time.start)}
        onChange={() => onTick(time)}
      />
      <button
        type="button"
        aria-pressed={isChosen}
        className="min-w-0 flex-1 basis-56 text-left"
        onClick={() => onChoose(time)}
        onFocus={() => onChoose(time)}
      >
        <span className="font-semibold">{dateInWords(time.date)}</span>{' '}
        <span className="font-mono">
          {time.time}–{time.until}
        </span>{' '}
        <span className={time.missing.length === 0 ? 'text-moss-deep' : 'text-gorse-deep'}>
          {whoCan(time, people)}
        </span>
      </button>
      <Button
        className="!px-2.5 !py-1 !text-sm"
        aria-label={fill(say.scheduleItOn, { when })}
        disabled={isSending}
        onClick={() => onSchedule(time)}
      >
        {say.scheduleIt}
      </Button>
    </li>
  );
}

/** Times in the order of their worth. */
export const TimesList = ({ times, ...of }: TimesListProps) => (
  <ol className="mt-2 max-w-3xl">
    {times.map((time) => (
      <TimeLine key={time.start} time={time} {...of} />
    ))}
  </ol>
);
