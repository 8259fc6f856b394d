import type { Glen } from '../../glen.js';
import type { Call, Handlers } from '../../http/mount.js';
import { describeDoor, describeHowTo, tryDoor } from './describe.js';
import { enterDoor } from './enter.js';
import { takePhoneCall, takeRoomTicket, takeVideoEvent } from './videoEvents.js';

const signedOf = ({ rawBody, header }: Pick<Call<'videoEvent'>, 'rawBody' | 'header'>) => ({
  headers: { time: header('x-room-time'), signature: header('x-room-signature') },
  rawBody,
});

export const doorRoutes = (glen: Glen) =>
  ({
    door: ({ params, token, from }) => describeDoor(glen, params.code, { token, from }),
    howTo: ({ params, token, from }) => describeHowTo(glen, params.code, { token, from }),
    enterDoor: ({ params, body, token, from, setSession }) =>
      enterDoor(glen, { typed: params.code, token, from, setSession }, body),
    tryDoor: ({ params, body, who }) =>
      tryDoor(glen, { linkId: params.linkId, by: who.person!.id }, body),
    videoEvent: async (call) => {
      await takeVideoEvent(glen, signedOf(call), call.body);
      return { ok: true };
    },
    phoneCall: (call) => takePhoneCall(glen, signedOf(call), call.body),
    takeTicket: (call) => takeRoomTicket(glen, signedOf(call), call.body),
  }) satisfies Partial<Handlers>;
