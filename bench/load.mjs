import net from 'node:net';

/** Requests a second on `connections` kept-alive connections for `seconds`: the same GET again and again, each answer awaited and its status checked. */
export async function requestsPerSecond({ port, path, cookie, connections = 16, seconds = 2 }) {
  const request = `GET ${path} HTTP/1.1\r\nHost: 127.0.0.1:${port}\r\nConnection: keep-alive\r\n${cookie ? `Cookie: ${cookie}\r\n` : ''}\r\n`;
  let done = 0;
  const end = performance.now() + seconds * 1000;
  const started = performance.now();
  await Promise.all(
    Array.from(
      { length: connections },
      () =>
        new Promise((resolve, reject) => {
          const socket = net.connect(port, '127.0.0.1', () => socket.write(request));
          let have = '';
          socket.setEncoding('latin1');
          socket.on('data', (data) => {
            have += data;
            const headEnd = have.indexOf('\r\n\r\n');
            if (headEnd < 0) return;
            const length = Number(/content-length: (\d+)/i.exec(have)?.[1]);
            if (have.length < headEnd + 4 + length) return;
            if (!have.startsWith('HTTP/1.1 200')) return reject(new Error(have.slice(0, 200)));
            have = '';
            done++;
            if (performance.now() < end) socket.write(request);
            else {
              socket.destroy();
              resolve();
            }
          });
          socket.on('error', reject);
        }),
    ),
  );
  return done / ((performance.now() - started) / 1000);
}
