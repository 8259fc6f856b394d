import { usualUntil } from '@glen/core';
import type { Answer } from '@glen/contract';
import { addThing } from '../apps/server/src/features/afterLesson/things.js';
import { describeClass } from '../apps/server/src/features/plan/classPeriod.js';
import { excuse } from '../apps/server/src/features/register/absences.js';
import { correct } from '../apps/server/src/features/register/correct.js';
import { describeRegister } from '../apps/server/src/features/register/register.js';
import { settleByItself } from '../apps/server/src/features/register/settle.js';
import type { Glen } from '../apps/server/src/glen.js';
import type { Who } from '../apps/server/src/http/who.js';
import { loadHistory } from './history.js';
import { DEMO_DAY } from './school.js';

type Register = Answer<'register'>;
const isAbsent = ({ status }: Register['rows'][number]): boolean => status === 'absent';

/** The register of the last session of a class period before a day that somebody missed. */
async function lastMissed(glen: Glen, classId: number, before: string): Promise<Register> {
  const { sessions } = await describeClass(glen, classId, 0);
  const past = sessions.filter(({ date, status }) => date < before && status === 'planned');
  for (const { seriesId, key } of past.reverse()) {
    const register = await describeRegister(glen, { seriesId, key }, true);
    if (register.rows.some(isAbsent)) return register;
  }
  throw new Error('Nobody ever missed a lesson.');
}

/** What is left after the last lesson of a class period before the demo's day: for everybody, and for those who were there. */
async function leaveNotes(glen: Glen, classId: number, personId: number): Promise<void> {
  const { sessions } = await describeClass(glen, classId, 0);
  const last = sessions.findLast(({ date, status }) => date < DEMO_DAY && status === 'planned')!;
  const of = { seriesId: last.seriesId, key: last.key, personId };
  const until = usualUntil(last.date);
  const note = { on: last.key, kind: 'note', until } as const;
  await addThing(glen, of, {
    ...note,
    title: 'For next time',
    words: 'Plot the passage from Merrow Point to the Skerries; take the 14:00 tide.',
    seenBy: 'everyone',
  });
  await addThing(glen, of, {
    ...note,
    title: 'What we had on the board',
    words: 'Set and drift: draw the course you want, then what the stream takes away.',
    seenBy: 'came',
  });
}

/**
 * Who came to the sessions that are over. Their registers have settled by themselves, those of the last day not yet; in one
 * a host has said that somebody was there, and the head knows of somebody who is ill.
 */
export async function loadRegisters(
  glen: Glen,
  ids: Map<string, number>,
  { head, host }: { head: Who; host: Who },
): Promise<void> {
  await loadHistory(glen);
  const { seriesId, key, rows } = await lastMissed(glen, ids.get('nav-3')!, '2026-10-13');
  const ill = rows.findLast((row) => row.status === 'present')!.personId!;
  const days = { from: DEMO_DAY, until: '2026-10-16' };
  await excuse(glen, ill, head, { classId: null, ...days, reason: 'ill' });
  await correct(glen, seriesId, host.person!.id, {
    on: key,
    personId: rows.find(isAbsent)!.personId!,
    status: 'present',
    reason: 'Phone died, was in the room',
    version: null,
  });
  await settleByItself(glen);
  await leaveNotes(glen, ids.get('nav-1')!, host.person!.id);
}
