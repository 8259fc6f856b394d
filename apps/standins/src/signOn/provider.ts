import { randomBytes, randomUUID } from 'node:crypto';
import { exportJWK, generateKeyPair, type JWK } from 'jose';
import type Provider from 'oidc-provider';
import type { Configuration, KoaContextWithOIDC } from 'oidc-provider';
import type { Directory } from './directory.js';
import { distorted } from './distort.js';
import { endPage, endedPage } from './pages.js';

/** Who may ask the provider to sign people on: Glen alone. */
export interface Client {
  id: string;
  secret: string;
  /** Glen's address, and the path below which it is told of what became of a sign-on. */
  glen: string;
  path: string;
}

export async function freshKey(): Promise<JWK> {
  const { privateKey } = await generateKeyPair('ES256', { extractable: true });
  return { ...(await exportJWK(privateKey)), kid: randomUUID(), alg: 'ES256', use: 'sig' };
}

/** Nobody is asked what Glen may know: it is the school's. */
const allGranted: Configuration['loadExistingGrant'] = async (ctx) => {
  const { client, session, result, provider } = ctx.oidc;
  const grantId = result?.consent?.grantId ?? session!.grantIdFor(client!.clientId);
  if (grantId) return provider.Grant.find(grantId);
  const grant = new provider.Grant({ clientId: client!.clientId, accountId: session!.accountId! });
  grant.addOIDCScope('openid email profile');
  await grant.save();
  return grant;
};

const clientOf = ({ id, secret, glen, path }: Client) => ({
  client_id: id,
  client_secret: secret,
  redirect_uris: [`${glen}${path}/back`],
  post_logout_redirect_uris: [`${glen}/`],
  backchannel_logout_uri: `${glen}/api${path}/signed-out`,
  backchannel_logout_session_required: true,
  response_types: ['code' as const],
  grant_types: ['authorization_code'],
  id_token_signed_response_alg: 'ES256' as const,
});

const configuration = (
  directory: Directory,
  client: Client,
  keys: JWK[],
  { inToken }: { inToken: boolean },
): Configuration => ({
  clients: [clientOf(client)],
  jwks: { keys: keys as never },
  cookies: { keys: [randomBytes(16).toString('hex')] },
  pkce: { required: () => true },
  claims: { openid: ['sub'], email: ['email', 'email_verified'], profile: ['name', 'groups'] },
  // Some providers tell all in the token, others only where they are asked once more.
  conformIdTokenClaims: !inToken,
  enabledJWA: { idTokenSigningAlgValues: ['ES256'] },
  interactions: { url: (_ctx, interaction) => `/in/${interaction.uid}` },
  features: {
    devInteractions: { enabled: false },
    rpInitiatedLogout: {
      enabled: true,
      logoutSource: (ctx, form) => {
        ctx.body = endPage(directory.provider, form);
      },
      postLogoutSuccessSource: (ctx) => {
        ctx.body = endedPage(directory.provider);
      },
    },
    backchannelLogout: { enabled: true },
  },
  ttl: { Session: 86400, Grant: 86400, Interaction: 3600, AccessToken: 600, IdToken: 600 },
  loadExistingGrant: allGranted,
  findAccount: async (_ctx, subject) => {
    const holder = await directory.one(subject);
    if (!holder) return undefined;
    const { email, proven, name, groups } = holder;
    return {
      accountId: subject,
      claims: () => ({ sub: subject, email, email_verified: proven, name, groups }),
    };
  },
});

/** What is told of somebody is distorted on its way out, where the provider is to be wrong. */
const distorting =
  (directory: Directory, key: JWK) =>
  async (ctx: KoaContextWithOIDC, next: () => Promise<void>): Promise<void> => {
    await next();
    const body = ctx.body as { id_token?: string } | undefined;
    // What the library does not know has no such part, whatever its types say.
    const oidc = ctx.oidc as KoaContextWithOIDC['oidc'] | undefined;
    if (oidc?.route !== 'token' || !body?.id_token) return;
    const id_token = await distorted(body.id_token, await directory.trouble(), key);
    ctx.body = { ...body, id_token };
  };

/** An OpenID Connect provider with keys of its own. The library comes only when somebody signs on. */
export async function makeProvider(
  issuer: string,
  { directory, client, keys }: { directory: Directory; client: Client; keys: JWK[] },
): Promise<Provider> {
  const { Provider: OidcProvider } = await import('oidc-provider');
  const inToken = directory.provider === 'home';
  const provider = new OidcProvider(issuer, configuration(directory, client, keys, { inToken }));
  provider.use(distorting(directory, keys[0]!));
  return provider;
}
