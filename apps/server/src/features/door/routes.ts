import type { Glen } from '../../glen.js';
import type { Handlers } from '../../http/mount.js';
import { describeDoor, describeHowTo, tryDoor } from './describe.js';
import { enterDoor } from './enter.js';
import { takeVideoEvent } from './videoEvents.js';

export const doorRoutes = (glen: Glen) =>
  ({
    door: ({ params, token, from }) => describeDoor(glen, params.code, { token, from }),
    howTo: ({ params, token, from }) => describeHowTo(glen, params.code, { token, from }),
    enterDoor: ({ params, body, token, from, setSession }) =>
      enterDoor(glen, { typed: params.code, token, from, setSession }, body),
    tryDoor: ({ params, body, who }) =>
      tryDoor(glen, { linkId: params.linkId, by: who.person!.id }, body),
    videoEvent: async ({ body, rawBody, header }) => {
      const headers = { time: header('x-room-time'), signature: header('x-room-signature') };
      await takeVideoEvent(glen, { headers, rawBody }, body);
      return { ok: true };
    },
  }) satisfies Partial<Handlers>;
