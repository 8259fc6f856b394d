import express, { type Express } from 'express';
import { accountRoutes } from './features/accounts/routes.js';
import { classRoutes } from './features/classes/routes.js';
import { coverRoutes } from './features/cover/routes.js';
import { demoRoutes } from './features/demo/routes.js';
import { deskRoutes } from './features/desk/routes.js';
import { doorRoutes } from './features/door/routes.js';
import { entryRoutes } from './features/entry/routes.js';
import { feedRoutes } from './features/feed/routes.js';
import { findRoutes } from './features/find/routes.js';
import { guestRoutes } from './features/guest/routes.js';
import { groupRoutes } from './features/group/routes.js';
import { linkRoutes } from './features/link/routes.js';
import { liveRoutes } from './features/live/routes.js';
import { mailRoutes, mountOnePress } from './features/mail/routes.js';
import { eveningRoutes } from './features/evening/routes.js';
import { freeRoutes } from './features/free/routes.js';
import { appointmentRoutes } from './features/appointment/routes.js';
import { pollRoutes } from './features/poll/routes.js';
import { signUpRoutes } from './features/signUp/routes.js';
import { afterLessonRoutes } from './features/afterLesson/routes.js';
import { checkInRoutes } from './features/checkIn/routes.js';
import { registerRoutes } from './features/register/routes.js';
import { moveInRoutes } from './features/moveIn/routes.js';
import { myDayRoutes } from './features/myDay/routes.js';
import { passkeyRoutes } from './features/passkey/routes.js';
import { peopleRoutes } from './features/people/routes.js';
import { planRoutes } from './features/plan/routes.js';
import { postRoutes } from './features/post/routes.js';
import { reachRoutes } from './features/reach/routes.js';
import { schoolRoutes } from './features/school/routes.js';
import { signOnRoutes } from './features/signOn/routes.js';
import type { Glen } from './glen.js';
import { mountEndpoints, type Handlers } from './http/mount.js';
import { openapi } from './http/openapi.js';
import { mountPages } from './http/pages.js';
import { mountNothingElse, mountProblems } from './http/problems.js';
import { mountOperating } from './operating/routes.js';
import { refuseBrokenAddress } from './http/text.js';

const handlersOf = (glen: Glen): Handlers => ({
  ...accountRoutes(glen),
  ...passkeyRoutes(glen),
  ...signOnRoutes(glen),
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
  ...coverRoutes(glen),
  ...doorRoutes(glen),
  ...linkRoutes(glen),
  ...guestRoutes(glen),
  ...groupRoutes(glen),
  ...findRoutes(glen),
  ...feedRoutes(glen),
  ...myDayRoutes(glen),
  ...peopleRoutes(glen),
  ...mailRoutes(glen),
  ...afterLessonRoutes(glen),
  ...signUpRoutes(glen),
  ...eveningRoutes(glen),
  ...freeRoutes(glen),
  ...pollRoutes(glen),
  ...appointmentRoutes(glen),
  ...checkInRoutes(glen),
  ...registerRoutes(glen),
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
  mountNothingElse(app);
  mountOperating(app, glen);
  app.use(refuseBrokenAddress);
  mountOnePress(app, glen);
  mountPages(app, glen, webDir);
  mountProblems(app, glen);
  return app;
}
