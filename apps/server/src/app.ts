import { existsSync } from 'node:fs';
import { join } from 'node:path';
import express, { type Express } from 'express';
import helmet from 'helmet';
import { accountRoutes } from './features/accounts/routes.js';
import { classRoutes } from './features/classes/routes.js';
import { demoRoutes } from './features/demo/routes.js';
import { deskRoutes } from './features/desk/routes.js';
import { doorRoutes } from './features/door/routes.js';
import { entryRoutes } from './features/entry/routes.js';
import { feedRoutes } from './features/feed/routes.js';
import { findRoutes } from './features/find/routes.js';
import { groupRoutes } from './features/group/routes.js';
import { linkRoutes } from './features/link/routes.js';
import { liveRoutes } from './features/live/routes.js';
import { moveInRoutes } from './features/moveIn/routes.js';
import { myDayRoutes } from './features/myDay/routes.js';
import { peopleRoutes } from './features/people/routes.js';
import { planRoutes } from './features/plan/routes.js';
import { postRoutes } from './features/post/routes.js';
import { reachRoutes } from './features/reach/routes.js';
import { schoolRoutes } from './features/school/routes.js';
import type { Glen } from './glen.js';
import { mountEndpoints, mountProblems, type Handlers } from './http/mount.js';
import { openapi } from './http/openapi.js';

const handlersOf = (glen: Glen): Handlers => ({
  ...accountRoutes(glen),
  ...demoRoutes(glen),
  ...moveInRoutes(glen),
  ...liveRoutes(glen),
  ...schoolRoutes(glen),
  ...planRoutes(glen),
  ...classRoutes(glen),
  ...entryRoutes(glen),
  ...postRoutes(glen),
  ...reachRoutes(glen),
  ...deskRoutes(glen),
  ...doorRoutes(glen),
  ...linkRoutes(glen),
  ...groupRoutes(glen),
  ...findRoutes(glen),
  ...feedRoutes(glen),
  ...myDayRoutes(glen),
  ...peopleRoutes(glen),
  openapi: async () => openapi(glen.config.publicUrl),
});

/** Glen's web application: the API from the contract's table, and the built pages from `webDir`. */
export function createApp(
  glen: Glen,
  { webDir, checkAnswers = false }: { webDir?: string; checkAnswers?: boolean } = {},
): Express {
  const app = express();
  app.disable('x-powered-by');
  // Answers of the API are never stored, so nothing would be won by a digest of each.
  app.set('etag', false);
  app.set(
    'trust proxy',
    glen.config.trustedProxies.length > 0 ? glen.config.trustedProxies : false,
  );
  mountEndpoints(app, glen, handlersOf(glen), { checkAnswers });
  // From here on pages.
  const https = glen.config.publicUrl.startsWith('https:');
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          defaultSrc: ["'self'"],
          scriptSrc: ["'self'"],
          styleSrc: ["'self'", "'unsafe-inline'"],
          imgSrc: ["'self'", 'data:'],
          fontSrc: ["'self'"],
          connectSrc: ["'self'"],
          objectSrc: ["'none'"],
          baseUri: ["'none'"],
          formAction: ["'self'"],
          frameAncestors: ["'none'"],
          upgradeInsecureRequests: https ? [] : null,
        },
      },
      strictTransportSecurity: https,
      referrerPolicy: { policy: 'no-referrer' },
      crossOriginOpenerPolicy: { policy: 'same-origin' },
    }),
  );
  mountProblems(app, glen);
  if (webDir && existsSync(join(webDir, 'index.html'))) {
    app.use(
      '/assets',
      express.static(join(webDir, 'assets'), {
        immutable: true,
        maxAge: '1y',
        index: false,
        fallthrough: false,
      }),
    );
    app.use(express.static(webDir, { index: false, maxAge: 0 }));
    app.get('/{*path}', (_req, res) =>
      res.set('Cache-Control', 'no-cache').sendFile(join(webDir, 'index.html')),
    );
  }
  return app;
}
