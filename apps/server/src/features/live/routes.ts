import type { Glen } from '../../glen.js';
import { STREAMED, type Handlers } from '../../http/mount.js';
import { OpenStreams, isDeaf } from './openStreams.js';
import { topicsFor } from './topics.js';

const HEARTBEAT_MS = 20000;
/** So soon a browser comes again where its stream has broken; after a restart they come one after another. */
const COME_AGAIN_MS = 1000;
const APART_MS = 100;
const TURNS = 20;

export const liveRoutes = (glen: Glen): Pick<Handlers, 'live'> => {
  const open = new OpenStreams();
  return {
    live: async ({ who, query, from, res }) => {
      const topics = await topicsFor(glen, who, query.doors ?? '');
      // Gone again while that was found out: nothing would ever end it.
      if (res.closed) return STREAMED;
      const giveBack = open.take(who, from.address);
      res.set({
        'Content-Type': 'text/event-stream',
        'Cache-Control': 'no-store',
        'X-Accel-Buffering': 'no',
      });
      res.flushHeaders();
      res.write(
        `retry: ${COME_AGAIN_MS + APART_MS * (glen.feed.listening % TURNS)}\nevent: hello\ndata: {}\n\n`,
      );
      // What has grown too long is cut off: the browser comes again, and asks for everything.
      const write = (text: string): void => void (isDeaf(res) ? res.destroy() : res.write(text));
      const leave = glen.feed.listen(topics, (change) =>
        write(`data: ${JSON.stringify(change)}\n\n`),
      );
      const heartbeat = setInterval(() => write('event: beat\ndata: {}\n\n'), HEARTBEAT_MS);
      // Whoever signs out, or changes to another account, hears no more by what they opened before.
      const over = glen.feed.listen(new Set([`session:${who.sessionId}`]), () => {
        hush();
        res.end();
      });
      // Nothing is written once it has ended, though more is told in the same moment.
      const hush = (): void => {
        clearInterval(heartbeat);
        leave();
        over();
      };
      res.on('close', () => {
        hush();
        giveBack();
      });
      return STREAMED;
    },
  };
};
