import { randomBytes } from 'node:crypto';
import { classTitle, mayVouch } from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import type { GuestAddressRow } from '../../db/models/GuestAddress.js';
import type { Glen } from '../../glen.js';
import { HttpProblem, notFound, wrongField } from '../../http/problem.js';
import { countFailures, noteFailure } from '../accounts/failureStore.js';
import { makePerson } from '../accounts/makePerson.js';
import { begin, type At, type SignedIn } from '../accounts/service.js';
import { personById } from '../accounts/store.js';
import { linkById } from '../link/store.js';
import { watchCodeOf } from '../link/watchStore.js';
import { classById } from '../school/classes.sql.js';
import { readSchool } from '../school/store.js';
import { invitationsTo, whenInWords } from './listStore.js';
import { fileWayIn, mailWayIn } from './mailWayIn.js';
import {
  classesHosted,
  classesInviting,
  guestAddress,
  isGuestOf,
  keepsPeople,
  knownGuest,
  noteUsed,
  writeGuestAddress,
} from './store.js';

const TOKEN_BYTES = 18;
const VALID_DAYS = 14;

/** Letters to one guest: whoever presses again and again fills nobody's mailbox. */
const LETTERS = { most: 5, minutes: 60 };

async function refuseTooMany(glen: Glen, email: string): Promise<void> {
  const bucket = `way-in:${email}`;
  if ((await countFailures(glen.db, glen.clock, bucket, LETTERS.minutes)) >= LETTERS.most)
    throw wrongField('email', 'Five letters went there within this hour. Wait for one to come.');
  await noteFailure(glen.db, glen.clock, bucket);
}

interface FreshAddress {
  linkId: number;
  by: number;
  email: string;
  isMailed: boolean;
}

/** A fresh one-time address of a guest, the one before dead, within a transaction; written to them where that is wished. */
async function freshAddress(glen: Glen, { linkId, by, email, isMailed }: FreshAddress) {
  const token = randomBytes(TOKEN_BYTES).toString('base64url');
  const until = glen.clock.machine(VALID_DAYS * 86400);
  const tokenHash = glen.tokens.hash('one-time', token);
  const address = `${glen.config.publicUrl}/guest/${token}`;
  const way = { linkId, by, email, address, once: tokenHash };
  await writeGuestAddress(glen.db, { linkId, email, tokenHash, until, by, isMailed });
  await glen.audit({ by, action: 'make-guest-address', subject: `link:${linkId}`, after: email });
  if (isMailed) await mailWayIn(glen, way);
  return { way, until };
}

/** Writes their way in to a guest of a link, within a transaction: by itself, so that it counts as no press of a host's. */
export const writeToGuest = async (
  glen: Glen,
  guest: Omit<FreshAddress, 'isMailed'>,
): Promise<void> => {
  await freshAddress(glen, { ...guest, isMailed: true });
};

/** The same at their own wish: whoever presses again and again fills no mailbox. */
export async function sendToGuest(
  glen: Glen,
  guest: Omit<FreshAddress, 'isMailed'>,
): Promise<void> {
  await refuseTooMany(glen, guest.email);
  await glen.db.transaction(() => writeToGuest(glen, guest));
  glen.nudge();
}

/** A fresh one-time address of a guest for somebody who passes it on, within a transaction. */
export async function addressToPassOn(
  glen: Glen,
  guest: Omit<FreshAddress, 'isMailed'>,
): Promise<string> {
  return (await freshAddress(glen, { ...guest, isMailed: false })).way.address;
}

/**
 * A fresh one-time address by which a guest shows that their address is theirs; told once, to the host who passes it on
 * there.
 */
export async function makeGuestAddress(
  glen: Glen,
  { linkId, by }: { linkId: number; by: number },
  { email, by: sentBy }: Body<'guestAddress'>,
): Promise<Answer<'guestAddress'>> {
  if (sentBy === 'mail' && !glen.mail)
    throw wrongField('by', 'No mail service is set up here: copy it, and send it to them.');
  if (!(await isGuestOf(glen.db, linkId, email)))
    throw wrongField('email', 'This link is for no guest with this address.');
  if (sentBy === 'mail') await refuseTooMany(glen, email);
  const isMailed = sentBy === 'mail';
  const { way, until } = await glen.db.transaction(() =>
    freshAddress(glen, { linkId, by, email, isMailed }),
  );
  if (sentBy === 'host') return { address: way.address, until, eml: null };
  if (sentBy === 'file') return { address: null, until, eml: await fileWayIn(glen, way) };
  glen.nudge();
  return { address: null, until, eml: null };
}

