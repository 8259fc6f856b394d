import { plusMinutes } from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import { isDuplicate } from '../../db/errors.js';
import type { Glen } from '../../glen.js';
import { HttpProblem } from '../../http/problem.js';
import { takeCall } from './callers.js';
import { hasLine } from './lineStore.js';
import { keepRecording } from './recordedStore.js';
import { takeTicket } from './keptOutStore.js';
import {
  arrive,
  everyoneOut,
  forgetRoom,
  heldSeat,
  heldSittingOfRoom,
  leave,
  noteWebhook,
  readRoom,
} from './visitStore.js';

type VideoEvent = Body<'videoEvent'>;

/** The service says that a room is gone: whoever comes next gets a new one. */
async function roomGone(glen: Glen, { room, nth }: VideoEvent, at: string): Promise<void> {
  const sitting = await heldSittingOfRoom(glen.db, room);
  if (!sitting) return;
  await everyoneOut(glen.db, sitting.id, at, { room: readRoom(room).room, nth });
  // A word that comes late may be of a room that another has followed.
  if (sitting.room === room) await forgetRoom(glen.db, sitting.id);
  await glen.announce(`class:${sitting.class_id}`, { thing: 'desk', id: sitting.link_id });
}

/** A room has recorded something, or kept its chat: its hosts find it under the session, and say who else does. */
async function recorded(glen: Glen, { type, room, recording, minutes }: VideoEvent, at: string) {
  const isChat = type === 'chat';
  if (recording === undefined || (minutes === undefined && !isChat)) return;
  const kept = isChat
    ? { title: 'Chat', minutes: null }
    : { title: 'Recording', minutes: minutes ?? null };
  const door = await keepRecording(glen.db, { room, recording, at, ...kept });
  if (door) await glen.announce(`class:${door.classId}`, { thing: 'desk', id: door.linkId });
}

/** Somebody has arrived in a room, or left it. */
async function seatChanged(glen: Glen, event: VideoEvent, at: string): Promise<void> {
  const isNumber = event.visitor !== undefined && /^\d+$/.test(event.visitor);
  const seat = isNumber ? await heldSeat(glen.db, event.room, Number(event.visitor)) : undefined;
  if (!seat) return;
  await (event.type === 'arrived' ? arrive : leave)(glen.db, { ...seat, nth: event.nth }, at);
  await glen.announce(`class:${seat.class_id}`, { thing: 'desk', id: seat.link_id });
  // A seat may be free for whoever waits for one.
  const isAwaited = event.type === 'left' && (await hasLine(glen.db, seat.sitting_id));
  if (seat.role === 'host' || isAwaited)
    await glen.announce(`door:${seat.link_id}`, { thing: 'door', id: seat.link_id });
}

const secondsSince = (instant: string, earlier: string): number =>
  (Date.parse(instant) - Date.parse(earlier)) / 1000;

/** Whether an event comes for the first time. */
async function isNew(glen: Glen, id: string): Promise<boolean> {
  try {
    await noteWebhook(glen.db, id, glen.clock.machine());
    return true;
  } catch (error) {
    if (!isDuplicate(error)) throw error;
    await glen.auditCounted({ action: 'repeated-webhook', subject: 'video' });
    return false;
  }
}

interface Signed {
  headers: { time: string | undefined; signature: string | undefined };
  rawBody: Buffer | undefined;
}

/** Throws 401 for what the video service has not signed just now; that is noted. */
async function mustBeSigned(glen: Glen, { headers, rawBody }: Signed): Promise<void> {
  if (rawBody && glen.video?.isSigned(headers, rawBody)) return;
  await glen.auditCounted({ action: 'refused-webhook', subject: 'video' });
  throw new HttpProblem(401, 'The signature does not fit.');
}

/** Whether a ticket that somebody brings to the room is good: it is their last, not used, and not taken back since. */
export async function takeRoomTicket(
  glen: Glen,
  signed: Signed,
  { room, visitor, ticket }: Body<'takeTicket'>,
): Promise<Answer<'takeTicket'>> {
  await mustBeSigned(glen, signed);
  const hash = glen.tokens.hash('ticket', ticket);
  const asked = { visitorId: Number(visitor), room, hash, now: glen.clock.machine() };
  return { isGood: await takeTicket(glen.db, asked) };
}

/** What a phone caller hears, asked by the video service for as long as they are on the line and not in. */
export async function takePhoneCall(
  glen: Glen,
  signed: Signed,
  asked: Body<'phoneCall'>,
): Promise<Answer<'phoneCall'>> {
  await mustBeSigned(glen, signed);
  return takeCall(glen, asked);
}

/** Takes an event of the video service once: a forged or late one is refused and noted, a repeated one changes nothing. */
export async function takeVideoEvent(glen: Glen, signed: Signed, event: VideoEvent): Promise<void> {
  await mustBeSigned(glen, signed);
  // The service knows machine time only; what it tells of belongs to school time.
  const lag = Math.max(0, secondsSince(glen.clock.machine(), event.at));
  const at = plusMinutes(glen.clock.school(-lag), 0);
  await glen.db.transaction(async () => {
    if (!(await isNew(glen, event.id))) return;
    if (event.type === 'ended') await roomGone(glen, event, at);
    else if (event.type === 'recorded' || event.type === 'chat') await recorded(glen, event, at);
    else await seatChanged(glen, event, at);
  });
}
