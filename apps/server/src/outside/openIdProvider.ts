import { createRemoteJWKSet, jwtVerify, errors as joseErrors } from 'jose';
import type { Configuration, ServerMetadata } from 'openid-client';
import { z } from 'zod';
import type { Clock } from '../clock.js';
import {
  SignOnError,
  type ProviderSettings,
  type SignOnBegun,
  type SignOnFault,
  type SignOnProvider,
  type SignedOn,
  type SignedOutThere,
} from './signOnProvider.js';

type Client = typeof import('openid-client');

const TIMEOUT_SECONDS = 8;
/** Clocks may differ by so much (OpenID Connect Core 1.0, 3.1.3.7: "some small leeway, usually no more than a few minutes"). */
const CLOCK_SECONDS = 300;
/** What a provider says of itself is asked for again after this. */
const KNOWN_SECONDS = 3600;
/** Where a provider lists prompts, by which it asks who somebody is (Initiating User Registration 1.0, 4). */
const CHOOSE = 'select_account';
const SIGNED_OUT = 'http://schemas.openid.net/event/backchannel-logout';

/** The client library is large, and of use only where somebody signs on. */
const library = (): Promise<Client> => import('openid-client');

const CLOCK_CODES = ['OAUTH_JWT_TIMESTAMP_CHECK_FAILED'];
const AWAY_CODES = ['OAUTH_RESPONSE_IS_NOT_CONFORM', 'OAUTH_RESPONSE_IS_NOT_JSON'];

interface LibraryError {
  name?: string;
  code?: string;
  error?: string;
  message?: string;
  cause?: { message?: string; code?: string; name?: string };
}

function faultOf({ name, code, error, cause }: LibraryError): SignOnFault {
  if (code === 'OAUTH_TIMEOUT' || name === 'TimeoutError') return 'slow';
  if (code === 'OAUTH_AUTHORIZATION_RESPONSE_ERROR') return 'refused';
  // The code was redeemed before, or has run out (RFC 6749, 5.2).
  if (error === 'invalid_grant') return 'used';
  if (code && CLOCK_CODES.includes(code)) return 'clock';
  if (code && AWAY_CODES.includes(code)) return 'down';
  const isNetwork = name === 'TypeError' && cause?.code !== undefined;
  return isNetwork ? 'down' : 'wrong';
}

function asSignOnError(thrown: unknown): SignOnError {
  if (thrown instanceof SignOnError) return thrown;
  const error = thrown as LibraryError;
  const parts = [error.code, error.error, error.message, error.cause?.message];
  return new SignOnError(faultOf(error), parts.filter(Boolean).join(' · '));
}

const LONGEST_ADDRESS = 254;
const address = z.email().max(LONGEST_ADDRESS);

/** What a provider calls people and sessions (OpenID Connect Core 1.0, 2: at most 255 characters of ASCII). */
const MACHINE_NAME = /^[\x21-\x7e]{1,255}$/;

function subjectIn(all: Record<string, unknown>): string {
  const subject = String(all['sub']);
  if (!MACHINE_NAME.test(subject)) throw new SignOnError('wrong', 'its subject is no name');
  return subject;
}

/** The claims that accounts are told by; what is no text, or no address, is not there. */
function claimsOf(all: Record<string, unknown>, { provesAddresses }: ProviderSettings) {
  const said = (name: string): string | null =>
    typeof all[name] === 'string' && all[name] !== '' ? all[name] : null;
  const email = address.safeParse(said('email')?.trim().toLowerCase());
  const verified = all['email_verified'];
  return {
    subject: subjectIn(all),
    email: email.success ? email.data : null,
    // The second is no boolean, and yet what some providers send.
    isProven: provesAddresses || verified === true || verified === 'true',
    name: said('name'),
  };
}

const signedOutShape = z
  .object({
    sub: z.string().min(1).max(255).optional(),
    sid: z.string().min(1).max(255).optional(),
    jti: z.string().min(1).max(255),
    iat: z.number(),
    events: z.object({ [SIGNED_OUT]: z.looseObject({}) }),
    nonce: z.undefined({ error: 'holds a nonce, as only ID tokens do' }).optional(),
  })
  .refine(({ sub, sid }) => sub !== undefined || sid !== undefined, 'names nobody');

/** A provider that speaks OpenID Connect (Core 1.0), asked by the code flow with PKCE (RFC 7636). */
class OpenIdProvider implements SignOnProvider {
  readonly id: string;
  readonly name: string;
  readonly kind: ProviderSettings['kind'];
  readonly issuer: string;
  private found: { metadata: Promise<ServerMetadata>; until: string } | undefined;

  constructor(
    private readonly settings: ProviderSettings,
    private readonly publicUrl: string,
    private readonly clock: Clock,
  ) {
    ({ id: this.id, name: this.name, kind: this.kind, issuer: this.issuer } = settings);
  }

  private get back(): string {
    return `${this.publicUrl}/sign-on/${this.id}/back`;
  }

