import { afterAll, describe, it } from 'vitest';
import type { OccurrenceRow } from '../src/db/models/Occurrence.js';
import type { PostPlaceRow } from '../src/db/models/PostPlace.js';
import type { SeriesRow } from '../src/db/models/Series.js';
import type { ShareRow } from '../src/db/models/Share.js';
import { standingPlaces } from '../src/features/entry/standing.sql.js';
import {
  datesHeldElsewhere,
  seriesForFile,
  seriesOfClass,
  seriesOfPerson,
  sharedDates,
} from '../src/features/feed/series.sql.js';
import { placementById, placementsOf } from '../src/features/post/placements.sql.js';
import { occurrencesOfLinks, placesOf, readerCounts } from '../src/features/post/places.sql.js';
import { randomSchool } from './randomSchool.js';
import { idsOf, inOrder, lookupsOf, sortedIds } from './schoolLookups.js';

// Questions by hand about what goes out of Glen, posts and calendar feeds, held against the models' rows of a school at
// random.

const school = await randomSchool();
const look = lookupsOf(school);
afterAll(() => school.close());

const everybody = (): number[] => idsOf(school.rows.Person);

/** Who reads at a place: of its class period, of a group, or of whom its link is for. */
function readersOf({ shape, class_id, link_id }: PostPlaceRow): number[] {
  const { rows } = school;
  const roll = rows.RollEntry.filter((row) => row.class_id === class_id).map(
    (row) => row.person_id,
  );
  const { readers } = shape;
  if (readers === 'class') return roll;
  if (readers === 'audience')
    return roll.filter((id) => look.meantAt(link_id, id, ['member']).length > 0);
  const members = rows.GroupMember.filter((row) => row.group_id === readers.groupId);
  return members.map((row) => row.person_id);
}

describe('places of posts', () => {
  it('with their class periods and links, and who hosts there', async () => {
    const { rows, db } = school;
    for (const personId of everybody().slice(0, 12)) {
      const answer = await placesOf(db, idsOf(rows.Post), personId);
      const wanted = rows.PostPlace.map((place) => {
        const link = look.byId(rows.Link, place.link_id);
        const c = look.byId(rows.ClassPeriod, place.class_id);
        const post = look.byId(rows.Post, place.post_id);
        return {
          id: place.id,
          class_ref: c.ref,
          code: link.code,
          link_state: link.state,
          removed: Number(place.removed || c.put_away_at !== null),
          lost: Number(!look.hostsClass(c.id, post.made_by)),
          mine: Number(look.hostsClass(c.id, personId)),
        };
      });
      const told = answer.map(({ id, class_ref, code, link_state, removed, lost, mine }) => ({
        ...{ id, class_ref, code, link_state, removed, lost, mine },
      }));
      look.same(told, wanted, `person ${personId}`);
    }
  });

  it('how many read there', async () => {
    const { rows, db } = school;
    const places = await placesOf(db, idsOf(rows.Post));
    const counts = await readerCounts(db, places);
    for (const place of rows.PostPlace)
      look.same(counts.get(place.id), readersOf(place).length, `place ${place.id}`);
  });

  it('whether anybody reads a link there whom it is not for', async () => {
    const { rows, db } = school;
    const isBeyond = (place: PostPlaceRow): boolean =>
      place.shape.readers !== 'audience' &&
      readersOf(place)
        .filter((id) => look.isOnRoll(place.class_id, id))
        .some((id) => look.meantAt(place.link_id, id, ['member']).length === 0);
    for (const { id: linkId } of rows.Link) {
      const stands = rows.PostPlace.filter((place) => {
        const post = look.byId(rows.Post, place.post_id);
        const isOut = !post.withdrawn && post.timing.kind !== 'draft';
        return place.link_id === linkId && !place.removed && isOut;
      });
      const as = (words: unknown, beyond: boolean): string => `${String(words)} ${beyond}`;
      const wanted = stands.map((place) => as(place.shape.words ?? 'Come', isBeyond(place)));
      const answer = (await standingPlaces(db, linkId)).map((row) => as(row.words, row.beyond));
      look.same(answer.toSorted(), wanted.toSorted(), `link ${linkId}`);
    }
  });

  it('every date that may be spoken of', async () => {
    const { rows, db } = school;
    const links = [1, 4, 7, 12, 20];
    const dates = rows.Occurrence.filter(
      (date) => links.includes(date.link_id) && !date.draft && date.status !== 'skipped',
    );
    const answer = await occurrencesOfLinks(db, links);
    look.same(
      answer.map((row) => [row.id, row.ended_at]),
      inOrder(dates, (date) => [date.start_at, date.id]).map((date) => [
        date.id,
        look.sittingOf(date.id)?.ended_at ?? null,
      ]),
      'links 1, 4, 7, 12, 20',
    );
  });

  it('what stands there, with the latest job for it that is not done', async () => {
    const { rows, db } = school;
    const wanted = (id: number) => {
      const place = look.byId(rows.PostPlace, look.byId(rows.Placement, id).place_id);
      const job = rows.OutboxJob.filter(
        (row) => row.kind === 'placement' && row.subject === String(id) && row.state !== 'done',
      ).at(-1);
      return [id, place.class_id, job?.state ?? null, job?.tries ?? null];
    };
    for (const { id } of rows.Post) {
      const placements = rows.Placement.filter((row) => row.post_id === id);
      const answer = await placementsOf(db, [id]);
      const told = answer.map((row) => [row.id, row.class_id, row.job_state, row.tries]);
      look.same(told, sortedIds(placements).map(wanted), `post ${id}`);
    }
    for (const { id } of rows.Placement) {
      const row = (await placementById(db, id))!;
      look.same([row.id, row.class_id, row.job_state, row.tries], wanted(id), `placement ${id}`);
    }
  });
});

