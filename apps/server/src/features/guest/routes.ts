import type { Glen } from '../../glen.js';
import type { Handlers } from '../../http/mount.js';
import { describeMe } from '../accounts/service.js';
import { comeAsGuest, makeGuestAddress, readGuestAddress } from './address.js';
import { setAudienceNow } from './withdraw.js';

export const guestRoutes = (
  glen: Glen,
): Pick<Handlers, 'setAudience' | 'guestAddress' | 'guestFor' | 'comeAsGuest'> => ({
  setAudience: ({ params, body, who }) =>
    setAudienceNow(glen, { linkId: params.linkId, who }, body),
  guestAddress: ({ params, body, who }) =>
    makeGuestAddress(glen, { linkId: params.linkId, by: who.person!.id }, body),
  guestFor: ({ params }) => readGuestAddress(glen, params.token),
  comeAsGuest: async ({ params, body, who, from, setSession }) => {
    const at = { before: who, from };
    const signedIn = await comeAsGuest(glen, { token: params.token, at }, body);
    setSession(signedIn.session);
    return describeMe(glen, signedIn.who);
  },
});
