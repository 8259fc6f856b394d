import type { Answer } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { HttpProblem } from '../../http/problem.js';
import type { Who } from '../../http/who.js';
import { reopenLinksOf, stopLinksOf } from '../link/rest.js';
import { putBackOnBooks, takeOffBooks } from '../plan/rest.js';
import { classItem } from '../school/classItem.js';
import { classById } from '../school/classes.sql.js';
import { announceClass } from './announceClass.js';
import { changeClass } from './editClass.js';
import { rollIds, staffEntries } from './store.js';
import { atStake } from './atStake.sql.js';

type AtRest = Answer<'putAwayClass'>;

export const putAwayFacts = (glen: Glen, classId: number): Promise<Answer<'putAwayFacts'>> =>
  atStake(glen.db, classId, glen.clock.school());

/** Whoever teaches there has one class period less, or more, to see; whoever learns there one door. */
async function tellEverybody(glen: Glen, classId: number): Promise<void> {
  for (const { person_id: id } of await staffEntries(glen.db, classId))
    await glen.announce(`person:${id}`, { thing: 'classes', id: classId });
  await announceClass(glen, classId, await rollIds(glen.db, classId));
}

async function asItIs(glen: Glen, classId: number, who: Who): Promise<AtRest> {
  const row = (await classById(glen.db, classId, who.person!.id))!;
  return { class: classItem(glen, row), version: row.version };
}

/**
 * Puts a class period away: its links stop, what it has still to come is taken off, its posts are taken down; all it had
 * is kept. 409 while its door is open.
 */
export async function putAwayClass(
  glen: Glen,
  classId: number,
  who: Who,
  version: number,
): Promise<AtRest> {
  const now = glen.clock.school();
  const columns = { put_away_at: now };
  await changeClass(
    glen,
    who,
    { classId, version, action: 'put-away-class', columns },
    async () => {
      const before = await atStake(glen.db, classId, now);
      if (before.isRunning)
        throw new HttpProblem(409, 'Its door is open just now. End the session first.');
      await takeOffBooks(glen, classId);
      await stopLinksOf(glen, classId);
      await tellEverybody(glen, classId);
      return { before, after: columns, answer: undefined };
    },
  );
  glen.nudge();
  return asItIs(glen, classId, who);
}

/** Brings a class period back: the links work that stopped with it, and what is still to come is on the plan again. */
export async function bringBackClass(
  glen: Glen,
  classId: number,
  who: Who,
  version: number,
): Promise<AtRest> {
  const { put_away_at: putAwayAt } = (await classById(glen.db, classId, who.person!.id))!;
  if (putAwayAt === null) throw new HttpProblem(409, 'This class period has not been put away.');
  const columns = { put_away_at: null };
  await changeClass(
    glen,
    who,
    { classId, version, action: 'bring-class-back', columns },
    async () => {
      await reopenLinksOf(glen, classId);
      await putBackOnBooks(glen, classId);
      await tellEverybody(glen, classId);
      return { before: { put_away_at: putAwayAt }, after: columns, answer: undefined };
    },
  );
  glen.nudge();
  return asItIs(glen, classId, who);
}
