import type { Glen } from '../../glen.js';
import type { Handlers } from '../../http/mount.js';
import { describeDoor, describeHowTo, tryDoor } from './describe.js';
import { enterDoor } from './enter.js';
import { takeVideoEvent } from './videoEvents.js';

export const doorRoutes = (glen: Glen) =>
  ({
    door: ({ params, token, address }) => describeDoor(glen, params.code, { token, address }),
    howTo: ({ params, token, address }) => describeHowTo(glen, params.code, { token, address }),
    enterDoor: ({ params, body, token, address, setSession }) =>
      enterDoor(glen, { typed: params.code, token, address, setSession }, body),
    tryDoor: ({ params, body, who }) =>
      tryDoor(glen, { linkId: params.linkId, by: who.person!.id }, body),
    videoEvent: async ({ body, rawBody, header }) => {
      const headers = { time: header('x-room-time'), signature: header('x-room-signature') };
      await takeVideoEvent(glen, { headers, rawBody }, body);
      return { ok: true };
    },
  }) satisfies Partial<Handlers>;
