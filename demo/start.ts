import { fileURLToPath } from 'node:url';
import { readConfig } from '../apps/server/src/config.js';
import { startServer } from '../apps/server/src/start.js';
import { loadDemo, setDemoTime } from './load.js';
import { DEMO_AT } from './school.js';

/** Where the pages lie, seen from a bundle in apps/server/dist. */
const PAGES = fileURLToPath(new URL('../../web/dist', import.meta.url));

interface Running {
  publicUrl: string;
  stop: () => Promise<void>;
}

/** Starts the server with the demo school: loaded where the database is empty, its clock set where asked. */
export async function start(env: NodeJS.ProcessEnv): Promise<Running> {
  const config = readConfig({ ...env, GLEN_DEMO: '1' });
  const running = await startServer(config, { webDir: env.GLEN_WEB_DIR ?? PAGES });
  const at = env.GLEN_DEMO_AT;
  const loaded = await loadDemo(running.glen, at && at !== 'live' ? at : DEMO_AT);
  if (at === 'live') await running.glen.clock.setOffset(0);
  else if (at && !loaded) await setDemoTime(running.glen, at);
  return { publicUrl: config.publicUrl, stop: () => running.stop() };
}
