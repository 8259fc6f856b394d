import { classTitle, coverClashes, type Cover } from '@glen/core';
import type { Answer } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { sessionsBetween, type SessionRow } from '../plan/sessions.sql.js';
import { classTitlesOf, hostedPlaces } from './coveringStore.js';
import { coversFrom } from './store.js';

type Days = Pick<Cover, 'first' | 'last'>;

/** What somebody hosts by themselves on some days; what is cancelled is held by nobody. */
async function hostedOn(
  glen: Glen,
  personId: number,
  { first, last }: Days,
): Promise<SessionRow[]> {
  const places = await hostedPlaces(glen.db, personId);
  return (await sessionsBetween(glen.db, first, last, personId)).filter(
    (row) =>
      isHeldOn(row, { first, last }) &&
      (places.classes.has(row.class_id) || places.links.has(row.link_id)),
  );
}

/** Sessions that were moved away from a day are found with it; a draft is its host's alone, and is not held. */
const isHeldOn = (row: SessionRow, { first, last }: Days): boolean =>
  row.status !== 'cancelled' && !row.draft && first <= row.local_date && row.local_date <= last;

const common = (one: Days, other: Days): Days => ({
  first: one.first > other.first ? one.first : other.first,
  last: one.last < other.last ? one.last : other.last,
});

/** What somebody has on the books on some days: what they teach or present, and what they cover by other covers. */
async function takenOn(glen: Glen, personId: number, days: Days): Promise<SessionRow[]> {
  const own = (await sessionsBetween(glen.db, days.first, days.last, personId)).filter((row) =>
    isHeldOn(row, days),
  );
  const others = (await coversFrom(glen.db, days.first)).filter(
    (cover) => cover.coveringId === personId && cover.first <= days.last,
  );
  const covered = await Promise.all(
    others.map((cover) => hostedOn(glen, cover.absentId, common(cover, days))),
  );
  return [...own, ...covered.flat()];
}

const held = (row: SessionRow) => ({ id: row.id, start: row.start_at, end: row.end_at });

/** What a cover would be of, session by session, each with what it clashes with: what is not over yet. Nothing is written. */
export async function tryCover(
  glen: Glen,
  { absentId, coveringId, first, last }: Omit<Cover, 'id'>,
): Promise<Answer<'tryCover'>> {
  const days = { first, last };
  const now = glen.clock.school();
  const [covered, taken] = await Promise.all([
    hostedOn(glen, absentId, days),
    takenOn(glen, coveringId, days),
  ]);
  const own = new Map(taken.map((row) => [row.id, row]));
  const clashes = coverClashes(covered.map(held), [...own.values()].map(held));
  const titles = await classTitlesOf(
    glen.db,
    [...covered, ...taken].map((row) => row.class_id),
  );
  const titleOf = (row: SessionRow): string => classTitle(titles.get(row.class_id)!);
  return {
    sessions: covered
      .filter((row) => row.end_at > now)
      .map((row) => ({
        id: row.id,
        date: row.local_date,
        time: row.local_time,
        title: titleOf(row),
        isTheirs: own.has(row.id),
        clashes: (clashes.get(row.id) ?? []).map((id) => {
          const other = own.get(id)!;
          return `${titleOf(other)}, ${other.local_time}`;
        }),
      })),
  };
}
