import type { Glen } from '../../glen.js';
import { SentOn } from '../../http/keptCookie.js';
import type { Handlers } from '../../http/mount.js';
import { beginSignOn } from './begin.js';
import { finishSignOn } from './finish.js';
import { endOwnSignOn, endTheirSignOn } from './endSignOn.js';
import { signOut, signedOutThere } from './signOut.js';
import { describeWays, setWays } from './ways.js';

export const signOnRoutes = (
  glen: Glen,
): Pick<
  Handlers,
  | 'signOut'
  | 'beginSignOn'
  | 'signOnBack'
  | 'signedOutThere'
  | 'signInWays'
  | 'setSignInWays'
  | 'endSignOn'
  | 'endTheirSignOn'
> => ({
  signInWays: () => describeWays(glen),
  setSignInWays: ({ who, body }) => setWays(glen, who, body),
  endSignOn: ({ who, params }) => endOwnSignOn(glen, who, params.signOnId),
  endTheirSignOn: ({ who, params }) => endTheirSignOn(glen, who, params),
  signOut: async ({ who, setSession }) => {
    const answer = await signOut(glen, who);
    setSession(null);
    return answer;
  },
  beginSignOn: async ({ params, who, body, keepCookie }) => {
    const { answer, cookie } = await beginSignOn(glen, { id: params.provider, who }, body);
    keepCookie(cookie);
    return answer;
  },
  signOnBack: async ({ params, who, from, cookie, setSession, keepCookie, path }) => {
    const url = new URL(path, glen.config.publicUrl);
    const finished = await finishSignOn(glen, { id: params.provider, url, who, from, cookie });
    if (finished.session) setSession(finished.session);
    if (finished.cookie) keepCookie(finished.cookie);
    return new SentOn(finished.to);
  },
  signedOutThere: ({ params, body, from }) =>
    signedOutThere(glen, { id: params.provider, token: body.logout_token, from }),
});
