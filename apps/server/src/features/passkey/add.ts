import { randomBytes } from 'node:crypto';
import type { Answer, Body } from '@glen/contract';
import { isDuplicate } from '../../db/errors.js';
import type { Glen } from '../../glen.js';
import type { KeptCookie } from '../../http/keptCookie.js';
import { HttpProblem, wrongField } from '../../http/problem.js';
import type { Who } from '../../http/who.js';
import { readSchool } from '../school/store.js';
import { isOpenTo } from '../accounts/ways.js';
import { freshChallenge, takeChallenge } from './challenge.js';
import { describePasskeys } from './own.js';
import { insertPasskey, noteConfirmed, passkeysOf } from './store.js';
import { hostOf, library, verifyNew } from './verify.js';

const HANDLE_BYTES = 32;
/** More than these nobody has devices. */
const MOST = 20;

interface Asked<N extends 'passkeyOptions' | 'passkeySignInOptions' | 'confirmOptions'> {
  answer: Answer<N>;
  cookie: KeptCookie;
}

/** What the browser makes another passkey by, for the account in use. */
export async function optionsToAdd(glen: Glen, who: Who): Promise<Asked<'passkeyOptions'>> {
  const account = who.account!;
  const owner = { person_id: who.person!.id, kind: account.kind };
  if (!(await isOpenTo(glen, owner, 'passkey')))
    throw new HttpProblem(403, 'The school takes no passkeys from you.');
  const kept = await passkeysOf(glen.db, [account.id]);
  if (kept.length >= MOST)
    throw new HttpProblem(409, `At most ${MOST} passkeys; remove one first.`);
  const handle = kept[0]?.user_handle ?? randomBytes(HANDLE_BYTES).toString('base64url');
  const about = { purpose: 'add', accountId: account.id, handle } as const;
  const { challenge, cookie } = freshChallenge(glen, about);
  const { generateRegistrationOptions } = await library();
  const options = await generateRegistrationOptions({
    rpName: (await readSchool(glen.db)).name,
    rpID: hostOf(glen),
    userName: account.email,
    userDisplayName: who.person!.name,
    userID: new Uint8Array(Buffer.from(handle, 'base64url')),
    challenge: new Uint8Array(Buffer.from(challenge, 'base64url')),
    // What device it is, is nobody's business here.
    attestationType: 'none',
    excludeCredentials: kept.map(({ credential_id: id, transports }) => ({ id, transports })),
    authenticatorSelection: { residentKey: 'required', userVerification: 'required' },
  });
  return { answer: { options: { ...options } }, cookie };
}

/** Keeps a passkey that the browser has made, under the name that its owner gives it. */
export async function addPasskey(
  glen: Glen,
  { who, sealed }: { who: Who; sealed: string | undefined },
  { name, response }: Body<'addPasskey'>,
): Promise<Answer<'addPasskey'>> {
  const accountId = who.account!.id;
  const { challenge, handle } = await takeChallenge(glen, sealed, { purpose: 'add', accountId });
  const made = await verifyNew(glen, response, challenge);
  const { credential } = made;
  try {
    await glen.db.transaction(async () => {
      const now = glen.clock.machine();
      await insertPasskey(glen.db, {
        accountId,
        name,
        credentialId: credential.id,
        handle: handle!,
        publicKey: Buffer.from(credential.publicKey).toString('base64url'),
        counter: credential.counter,
        transports: credential.transports ?? [],
        isShared: made.credentialBackedUp,
        now,
      });
      await noteConfirmed(glen.db, who.sessionId!, now);
      const subject = `account:${accountId}`;
      await glen.audit({ by: who.person!.id, action: 'add-passkey', subject, after: name });
    });
  } catch (error) {
    if (isDuplicate(error)) throw wrongField('response', 'This passkey is kept already.');
    throw error;
  }
  return describePasskeys(glen, who);
}
