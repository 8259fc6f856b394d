import sanitizeHtml from 'sanitize-html';
import { wallClockAt } from '@glen/core';
import type { Answer, Query } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { notFound } from '../../http/problem.js';
import { siteAddress } from '../../outside/courseSite.js';
import { learnerDay } from '../plan/learnerDay.js';
import { readSchool } from '../school/store.js';
import { clockAt, momentFor } from './moment.js';
import { standingIn, type Standing } from './standing.js';
import { rollsOf, siteWithLink } from './store.js';

/** What others put on the course site is theirs; here it is shown with nothing in it but words and links. */
const clean = (html: string | undefined): string =>
  sanitizeHtml(html ?? '', {
    allowedTags: ['p', 'br', 'a', 'b', 'strong', 'i', 'em', 'ul', 'ol', 'li'],
    allowedAttributes: { a: ['href', 'target', 'rel'] },
    allowedSchemes: ['http', 'https'],
  });
const webAddress = (address: string | null | undefined): string | null =>
  address && /^https?:\/\//i.test(address) ? address : null;

type Page = Answer<'studentSees'>;

const byPosition = (a: Standing, b: Standing): number =>
  (a.thing.position ?? 0) - (b.thing.position ?? 0) || (a.key < b.key ? -1 : 1);

const body = ({ thing }: Standing): { html: string; struck: boolean } => ({
  html: clean(thing.html),
  struck: Boolean(thing.struck),
});

/** The stream, what is pinned first. */
function postsIn(seen: Standing[]): Page['posts'] {
  const posts = seen
    .filter((s) => s.kind === 'post')
    .map((s) => ({ ...body(s), pinned: Boolean(s.thing.pinned) }));
  return [...posts.filter((p) => p.pinned), ...posts.filter((p) => !p.pinned)];
}

function sectionsIn(seen: Standing[]): Page['sections'] {
  const items = seen.filter((s) => s.kind === 'item').sort(byPosition);
  const itemOf = (i: Standing) => ({
    ...body(i),
    title: i.thing.title ?? '',
    address: webAddress(i.thing.address),
  });
  return seen
    .filter((s) => s.kind === 'section')
    .sort(byPosition)
    .map((section) => ({
      title: section.thing.title ?? '',
      items: items.filter((i) => i.thing.section === section.key).map(itemOf),
    }));
}

/** An instant in our own form; another program may write parts of seconds. */
const instantOf = (text: string | undefined): string =>
  `${new Date(text ?? 0).toISOString().slice(0, 19)}Z`;

function eventsIn(seen: Standing[], zone: string): Page['events'] {
  const startOf = (e: Standing): string => e.thing.start ?? '';
  return seen
    .filter((s) => s.kind === 'event')
    .sort((a, b) => (startOf(a) < startOf(b) ? -1 : 1))
    .map((e) => {
      const begins = instantOf(e.thing.start);
      const { date, time } = wallClockAt(begins, zone);
      return {
        ...body(e),
        title: e.thing.title ?? '',
        address: webAddress(e.thing.address),
        start: begins,
        date,
        time,
        end: instantOf(e.thing.end),
      };
    });
}

/** The doors in somebody's own day at an instant. */
async function doorsAt(
  glen: Glen,
  personId: number,
  instant: string,
  zone: string,
): Promise<Page['doors']> {
  const day = await learnerDay(glen, personId, instant);
  return day.doors
    .filter((d) => d.date === day.date)
    .map(({ id, time, title, opens, status }) => ({
      id,
      time,
      title,
      opens: wallClockAt(opens, zone).time,
      status,
    }));
}

/** The stream, page and calendar of a class period as one of its students sees them, now or at a time to come. */
export async function studentSees(
  glen: Glen,
  classId: number,
  { personId, at }: Query<'studentSees'>,
): Promise<Page> {
  const { zone } = (await readSchool(glen.db)).calendar;
  const site = (await siteWithLink(glen.db, classId))!;
  const person = (await rollsOf(glen.db, [classId])).find((r) => r.id === personId);
  if (!person) throw notFound('This student');
  const { instant } = await momentFor(glen, { at, linkId: site.link_id, zone });
  const asked = { id: site.id, ref: site.ref, title: '' };
  const { things, trouble } = await standingIn(glen, [asked], instant);
  const isReader = ({ thing }: Standing): boolean =>
    !thing.readers || (person.email !== null && thing.readers.includes(person.email));
  const seen = things.filter((s) => s.kind !== 'hand' && isReader(s));
  return {
    person: { id: person.id, name: person.name },
    at: clockAt(glen, instant, zone),
    trouble,
    siteAddress: siteAddress(glen, site.ref),
    doors: await doorsAt(glen, person.id, instant ?? glen.clock.school(), zone),
    posts: postsIn(seen),
    sections: sectionsIn(seen),
    events: eventsIn(seen, zone),
  };
}
