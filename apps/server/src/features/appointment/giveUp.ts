import type { Glen } from '../../glen.js';
import { withdraw } from '../audience/guestStore.js';
import { invitationsTo } from '../guest/listStore.js';
import { withdrawing } from '../guest/withdraw.js';
import { tellSlots } from '../signUp/own.js';
import { dropSignUps } from '../slot/signUpStore.js';
import { heldWays } from '../slot/waysStore.js';
import { appointmentsOf, partsOf, type Appointment } from './parts.js';
import { peopleByAddress, type Evening } from './store.js';

/** What a guest has of an evening. */
export async function whatTheyHave(
  glen: Glen,
  { seriesIds }: Evening,
  email: string,
): Promise<Appointment[]> {
  const people = await peopleByAddress(glen.db, [email]);
  return appointmentsOf(await partsOf(glen, seriesIds), people.get(email));
}

/** Gives up what a guest has; a link at which they have nothing more is not for them any longer. */
export async function giveUp(
  glen: Glen,
  {
    email,
    by,
    giveUp: given,
    has,
  }: {
    email: string;
    /** Who does so: a person of the school. */
    by: number;
    giveUp: Appointment[];
    has: Appointment[];
  },
): Promise<void> {
  const ids = given.map(({ signUp }) => signUp.id);
  await dropSignUps(glen.db, ids);
  const still = new Set(
    has.filter(({ signUp }) => !ids.includes(signUp.id)).map(({ part }) => part.seriesId),
  );
  for (const part of new Set(given.map((one) => one.part))) {
    if (!still.has(part.seriesId))
      await withdrawing(glen, { linkId: part.linkId, by }, async () => {
        const rows = await invitationsTo(glen.db, part.linkId, email);
        for (const row of rows) await withdraw(row, glen.clock.machine());
      });
    await tellSlots(glen, part.classId, part.seriesId);
  }
}

/** Holds the slots of some series, in one order, so that no two wait for each other. */
export async function holdSeries(glen: Glen, seriesIds: number[]): Promise<void> {
  for (const id of [...new Set(seriesIds)].sort((a, b) => a - b)) await heldWays(glen.db, id);
}
