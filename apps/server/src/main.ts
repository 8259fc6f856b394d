import { fileURLToPath } from 'node:url';
import { readConfig } from './config.js';
import { offerMovingIn } from './features/moveIn/service.js';
import { startServer } from './start.js';

const webDir =
  process.env.GLEN_WEB_DIR ?? fileURLToPath(new URL('../../web/dist', import.meta.url));

try {
  const config = readConfig(process.env);
  const running = await startServer(config, { webDir });
  const movingIn = await offerMovingIn(running.glen);
  if (movingIn) {
    console.log('Nobody has moved in yet. To make your school, open this address once:');
    console.log(`  ${movingIn}`);
  }
  const stop = () => void running.stop().then(() => process.exit(0));
  process.once('SIGTERM', stop);
  process.once('SIGINT', stop);
  // Whoever started it, where it was started with a channel, is gone without a word.
  process.once('disconnect', stop);
  console.log(`Glen is ready at ${config.publicUrl}`);
} catch (error) {
  console.error((error as Error).message);
  process.exit(1);
}
