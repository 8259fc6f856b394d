import { createHash } from 'node:crypto';
import type { Glen } from '../../glen.js';
import { STREAMED, type Call, type Handlers } from '../../http/mount.js';
import { newsFile } from './news.js';
import {
  feedFile,
  feedsOf,
  replaceFeed,
  seriesFile,
  setFeedAlarm,
  switchOffFeed,
} from './service.js';

/** Answers with a text that programs ask for again and again: nothing where it is as they have it. */
function sendFeed(
  { header, res }: Pick<Call<'calendarFeed'>, 'header' | 'res'>,
  type: string,
  text: string,
): typeof STREAMED {
  const etag = `"${createHash('sha256').update(text).digest('base64url').slice(0, 27)}"`;
  res.set({ ETag: etag, 'Cache-Control': 'private, no-cache' });
  if (header('if-none-match')?.split(/,\s*/).includes(etag)) res.status(304).end();
  else res.type(`${type}; charset=utf-8`).send(text);
  return STREAMED;
}

export const feedRoutes = (
  glen: Glen,
): Pick<
  Handlers,
  | 'feeds'
  | 'replaceFeed'
  | 'switchOffFeed'
  | 'setFeedAlarm'
  | 'calendarFeed'
  | 'newsFeed'
  | 'seriesFile'
> => ({
  feeds: ({ who }) => feedsOf(glen, who),
  replaceFeed: ({ who, body }) => replaceFeed(glen, who, body.classId),
  switchOffFeed: ({ who, body }) => switchOffFeed(glen, who, body.classId),
  setFeedAlarm: ({ who, body }) => setFeedAlarm(glen, who, body),
  calendarFeed: async (call) =>
    sendFeed(call, 'text/calendar', await feedFile(glen, call.params.token)),
  newsFeed: async (call) =>
    sendFeed(call, 'application/atom+xml', await newsFile(glen, call.params.token)),
  seriesFile: async ({ params, who, res }) => {
    const { text, name } = await seriesFile(glen, params.seriesId, who.person!.id);
    res
      .set('Content-Disposition', `attachment; filename="${name}"`)
      .type('text/calendar; charset=utf-8')
      .send(text);
    return STREAMED;
  },
});
