import { z } from 'zod';
import { id, line, utcInstant, version } from './basics.js';

/** Where somebody signs on beside passwords. */
export const providerSchema = z.object({
  id: z.string(),
  name: z.string(),
  kind: z.enum(['school', 'personal']),
});

export const beginSignOnBody = z.object({
  /** The page that they come back to: a path of Glen's own, else its front page. */
  next: z.string().max(2000),
  /** They are asked who they are, though the provider knows them already. */
  anew: z.boolean().default(false),
  /** The account becomes another of whoever is signed in already. */
  join: z.boolean().default(false),
});

/** Where else somebody may sign out who has just signed out of Glen. */
export const signedOut = z.object({
  ok: z.literal(true),
  there: z.object({ name: z.string(), address: z.string() }).nullable(),
});

const way = z.union([
  z.enum(['password', 'passkey']),
  z.templateLiteral(['sign-on:', z.string().regex(/^[a-z][a-z0-9-]{0,39}$/)]),
]);

const ways = z.array(way).max(50);

const shutWays = z.object({ staff: ways, students: ways, guests: ways });

const claimRule = z.object({
  provider: z.string().max(40),
  claim: z.string().trim().min(1, 'Name the claim.').max(100),
  value: z.string().trim().min(1, 'Say what it has to say.').max(200),
  role: z.enum(['teacher', 'student']),
  classIds: z.array(id).max(100),
});

/** How people sign in, as the office looks after it. */
export const signInWays = z.object({
  version,
  shut: shutWays,
  /** What changes everybody asks for a passkey of whoever changes it. */
  asksPasskey: z.boolean(),
  rules: z.array(claimRule),
  providers: z.array(providerSchema.extend({ issuer: z.string() })),
});

export const signInWaysBody = z.object({
  version,
  shut: shutWays,
  asksPasskey: z.boolean(),
  rules: z.array(claimRule).max(100),
});

/** The passkeys of one account; instants by machine time. */
export const passkeys = z.object({
  passkeys: z.array(
    z.object({
      id,
      name: z.string(),
      /** Its owner's other devices have it too. */
      isShared: z.boolean(),
      addedAt: utcInstant,
      usedAt: utcInstant.nullable(),
    }),
  ),
});

/** What a browser makes or finds a passkey by, as Web Authentication has it in JSON. */
export const passkeyOptions = z.object({ options: z.looseObject({ challenge: z.string() }) });

/** base64url (RFC 4648, 5), as long as the standard lets one be (Web Authentication level 2, 4: 1023 bytes). */
const credentialId = z.string().regex(/^[\w-]{1,1400}$/, 'This is no passkey.');
/** What a browser says of a passkey that was made or used; its parts are looked at by a library of that trade. */
const passkeyResponse = z.looseObject({
  id: credentialId,
  rawId: credentialId,
  type: z.literal('public-key'),
  response: z.looseObject({ clientDataJSON: z.string().max(10000) }),
});

const passkeyName = line(80).min(1, 'Say what you call it.');

export const addPasskeyBody = z.object({ name: passkeyName, response: passkeyResponse });
export const renamePasskeyBody = z.object({ name: passkeyName });
export const usedPasskeyBody = z.object({ response: passkeyResponse });
