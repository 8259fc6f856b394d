import { SignJWT, decodeJwt, generateKeyPair, importJWK, type JWK, type JWTPayload } from 'jose';
import type { SignOnTrouble } from './directory.js';

const MINUTE = 60;

/** What is wrong with the claims in each of the troubles. */
const WRONG: Partial<Record<SignOnTrouble, (claims: JWTPayload) => JWTPayload>> = {
  'wrong-audience': (claims) => ({ ...claims, aud: 'another-program' }),
  'wrong-nonce': (claims) => ({ ...claims, nonce: 'of-another-sign-on' }),
  'wrong-issuer': (claims) => ({ ...claims, iss: 'http://another.example' }),
  forged: (claims) => claims,
  // Within what clocks may differ by, though the token has run out by ours.
  'clock-slow': (claims) => ({
    ...claims,
    iat: claims.iat! - 5 * MINUTE,
    exp: claims.iat! - MINUTE,
  }),
  'clock-off': (claims) => ({
    ...claims,
    iat: claims.iat! - 120 * MINUTE,
    exp: claims.iat! - 60 * MINUTE,
  }),
};

/** An ID token with what a trouble makes wrong in it, signed as the provider signs; forged: by somebody else. */
export async function distorted(
  idToken: string,
  trouble: SignOnTrouble,
  key: JWK,
): Promise<string> {
  const wrong = WRONG[trouble];
  if (!wrong) return idToken;
  const signer =
    trouble === 'forged'
      ? (await generateKeyPair('ES256')).privateKey
      : await importJWK(key, 'ES256');
  return new SignJWT(wrong(decodeJwt(idToken)))
    .setProtectedHeader({ alg: 'ES256', typ: 'JWT', kid: key.kid! })
    .sign(signer);
}
