import type { Glen } from '../../glen.js';
import type { Call, Handlers } from '../../http/mount.js';
import type { AtDesk } from '../desk/session.js';
import { describeAtDesk, endCheckIn, openCheckIn } from './atDesk.js';
import { describeCheckIn, findCheckIn, giveCheckIn } from './give.js';

const deskOf = ({
  params,
  who,
  token,
}: Pick<Call<'deskCheckIn'>, 'params' | 'who' | 'token'>): AtDesk => ({
  linkId: params.linkId,
  by: who.person!.id,
  token,
});

export const checkInRoutes = (glen: Glen) =>
  ({
    deskCheckIn: (call) => describeAtDesk(glen, deskOf(call)),
    openCheckIn: (call) => openCheckIn(glen, deskOf(call), call.body),
    endCheckIn: (call) => endCheckIn(glen, deskOf(call), call.body),
    checkIn: ({ params, who }) => describeCheckIn(glen, params.token, who),
    findCheckIn: ({ body, who }) => findCheckIn(glen, body, who),
    giveCheckIn: ({ params, who, from, body }) =>
      giveCheckIn(glen, params.token, { who, from, answer: body.answer }),
  }) satisfies Partial<Handlers>;
