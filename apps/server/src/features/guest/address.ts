import { randomBytes } from 'node:crypto';
import { classTitle, mayVouch } from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { HttpProblem, notFound, wrongField } from '../../http/problem.js';
import { makePerson } from '../accounts/makePerson.js';
import { begin, type At, type SignedIn } from '../accounts/service.js';
import { personById } from '../accounts/store.js';
import { linkById } from '../link/store.js';
import { classById } from '../school/classes.sql.js';
import { readSchool } from '../school/store.js';
import {
  classesHosted,
  classesInviting,
  guestAddress,
  guestsOf,
  knownGuest,
  noteUsed,
  writeGuestAddress,
} from './store.js';

const TOKEN_BYTES = 18;
const VALID_DAYS = 14;

/**
 * A fresh one-time address by which a guest shows that their address is theirs; told once, to the host who passes it on
 * there.
 */
export async function makeGuestAddress(
  glen: Glen,
  { linkId, by }: { linkId: number; by: number },
  { email }: Body<'guestAddress'>,
): Promise<Answer<'guestAddress'>> {
  if (!(await guestsOf(glen.db, linkId)).includes(email))
    throw wrongField('email', 'This link is for no guest with this address.');
  const token = randomBytes(TOKEN_BYTES).toString('base64url');
  const until = glen.clock.machine(VALID_DAYS * 86400);
  const tokenHash = glen.tokens.hash('one-time', token);
  await glen.db.transaction(async () => {
    await writeGuestAddress(glen.db, { linkId, email, tokenHash, until, by });
    await glen.audit({ by, action: 'make-guest-address', subject: `link:${linkId}`, after: email });
  });
  return { address: `${glen.config.publicUrl}/guest/${token}`, until };
}

const gone = (): HttpProblem =>
  new HttpProblem(404, 'This address does not work any more.', {
    detail:
      'It works once, and as long as you are invited. Whoever sent it to you can send another.',
  });

/** The guest whom an address is for; nobody where they were withdrawn meanwhile. */
async function guestFor(glen: Glen, token: string, isHeld = false) {
  const asked = { tokenHash: glen.tokens.hash('one-time', token), now: glen.clock.machine() };
  const found = await guestAddress(glen.db, asked, isHeld);
  if (!found || !(await guestsOf(glen.db, found.link_id)).includes(found.email)) throw gone();
  return found;
}

/** Whether a host's word is enough for whoever brings an address. */
async function isVouchedFor(glen: Glen, by: number, email: string): Promise<boolean> {
  const [known, invitedBy, hosted] = await Promise.all([
    knownGuest(glen.db, email),
    classesInviting(glen.db, email),
    classesHosted(glen.db, by),
  ]);
  return mayVouch({ owner: known?.owner ?? null, invitedBy, hosted });
}

/** What somebody is invited to by a one-time address, and whether they sign in with an account of theirs first. */
export async function readGuestAddress(glen: Glen, token: string): Promise<Answer<'guestFor'>> {
  const { link_id: linkId, email, made_by: by } = await guestFor(glen, token);
  const link = await linkById(glen.db, linkId);
  const row = link && (await classById(glen.db, link.class_id, by));
  if (!link || !row) throw notFound('This link');
  const host = await personById(glen.db, by);
  return {
    school: (await readSchool(glen.db)).name,
    title: classTitle(row),
    host: host?.name ?? '',
    email,
    code: link.code,
    signsIn: !(await isVouchedFor(glen, by, email)),
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
    const { email, link_id: linkId, made_by: by } = address;
    if (!(await isVouchedFor(glen, by, email)))
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
