import type { Glen } from '../../glen.js';
import type { Handlers } from '../../http/mount.js';
import { describeMe, signIn, switchAccount } from './service.js';
import {
  changeAddress,
  changeOwn,
  changePassword,
  describeOwn,
  firstPassword,
} from './ownAccount.js';
import { endOwnSession, ownSessions, signOutEverywhere } from './ownSessions.js';
import { passwordFor, setPassword } from './setPassword.js';

export const accountRoutes = (
  glen: Glen,
): Pick<
  Handlers,
  | 'me'
  | 'signIn'
  | 'switchAccount'
  | 'passwordFor'
  | 'setPassword'
  | 'ownAccount'
  | 'setOwnAccount'
  | 'ownSessions'
  | 'endOwnSession'
  | 'signOutEverywhere'
  | 'changePassword'
  | 'firstPassword'
  | 'changeAddress'
> => ({
  me: ({ who }) => describeMe(glen, who),
  signIn: async ({ body, from, who, setSession }) => {
    const signedIn = await signIn(glen, body, { before: who, from });
    setSession(signedIn.session);
    return describeMe(glen, signedIn.who);
  },
  passwordFor: ({ params }) => passwordFor(glen, params.token),
  setPassword: async ({ params, body, who, from, setSession }) => {
    const at = { before: who, from };
    const signedIn = await setPassword(glen, params.token, body.password, at);
    setSession(signedIn.session);
    return describeMe(glen, signedIn.who);
  },
  ownAccount: ({ who }) => describeOwn(glen, who),
  setOwnAccount: ({ who, body }) => changeOwn(glen, who, body),
  ownSessions: ({ who }) => ownSessions(glen, who),
  endOwnSession: ({ who, params }) => endOwnSession(glen, who, params.sessionId),
  signOutEverywhere: async ({ who, setSession }) => {
    await signOutEverywhere(glen, who);
    setSession(null);
    return { ok: true };
  },
  changePassword: ({ who, body }) => changePassword(glen, who, body),
  firstPassword: ({ who, body }) => firstPassword(glen, who, body),
  changeAddress: ({ who, body }) => changeAddress(glen, who, body),
  switchAccount: async ({ who, body }) =>
    describeMe(glen, await switchAccount(glen, who, body.accountId)),
});
