import { Popover } from 'radix-ui';
import { useState } from 'react';
import { addMinutes, longerFromNow, plusMinutes } from '@glen/core/light';
import { api } from '../../app/api.js';
import { useNow } from '../../app/clock.js';
import { Button, buttonClass } from '../../ui/Button.js';
import { deskCard } from './HandOver.js';
import type { Desk, DeskActions } from './useDesk.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

/** Lets the running session last longer, and says beforehand what it would run into. */
export function Extend({ desk, act }: { desk: Desk; act: DeskActions }) {
  const [open, setOpen] = useState(false);
  const { data: today } = api.useTodayQuery();
  const now = useNow();
  const session = desk.session;
  if (!session) return null;
  const next = today?.sessions.find(
    (s) => s.start >= session.end && s.status !== 'cancelled' && !s.draft,
  );
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger className={buttonClass()}>{say.runLongerDots}</Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={6}
          align="start"
          className={deskCard}
          aria-label={say.letItRunLonger}
        >
          <p>
            <Said
              as={session.end > now ? say.itEndsAtPeopleInside : say.itWasToEnd}
              time={<span className="font-mono">{addMinutes(session.time, session.minutes)}</span>}
            />
          </p>
          <ul className="grid gap-2">
            {[5, 10, 15, 30].map((minutes) => {
              const length = longerFromNow(session, minutes, now);
              const hits = next && plusMinutes(session.start, length) > next.start;
              return (
                <li key={minutes} className="flex items-center gap-3">
                  <Button
                    onClick={() =>
                      void act.extend(minutes).then((done) => {
                        if (done) setOpen(false);
                      })
                    }
                  >
                    {fill(say.minutesMinMore, { minutes })}
                  </Button>
                  <span className="text-sm text-soft">
                    {fill(hits ? say.tillInto : say.till, {
                      time: addMinutes(session.time, length),
                      next: next?.title ?? '',
                    })}
                  </span>
                </li>
              );
            })}
          </ul>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
