import type { AuthenticationResponseJSON } from '@simplewebauthn/server';
import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import type { KeptCookie } from '../../http/keptCookie.js';
import { HttpProblem } from '../../http/problem.js';
import { networkOf } from '../../http/from.js';
import type { Who } from '../../http/who.js';
import { noteFailure, refuseWhenFull } from '../accounts/failureStore.js';
import { begin, type At, type SignedIn } from '../accounts/service.js';
import { isOpenTo } from '../accounts/ways.js';
import { freshChallenge, takeChallenge, type Challenge } from './challenge.js';
import { noteConfirmed, noteUsed, passkeyWith, passkeysOf } from './store.js';
import { hostOf, library, verifyUsed } from './verify.js';

/** Passkeys that do not fit, from one network. */
const FROM_NETWORK = { most: 300, minutes: 15 };

interface Asked {
  answer: Answer<'passkeySignInOptions'>;
  cookie: KeptCookie;
}

async function optionsFor(
  glen: Glen,
  about: Pick<Challenge, 'purpose' | 'accountId'>,
  allowed: { id: string; transports: string[] }[] = [],
): Promise<Asked> {
  const { challenge, cookie } = freshChallenge(glen, { ...about, handle: null });
  const { generateAuthenticationOptions } = await library();
  const options = await generateAuthenticationOptions({
    rpID: hostOf(glen),
    challenge: new Uint8Array(Buffer.from(challenge, 'base64url')),
    allowCredentials: allowed,
    userVerification: 'required',
  });
  return { answer: { options: { ...options } }, cookie };
}

/** What the browser asks its passkeys by; the device knows whose they are. */
export const optionsToSignIn = (glen: Glen): Promise<Asked> =>
  optionsFor(glen, { purpose: 'sign-in', accountId: null });

/** What the browser asks for a passkey of the account in use by. */
export async function optionsToConfirm(glen: Glen, who: Who): Promise<Asked> {
  const accountId = who.account!.id;
  const kept = await passkeysOf(glen.db, [accountId]);
  if (kept.length === 0)
    throw new HttpProblem(409, 'This account has no passkey yet: add one under Your account.');
  const allowed = kept.map(({ credential_id: id, transports }) => ({ id, transports }));
  return optionsFor(glen, { purpose: 'confirm', accountId }, allowed);
}

const unknown = (): HttpProblem => new HttpProblem(422, 'Glen does not know this passkey.');

interface Used {
  accountId: number;
  personId: number;
  kind: 'school' | 'personal';
}

/** Whose passkey was used; within a transaction, so that two uses at one moment are counted one after the other. */
async function usedPasskey(
  glen: Glen,
  sent: Body<'passkeySignIn'>['response'],
  challenge: string,
): Promise<Used> {
  const response = sent as unknown as AuthenticationResponseJSON;
  const kept = await passkeyWith(glen.db, response.id);
  if (!kept) throw unknown();
  const counter = await verifyUsed(glen, kept.passkey, { response, challenge });
  await noteUsed(glen.db, kept.passkey.id, { counter, now: glen.clock.machine() });
  const { id: accountId, person_id: personId, kind } = kept.account;
  return { accountId, personId, kind };
}

/** Signs in by a passkey. */
export async function passkeySignIn(
  glen: Glen,
  { at, sealed }: { at: At; sealed: string | undefined },
  { response }: Body<'passkeySignIn'>,
): Promise<SignedIn> {
  const network = `passkey-from:${networkOf(at.from.address)}`;
  await refuseWhenFull(glen.db, glen.clock, network, FROM_NETWORK);
  const { challenge } = await takeChallenge(glen, sealed, { purpose: 'sign-in', accountId: null });
  const used = await glen.db
    .transaction(() => usedPasskey(glen, response, challenge))
    .catch(async (error: unknown) => {
      await noteFailure(glen.db, glen.clock, network);
      throw error;
    });
  if (!(await isOpenTo(glen, { person_id: used.personId, kind: used.kind }, 'passkey')))
    throw new HttpProblem(403, 'The school takes no passkeys from you; use another way in.');
  return glen.db.transaction(async () => {
    const signedIn = await begin(glen, used.accountId, { ...at, way: 'passkey' });
    await noteConfirmed(glen.db, signedIn.session.id, glen.clock.machine());
    return signedIn;
  });
}

/** Whoever holds the browser shows once more who they are, by a passkey of the account in use. */
export async function confirm(
  glen: Glen,
  { who, sealed }: { who: Who; sealed: string | undefined },
  { response }: Body<'confirm'>,
): Promise<{ ok: true }> {
  const accountId = who.account!.id;
  const { challenge } = await takeChallenge(glen, sealed, { purpose: 'confirm', accountId });
  await glen.db.transaction(async () => {
    const used = await usedPasskey(glen, response, challenge);
    if (used.accountId !== accountId) throw unknown();
    await noteConfirmed(glen.db, who.sessionId!, glen.clock.machine());
  });
  return { ok: true };
}
