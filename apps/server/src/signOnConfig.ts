import { z } from 'zod';
import type { ProviderSettings } from './outside/signOnProvider.js';

interface Said {
  GLEN_SIGN_ON?: string | undefined;
  GLEN_INSECURE?: '1' | undefined;
}

/** Names of this machine for itself: what is sent there goes over no network. */
const LOOPBACK = /^(localhost|127(\.\d+){3}|\[::1\])$/;
export const isLoopback = (hostname: string): boolean => LOOPBACK.test(hostname);

const provider = z.strictObject({
  id: z
    .string()
    .regex(
      /^[a-z][a-z0-9-]{0,39}$/,
      'small letters, digits and hyphens, as it stands in addresses',
    ),
  name: z.string().trim().min(1, 'what people call it').max(60),
  kind: z.enum(['school', 'personal'], { error: 'school or personal' }),
  issuer: z.url({ error: 'its address as it says it itself' }).max(255),
  clientId: z.string().min(1, 'what the provider calls Glen').max(200),
  clientSecret: z.string().min(16, 'at least 16 characters'),
  provesAddresses: z.boolean().default(false),
});

const providers = z
  .array(provider)
  .refine((all) => new Set(all.map((one) => one.id)).size === all.length, 'two have the same id');

function readJson(said: string): unknown {
  try {
    return JSON.parse(said);
  } catch {
    return undefined;
  }
}

const EXAMPLE =
  'JSON such as [{"id":"school","name":"Merrow account","kind":"school","issuer":"https://accounts.merrow.example","clientId":"glen","clientSecret":"…"}]';

/** What is wrong with the providers of accounts, a line each. */
export function signOnProblems({ GLEN_SIGN_ON: said, GLEN_INSECURE: isMeant }: Said): string[] {
  if (said === undefined) return [];
  const json = readJson(said);
  if (json === undefined) return [`  GLEN_SIGN_ON: ${EXAMPLE}`];
  const read = providers.safeParse(json);
  if (!read.success)
    return read.error.issues.map(({ path, message }) => {
      const at = path.length > 0 ? ` ${path.join('.')}` : '';
      return `  GLEN_SIGN_ON${at}: ${message}`;
    });
  return read.data
    .filter(({ issuer }) => {
      const { protocol, hostname } = new URL(issuer);
      return protocol !== 'https:' && !isLoopback(hostname) && isMeant !== '1';
    })
    .map(
      ({ issuer }) => `  GLEN_SIGN_ON: ${issuer} is plain http: tokens could be read on the way`,
    );
}

/** The providers of accounts; none where nothing is said, or something wrong. */
export function signOnOf({ GLEN_SIGN_ON: said }: Said): ProviderSettings[] {
  const read = said === undefined ? undefined : providers.safeParse(readJson(said));
  return read?.success ? read.data : [];
}
