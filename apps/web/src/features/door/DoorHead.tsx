import { addMinutes, dateInWords, schoolTime } from '@glen/core/light';
import type { Answer, Me } from '@glen/contract';
import { wallClock } from '../../app/clock.js';
import { Pennant } from '../../ui/Pennant.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type Door = Answer<'door'>;

/** When the session is, by the school's clock; by whoever looks on's own too where that shows another time. */
function Times({ door, zone }: { door: Door; zone: string }) {
  const s = door.session;
  if (!s) return null;
  const local = wallClock(s.start, Intl.DateTimeFormat().resolvedOptions().timeZone);
  const isSame = local.time === s.time && local.date === s.date;
  const localDate = local.date === s.date ? '' : `${dateInWords(local.date)}, `;
  return (
    <p className="mt-1 text-soft">
      <span className="font-mono text-ink">
        {dateInWords(s.date)}, {s.time}–{addMinutes(s.time, s.minutes)}
      </span>
      {!isSame && (
        <span className="block text-sm">
          {fill(say.onYourClock, { time: schoolTime(zone), localDate, localTime: local.time })}
        </span>
      )}
    </p>
  );
}

/** Why somebody stands at another door than the one whose link they followed. */
function cameInWords(door: Door, zone: string): string {
  if (door.came!.by === 'together')
    return fill(say.yourClassMeetsAtThis, { classTitle: door.classTitle });
  return door.came!.until === null
    ? say.yourLinkWasReplacedIt
    : fill(say.yourLinkWasReplacedItLeads, {
        date: dateInWords(wallClock(door.came!.until, zone).date),
      });
}

/** Whose door it is, when its session is held, and why one stands here rather than elsewhere. */
export function DoorHead({ me, door }: { me: Me; door: Door }) {
  const { name, zone } = me.school;
  const { title, classTitle, host, came, change, decision } = door;
  return (
    <>
      <div className="flex items-center gap-3.5">
        <Pennant pennant={door.pennant} size="large" />
        <div className="min-w-0">
          <p className="text-sm text-soft">{name}</p>
          <ScreenTitle tab={fill(say.titleTheDoor, { title })}>{title}</ScreenTitle>
        </div>
      </div>
      <p className="mt-2 text-soft">
        {title === classTitle
          ? fill(say.withHost, { host })
          : fill(say.ofWithHost, { classTitle, host })}
      </p>
      <Times door={door} zone={zone} />
      {change && (
        <p className="mt-4 rounded-small bg-gorse-tint px-3 py-2 font-semibold text-gorse-deep">
          {change}
        </p>
      )}
      {came && decision.reason !== 'link-retired' && (
        <p className="mt-4 rounded-small bg-loch-tint px-3 py-2 text-loch-deep">
          {cameInWords(door, zone)}
        </p>
      )}
    </>
  );
}
