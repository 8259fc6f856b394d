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
    // Whoever signs out, or changes to another account, hears no more by what they opened before.
    const end = glen.feed.listen(new Set([`session:${who.sessionId}`]), () => res.end());
    const heartbeat = setInterval(() => res.write(': still here\n\n'), HEARTBEAT_MS);
    res.on('close', () => {
      clearInterval(heartbeat);
      leave();
      end();
    });
    return STREAMED;
  },
});
