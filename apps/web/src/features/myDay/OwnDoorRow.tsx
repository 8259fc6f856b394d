import { Link } from 'react-router';
import { addMinutes, dateInWords, isOvernight } from '@glen/core/light';
import type { OwnDoor } from '@glen/contract';
import { timeUntil, wallClock } from '../../app/clock.js';
import { buttonClass } from '../../ui/Button.js';
import { Chip } from '../../ui/Chip.js';
import { Pennant } from '../../ui/Pennant.js';
import { movedInWords } from '../plan/moved.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

interface DoorProps {
  door: OwnDoor;
  /** The school's local date. */
  today: string;
  /** An instant of school time. */
  now: string;
  zone: string;
}

/** Whether nobody goes in any more: it was ended, or its time is past and no host holds it open. */
export const isOver = (door: OwnDoor, now: string): boolean =>
  door.door === 'ended' || (door.closes <= now && door.door !== 'open');

function OpenState({ door, now, zone }: DoorProps) {
  if (isOver(door, now)) return <Chip>{say.over}</Chip>;
  if (door.door === 'open') return <Chip tone="well">{say.openNow}</Chip>;
  if (now >= door.opens)
    return <Chip tone="careful">{fill(say.waitsFor, { host: door.host })}</Chip>;
  return (
    <Chip tone="inform">
      {fill(say.opensIn, {
        time: wallClock(door.opens, zone).time,
        span: timeUntil(door.opens, now),
      })}
    </Chip>
  );
}

/** It is held on another day than today. */
export const isAway = ({ door, today }: Pick<DoorProps, 'door' | 'today'>): boolean =>
  door.date !== today && !isOvernight(door, today);

function State(props: DoorProps) {
  const { door, today } = props;
  if (door.status === 'cancelled')
    return (
      <Chip tone="wrong">
        {door.why ? fill(say.cancelledWhy, { why: door.why }) : say.cancelled}
      </Chip>
    );
  if (isAway(props))
    return (
      <Chip tone="careful">
        {fill(say.movedTo, { date: dateInWords(door.date), time: door.time })}
      </Chip>
    );
  return (
    <>
      {isOvernight(door, today) && <Chip>{say.sinceYesterday}</Chip>}
      {door.was && <Chip tone="careful">{movedInWords(door)}</Chip>}
      <OpenState {...props} />
    </>
  );
}

function Times({ time, minutes }: { time: string; minutes: number }) {
  return (
    <p className="w-14 shrink-0 pt-0.5 font-mono leading-tight">
      <span className="font-semibold">{time}</span>
      <br />
      <span className="text-sm text-soft">{addMinutes(time, minutes)}</span>
    </p>
  );
}

/** Where people come by slots: when one's own is, and the way to take one or to change it. */
function OwnSlot({ door: { inSlots, slot, code, title }, zone }: DoorProps) {
  if (!inSlots) return null;
  return (
    <p className="mt-1.5">
      {slot !== null && (
        <b>
          <Said
            as={say.yourSlot}
            time={<span className="font-mono">{wallClock(slot, zone).time}</span>}
          />{' '}
        </b>
      )}
      <Link
        className="text-bracken-deep underline"
        to={`/sign-up/${code}`}
        aria-label={`${slot === null ? say.takeASlot : say.changeYourSlot}: ${title}`}
      >
        {slot === null ? say.takeASlot : say.changeYourSlot}
      </Link>
    </p>
  );
}

/** To the door, and to one's slot where people come by slots. */
function WaysOn(props: DoorProps & { first: boolean }) {
  const { door, first } = props;
  return (
    <>
      <OwnSlot {...props} />
      <Link
        to={`/${door.watches ? 'watch' : 'door'}/${door.code}`}
        className={`${buttonClass(first ? 'act' : 'plain')} mt-2.5`}
        aria-label={fill(say.toTheDoorOfDoor, { door: door.title })}
      >
        {say.toTheDoor}
      </Link>
    </>
  );
}

/** One door of somebody's own day. `first`: the one to go to now. */
export function OwnDoorRow(props: DoorProps & { first: boolean }) {
  const { door, now } = props;
  const { title, classTitle, host, description } = door;
  const isGone = door.status === 'cancelled' || isAway(props);
  const isPast = !isGone && isOver(door, now);
  const { time, minutes } = isAway(props) && door.was ? door.was : door;
  return (
    <li className={`border-t border-line py-3.5 ${isGone || isPast ? 'text-soft' : ''}`}>
      <div className="flex items-start gap-3.5">
        <Times time={time} minutes={minutes} />
        <div className="min-w-0 flex-1">
          <h2 className={`flex items-center gap-2 text-lg ${isGone ? 'line-through' : ''}`}>
            <Pennant pennant={door.pennant} size="small" />
            <span className="min-w-0 break-words">{title}</span>
          </h2>
          <p className="text-sm text-soft">
            {title === classTitle
              ? fill(say.withHost, { host })
              : fill(say.ofWithHost, { classTitle, host })}
          </p>
          {description && !isGone && (
            <p className="mt-1 line-clamp-4 text-md break-words whitespace-pre-wrap">
              {description}
            </p>
          )}
          <p className="mt-1.5 flex flex-wrap gap-2">
            <State {...props} />
          </p>
          {!isGone && !isPast && <WaysOn {...props} />}
        </div>
      </div>
    </li>
  );
}
