// What only one process on this machine does at a time. A name is held as an abstract socket: the system gives it free
// again as its holder ends, however that goes, so that nothing stale is ever in the way.
import { createHash } from 'node:crypto';
import net from 'node:net';

const LOOK_AGAIN_MS = 150;

const addressOf = (name) =>
  `\0glen-${createHash('sha256').update(name).digest('hex').slice(0, 32)}`;

/** Takes a name, unless another process holds it; gives the way to give it back. */
export const take = (name) =>
  new Promise((resolve, reject) => {
    const server = net.createServer();
    server.once('error', (error) => (error.code === 'EADDRINUSE' ? resolve(null) : reject(error)));
    server.listen(addressOf(name), () => {
      // It is held for as long as the process lives, and is no reason to live.
      server.unref();
      resolve(() => new Promise((done) => server.close(done)));
    });
  });

/** Works while no other process holds the name; waits for it otherwise, and says once that it does. */
export async function holding(name, work, onWait = () => {}) {
  let giveBack = await take(name);
  if (!giveBack) onWait();
  while (!giveBack) {
    await new Promise((resolve) => setTimeout(resolve, LOOK_AGAIN_MS));
    giveBack = await take(name);
  }
  try {
    return await work();
  } finally {
    await giveBack();
  }
}
