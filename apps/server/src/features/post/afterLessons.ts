import { afterLessonList, type RichText } from '@glen/core';
import type { Db } from '../../db/connect.js';
import { thingsOfLinks, type ThingOfDate } from '../plan/afterLessonStore.js';
import type { PlaceRow, PostOccurrenceRow } from './places.sql.js';

/** What is there after lessons for all whom a link is for: what a course page may show. By link; links without any are left out. */
export type AfterLessonsByLink = Map<number, ThingOfDate[]>;

const listsAfterLessons = ({ kind, shape }: Pick<PlaceRow, 'kind' | 'shape'>): boolean =>
  kind === 'item' && (shape.withAfterLessons ?? false);

/** Read only for places below which it stands. `today`: of the school. */
export async function afterLessonsFor(
  db: Db,
  places: PlaceRow[],
  today: string,
): Promise<AfterLessonsByLink> {
  const links = new Set(places.filter(listsAfterLessons).map((place) => place.link_id));
  const byLink: AfterLessonsByLink = new Map();
  if (links.size === 0) return byLink;
  for (const found of await thingsOfLinks(db, [...links], today)) {
    if (found.thing.seen_by !== 'everyone') continue;
    const { link_id: link } = found.date;
    byLink.set(link, [...(byLink.get(link) ?? []), found]);
  }
  return byLink;
}

/** What stands below a post at a place: what is there after its session, or after all of its link. */
export function listBelow(
  byLink: AfterLessonsByLink,
  place: PlaceRow,
  session: PostOccurrenceRow | null,
  address: string,
): RichText {
  if (!listsAfterLessons(place)) return [];
  const things = byLink.get(place.link_id) ?? [];
  const own = session ? things.filter(({ date }) => date.id === session.id) : things;
  return afterLessonList(
    own.map(({ thing, date }) => ({
      id: thing.id,
      title: thing.title,
      minutes: thing.minutes,
      date: date.local_date,
    })),
    address,
  );
}
