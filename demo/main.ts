import { fileURLToPath } from 'node:url';
import { readConfig } from '../apps/server/src/config.js';
import { startServer } from '../apps/server/src/start.js';
import { loadDemo, setDemoTime } from './load.js';
import { DEMO_AT } from './school.js';

// The server with the demo school: loaded where the database is empty, its clock set where asked.
const webDir =
  process.env.GLEN_WEB_DIR ?? fileURLToPath(new URL('../../web/dist', import.meta.url));
try {
  const config = readConfig({ ...process.env, GLEN_DEMO: '1' });
  const running = await startServer(config, { webDir });
  const at = process.env.GLEN_DEMO_AT;
  const loaded = await loadDemo(running.glen, at && at !== 'live' ? at : DEMO_AT);
  if (at === 'live') await running.glen.clock.setOffset(0);
  else if (at && !loaded) await setDemoTime(running.glen, at);
  const stop = () => void running.stop().then(() => process.exit(0));
  process.once('SIGTERM', stop);
  process.once('SIGINT', stop);
  // Whoever reads this may stop it at once.
  console.log(`Glen is ready at ${config.publicUrl}`);
} catch (error) {
  console.error(error);
  process.exit(1);
}
