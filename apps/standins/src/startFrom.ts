import { fileURLToPath } from 'node:url';
import { z } from 'zod';
import { startStandins } from './start.js';

const surroundings = z.object({
  STANDINS_DATABASE_URL: z.string(),
  STANDINS_HOST: z.string().default('127.0.0.2'),
  STANDINS_VIDEO_PORT: z.coerce.number(),
  STANDINS_COURSE_SITE_PORT: z.coerce.number(),
  STANDINS_VIDEO_SECRET: z.string(),
  STANDINS_COURSE_SITE_TOKEN: z.string(),
  STANDINS_WEBHOOK: z.url(),
  STANDINS_ZONE: z.string().default('America/Halifax'),
});

/** Starts both stand-ins as an environment says; throws where it does not say enough. */
export function start(env: NodeJS.ProcessEnv): Promise<{ stop: () => Promise<void> }> {
  const said = surroundings.parse(env);
  return startStandins({
    databaseUrl: said.STANDINS_DATABASE_URL,
    host: said.STANDINS_HOST,
    videoPort: said.STANDINS_VIDEO_PORT,
    courseSitePort: said.STANDINS_COURSE_SITE_PORT,
    videoSecret: said.STANDINS_VIDEO_SECRET,
    courseSiteToken: said.STANDINS_COURSE_SITE_TOKEN,
    webhook: said.STANDINS_WEBHOOK,
    zone: said.STANDINS_ZONE,
    devices: fileURLToPath(new URL('../../../packages/devices/devices.js', import.meta.url)),
    publicDir: fileURLToPath(new URL('../public', import.meta.url)),
  });
}
