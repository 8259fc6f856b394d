import type { Glen } from '../../glen.js';
import { STREAMED, type Handlers } from '../../http/mount.js';
import { topicsFor } from './topics.js';

const HEARTBEAT_MS = 20000;

export const liveRoutes = (glen: Glen): Pick<Handlers, 'live'> => ({
  live: async ({ who, query, res }) => {
    const topics = await topicsFor(glen, who, query.doors ?? '');
    res.set({
      'Content-Type': 'text/event-stream',
      'Cache-Control': 'no-store',
      'X-Accel-Buffering': 'no',
    });
    res.flushHeaders();
    res.write('event: hello\ndata: {}\n\n');
    const leave = glen.feed.listen(topics, (change) =>
      res.write(`data: ${JSON.stringify(change)}\n\n`),
    );
    const heartbeat = setInterval(() => res.write(': still here\n\n'), HEARTBEAT_MS);
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
    res.on('close', hush);
    return STREAMED;
  },
});
