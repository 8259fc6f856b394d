import type { Glen } from '../../glen.js';
import type { Handlers } from '../../http/mount.js';
import { describeMe, signIn, switchAccount } from './service.js';
import { changeAddress, changeOwn, changePassword, describeOwn } from './ownAccount.js';
import { passwordFor, setPassword } from './setPassword.js';
import { endSession } from './store.js';

export const accountRoutes = (
  glen: Glen,
): Pick<
  Handlers,
  | 'me'
  | 'signIn'
  | 'signOut'
  | 'switchAccount'
  | 'passwordFor'
  | 'setPassword'
  | 'ownAccount'
  | 'setOwnAccount'
  | 'changePassword'
  | 'changeAddress'
> => ({
  me: ({ who }) => describeMe(glen, who),
  signIn: async ({ body, address, who, setSession }) => {
    const signedIn = await signIn(glen, body, address, who);
    setSession(signedIn.session);
    return describeMe(glen, signedIn.who);
  },
  passwordFor: ({ params }) => passwordFor(glen, params.token),
  setPassword: async ({ params, body, who, setSession }) => {
    const signedIn = await setPassword(glen, params.token, body.password, who);
    setSession(signedIn.session);
    return describeMe(glen, signedIn.who);
  },
  ownAccount: ({ who }) => describeOwn(glen, who),
  setOwnAccount: ({ who, body }) => changeOwn(glen, who, body),
  changePassword: ({ who, body }) => changePassword(glen, who, body),
  changeAddress: ({ who, body }) => changeAddress(glen, who, body),
  signOut: async ({ who, setSession }) => {
    if (who.sessionId !== null) await endSession(glen.db, who.sessionId);
    setSession(null);
    return { ok: true };
  },
  switchAccount: async ({ who, body }) =>
    describeMe(glen, await switchAccount(glen, who, body.accountId)),
});
