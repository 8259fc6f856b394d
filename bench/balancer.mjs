import net from 'node:net';
import { LOOPBACK } from '../scripts/processes.mjs';

/** A connection to the first of some ports at which anybody answers; nothing where nobody does. */
async function reach(ports) {
  for (const port of ports) {
    const socket = net.connect(port, LOOPBACK);
    const isThere = await new Promise((resolve) => {
      socket.once('connect', () => resolve(true));
      socket.once('error', () => resolve(false));
    });
    if (isThere) return socket;
    socket.destroy();
  }
  return null;
}

/**
 * What stands before several processes: hands each connection on to one of them in turn, and to another where that one does
 * not answer. What breaks behind it breaks before it, too.
 */
export async function startBalancer(port, behind) {
  let turn = 0;
  const open = new Set();
  const server = net.createServer({ pauseOnConnect: true }, async (client) => {
    open.add(client);
    client.on('error', () => {});
    const first = turn++ % behind.length;
    const back = await reach([...behind.slice(first), ...behind.slice(0, first)]);
    if (!back) return client.destroy();
    back.on('error', () => client.destroy());
    back.on('close', () => client.destroy());
    client.on('close', () => {
      open.delete(client);
      back.destroy();
    });
    client.pipe(back).pipe(client);
    client.resume();
  });
  await new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, LOOPBACK, resolve);
  });
  return {
    stop: () =>
      new Promise((resolve) => {
        server.close(resolve);
        for (const client of open) client.destroy();
      }),
  };
}
