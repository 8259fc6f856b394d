import { SLOT_WARNING_MINUTES, plusMinutes, type SlotTurn, type TimeWindow } from '@glen/core';
import type { OccurrenceRow } from '../../db/models/Occurrence.js';
import type { SignUpRow } from '../../db/models/SignUp.js';
import type { SittingRow } from '../../db/models/Sitting.js';
import type { VisitorRow } from '../../db/models/Visitor.js';
import type { Glen } from '../../glen.js';
import { lockLinkById } from '../door/store.js';
import { leave } from '../door/visitStore.js';
import { turnOf } from '../door/turn.js';
import { isTheirSlot } from '../slot/whose.js';
import { reseatSeries, slotsOfDate, stands } from '../slot/reseat.js';
import { scheduleSlots } from '../slot/schedule.js';
import { groupsOfPerson, signUpsOf } from '../slot/signUpStore.js';
import { waysOfSeries, type KeptWays } from '../slot/waysStore.js';
import { comersOf, noteTurnOver, noteWarned, runningOf } from './slotTurnsStore.js';

/** A session in slots while it runs. */
interface Running {
  date: OccurrenceRow;
  sitting: SittingRow;
  ways: KeptWays;
  slots: TimeWindow[];
  signUps: SignUpRow[];
  now: string;
}

/** Out of the room, to make way: nobody is kept out by that, they knock again. */
async function makeWay(glen: Glen, { sitting, now }: Running, visitor: VisitorRow): Promise<void> {
  const { id, role } = visitor;
  if (sitting.room_address !== null)
    return leave(glen.db, { visitor_id: id, sitting_id: sitting.id, role }, now);
  if (sitting.room === null) return;
  const payload = { room: sitting.room, visitor: id, why: 'left' };
  await glen.enqueue({ kind: 'put-out', subject: `${sitting.room}:${id}`, payload });
}

/** Whether somebody else's slot runs, who would come in. */
function othersTurn({ slots, signUps, now }: Running, personId: number): boolean {
  const current = slots.findIndex(({ start, end }) => start <= now && now < end);
  return signUps.some((one) => one.nth === current && one.person_id !== personId);
}

/** Whoever's slot is over knocks again once they are out; where that is the rule, they make way by themselves. */
async function endTurn(glen: Glen, running: Running, visitor: VisitorRow): Promise<void> {
  if (visitor.state !== 'let-in' || visitor.turn_over) return;
  const leaves = running.ways.leaves === 'by-itself' && othersTurn(running, visitor.person_id!);
  if (visitor.inside && !leaves) return;
  if (visitor.inside) await makeWay(glen, running, visitor);
  await noteTurnOver(glen.db, visitor.id);
}

/** Says to whoever is in that their slot ends soon, once. */
async function warn(
  glen: Glen,
  { sitting, signUps, slots, now }: Running,
  visitor: VisitorRow,
): Promise<void> {
  if (!visitor.inside || sitting.room === null || sitting.room_address !== null) return;
  const groups = await groupsOfPerson(glen.db, visitor.person_id!);
  const own = signUps.find((one) => {
    const slot = one.nth === null ? undefined : slots[one.nth];
    const isNow = slot !== undefined && slot.start <= now && now < slot.end;
    return isNow && isTheirSlot(one, visitor.person_id!, groups);
  });
  if (!own || !(await noteWarned(glen.db, own.id))) return;
  const text = 'Your slot ends in two minutes. Somebody else comes next.';
  const payload = { room: sitting.room, visitor: visitor.id, text };
  await glen.enqueue({ kind: 'room-word', subject: `${sitting.room}:${visitor.id}`, payload });
}

/** One who waits or is in, as their slot begins, is about to end, or has ended. */
async function lookAtComer(
  glen: Glen,
  running: Running,
  visitor: VisitorRow,
  turn: SlotTurn,
): Promise<void> {
  const { now, slots } = running;
  if (turn.kind === 'over') await endTurn(glen, running, visitor);
  if (turn.kind !== 'now') return;
  // Their door looks again, and lets them in.
  if (visitor.state === 'waiting' && visitor.session_id !== null)
    await glen.announce(`browser:${visitor.session_id}`, {
      thing: 'door',
      id: running.sitting.link_id,
    });
  const isFollowed = running.signUps.some(
    ({ nth }) => nth !== null && (slots[nth]?.start ?? '') >= turn.end,
  );
  if (isFollowed && plusMinutes(turn.end, -SLOT_WARNING_MINUTES) <= now)
    await warn(glen, running, visitor);
}

async function lookAtRunning(glen: Glen, running: Running): Promise<void> {
  const { date, sitting, slots, now } = running;
  await lockLinkById(glen.db, sitting.link_id);
  const of = { seriesId: date.series_id, key: date.key_date, slots };
  for (const visitor of await comersOf(glen.db, sitting.id)) {
    const personId = visitor.taken_for ?? visitor.person_id;
    if (personId === null) continue;
    await lookAtComer(glen, running, visitor, await turnOf(glen, of, { personId, now }));
  }
  await glen.announce(`class:${date.class_id}`, { thing: 'desk', id: sitting.link_id });
  await glen.announce(`door:${sitting.link_id}`, { thing: 'door', id: sitting.link_id });
}

/**
 * Looks after the slots of a series: who has which, whose has begun and whose is over, and when to look again. Repeating it does no
 * harm; whatever changes wakes it before.
 */
export async function lookAfterSlots(glen: Glen, seriesId: number): Promise<void> {
  await glen.db.transaction(async () => {
    const now = glen.clock.school();
    const { next, classId, hasChanged } = await reseatSeries(glen, seriesId);
    const ways = (await waysOfSeries(glen.db, [seriesId])).get(seriesId);
    if (ways)
      for (const { date, sitting } of await runningOf(glen.db, seriesId, now)) {
        const signUps = (await signUpsOf(glen.db, { seriesId, key: date.key_date })).filter(stands);
        const slots = slotsOfDate(date, ways);
        await lookAtRunning(glen, { date, sitting, ways, slots, signUps, now });
      }
    if (hasChanged && classId !== null)
      await glen.announce(`class:${classId}`, { thing: 'class', id: classId });
    if (next !== null) await scheduleSlots(glen, seriesId, next);
  });
  glen.nudge();
}
