// The gallery of the interface's parts, served as they are written: `./glen parts`, and for the test that looks at it.
import { join } from 'node:path';
import { root } from './build.mjs';

/** Serves the gallery at `/parts`; gives its address and how to stop it. */
export async function serveParts({ port } = {}) {
  const { createServer } = await import('vite');
  const gallery = {
    name: 'gallery',
    configureServer: ({ middlewares }) => {
      middlewares.use((request, _response, next) => {
        if (request.url === '/parts') request.url = '/parts.html';
        next();
      });
    },
  };
  const server = await createServer({
    root: join(root, 'apps/web'),
    logLevel: 'error',
    plugins: [gallery],
    server: { host: '127.0.0.1', ...(port === undefined ? { port: 0 } : { port }) },
  });
  await server.listen();
  const { port: at } = server.httpServer.address();
  return { url: `http://127.0.0.1:${at}/parts`, stop: () => server.close() };
}
