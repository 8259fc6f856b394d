import { randomBytes } from 'node:crypto';
import { FIRST_RULES } from '@glen/core';
import type { Answer, Body, Query } from '@glen/contract';
import type { MovingInRow } from '../../db/models/MovingIn.js';
import type { Glen } from '../../glen.js';
import type { From } from '../../http/from.js';
import { HttpProblem, notFound, stale } from '../../http/problem.js';
import { hashPassword } from '../accounts/passwords.js';
import { begin, type SignedIn } from '../accounts/service.js';
import { addAccount, addPerson, addWords } from '../accounts/store.js';
import { checkedCalendar } from '../school/checkedCalendar.js';
import { holidaysBetween } from '../school/holidays.js';
import { schoolExists, writeSchool } from '../school/store.js';
import { heldStage, keepDraft, noteMovedIn, readStage, renewAddress } from './store.js';

const TOKEN_BYTES = 18;

/**
 * A fresh one-time address for moving in, told at a start; those told before are dead. Nothing where somebody has
 * moved in already.
 */
export const offerMovingIn = (glen: Glen): Promise<string | null> =>
  glen.db.withLock('glen-moving-in', async () => {
    if (await schoolExists(glen.db)) return null;
    const token = randomBytes(TOKEN_BYTES).toString('base64url');
    await renewAddress(glen.db, glen.tokens.hash('one-time', token));
    return `${glen.config.publicUrl}/move-in/${token}`;
  });

const gone = (): HttpProblem =>
  new HttpProblem(404, 'This address for moving in does not work any more.', {
    detail:
      'Somebody has moved in already, or Glen has been started again and has told another address.',
  });

function mustFit({ tokens }: Glen, row: MovingInRow | null, token: string): MovingInRow {
  if (row?.token_hash !== tokens.hash('one-time', token)) throw gone();
  return row;
}

type Stage = Answer<'moveIn'>;

const stageOf = (glen: Glen, row: MovingInRow): Stage => ({
  version: row.version,
  draft: row.draft,
  today: glen.clock.machine().slice(0, 10),
});

export const readMovingIn = async (glen: Glen, token: string): Promise<Stage> =>
  stageOf(glen, mustFit(glen, await readStage(glen.db), token));

/** Keeps what has been typed, right or wrong; 409 with what stands there where somebody else was faster. */
export const keepMovingIn = (
  glen: Glen,
  token: string,
  { version, draft }: Body<'keepMoveIn'>,
): Promise<Stage> =>
  glen.db.transaction(async () => {
    const row = mustFit(glen, await heldStage(glen.db), token);
    if (row.version !== version) throw stale(stageOf(glen, row));
    return stageOf(glen, await keepDraft(row, draft));
  });

/** Public holidays while moving in, when no calendar says how long the year is. */
export async function holidaysWhileMovingIn(
  glen: Glen,
  token: string,
  { region, first, last }: Query<'moveInHolidays'>,
): Promise<Answer<'moveInHolidays'>> {
  mustFit(glen, await readStage(glen.db), token);
  if (last < first) throw notFound('Such a year');
  return holidaysBetween(region || undefined, { first, last });
}

/**
 * Makes the school, its year and the first account, all or nothing, and signs that account in. Whoever moves in looks
 * after the school from then on. Two at once: the second is told that the address is dead.
 */
export async function finishMovingIn(
  glen: Glen,
  { token, from }: { token: string; from: From },
  { school, calendar, you }: Body<'finishMoveIn'>,
): Promise<SignedIn> {
  const checked = checkedCalendar(calendar);
  const passwordHash = await hashPassword(you.password);
  const accountId = await glen.db.transaction(async () => {
    const row = mustFit(glen, await heldStage(glen.db), token);
    await writeSchool(glen.db, { ...school, calendar: checked, rules: FIRST_RULES, locked: [] });
    const personId = await addPerson(glen.db, {
      name: you.name,
      roles: school.alone ? ['office', 'teacher'] : ['head'],
    });
    const id = await addAccount(glen.db, {
      personId,
      kind: 'school',
      email: you.email,
      passwordHash,
    });
    await addWords(glen.db, personId, { name: you.name, emails: [you.email] });
    await noteMovedIn(row, glen.clock.machine());
    await glen.audit({ by: personId, action: 'move-in', subject: 'school:1', after: school });
    return id;
  });
  return begin(glen, accountId, { before: null, from, way: 'password' });
}
