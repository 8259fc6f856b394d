import { schemas } from '@glen/contract/schemas';
import type { Sent } from '@glen/contract';
import { linksOfClass } from '../apps/server/src/features/link/describe.js';
import { addPost } from '../apps/server/src/features/post/service.js';
import type { Glen } from '../apps/server/src/glen.js';
import type { Who } from '../apps/server/src/http/who.js';
import { DEMO_DAY } from './school.js';

type Post = (ref: string, body: Sent<'addPost'>) => Promise<unknown>;

/** Each watch is told its own door, and no other's. */
async function postToWatches(
  glen: Glen,
  classId: number,
  { by, post }: { by: Who; post: Post },
): Promise<void> {
  const { links } = await linksOfClass(glen, classId, by);
  const watches = links.filter((l) => l.label.endsWith('watch'));
  await post('ropework', {
    words: [
      {
        kind: 'paragraph',
        spans: [
          { text: 'Not the door of the whole class: ' },
          { text: 'only your watch', bold: true },
          { text: ' meets here.' },
        ],
      },
    ],
    linkWords: 'Door of your watch',
    places: watches.map(({ id, label }) => ({
      classId: classId,
      linkId: id,
      kind: 'item' as const,
      readers: 'audience' as const,
      title: `${label}: your door`,
      section: { title: label },
    })),
  });
}

/** What stands, waits and is to be done by hand in a believable week. */
export async function loadPosts(glen: Glen, ids: Map<string, number>, by: Who): Promise<void> {
  const post: Post = (ref, body) =>
    addPost(glen, ids.get(ref)!, by.person!.id, schemas.addPost.body.parse(body));
  await post('nav-3', {
    words:
      'We meet here every Monday and Wednesday in period 3.\n\nBring dividers and a soft pencil.',
    linkWords: 'Join {class}, period {period}',
  });
  await post('nav-6', {
    words: 'Tidal streams today. The tide tables are in your folder.',
    linkWords: 'Join {title}',
    timing: { at: { date: DEMO_DAY, time: '14:05' } },
  });
  await post('weather-2', {
    words: 'Today: {title}. The door opens at {time}, with {host}.',
    linkWords: 'Weather, {date} {time}',
    about: 'sessions',
    timing: { before: 10 },
    afterwards: 'down',
  });
  await postToWatches(glen, ids.get('ropework')!, { by, post });
  await post('clinic', {
    words: 'Stuck on a fix or a passage plan? Come by, no need to sign up.',
    linkWords: 'Chartwork clinic',
    timing: 'draft',
  });
  await post('nav-6', {
    words: 'Tide tables ready?',
    linkWords: 'Join {title}',
    about: 'sessions',
    timing: { before: 5 },
    places: [
      { classId: ids.get('nav-6')!, kind: 'by-hand', name: 'Wall screen in the chart room' },
    ],
  });
}
