import { type Action, KNOCK_UNTIL_ROLL, resolveRules, withoutKnocking } from '@glen/core';
import type { Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { HttpProblem } from '../../http/problem.js';
import { rulesOfClass } from '../entry/layers.js';
import { announceDoors } from '../entry/write.js';
import { hasPeopleWithoutAccount } from './leftStore.js';
import { heldRules, rollIds, writeRules } from './store.js';

/** Says in the log and at the doors what a class period's own rules are from now on. */
async function settle(
  glen: Glen,
  classId: number,
  { by, action, isKnocking }: { by: number; action: Action; isKnocking: boolean },
): Promise<void> {
  const { rules: before } = await heldRules(glen.db, classId);
  const rest = withoutKnocking(before);
  const after = isKnocking ? { ...rest, ...KNOCK_UNTIL_ROLL } : rest;
  await writeRules(glen.db, classId, { rules: after, isKnocking });
  await glen.audit({ by, action, subject: `class:${classId}`, before, after });
  await announceDoors(glen, { classIds: [classId] });
}

/** Lets anyone with the link knock until the roll is filled, or no longer. 409 where there is a roll, or the school has fixed who may enter. */
export async function setKnockUntilRoll(
  glen: Glen,
  classId: number,
  by: number,
  { on }: Body<'knockUntilRoll'>,
): Promise<{ ok: true }> {
  await glen.db.transaction(async () => {
    const isFilled = (await rollIds(glen.db, classId)).length > 0;
    if (on && isFilled && !(await hasPeopleWithoutAccount(glen.db, classId)))
      throw new HttpProblem(409, 'The roll is filled already; it says who gets in.');
    await settle(glen, classId, { by, action: 'knock-until-roll', isKnocking: on });
    const { layers } = await rulesOfClass(glen.db, classId);
    if (on && resolveRules(layers).rules.whoMayEnter !== KNOCK_UNTIL_ROLL.whoMayEnter)
      throw new HttpProblem(409, 'The school has fixed who may enter for every class period.');
  });
  return { ok: true };
}

/** The roll is filled: from now on it says who gets in. Whether that changed anything. */
export async function endKnocking(glen: Glen, classId: number, by: number): Promise<boolean> {
  const { isKnocking } = await heldRules(glen.db, classId);
  // Of those who have no account the door knows none: for them the others still knock too.
  if (!isKnocking || (await hasPeopleWithoutAccount(glen.db, classId))) return false;
  await settle(glen, classId, { by, action: 'roll-is-filled', isKnocking: false });
  return true;
}
