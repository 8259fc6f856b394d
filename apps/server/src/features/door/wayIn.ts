import { registerWays, type EntryRules } from '@glen/core';
import { linkAddress } from '../../addresses.js';
import type { Glen } from '../../glen.js';
import { HttpProblem, wrongField } from '../../http/problem.js';
import { OutsideError } from '../../outside/outsideError.js';
import type { RoomWish, VideoService } from '../../outside/videoService.js';
import { readSchool } from '../school/store.js';
import { isClaimed } from './claimedNames.js';
import type { Seated } from './admit.js';
import { noteRoomReady } from './store.js';

/** The rules that a room is asked to hold. */
export const roomRules = (rules: EntryRules): RoomWish['rules'] => ({
  presenters: rules.presenters,
  arriveMuted: rules.arriveMuted,
  mayUnmute: rules.mayUnmute,
  camera: rules.camera,
  hostCamera: rules.hostCamera,
  sharing: rules.sharing,
  chat: rules.chat,
  chime: rules.chime,
  recording: rules.recording,
});

async function makeRoom(
  glen: Glen,
  video: VideoService,
  { room, facts: { row, rules, at } }: Seated,
): Promise<void> {
  await video.makeRoom({
    room,
    title: at!.occurrence.session_title,
    classRef: row.class_ref,
    door: linkAddress(glen, row.code),
    keepChat: registerWays((await readSchool(glen.db)).registers).keepsChat,
    rules: roomRules(rules),
  });
  // Where the rules were changed meanwhile, the room is told.
  const sittingId = await noteRoomReady(glen.db, room, roomRules(rules));
  if (sittingId !== undefined)
    await glen.enqueue({ kind: 'room-rules', subject: String(sittingId) });
}

/** Nobody has said yet where this door leads. */
export const noRoom = (): HttpProblem =>
  wrongField('room', 'No room is behind this door yet. Give the address of yours.');

/** What somebody is called in the room: whoever is not signed in is called so there, too. */
async function nameInRoom(glen: Glen, { name, facts }: Seated): Promise<string> {
  if (facts.who.account !== null || facts.call !== null) return name;
  const isAnothers = await isClaimed(glen, facts, name);
  return isAnothers ? `${name} (not signed in, not proven)` : `${name} (not signed in)`;
}

/** Seconds after which it is worth asking the video service again. */
const SOON_SECONDS = 2;

/** The address that lets one person into the room; the room is made first where it does not stand yet. */
export async function wayIn(glen: Glen, seat: Seated): Promise<string> {
  if (seat.address !== null) return seat.address;
  const { video } = glen;
  if (!video) throw noRoom();
  const { room, visitorId, decision, ticket, shares } = seat;
  const name = await nameInRoom(glen, seat);
  try {
    if (!seat.ready) await makeRoom(glen, video, seat);
    const { role } = decision;
    return await video.ticket({ room, visitorId, name, role: role!, shares, number: ticket });
  } catch (error) {
    if (error instanceof OutsideError)
      throw new HttpProblem(503, `${error.message} Your place is kept; try again in a moment.`, {
        retryAfter: SOON_SECONDS,
      });
    throw error;
  }
}
