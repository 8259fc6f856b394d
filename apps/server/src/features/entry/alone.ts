import { closesByItself } from '@glen/core';
import type { Session } from '@glen/contract';

/** What is known of a room and of who is in it. */
export interface RoomNow {
  inside: number;
  hosts_inside: number;
  host_left_at: string | null;
  ended_at: string | null;
  /** Of a pasted room, where it is. */
  room_address: string | null;
}

/** When its door closes, whether people may be in it without a host, and for how many minutes they may else. */
export interface WhenAlone {
  closes: string;
  withoutHost: boolean;
  minutes: number;
}

/** When a room is closed by itself. Out of a pasted room Glen can put nobody: of that it closes the door alone, at its time. */
const closingOf = (room: RoomNow, { closes, withoutHost, minutes }: WhenAlone) =>
  closesByItself(
    { hostsInside: room.hosts_inside, hostLeftAt: room.host_left_at, closes },
    { withoutHost: withoutHost || room.room_address !== null, minutes },
  );

/**
 * Whether a room that no host is in is to be closed at `now`. Where nobody is in it, its hosts may have stepped out before it
 * begins: it waits for them until its door closes.
 */
export function isToClose(room: RoomNow, when: WhenAlone, now: string): boolean {
  const at = closingOf(room, when);
  return at !== null && at <= now && (room.inside > 0 || when.closes <= now);
}

/** People who are in a room without a host; null where a host is in, or nobody. */
export function aloneIn(room: RoomNow, when: WhenAlone): Session['alone'] {
  if (room.inside === 0 || room.ended_at !== null) return null;
  const closesAt = closingOf(room, when);
  return closesAt === null ? null : { since: room.host_left_at, closesAt };
}
