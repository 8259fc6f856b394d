import { programmeToTell, type ProgrammeItem } from '@glen/core';
import type { Glen } from '../../glen.js';
import { noteTold, programmeOf, type OfDate } from '../programme/programmeStore.js';
import { dateOf, insideOf, sittingOf } from './dateStore.js';
import { scheduleTelling } from './schedule.js';

const inWords = ({ title, speaker }: ProgrammeItem): string =>
  `In two minutes: ${title}${speaker === '' ? '' : `, ${speaker}`}.`;

/** Says to everybody inside what comes next. */
async function tellInside(glen: Glen, occurrenceId: number, item: ProgrammeItem): Promise<void> {
  const sitting = await sittingOf(glen.db, occurrenceId);
  if (!sitting?.room || sitting.room_address !== null) return;
  const { room } = sitting;
  for (const { id } of await insideOf(glen.db, sitting.id)) {
    const payload = { room, visitor: id, text: inWords(item) };
    await glen.enqueue({ kind: 'room-word', subject: `${room}:${id}`, payload });
  }
}

const dateIn = (subject: string): OfDate => {
  const [seriesId, key] = subject.split(':') as [string, string];
  return { seriesId: Number(seriesId), key };
};

/** Tells those inside two minutes before the next of a programme begins, each once; what was missed is not told afterwards. Repeating it does no harm. */
export async function tellNext(glen: Glen, subject: string): Promise<void> {
  const of = dateIn(subject);
  await glen.db.transaction(async () => {
    const kept = await programmeOf(glen.db, of, { isHeld: true });
    const date = kept && (await dateOf(glen.db, of));
    if (!date || date.status === 'cancelled') return;
    const told = { start: date.start_at, told: kept.told_after };
    const { due, next } = programmeToTell(kept.items, told, glen.clock.school());
    if (due) {
      await tellInside(glen, date.id, due);
      await noteTold(glen.db, of, due.after);
    }
    if (next !== null) await scheduleTelling(glen, of, next);
  });
  glen.nudge();
}
