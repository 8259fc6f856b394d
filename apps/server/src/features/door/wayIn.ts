import type { EntryRules } from '@glen/core';
import { linkAddress } from '../../addresses.js';
import type { Glen } from '../../glen.js';
import { HttpProblem } from '../../http/problem.js';
import { OutsideError } from '../../outside/outsideError.js';
import type { RoomWish } from '../../outside/videoService.js';
import type { Seated } from './admit.js';
import { noteRoomReady } from './store.js';

/** The rules that a room is asked to hold. */
const roomRules = (rules: EntryRules): RoomWish['rules'] => ({
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

async function makeRoom(glen: Glen, { room, facts: { row, rules, at } }: Seated): Promise<void> {
  await glen.video.makeRoom({
    room,
    title: at!.occurrence.session_title,
    classRef: row.class_ref,
    door: linkAddress(glen, row.code),
    rules: roomRules(rules),
  });
  await noteRoomReady(glen.db, room);
}

/** The address that lets one person into the room; the room is made first where it does not stand yet. */
export async function wayIn(glen: Glen, seat: Seated): Promise<string> {
  if (seat.address !== null) return seat.address;
  const { room, visitorId, name, decision } = seat;
  try {
    if (!seat.ready) await makeRoom(glen, seat);
    return await glen.video.ticket({ room, visitorId, name, role: decision.role! });
  } catch (error) {
    if (error instanceof OutsideError)
      throw new HttpProblem(502, `${error.message} Your place is kept; try again in a moment.`);
    throw error;
  }
}
