import type { Glen } from '../../glen.js';
import type { Handlers } from '../../http/mount.js';
import { describeMe } from '../accounts/service.js';
import { finishMovingIn, holidaysWhileMovingIn, keepMovingIn, readMovingIn } from './service.js';

export const moveInRoutes = (glen: Glen) =>
  ({
    moveIn: ({ params }) => readMovingIn(glen, params.token),
    keepMoveIn: ({ params, body }) => keepMovingIn(glen, params.token, body),
    moveInHolidays: ({ params, query }) => holidaysWhileMovingIn(glen, params.token, query),
    finishMoveIn: async ({ params, body, from, setSession }) => {
      const signedIn = await finishMovingIn(glen, { token: params.token, from }, body);
      setSession(signedIn.session);
      return describeMe(glen, signedIn.who);
    },
  }) satisfies Partial<Handlers>;
