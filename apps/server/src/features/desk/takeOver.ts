import { areHostsGone } from '@glen/core';
import type { Glen } from '../../glen.js';
import { addActingHost, whoTakesOver } from '../door/actingStore.js';
import { lockLinkById } from '../door/store.js';
import { roomsWithoutHost, type RoomWithoutHost } from './aloneStore.js';
import { noteHostIsIn, setRole } from './store.js';

/**
 * The hosts of a room have been gone for longer than a dropped line takes: whoever is in and takes over is host from now on,
 * until the session ends. Whether somebody has.
 */
export async function takeOver(
  glen: Glen,
  { sitting_id, link_id, inside }: RoomWithoutHost,
): Promise<boolean> {
  const at = { sittingId: sitting_id, linkId: link_id };
  // Looked at before anything is locked: most rooms have nobody who takes over.
  if (inside === 0 || !(await whoTakesOver(glen.db, at))) return false;
  const taken = await glen.db.transaction(async () => {
    await lockLinkById(glen.db, link_id);
    const [room] = await roomsWithoutHost(glen.db, sitting_id);
    if (!room || !areGone(room, glen.clock.school())) return false;
    const taker = await whoTakesOver(glen.db, at);
    if (!taker) return false;
    await makeHost(glen, room, taker);
    return true;
  });
  if (taken) glen.nudge();
  return taken;
}

const areGone = (
  { hosts_inside: hostsInside, host_left_at: hostLeftAt }: RoomWithoutHost,
  now: string,
): boolean => areHostsGone({ hostsInside, hostLeftAt }, now);

async function makeHost(
  glen: Glen,
  {
    sitting_id: sittingId,
    link_id: linkId,
    class_id: classId,
    room,
    room_address,
  }: RoomWithoutHost,
  { visitorId: visitor, personId }: { visitorId: number; personId: number },
): Promise<void> {
  await addActingHost(glen.db, { sittingId, personId, by: personId });
  await setRole(glen.db, visitor, 'host');
  await noteHostIsIn(glen.db, sittingId);
  if (room_address === null)
    await glen.enqueue({
      kind: 'set-role',
      subject: `${room}:${visitor}`,
      payload: { room, visitor, role: 'host' },
    });
  await glen.audit({ by: personId, action: 'take-over', subject: `sitting:${sittingId}` });
  await glen.announce(`class:${classId}`, { thing: 'desk', id: linkId });
  await glen.announce(`door:${linkId}`, { thing: 'door', id: linkId });
}
