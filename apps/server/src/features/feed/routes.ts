import type { Glen } from '../../glen.js';
import { STREAMED, type Handlers } from '../../http/mount.js';
import { feedFile, feedsOf, replaceFeed, seriesFile, switchOffFeed } from './service.js';

export const feedRoutes = (
  glen: Glen,
): Pick<Handlers, 'feeds' | 'replaceFeed' | 'switchOffFeed' | 'calendarFeed' | 'seriesFile'> => ({
  feeds: ({ who }) => feedsOf(glen, who),
  replaceFeed: ({ who, body }) => replaceFeed(glen, who, body.classId),
  switchOffFeed: ({ who, body }) => switchOffFeed(glen, who, body.classId),
  calendarFeed: async ({ params, header, res }) => {
    const { text, etag } = await feedFile(glen, params.token);
    res.set({ ETag: etag, 'Cache-Control': 'private, no-cache' });
    if (header('if-none-match')?.split(/,\s*/).includes(etag)) res.status(304).end();
    else res.type('text/calendar; charset=utf-8').send(text);
    return STREAMED;
  },
  seriesFile: async ({ params, who, res }) => {
    const { text, name } = await seriesFile(glen, params.seriesId, who.person!.id);
    res
      .set('Content-Disposition', `attachment; filename="${name}"`)
      .type('text/calendar; charset=utf-8')
      .send(text);
    return STREAMED;
  },
});
