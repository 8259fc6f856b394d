import type {
  AuthenticationResponseJSON,
  RegistrationResponseJSON,
  WebAuthnCredential,
} from '@simplewebauthn/server';
import { passkeyHost } from '@glen/core';
import type { Glen } from '../../glen.js';
import { HttpProblem } from '../../http/problem.js';
import type { PasskeyRow } from '../../db/models/Passkey.js';

/** The library is of use only where somebody uses a passkey. */
export const library = () => import('@simplewebauthn/server');

/** What passkeys are bound to; throws 409 where there can be none at this address. */
export function hostOf({ config }: Pick<Glen, 'config'>): string {
  const host = passkeyHost(config.publicUrl);
  if (host === null) throw new HttpProblem(409, 'There are no passkeys at this address of Glen.');
  return host;
}

const wrong = (): HttpProblem => new HttpProblem(422, 'This passkey does not fit.');

const expected = (glen: Glen, challenge: string) => ({
  expectedChallenge: challenge,
  expectedOrigin: new URL(glen.config.publicUrl).origin,
  expectedRPID: hostOf(glen),
  // Whoever picks up somebody's unlocked device is not them.
  requireUserVerification: true,
});

/** Logs what was wrong, which nobody is told: it would help nobody but whoever tries. */
function refuse(glen: Glen, error: unknown): never {
  glen.log.warn({ detail: (error as Error).message }, 'a passkey does not fit');
  throw wrong();
}

/** A passkey that was just made (Web Authentication level 2, 7.1); 422 where it was not made for us, here, now. */
export async function verifyNew(glen: Glen, response: unknown, challenge: string) {
  const { verifyRegistrationResponse } = await library();
  const result = await verifyRegistrationResponse({
    response: response as RegistrationResponseJSON,
    ...expected(glen, challenge),
  }).catch((error: unknown) => refuse(glen, error));
  if (!result.verified) throw wrong();
  return result.registrationInfo;
}

const asCredential = (kept: PasskeyRow): WebAuthnCredential => ({
  id: kept.credential_id,
  publicKey: new Uint8Array(Buffer.from(kept.public_key, 'base64url')),
  counter: kept.counter,
  transports: kept.transports,
});

/** Whether a passkey that is kept was used (7.2); gives how often it was, as it says itself. 422 where it was not. */
export async function verifyUsed(
  glen: Glen,
  kept: PasskeyRow,
  { response, challenge }: { response: AuthenticationResponseJSON; challenge: string },
): Promise<number> {
  const handle = response.response.userHandle;
  // 7.2, 6: who is found by the passkey is who the device means.
  if (handle !== undefined && handle !== kept.user_handle) throw wrong();
  const { verifyAuthenticationResponse } = await library();
  const result = await verifyAuthenticationResponse({
    response,
    credential: asCredential(kept),
    ...expected(glen, challenge),
  }).catch((error: unknown) => refuse(glen, error));
  if (!result.verified) throw wrong();
  return result.authenticationInfo.newCounter;
}
