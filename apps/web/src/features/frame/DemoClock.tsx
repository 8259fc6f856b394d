import { Popover } from 'radix-ui';
import { useState } from 'react';
import { dateInWords } from '@glen/core/light';
import { api, messageFor, problemOf } from '../../app/api.js';
import { useNow, wallClock } from '../../app/clock.js';
import { Button } from '../../ui/Button.js';
import { FieldError, inputClass } from '../../ui/Field.js';

/** The steps one can take at a press, in minutes. */
const STEPS = [-10, -1, 1, 10, 60];

interface Moment {
  date: string;
  time: string;
}

type Move = (to: { to: 'next-bell' } | { minutes: number } | Moment) => void;

interface MovingProps {
  move: Move;
  isMoving: boolean;
}

const Steps = ({ move, isMoving }: MovingProps) => (
  <div className="flex flex-wrap gap-2">
    <Button disabled={isMoving} onClick={() => move({ to: 'next-bell' })}>
      To the next bell
    </Button>
    {STEPS.map((minutes) => (
      <Button
        key={minutes}
        disabled={isMoving}
        aria-label={`${Math.abs(minutes)} minutes ${minutes < 0 ? 'back' : 'on'}`}
        onClick={() => move({ minutes })}
      >
        {minutes > 0 ? '+' : '−'}
        {Math.abs(minutes)} min
      </Button>
    ))}
  </div>
);

function GoTo({ start, move, isMoving }: MovingProps & { start: Moment }) {
  const [target, setTarget] = useState(start);
  return (
    <form
      className="grid grid-cols-2 gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        move(target);
      }}
    >
      <label className="text-sm">
        Date
        <input
          type="date"
          required
          className={inputClass}
          value={target.date}
          onChange={(e) => setTarget({ ...target, date: e.target.value })}
        />
      </label>
      <label className="text-sm">
        Time
        <input
          type="time"
          required
          className={inputClass}
          value={target.time}
          onChange={(e) => setTarget({ ...target, time: e.target.value })}
        />
      </label>
      <Button type="submit" kind="strong" className="col-span-2" disabled={isMoving}>
        Go there
      </Button>
    </form>
  );
}

/** The demo's clock, to be moved; everything follows. */
function MovableClock({ date, time }: Moment) {
  const [moveClock, { error, isLoading }] = api.useDemoClockMutation();
  const move: Move = (body) => void moveClock({ body });
  const problem = problemOf(error);
  const shown = `${dateInWords(date)} ${time}`;
  return (
    <Popover.Root>
      <Popover.Trigger
        className="rounded-small px-1.5 py-1 font-mono text-sm whitespace-nowrap text-[#ffc9a8] hover:underline"
        aria-label={`Demo day, ${shown}. Move the clock`}
      >
        <span className="hidden min-[1100px]:inline">Demo day · </span>
        {shown}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={8}
          className="z-30 grid w-72 gap-3 rounded-big border border-line bg-sheet p-4 text-ink shadow-soft"
          aria-label="Move the demo’s clock"
        >
          <h2 className="text-base">Move the demo’s clock</h2>
          <Steps move={move} isMoving={isLoading} />
          <GoTo start={{ date, time }} move={move} isMoving={isLoading} />
          {problem && (
            <FieldError>{messageFor(problem, 'date', 'time') ?? problem.title}</FieldError>
          )}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

/** School time in the top bar; in the demo it can be moved. */
export function SchoolClock({ zone, demo }: { zone: string; demo: boolean }) {
  const now = useNow();
  const { date, time } = wallClock(now, zone);
  if (demo) return <MovableClock date={date} time={time} />;
  return (
    <time dateTime={now} className="font-mono text-sm text-bar-soft">
      {dateInWords(date)} {time}
    </time>
  );
}
