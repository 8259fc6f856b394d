import type { GuestComes } from '@glen/core';
import { linkAddress, watchAddress } from '../../addresses.js';
import type { Glen } from '../../glen.js';
import type { Mailbox } from '../../outside/mail.js';
import { linkById } from '../link/store.js';
import { watchCodeOf } from '../link/watchStore.js';
import { mailAddressOf } from '../mail/store.js';
import { readSchool } from '../school/store.js';
import { firstHostOf } from './calendarStore.js';

/** In whose name guests are written to. */
export interface Writer {
  name: string;
  /** Nobody where no host can be written to. */
  replyTo: Mailbox | null;
}

/** Whoever hosts a class period first writes to its guests; the school where nobody does. */
export async function writerOf(
  glen: Glen,
  classId: number,
  host?: { id: number; name: string },
): Promise<Writer> {
  const writes = host ?? (await firstHostOf(glen.db, classId));
  return writes
    ? asWriter(glen, writes)
    : { name: (await readSchool(glen.db)).name, replyTo: null };
}

/** Somebody who writes to guests in their own name. */
export async function asWriter(
  glen: Glen,
  { id, name }: { id: number; name: string },
): Promise<Writer> {
  const address = await mailAddressOf(glen.db, id);
  return { name, replyTo: address === null ? null : { name, address } };
}

interface Invited {
  entryId: number;
  attendee: Mailbox;
  isWithdrawn: boolean;
}

/** Calendars answer to Glen where it takes mail in, else to the host. */
export function partiesOf(glen: Glen, { name, replyTo }: Writer, { entryId, ...rest }: Invited) {
  const own = glen.returns?.addressFor({ kind: 'answer', id: entryId });
  const address = own ?? (replyTo ?? glen.config.mail!.from).address;
  return { organizer: { name, address }, ...rest };
}

/** Where a guest finds the door: who only watches has an address of their own, and learns no other. */
export async function doorOf(
  glen: Glen,
  linkId: number,
  comes: GuestComes | undefined,
): Promise<string> {
  const watched = comes === 'watcher' ? await watchCodeOf(glen.db, linkId) : null;
  if (watched !== null) return watchAddress(glen, watched);
  return linkAddress(glen, (await linkById(glen.db, linkId))!.code);
}
