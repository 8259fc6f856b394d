import { doorPath, placeWallTime } from '@glen/core';
import type { Glen } from '../apps/server/src/glen.js';
import { describeLink, linksOfClass } from '../apps/server/src/features/link/describe.js';
import { replaceLink } from '../apps/server/src/features/link/replace.js';
import type { Who } from '../apps/server/src/http/who.js';
import { replacedTwoDaysAgo } from './history.js';
import { calendar } from './school.js';

type Put = (path: string, body: object) => Promise<void>;

const putter =
  ({ config }: Glen): Put =>
  async (path, body) => {
    const { url, token } = config.courseSite!;
    const response = await fetch(`${url}/api/classes/${path}`, {
      method: 'PUT',
      headers: { Authorization: `Bearer ${token}`, 'Content-Type': 'application/json' },
      body: JSON.stringify({ revision: 1, ...body }),
    });
    if (!response.ok) throw new Error(`The course site did not take ${path}: ${response.status}`);
  };

/** The address that Navigation 6 had until two days ago; on one page it still stands. */
async function oldLink(glen: Glen, linkId: number, by: Who): Promise<string> {
  const { version } = await describeLink(glen, linkId, by);
  const { former } = await replaceLink(glen, linkId, by, { version, why: 'leaked', how: 'stop' });
  await replacedTwoDaysAgo(glen, linkId);
  return glen.config.publicUrl + doorPath(former[0]!.code);
}

interface PageSection {
  title: string;
  items: { title: string; text?: string; address?: string }[];
}

async function putPage(put: Put, ref: string, sections: PageSection[]): Promise<void> {
  for (const [s, { title, items }] of sections.entries()) {
    await put(`${ref}/sections/s${s}`, { title, position: s });
    for (const [i, item] of items.entries())
      await put(`${ref}/items/s${s}-i${i}`, {
        section: `s${s}`,
        position: i,
        title: item.title,
        html: item.text ? `<p>${item.text}</p>` : '',
        address: item.address ?? null,
        newTab: true,
      });
  }
}

/** `date` and `time` on the school's clock. */
interface PinnedEvent {
  ref: string;
  key: string;
  title: string;
  date: string;
  time: string;
  minutes: number;
}

const EVENTS: PinnedEvent[] = [
  {
    ref: 'nav-3',
    key: 'quiz',
    title: 'Chart symbols quiz',
    date: '2026-10-21',
    time: '10:45',
    minutes: 50,
  },
  {
    ref: 'nav-3',
    key: 'lesson',
    title: 'Coastal Navigation, period 3',
    date: '2026-10-19',
    time: '11:05',
    minutes: 40,
  },
  {
    ref: 'clinic',
    key: 'clinic',
    title: 'Chartwork clinic',
    date: '2026-10-14',
    time: '11:40',
    minutes: 60,
  },
];

/** The pages as they stood. `own`: a class period's link; `old`: one that has been replaced since. */
const pagesOf = (own: (ref: string) => string, old: string): Record<string, PageSection[]> => ({
  'nav-3': [
    { title: 'Where we meet', items: [{ title: 'Our door, all year', address: own('nav-3') }] },
    {
      title: 'Week 6: tidal streams',
      items: [
        { title: 'Tidal diamonds', text: 'Read pages 41 to 47 before Wednesday.' },
        { title: 'Worksheet', text: 'Due on Monday.' },
      ],
    },
  ],
  'nav-6': [
    { title: 'Where we meet', items: [{ title: 'Join the lesson', address: old }] },
    { title: 'Week 6: tidal streams', items: [{ title: 'Tide tables', text: 'In your folder.' }] },
  ],
  'weather-2': [
    { title: 'Week 6: fronts', items: [{ title: 'Cloud atlas', text: 'Bring your sketches.' }] },
  ],
});

type Link = Awaited<ReturnType<typeof linksOfClass>>['links'][number];

/** Course pages and calendars as teachers pinned them up by hand, before Glen: believable, and not all of it right any more. */
export async function fillCoursePages(
  glen: Glen,
  ids: Map<string, number>,
  by: Who,
): Promise<void> {
  const put = putter(glen);
  const links = new Map<string, Link>();
  for (const [ref, id] of ids) links.set(ref, (await linksOfClass(glen, id, by)).links[0]!);
  const own = (ref: string): string => links.get(ref)!.address;
  const old = await oldLink(glen, links.get('nav-6')!.id, by);
  for (const [ref, sections] of Object.entries(pagesOf(own, old)))
    await putPage(put, ref, sections);
  for (const { ref, key, title, date, time, minutes } of EVENTS) {
    const { start, end } = placeWallTime(date, time, minutes, calendar.zone);
    await put(`${ref}/calendar/${key}`, { title, start, end, html: '', address: own(ref) });
  }
}
