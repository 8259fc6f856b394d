import type { Glen } from '../../glen.js';
import type { Call, Handlers } from '../../http/mount.js';
import { describeMe } from '../accounts/service.js';
import { comeAsGuest, guestFor, makeGuestAddress, readGuestAddress } from './address.js';
import { answerInvitation, describeInvitations, sayByAddress } from './invitations.js';
import { addGuests, describeGuests, editGuest, setWatchAddress, withdrawGuest } from './list.js';
import { setAudienceNow } from './withdraw.js';

const at = ({ params, who }: Pick<Call<'addGuests'>, 'params' | 'who'>) => ({
  linkId: params.linkId,
  by: who.person!.id,
});

/** For hosts. */
const listRoutes = (glen: Glen) =>
  ({
    setAudience: ({ params, body, who }) =>
      setAudienceNow(glen, { linkId: params.linkId, who }, body),
    guestAddress: (call) => makeGuestAddress(glen, at(call), call.body),
    guests: ({ params }) => describeGuests(glen, params.linkId),
    addGuests: (call) => addGuests(glen, at(call), call.body),
    editGuest: (call) => editGuest(glen, at(call), call.body),
    withdrawGuest: (call) => withdrawGuest(glen, at(call), call.body),
    setWatchAddress: (call) => setWatchAddress(glen, at(call), call.body),
  }) satisfies Partial<Handlers>;

/** For guests. */
export const guestRoutes = (glen: Glen) =>
  ({
    ...listRoutes(glen),
    guestFor: ({ params }) => readGuestAddress(glen, params.token),
    comeAsGuest: async ({ params, body, who, from, setSession }) => {
      const signedIn = await comeAsGuest(
        glen,
        { token: params.token, at: { before: who, from } },
        body,
      );
      setSession(signedIn.session);
      return describeMe(glen, signedIn.who);
    },
    sayAsGuest: async ({ params, body }) => {
      const { link_id: linkId, email } = await guestFor(glen, params.token);
      await sayByAddress(glen, { linkId, email }, body.said);
      return readGuestAddress(glen, params.token);
    },
    invitations: ({ who }) => describeInvitations(glen, who),
    answerInvitation: ({ who, body }) => answerInvitation(glen, who, body),
  }) satisfies Partial<Handlers>;
