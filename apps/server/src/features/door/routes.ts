import type { Glen } from '../../glen.js';
import type { Handlers } from '../../http/mount.js';
import { takeVideoEvent } from './events.js';
import { describeDoor, describeHowTo, enterDoor, tryDoor } from './service.js';

export const doorRoutes = (
  glen: Glen,
): Pick<Handlers, 'door' | 'howTo' | 'enterDoor' | 'tryDoor' | 'videoEvent'> => ({
  door: ({ params, token, address }) => describeDoor(glen, params.code, token, address),
  howTo: ({ params, token, address }) => describeHowTo(glen, params.code, token, address),
  enterDoor: ({ params, body, token, address, setSession }) =>
    enterDoor(glen, { typed: params.code, token, address, setSession }, body),
  tryDoor: ({ params, body }) => tryDoor(glen, params.linkId, body),
  videoEvent: async ({ body, rawBody, header }) => {
    await takeVideoEvent(
      glen,
      { time: header('x-room-time'), signature: header('x-room-signature') },
      rawBody,
      body,
    );
    return { ok: true };
  },
});