  private async discover(): Promise<ServerMetadata> {
    const client = await library();
    const { issuer, clientId } = this.settings;
    const config = await client.discovery(new URL(issuer), clientId, undefined, undefined, {
      timeout: TIMEOUT_SECONDS,
      execute: this.isPlain ? [client.allowInsecureRequests] : [],
    });
    return config.serverMetadata();
  }

  private get isPlain(): boolean {
    return this.issuer.startsWith('http:');
  }

  /** What the provider says of itself; asked for again where it did not answer. */
  private async metadata(): Promise<ServerMetadata> {
    if (!this.found || this.found.until < this.clock.machine()) {
      const metadata = this.discover();
      const found = { metadata, until: this.clock.machine(KNOWN_SECONDS) };
      this.found = found;
      metadata.catch(() => {
        if (this.found === found) this.found = undefined;
      });
    }
    return this.found.metadata;
  }

  /** Made anew for each sign-on: keys are asked for then, so that a provider may change them at any time. */
  private async configuration(): Promise<Configuration> {
    const client = await library();
    const { clientId, clientSecret } = this.settings;
    const config = new client.Configuration(await this.metadata(), clientId, {
      client_secret: clientSecret,
      [client.clockTolerance]: CLOCK_SECONDS,
    });
    config.timeout = TIMEOUT_SECONDS;
    if (this.isPlain) client.allowInsecureRequests(config);
    // Signatures count, whichever way the token came.
    client.enableNonRepudiationChecks(config);
    return config;
  }

  private async asking<T>(ask: (client: Client, config: Configuration) => Promise<T>): Promise<T> {
    try {
      return await ask(await library(), await this.configuration());
    } catch (error) {
      throw asSignOnError(error);
    }
  }

  address(begun: SignOnBegun, { anew }: { anew: boolean }): Promise<string> {
    return this.asking(async (client, config) => {
      const prompts = config.serverMetadata()['prompt_values_supported'];
      const mayChoose = Array.isArray(prompts) && prompts.includes(CHOOSE);
      const parameters = {
        redirect_uri: this.back,
        scope: 'openid email profile',
        state: begun.state,
        nonce: begun.nonce,
        code_challenge: await client.calculatePKCECodeChallenge(begun.verifier),
        code_challenge_method: 'S256',
        ...(anew ? { prompt: mayChoose ? CHOOSE : 'login' } : {}),
      };
      return client.buildAuthorizationUrl(config, parameters).href;
    });
  }

  finish(cameBackTo: URL, begun: SignOnBegun): Promise<SignedOn> {
    return this.asking(async (client, config) => {
      const tokens = await client.authorizationCodeGrant(config, cameBackTo, {
        expectedState: begun.state,
        expectedNonce: begun.nonce,
        pkceCodeVerifier: begun.verifier,
        idTokenExpected: true,
      });
      const claimed = tokens.claims()!;
      const all: Record<string, unknown> = { ...claimed };
      const more = config.serverMetadata().userinfo_endpoint;
      if (more && claimed['email'] === undefined)
        Object.assign(all, await client.fetchUserInfo(config, tokens.access_token, claimed.sub));
      const sid = all['sid'];
      const session = typeof sid === 'string' && MACHINE_NAME.test(sid) ? sid : null;
      return {
        claims: claimsOf(all, this.settings),
        all,
        idToken: tokens.id_token!,
        session,
      };
    });
  }

  async endAddress(idToken: string): Promise<string | null> {
    return this.asking(async (client, config) => {
      if (!config.serverMetadata().end_session_endpoint) return null;
      return client.buildEndSessionUrl(config, {
        id_token_hint: idToken,
        post_logout_redirect_uri: `${this.publicUrl}/`,
      }).href;
    });
  }

  /** Back-Channel Logout 1.0, 2.6: signed by the provider, for us, of now, and no ID token. */
  async readSignedOut(token: string): Promise<SignedOutThere> {
    try {
      const { jwks_uri: keys } = await this.metadata();
      const { payload } = await jwtVerify(token, createRemoteJWKSet(new URL(keys!)), {
        issuer: this.issuer,
        audience: this.settings.clientId,
        clockTolerance: CLOCK_SECONDS,
        maxTokenAge: CLOCK_SECONDS,
      });
      const { sub, sid, jti } = signedOutShape.parse(payload);
      return { subject: sub ?? null, session: sid ?? null, number: jti };
    } catch (error) {
      if (error instanceof joseErrors.JWKSTimeout) throw new SignOnError('slow', error.message);
      throw new SignOnError('wrong', (error as Error).message);
    }
  }
}

/** Providers as they are set up, by their names. Nothing is asked of them before somebody signs on. */
export const openIdProviders = (
  settings: readonly ProviderSettings[],
  publicUrl: string,
  clock: Clock,
): Map<string, SignOnProvider> =>
  new Map(settings.map((one) => [one.id, new OpenIdProvider(one, publicUrl, clock)]));
