import { fileURLToPath } from 'node:url';
import { z } from 'zod';
import { startStandins } from './start.js';

const env = z
  .object({
    STANDINS_DATABASE_URL: z.string(),
    STANDINS_HOST: z.string().default('127.0.0.2'),
    STANDINS_VIDEO_PORT: z.coerce.number(),
    STANDINS_COURSE_SITE_PORT: z.coerce.number(),
    STANDINS_VIDEO_SECRET: z.string(),
    STANDINS_COURSE_SITE_TOKEN: z.string(),
    STANDINS_WEBHOOK: z.url(),
    STANDINS_ZONE: z.string().default('America/Halifax'),
  })
  .parse(process.env);

const running = await startStandins({
  databaseUrl: env.STANDINS_DATABASE_URL,
  host: env.STANDINS_HOST,
  videoPort: env.STANDINS_VIDEO_PORT,
  courseSitePort: env.STANDINS_COURSE_SITE_PORT,
  videoSecret: env.STANDINS_VIDEO_SECRET,
  courseSiteToken: env.STANDINS_COURSE_SITE_TOKEN,
  webhook: env.STANDINS_WEBHOOK,
  zone: env.STANDINS_ZONE,
  publicDir: fileURLToPath(new URL('../public', import.meta.url)),
});
console.log('Stand-ins are ready');
const stop = () => void running.stop().then(() => process.exit(0));
process.once('SIGTERM', stop);
process.once('SIGINT', stop);
