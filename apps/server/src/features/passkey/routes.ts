import type { Glen } from '../../glen.js';
import type { Handlers } from '../../http/mount.js';
import { describeMe } from '../accounts/service.js';
import { addPasskey, optionsToAdd } from './add.js';
import { COOKIE } from './challenge.js';
import { describePasskeys, removePasskey, renamePasskey } from './own.js';
import { confirm, optionsToConfirm, optionsToSignIn, passkeySignIn } from './signIn.js';

const USED = { name: COOKIE, value: null, seconds: 0 };

export const passkeyRoutes = (
  glen: Glen,
): Pick<
  Handlers,
  | 'passkeys'
  | 'passkeyOptions'
  | 'addPasskey'
  | 'renamePasskey'
  | 'removePasskey'
  | 'passkeySignInOptions'
  | 'passkeySignIn'
  | 'confirmOptions'
  | 'confirm'
> => ({
  passkeys: ({ who }) => describePasskeys(glen, who),
  passkeyOptions: async ({ who, keepCookie }) => {
    const { answer, cookie } = await optionsToAdd(glen, who);
    keepCookie(cookie);
    return answer;
  },
  addPasskey: async ({ who, body, cookie, keepCookie }) => {
    const answer = await addPasskey(glen, { who, sealed: cookie(COOKIE) }, body);
    keepCookie(USED);
    return answer;
  },
  renamePasskey: ({ who, params, body }) =>
    renamePasskey(glen, who, { id: params.passkeyId, name: body.name }),
  removePasskey: ({ who, params }) => removePasskey(glen, who, params.passkeyId),
  passkeySignInOptions: async ({ keepCookie }) => {
    const { answer, cookie } = await optionsToSignIn(glen);
    keepCookie(cookie);
    return answer;
  },
  passkeySignIn: async ({ who, from, body, cookie, keepCookie, setSession }) => {
    const at = { before: who, from };
    const signedIn = await passkeySignIn(glen, { at, sealed: cookie(COOKIE) }, body);
    keepCookie(USED);
    setSession(signedIn.session);
    return describeMe(glen, signedIn.who);
  },
  confirmOptions: async ({ who, keepCookie }) => {
    const { answer, cookie } = await optionsToConfirm(glen, who);
    keepCookie(cookie);
    return answer;
  },
  confirm: async ({ who, body, cookie, keepCookie }) => {
    const answer = await confirm(glen, { who, sealed: cookie(COOKIE) }, body);
    keepCookie(USED);
    return answer;
  },
});
