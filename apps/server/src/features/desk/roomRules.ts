import { isDeepStrictEqual } from 'node:util';
import type { EntryRules } from '@glen/core';
import type { Glen } from '../../glen.js';
import type { RoomWish } from '../../outside/videoService.js';
import { decideAt } from '../door/decide.js';
import { readDoor } from '../door/facts.js';
import { lockLinkById } from '../door/store.js';
import { roomRules } from '../door/wayIn.js';
import { rulesOfLink, rulesOfSession } from '../entry/layers.js';
import { peopleInRoom, roomToRule, setRole, noteRulesTold, type RoomToRule } from './store.js';

/** What a room is to hold now: the rules in force at its session, and what its hosts have let for it alone. */
function rulesWanted(room: RoomToRule, rules: EntryRules): RoomWish['rules'] {
  return {
    ...roomRules(rules),
    ...(room.all_share ? { sharing: 'everyone' } : {}),
    ...(room.chime === null ? {} : { chime: room.chime }),
  };
}

/** Whoever is inside has the role that the door would now give them; hosts and whom a host lets present keep theirs. */
async function reviseRoles(glen: Glen, { id, link_id, code, room }: RoomToRule): Promise<void> {
  // As whoever enters does: first the link, then those at its door.
  await lockLinkById(glen.db, link_id);
  for (const visitor of await peopleInRoom(glen.db, id)) {
    const asker = { accountId: visitor.account_id };
    // Read anew: another process may have changed the rules a moment ago, and this one not have heard of it.
    const facts = await readDoor(glen, code, asker, { straight: true, fresh: true });
    if (facts?.at?.occurrence.sitting_id !== id) return;
    const { role } = decideAt(facts, { entryCode: visitor.entry_code ?? undefined });
    if (role === undefined || role === visitor.role || role === 'host') continue;
    await setRole(glen.db, visitor.id, role);
    const payload = { room, visitor: visitor.id, role };
    await glen.enqueue({ kind: 'set-role', subject: `${room}:${visitor.id}`, payload });
  }
}

/**
 * Has the room of a sitting hold the rules that are in force now. Nothing is asked of the video service where it holds
 * them already, nor where no room stands.
 */
export async function holdRules(glen: Glen, sittingId: number): Promise<void> {
  const room = await roomToRule(glen.db, sittingId);
  if (!room || !glen.video) return;
  const rules = rulesOfSession(await rulesOfLink(glen.db, room.link_id), room);
  const wanted = rulesWanted(room, rules);
  const { rules_told: told } = room;
  if (isDeepStrictEqual(told, wanted)) return;
  await glen.video.setRules(room.room, wanted);
  await noteRulesTold(glen.db, sittingId, wanted);
  if (told?.presenters === wanted.presenters) return;
  await glen.db.transaction(() => reviseRoles(glen, room));
  await glen.announce(`class:${room.class_id}`, { thing: 'desk', id: room.link_id });
  glen.nudge();
}
