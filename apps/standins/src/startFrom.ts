import { fileURLToPath } from 'node:url';
import { z } from 'zod';
import { PROVIDERS } from './signOn/people.js';
import { startStandins } from './start.js';

const surroundings = z.object({
  STANDINS_DATABASE_URL: z.string(),
  STANDINS_HOST: z.string().default('127.0.0.2'),
  STANDINS_VIDEO_PORT: z.coerce.number(),
  STANDINS_COURSE_SITE_PORT: z.coerce.number(),
  /** Where letters are taken, and where the mailboxes are looked at; on an address of their own. */
  STANDINS_MAIL_HOST: z.string(),
  STANDINS_SMTP_PORT: z.coerce.number(),
  STANDINS_MAIL_PAGE_PORT: z.coerce.number(),
  /** `back.merrow.example 127.0.0.6:4001`: a domain, and where its mail is taken. */
  STANDINS_MAIL_ELSEWHERE: z.string().regex(/^\S+ [\d.]+:\d+$/),
  STANDINS_VIDEO_SECRET: z.string(),
  STANDINS_VIDEO_PHONE: z.string(),
  STANDINS_COURSE_SITE_TOKEN: z.string(),
  STANDINS_WEBHOOK: z.url(),
  STANDINS_ZONE: z.string().default('America/Halifax'),
  /** `127.0.0.3:4001`: where a provider of accounts is. */
  STANDINS_SIGN_ON_SCHOOL: z.string().regex(/^[\d.]+:\d+$/),
  STANDINS_SIGN_ON_HOME: z.string().regex(/^[\d.]+:\d+$/),
  STANDINS_SIGN_ON_SECRET: z.string(),
  /** Where Glen is. */
  STANDINS_GLEN: z.url(),
});

function elsewhereOf(said: string): { domain: string; host: string; port: number } {
  const [domain, host, port] = said.split(/[ :]/) as [string, string, string];
  return { domain, host, port: Number(port) };
}

/** Starts both stand-ins as an environment says; throws where it does not say enough. */
export function start(env: NodeJS.ProcessEnv): Promise<{ stop: () => Promise<void> }> {
  const said = surroundings.parse(env);
  const at = { school: said.STANDINS_SIGN_ON_SCHOOL, home: said.STANDINS_SIGN_ON_HOME };
  return startStandins({
    databaseUrl: said.STANDINS_DATABASE_URL,
    host: said.STANDINS_HOST,
    videoPort: said.STANDINS_VIDEO_PORT,
    courseSitePort: said.STANDINS_COURSE_SITE_PORT,
    mail: {
      host: said.STANDINS_MAIL_HOST,
      smtpPort: said.STANDINS_SMTP_PORT,
      pagePort: said.STANDINS_MAIL_PAGE_PORT,
      elsewhere: elsewhereOf(said.STANDINS_MAIL_ELSEWHERE),
    },
    videoSecret: said.STANDINS_VIDEO_SECRET,
    videoPhone: said.STANDINS_VIDEO_PHONE,
    courseSiteToken: said.STANDINS_COURSE_SITE_TOKEN,
    webhook: said.STANDINS_WEBHOOK,
    zone: said.STANDINS_ZONE,
    signOn: PROVIDERS.map((provider) => {
      const [host, port] = at[provider].split(':') as [string, string];
      const secret = said.STANDINS_SIGN_ON_SECRET;
      return { provider, host, port: Number(port), secret, glen: said.STANDINS_GLEN };
    }),
    devices: fileURLToPath(new URL('../../../packages/devices/devices.js', import.meta.url)),
    publicDir: fileURLToPath(new URL('../public', import.meta.url)),
  });
}
