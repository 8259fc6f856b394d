import { Popover } from 'radix-ui';
import { useState } from 'react';
import { dateInWords } from '@glen/core/light';
import { api, messageFor, problemOf } from '../../app/api.js';
import { useNow, wallClock } from '../../app/clock.js';
import { Button } from '../../ui/Button.js';
import { FieldError, inputClass } from '../../ui/Field.js';

/** School time in the top bar; in the demo it can be moved, and everything follows. */
export function SchoolClock({ zone, demo }: { zone: string; demo: boolean }) {
  const now = useNow();
  const { date, time } = wallClock(now, zone);
  const [move, { error, isLoading }] = api.useDemoClockMutation();
  const [target, setTarget] = useState({ date, time });
  const shown = `${dateInWords(date)} ${time}`;
  if (!demo)
    return (
      <time dateTime={now} className="font-mono text-sm text-bar-soft">
        {shown}
      </time>
    );
  const problem = problemOf(error);
  return (
    <Popover.Root
      onOpenChange={(open) => {
        if (open) setTarget({ date, time });
      }}
    >
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
          <div className="flex flex-wrap gap-2">
            <Button disabled={isLoading} onClick={() => void move({ body: { to: 'next-bell' } })}>
              To the next bell
            </Button>
            {[-10, -1, 1, 10, 60].map((minutes) => (
              <Button
                key={minutes}
                disabled={isLoading}
                aria-label={`${Math.abs(minutes)} minutes ${minutes < 0 ? 'back' : 'on'}`}
                onClick={() => void move({ body: { minutes } })}
              >
                {minutes > 0 ? '+' : '−'}
                {Math.abs(minutes)} min
              </Button>
            ))}
          </div>
          <form
            className="grid grid-cols-2 gap-2"
            onSubmit={(event) => {
              event.preventDefault();
              void move({ body: target });
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
            <Button type="submit" kind="strong" className="col-span-2" disabled={isLoading}>
              Go there
            </Button>
          </form>
          {problem && (
            <FieldError>{messageFor(problem, 'date', 'time') ?? problem.title}</FieldError>
          )}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