const gone = (): HttpProblem =>
  new HttpProblem(404, 'This address does not work any more.', {
    detail:
      'It works once, and as long as you are invited. Whoever sent it to you can send another.',
  });

/** The guest whom an address is for; nobody where they were withdrawn meanwhile. */
export async function guestFor(glen: Glen, token: string, isHeld = false) {
  const asked = { tokenHash: glen.tokens.hash('one-time', token), now: glen.clock.machine() };
  const found = await guestAddress(glen.db, asked, isHeld);
  if (!found || !(await isGuestOf(glen.db, found.link_id, found.email))) throw gone();
  return found;
}

/** Whether a one-time address is enough for whoever brings it. */
async function isVouchedFor(
  glen: Glen,
  { made_by: by, email, is_mailed: isMailed }: GuestAddressRow,
): Promise<boolean> {
  const [known, invitedBy, hosted, isOffice] = await Promise.all([
    knownGuest(glen.db, email),
    classesInviting(glen.db, email),
    classesHosted(glen.db, by),
    keepsPeople(glen.db, by),
  ]);
  return mayVouch({
    owner: known?.owner ?? null,
    invitedBy,
    // Who keeps everybody's accounts vouches for the guests of every class period.
    hosted: isOffice ? new Set(invitedBy) : hosted,
    isMailed,
  });
}

/** What somebody is invited to by a one-time address, and whether they sign in with an account of theirs first. */
export async function readGuestAddress(glen: Glen, token: string): Promise<Answer<'guestFor'>> {
  const found = await guestFor(glen, token);
  const { link_id: linkId, email, made_by: by } = found;
  const link = await linkById(glen.db, linkId);
  const row = link && (await classById(glen.db, link.class_id, by));
  if (!link || !row) throw notFound('This link');
  const [host, invitations, watchCode] = await Promise.all([
    personById(glen.db, by),
    invitationsTo(glen.db, linkId, email),
    watchCodeOf(glen.db, linkId),
  ]);
  // Whoever only watches learns no address that leads to a seat.
  const watched = invitations.every((one) => one.comes === 'watcher') ? watchCode : null;
  const when = await whenInWords(glen.db, invitations);
  return {
    school: (await readSchool(glen.db)).name,
    title: classTitle(row),
    host: host?.name ?? '',
    email,
    code: watched ?? link.code,
    watches: watched !== null,
    name: invitations.map((one) => one.name).find(Boolean) ?? '',
    when: invitations.map(when).filter(Boolean),
    said: invitations.find((one) => one.said !== null)?.said ?? null,
    signsIn: !(await isVouchedFor(glen, found)),
  };
}

/** Comes in as a guest by a one-time address, once: with a home account by the address that it was sent to. */
export async function comeAsGuest(
  glen: Glen,
  { token, at }: { token: string; at: At },
  { name }: Body<'comeAsGuest'>,
): Promise<SignedIn> {
  return glen.db.transaction(async () => {
    const address = await guestFor(glen, token, true);
    const { email, link_id: linkId } = address;
    if (!(await isVouchedFor(glen, address)))
      throw new HttpProblem(409, 'There is an account with this address: sign in with it.');
    const known = await knownGuest(glen.db, email);
    if (!known)
      await makePerson(glen, { name, roles: ['guest'], accounts: [{ kind: 'personal', email }] });
    const { accountId: id, personId } = known ?? (await knownGuest(glen.db, email))!;
    await noteUsed(glen.db, address.id, glen.clock.machine());
    const after = { email, linkId };
    await glen.audit({ by: personId, action: 'come-as-guest', subject: `link:${linkId}`, after });
    return begin(glen, id, { ...at, way: null });
  });
}
