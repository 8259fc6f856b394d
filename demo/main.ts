import { start } from './start.js';

try {
  const running = await start(process.env);
  const stop = () => void running.stop().then(() => process.exit(0));
  process.once('SIGTERM', stop);
  process.once('SIGINT', stop);
  // Whoever reads this may stop it at once.
  console.log(`Glen is ready at ${running.publicUrl}`);
} catch (error) {
  console.error(error);
  process.exit(1);
}
