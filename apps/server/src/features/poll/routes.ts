import type { Glen } from '../../glen.js';
import type { Call, Handlers } from '../../http/mount.js';
import { choose, describeChoosing } from './choose.js';
import { describePolls } from './describe.js';
import { offerTimes, takeOfferBack } from './offer.js';

const at = ({ params, who }: Pick<Call<'addPoll'>, 'params' | 'who'>) => ({
  classId: params.classId,
  by: who.person!.id,
});

export const pollRoutes = (glen: Glen) =>
  ({
    polls: ({ who }) => describePolls(glen, who.person!.id),
    addPoll: (call) => offerTimes(glen, at(call), call.body),
    stopPoll: (call) => takeOfferBack(glen, at(call), call.body),
    choosing: ({ params }) => describeChoosing(glen, params.token),
    choose: ({ params, body }) => choose(glen, params.token, body),
  }) satisfies Partial<Handlers>;
