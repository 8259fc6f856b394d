import { fromOneBrowser } from '@glen/core';
import type { Answer } from '@glen/contract';
import type { Db } from '../../db/connect.js';
import { checkInsOf, givenOf, type Given } from '../checkIn/store.js';
import { keyOf } from './measure.js';

type Register = Answer<'register'>;
type Signs = Register['rows'][number]['checkedIn'];

/** What was asked at a sitting with check-ins, and the signs that its visitors gave, by the keys of their rows. */
export interface SignsGiven {
  questions: Register['questions'];
  byKey: Map<string, Signs>;
}

/** The signs of one check-in, each with who else gave it from the same browser. */
function withOthers(given: readonly Given[]): { key: string; sign: Signs[number] }[] {
  const others = fromOneBrowser(given);
  return given.map(({ at, answer, ...who }, i) => ({
    key: keyOf(who),
    sign: { at, answer, with: others[i]! },
  }));
}

/** Whoever is on the roll has them in their row, also where no word has come of their being in. */
export async function signsAt(db: Db, sittingId: number | null): Promise<SignsGiven> {
  if (sittingId === null) return { questions: [], byKey: new Map() };
  const asked = await checkInsOf(db, sittingId);
  const ids = asked.map(({ id }) => id);
  const given = await givenOf(db, ids);
  const all = ids.flatMap((id) => withOthers(given.filter((sign) => sign.checkInId === id)));
  const byKey = new Map<string, Signs>();
  for (const { key, sign } of all) byKey.set(key, [...(byKey.get(key) ?? []), sign]);
  return {
    questions: asked
      .filter(({ question }) => question !== '')
      .map(({ opened_at: at, question }) => ({ at, question })),
    byKey,
  };
}
