import type { EntryRules, Role, RuleField } from '@glen/core';

/** A room as it ought to be, by the rules that rooms hold. */
export interface RoomWish {
  room: string;
  title: string;
  /** The class as the course site knows it, for services that list its people. */
  classRef: string;
  /** The join link's full address, for people inside who want to pass it on. */
  door: string;
  /** What is written in its chat is kept after its end. */
  keepChat: boolean;
  rules: Pick<
    EntryRules,
    | 'presenters'
    | 'arriveMuted'
    | 'mayUnmute'
    | 'camera'
    | 'hostCamera'
    | 'sharing'
    | 'chat'
    | 'chime'
    | 'recording'
  >;
}

export interface Seat {
  room: string;
  visitorId: number;
  name: string;
  role: Role;
  /** Let share by a host, whatever the rules say. */
  shares: boolean;
  /** The ticket's own number: whoever takes it asks Glen whether it is still good. */
  number: string;
}

/** The room rules that rooms hold where no other address has been given; without a service, none. */
export const roomRulesHeld = ({ video }: { video: VideoService | null }): RuleField[] =>
  video?.holds ?? [];

/** A video service. Every call but `ticket` may be repeated without harm; failures throw OutsideError. */
export interface VideoService {
  /** The number that phone callers dial, where it takes them. */
  phoneNumber: string | null;
  /** The room rules that it can hold. */
  holds: RuleField[];
  makeRoom(wish: RoomWish): Promise<void>;
  endRoom(room: string): Promise<void>;
  /** Takes somebody's seat away: put out by a host, or gone of their own will after handing over. */
  putOut(room: string, visitorId: number, why: 'put-out' | 'left'): Promise<void>;
  /** Gives somebody inside another role. */
  setRole(room: string, visitorId: number, role: Role): Promise<void>;
  /** Has a room hold other rules from now on. */
  setRules(room: string, rules: RoomWish['rules']): Promise<void>;
  /** Switches a microphone off, or those of all who do not host. */
  mute(room: string, visitorId: number | 'all'): Promise<void>;
  /** Lets somebody inside share, whatever the rules say, or no longer. */
  letShare(room: string, visitorId: number, may: boolean): Promise<void>;
  /** Says something to one inside, on their page of the room. */
  say(room: string, visitorId: number, text: string): Promise<void>;
  /** The address by which a recording can be had for some minutes. */
  recordingAddress(recording: string): Promise<string>;
  /** Takes a recording away for good. */
  dropRecording(recording: string): Promise<void>;
  /** The address that lets one person in once, soon. */
  ticket(seat: Seat): Promise<string>;
  /** Whether a webhook's signature fits its time and body, and the time is near. */
  isSigned(
    headers: { time: string | undefined; signature: string | undefined },
    rawBody: Buffer,
  ): boolean;
}