describe('calendar feeds', () => {
  const isLive = (linkId: number): boolean => look.byId(school.rows.Link, linkId).state === 'live';

  const goesOut = (series: SeriesRow): boolean =>
    isLive(series.link_id) && !series.draft && !series.undated;

  const isHeld = (date: OccurrenceRow): boolean => ['planned', 'moved'].includes(date.status);

  it('the series of a class period: its own for all of it, and those held at another’s door', async () => {
    const { rows, db } = school;
    for (const { id: classId } of rows.ClassPeriod) {
      const isShared = (series: SeriesRow): boolean =>
        rows.Share.some(
          (share) =>
            share.class_id === classId &&
            share.link_id === series.link_id &&
            share.key_date === null &&
            [null, series.id].includes(share.series_id),
        );
      const isOwn = (series: SeriesRow): boolean =>
        series.class_id === classId && look.isForClass(series.link_id, classId);
      const series = rows.Series.filter(
        (row) => goesOut(row) && (isOwn(row) || (row.class_id !== classId && isShared(row))),
      );
      look.same(idsOf(await seriesOfClass(db, classId)), sortedIds(series), `class ${classId}`);
    }
  });

  it.each([true, false])('the series of a person, as staff: %s', async (asStaff) => {
    const { rows, db } = school;
    for (const personId of everybody()) {
      const isTheirs = (series: SeriesRow): boolean =>
        rows.LinkPerson.some(
          (row) =>
            row.person_id === personId &&
            row.link_id === series.link_id &&
            row.key_date === '' &&
            (asStaff || ['member', 'joining-member'].includes(row.as_what)) &&
            [0, series.id].includes(row.series_id) &&
            (row.as_what !== 'member' || look.byId(rows.Link, row.link_id).shown),
        );
      const series = rows.Series.filter((row) => goesOut(row) && isTheirs(row));
      const answer = await seriesOfPerson(db, { personId, asStaff });
      look.same(idsOf(answer), sortedIds(series), `person ${personId}`);
      const forClass = series.map((row) => Number(look.isForClass(row.link_id, row.class_id)));
      look.same(
        answer.map((row) => row.for_class),
        forClass,
        `person ${personId}`,
      );
    }
  });

  it('one series for a file, whatever it is', async () => {
    for (const series of school.rows.Series) {
      const answer = (await seriesForFile(school.db, series.id))!;
      const { code } = look.byId(school.rows.Link, series.link_id);
      look.same([answer.id, answer.title, answer.code], [series.id, series.title, code], 'file');
    }
  });

  it('single dates at another’s door', async () => {
    const { rows, db } = school;
    const shared = (is: (share: ShareRow) => boolean): number[] => {
      const shares = rows.Share.filter(is);
      const dates = rows.Occurrence.filter(
        (date) =>
          isHeld(date) &&
          !date.draft &&
          isLive(date.link_id) &&
          shares.some((s) => s.series_id === date.series_id && s.key_date === date.key_date),
      );
      return sortedIds(dates);
    };
    for (const { id: classId } of rows.ClassPeriod) {
      const wanted = shared((share) => share.class_id === classId);
      look.same(idsOf(await sharedDates(db, { classId })), wanted, `class ${classId}`);
    }
    for (const personId of everybody()) {
      for (const asStaff of [true, false]) {
        const wanted = shared(
          ({ class_id }) =>
            (asStaff && look.staffAs(class_id, personId) !== null) ||
            look.isOnRoll(class_id, personId),
        );
        const dates = await sharedDates(db, { personId, asStaff });
        look.same(idsOf(dates), wanted, `person ${personId}, as staff: ${asStaff}`);
      }
    }
  });

  it('dates held elsewhere instead', async () => {
    const { rows, db } = school;
    const meetsElsewhere = (date: OccurrenceRow): boolean =>
      rows.Joined.filter((row) => row.class_id === date.class_id)
        .map((row) => look.byId(rows.Occurrence, row.occurrence_id))
        .some(
          (other) =>
            other.id !== date.id &&
            isHeld(other) &&
            !other.draft &&
            isLive(other.link_id) &&
            other.start_at < date.end_at &&
            date.start_at < other.end_at,
        );
    const dates = rows.Occurrence.filter((date) => isHeld(date) && meetsElsewhere(date));
    const as = (row: { series_id: number; key_date: string }): string =>
      `${row.series_id} ${row.key_date}`;
    const answer = await datesHeldElsewhere(db, idsOf(rows.Series));
    look.same(answer.map(as).toSorted(), dates.map(as).toSorted(), 'all series');
  });
});
