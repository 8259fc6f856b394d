import type { Glen } from '../../glen.js';
import type { Handlers } from '../../http/mount.js';
import { describeSeries, dropTheirs, setSlots, signUpFor } from './host.js';
import { describeSignUps, giveUpSlot, moveSlot, takeSlot } from './own.js';

export const signUpRoutes = (glen: Glen) =>
  ({
    seriesSlots: ({ params }) => describeSeries(glen, params.seriesId),
    setSlots: ({ params, who, body }) => setSlots(glen, params.seriesId, who.person!.id, body),
    signUpFor: ({ params, who, body }) => signUpFor(glen, params.seriesId, who.person!.id, body),
    dropTheirSlot: ({ params, who, body }) =>
      dropTheirs(glen, params.seriesId, who.person!.id, body),
    signUps: ({ params, token, from }) => describeSignUps(glen, params.code, { token, from }),
    signUp: ({ params, token, from, body }) => takeSlot(glen, params.code, { token, from }, body),
    changeSignUp: ({ params, token, from, body }) =>
      moveSlot(glen, params.code, { token, from }, body),
    dropSignUp: ({ params, token, from, body }) =>
      giveUpSlot(glen, params.code, { token, from }, body),
  }) satisfies Partial<Handlers>;
