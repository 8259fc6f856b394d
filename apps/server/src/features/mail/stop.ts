import { TOLD_KINDS, toldBy, type ToldKind } from '@glen/core';
import type { Answer } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { HttpProblem } from '../../http/problem.js';
import { toldWishesOf, writeTold } from './store.js';

const proofOf = ({ tokens }: Glen, personId: number, kind: ToldKind): string =>
  tokens.hash('stop-letters', `${personId} ${kind}`);

/** Where somebody says, without signing in, that they want no more letters of a kind. It does nothing else, and works for ever. */
export const stopAddress = (glen: Glen, personId: number, kind: ToldKind): string =>
  `${glen.config.publicUrl}/letters/stop/${personId}.${kind}.${proofOf(glen, personId, kind)}`;

/** Whose letters of which kind a token speaks of; 404 for one that Glen did not make. */
async function readStop(glen: Glen, token: string) {
  const [id, kind, proof] = token.split('.');
  const known = TOLD_KINDS.find((each) => each === kind);
  const personId = /^[1-9]\d{0,9}$/.test(id ?? '') ? Number(id) : 0;
  const person = await toldWishesOf(glen.db, personId);
  if (!known || !person || proofOf(glen, personId, known) !== proof)
    throw new HttpProblem(404, 'This address is not one of ours.', {
      detail: 'It may have been cut off. Copy all of it from the letter.',
    });
  return { personId, kind: known, person };
}

/** What whoever follows such an address may choose. */
export async function describeStop(glen: Glen, token: string): Promise<Answer<'letterStop'>> {
  const { kind, person } = await readStop(glen, token);
  return { kind, mails: toldBy(kind, person.told, person.schoolTold) === 'mail' };
}

/** No more letters of a kind, or letters again; in Glen everything stands as before. */
export async function setStop(
  glen: Glen,
  token: string,
  mails: boolean,
): Promise<Answer<'setLetterStop'>> {
  const { personId, kind } = await readStop(glen, token);
  await glen.db.transaction(async () => {
    await writeTold(glen.db, personId, kind, mails ? 'mail' : 'glen');
    await glen.audit({ by: personId, action: 'edit-own-account', subject: `person:${personId}` });
    await glen.announce(`person:${personId}`, { thing: 'me', id: personId });
  });
  return { kind, mails };
}
