import { CONFIRM_FIRST } from '@glen/contract';
import { passkeyHost } from '@glen/core';
import type { Glen } from '../glen.js';
import { confirmedAt, schoolAsksPasskey } from './confirmedStore.js';
import { HttpProblem } from './problem.js';
import type { Who } from './who.js';

/** So long does a passkey count that was shown. */
const MINUTES = 10;

/** Whether what changes everybody asks for a passkey; never where there can be none. */
export async function asksForPasskey({
  db,
  config,
}: Pick<Glen, 'db' | 'config'>): Promise<boolean> {
  if (config.asksNoPasskey || passkeyHost(config.publicUrl) === null) return false;
  return schoolAsksPasskey(db);
}

/** Whether whoever holds a browser's session has shown a passkey of the account in use a moment ago. */
export async function isConfirmed(
  { db, clock }: Pick<Glen, 'db' | 'clock'>,
  sessionId: number,
): Promise<boolean> {
  return ((await confirmedAt(db, sessionId)) ?? '') > clock.machine(-MINUTES * 60);
}

/** Throws 403 of a type of its own where the school asks whoever changes everybody to show a passkey first. */
export async function mustBeConfirmed(glen: Glen, who: Who): Promise<void> {
  if (!(await asksForPasskey(glen))) return;
  if (who.sessionId !== null && (await isConfirmed(glen, who.sessionId))) return;
  throw new HttpProblem(403, 'The school asks for your passkey before you change this.', {
    type: CONFIRM_FIRST,
  });
}
