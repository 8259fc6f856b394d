import { fileURLToPath } from 'node:url';
import { readConfig } from './config.js';
import { startServer } from './start.js';

const webDir =
  process.env.GLEN_WEB_DIR ?? fileURLToPath(new URL('../../web/dist', import.meta.url));

try {
  const config = readConfig(process.env);
  const running = await startServer(config, { webDir });
  console.log(`Glen is ready at ${config.publicUrl}`);
  const stop = () => void running.stop().then(() => process.exit(0));
  process.once('SIGTERM', stop);
  process.once('SIGINT', stop);
} catch (error) {
  console.error((error as Error).message);
  process.exit(1);
}
