import sanitizeHtml from 'sanitize-html';
import { wallClockAt } from '@glen/core';
import type { Answer, Query } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { notFound } from '../../http/problem.js';
import { learnerDay } from '../plan/learnerDay.js';
import { readSchool } from '../school/store.js';
import { clockAt, momentFor, standingIn, type Standing } from './standing.js';
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

/** The stream, page and calendar of a class period as one of its students sees them, now or at a time to come. */
export async function seeAs(
  glen: Glen,
  classId: number,
  { personId, at }: Query<'seeAs'>,
): Promise<Answer<'seeAs'>> {
  const {
    calendar: { zone },
  } = await readSchool(glen.db);
  const site = (await siteWithLink(glen.db, classId))!;
  const person = (await rollsOf(glen.db, [classId])).find((r) => r.id === personId);
  if (!person) throw notFound('This student');
  const { instant } = await momentFor(glen, at, site.link_id, zone);
  const { things, trouble } = await standingIn(
    glen,
    [{ id: site.id, ref: site.ref, title: '' }],
    instant,
  );
  const day = await learnerDay(glen, person.id, instant ?? glen.clock.school());
  const seen = things.filter(
    (s) =>
      s.kind !== 'hand' &&
      (!s.thing.readers || (person.email !== null && s.thing.readers.includes(person.email))),
  );
  const of = (kind: Standing['kind']): Standing[] => seen.filter((s) => s.kind === kind);
  const inOrder = (a: Standing, b: Standing): number =>
    (a.thing.position ?? 0) - (b.thing.position ?? 0) || (a.key < b.key ? -1 : 1);
  const body = ({ thing }: Standing): { html: string; struck: boolean } => ({
    html: clean(thing.html),
    struck: Boolean(thing.struck),
  });
  const posts = of('post').map((s) => ({ ...body(s), pinned: Boolean(s.thing.pinned) }));
  return {
    person: { id: person.id, name: person.name },
    at: clockAt(glen, instant, zone),
    trouble,
    siteAddress: glen.courseSite.classAddress(site.ref),
    doors: day.doors
      .filter((d) => d.date === day.date)
      .map((d) => ({
        id: d.id,
        time: d.time,
        title: d.title,
        opens: wallClockAt(d.opens, zone).time,
        status: d.status,
      })),
    posts: [...posts.filter((p) => p.pinned), ...posts.filter((p) => !p.pinned)],
    sections: of('section')
      .sort(inOrder)
      .map((section) => ({
        title: section.thing.title ?? '',
        items: of('item')
          .filter((i) => i.thing.section === section.key)
          .sort(inOrder)
          .map((i) => ({
            ...body(i),
            title: i.thing.title ?? '',
            address: webAddress(i.thing.address),
          })),
      })),
    events: of('event')
      .sort((a, b) => ((a.thing.start ?? '') < (b.thing.start ?? '') ? -1 : 1))
      .map((e) => {
        // Another program may write instants with parts of seconds.
        const start = `${new Date(e.thing.start ?? 0).toISOString().slice(0, 19)}Z`;
        const { date, time } = wallClockAt(start, zone);
        return {
          ...body(e),
          title: e.thing.title ?? '',
          address: webAddress(e.thing.address),
          start,
          date,
          time,
          end: `${new Date(e.thing.end ?? 0).toISOString().slice(0, 19)}Z`,
        };
      }),
  };
}
