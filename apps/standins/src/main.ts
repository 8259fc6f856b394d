import { start } from './startFrom.js';

const running = await start(process.env);
console.log('Stand-ins are ready');
const stop = () => void running.stop().then(() => process.exit(0));
process.once('SIGTERM', stop);
process.once('SIGINT', stop);
