import { afterAll, describe, expect, it } from 'vitest';
import { plusMinutes } from '@glen/core';
import type { ClassPeriodRow } from '../src/db/models/ClassPeriod.js';
import type { LinkRow } from '../src/db/models/Link.js';
import { atStake } from '../src/features/classes/atStake.sql.js';
import { layersOfClass, layersOfLinks } from '../src/features/entry/layers.sql.js';
import { listLinks, nextOfLinks, type WhichLinks } from '../src/features/link/lists.sql.js';
import {
  classById,
  classesOf,
  classesOfLearner,
  classesPutAway,
  mainLinks,
  pageOfClasses,
  type ClassRow,
} from '../src/features/school/classes.sql.js';
import { randomSchool } from './randomSchool.js';
import { columns, idsOf, inOrder, lookupsOf, sortedIds } from './schoolLookups.js';

// Questions by hand about class periods and links, held against the models' rows of a school at random.

const school = await randomSchool();
const look = lookupsOf(school);
afterAll(() => school.close());

const everybody = (): number[] => idsOf(school.rows.Person);

const classOrder = ({ period, title, id }: ClassPeriodRow) => [
  period === null,
  period ?? '',
  title,
  id,
];

describe('class periods', () => {
  const COLUMNS = ['id', 'ref', 'title', 'period', 'version', 'put_away_at'] as const;
  const OF_LINK = ['code', 'label', 'kind'] as const;

  /** Host there by a link of theirs, or with a class period that joins. */
  const hostsOtherwise = (classId: number, personId: number): boolean =>
    school.rows.Link.some(
      (link) =>
        link.class_id === classId &&
        look.meantAt(link.id, personId, ['tutor', 'joining-host']).length > 0,
    );

  const wanted = (c: ClassPeriodRow, personId: number) => {
    const link = look.mainLink(c.id)!;
    return {
      ...columns(c, COLUMNS),
      ...columns(link, OF_LINK),
      link_id: link.id,
      link_state: link.state,
      is_occasion: Number(c.kind === 'occasion'),
      as_what: look.staffAs(c.id, personId),
      cover_for:
        look.coverOf(c.id, personId) === null ? null : look.byId(school.rows.Person, 1).name,
      tutors: Number(hostsOtherwise(c.id, personId)),
      roll_size: school.rows.RollEntry.filter((row) => row.class_id === c.id).length,
    };
  };

  const told = (row: ClassRow) =>
    columns(row, [
      ...COLUMNS,
      ...OF_LINK,
      'link_id',
      'link_state',
      'is_occasion',
      'as_what',
      'cover_for',
      'tutors',
      'roll_size',
    ]);

  const withLink = (): ClassPeriodRow[] =>
    inOrder(school.rows.ClassPeriod, classOrder).filter((c) => look.mainLink(c.id));

  const isTheirs = (c: ClassPeriodRow, personId: number): boolean =>
    look.staffAs(c.id, personId) !== null || hostsOtherwise(c.id, personId);

  it.each([true, false])('as lists have them (all: %s)', async (all) => {
    for (const personId of everybody()) {
      const theirs = withLink().filter((c) => all || isTheirs(c, personId));
      const goesOn = theirs.filter((c) => c.put_away_at === null);
      const over = theirs.filter((c) => c.put_away_at !== null);
      const asked = `person ${personId}`;
      const answer = await classesOf(school.db, personId, all);
      look.same(
        answer.map(told),
        goesOn.map((c) => wanted(c, personId)),
        asked,
      );
      const away = await classesPutAway(school.db, personId, all);
      look.same(
        away.map(told),
        over.map((c) => wanted(c, personId)),
        asked,
      );
    }
  });

  it('one by one, also those without a link, which no list has', async () => {
    for (const c of school.rows.ClassPeriod) {
      const answer = await classById(school.db, c.id, 3);
      const has = look.mainLink(c.id) !== undefined;
      look.same(answer && told(answer), has ? wanted(c, 3) : undefined, `class ${c.id}`);
    }
  });

  it('a page of all, after any of them', async () => {
    const goesOn = withLink().filter((c) => c.put_away_at === null);
    for (const [i, c] of goesOn.entries()) {
      const page = await pageOfClasses(school.db, 1, c.id);
      look.same(idsOf(page.rows), idsOf(goesOn.slice(i + 1)), `after ${c.id}`);
      expect(page.hasMore).toBe(false);
    }
  });

  it('and the links they go by', async () => {
    const answer = await mainLinks(school.db, idsOf(school.rows.ClassPeriod));
    const links = withLink().map((c) => ({ class_id: c.id, id: look.mainLink(c.id)!.id }));
    const byClass = inOrder(answer, (row) => [row.class_id]);
    look.same(
      byClass.map(({ class_id, id }) => ({ class_id, id })),
      inOrder(links, (row) => [row.class_id]),
      'all',
    );
  });

  it('on whose rolls somebody stands, with links that work', async () => {
    for (const personId of everybody()) {
      const theirs = withLink().filter(
        (c) => look.isOnRoll(c.id, personId) && look.mainLink(c.id)!.state === 'live',
      );
      const answer = await classesOfLearner(school.db, personId);
      look.same(
        answer.map(({ id, code, host_name }) => ({ id, code, host_name })),
        theirs.map(({ id }) => ({
          id,
          code: look.mainLink(id)!.code,
          host_name: look.firstHost(id)?.name ?? null,
        })),
        `person ${personId}`,
      );
    }
  });
});

describe('what putting a class period away would touch', () => {
  const isRunning = (classId: number, now: string): boolean =>
    school.rows.Sitting.some((sitting) => {
      const link = look.byId(school.rows.Link, sitting.link_id);
      const date = look.byId(school.rows.Occurrence, sitting.occurrence_id);
      const someoneIn = school.rows.Visitor.some((v) => v.sitting_id === sitting.id && v.inside);
      const open = sitting.opened_at !== null && date.end_at > now;
      const over = someoneIn && date.end_at > plusMinutes(now, -12 * 60);
      return link.class_id === classId && sitting.ended_at === null && (open || over);
    });

  it('sessions to come, links, posts, and whether anything runs', async () => {
    const { rows, db, days } = school;
    const instants = days.map((day) => `${day}T10:00:00Z`);
    for (const { id } of rows.ClassPeriod)
      for (const now of instants) {
        const places = rows.PostPlace.filter((place) => place.class_id === id && !place.removed);
        const posts = rows.Post.filter(
          (post) => !post.withdrawn && places.some((place) => place.post_id === post.id),
        );
        const toCome = rows.Occurrence.filter(
          (date) =>
            date.class_id === id &&
            date.start_at > now &&
            ['planned', 'moved'].includes(date.status),
        );
        look.same(
          await atStake(db, id, now),
          {
            sessions: toCome.length,
            links: rows.Link.filter((link) => link.class_id === id && link.state === 'live').length,
            posts: posts.length,
            isRunning: isRunning(id, now),
          },
          `class ${id} at ${now}`,
        );
      }
  });
});

describe('links', () => {
  const linkOrder = (link: LinkRow) => [
    ...classOrder(look.byId(school.rows.ClassPeriod, link.class_id)),
    link.state === 'retired',
    link.place,
    link.id,
  ];

  const lastKnock = (linkId: number): string | null => {
    const sittings = idsOf(school.rows.Sitting.filter((row) => row.link_id === linkId));
    const visitors = school.rows.Visitor.filter((row) => sittings.includes(row.sitting_id));
    return (
      visitors
        .map((row) => row.knocked_at ?? '')
        .toSorted()
        .at(-1) || null
    );
  };

  const wanted = (links: LinkRow[], personId: number) =>
    inOrder(links, linkOrder).map((link) => ({
      id: link.id,
      main_id: look.mainLink(link.class_id)!.id,
      as_what: look.staffAs(link.class_id, personId),
      last_used: lastKnock(link.id),
      left_out: Number(look.isLeftOut(link.id, personId)),
    }));

  const ask = async (personId: number, which: WhichLinks) =>
    (await listLinks(school.db, personId, which)).map(
      ({ id, main_id, as_what, last_used, left_out }) => ({
        id,
        main_id,
        as_what,
        last_used,
        left_out,
      }),
    );

  it('of a person: where they teach, visit or host alone, and that go on', async () => {
    for (const personId of everybody()) {
      const theirs = school.rows.Link.filter(
        (link) =>
          look.byId(school.rows.ClassPeriod, link.class_id).put_away_at === null &&
          look.meantAt(link.id, personId, ['host', 'presenter', 'tutor']).length > 0,
      );
      const answer = await ask(personId, { ofPerson: true });
      look.same(answer, wanted(theirs, personId), `person ${personId}`);
    }
  });

  it('of a class period, and one alone', async () => {
    for (const { id: classId } of school.rows.ClassPeriod) {
      const links = school.rows.Link.filter((link) => link.class_id === classId);
      look.same(await ask(2, { classId }), wanted(links, 2), `class ${classId}`);
    }
    for (const link of school.rows.Link)
      look.same(await ask(2, { linkId: link.id }), wanted([link], 2), `link ${link.id}`);
  });

  it('the next date of each, those that start together too', async () => {
    const { rows, db, days } = school;
    for (const day of days) {
      const now = `${day}T10:20:00Z`;
      const ahead = rows.Occurrence.filter(
        (date) =>
          date.end_at > now &&
          !date.draft &&
          ['planned', 'moved'].includes(date.status) &&
          !look.sittingOf(date.id)?.ended_at,
      );
      const isFirst = (date: { link_id: number; start_at: string }): boolean =>
        ahead.every((other) => other.link_id !== date.link_id || other.start_at >= date.start_at);
      const as = (row: { link_id: number; local_date: string; local_time: string }) =>
        `${row.link_id} ${row.local_date} ${row.local_time}`;
      const answer = await nextOfLinks(db, idsOf(rows.Link), now);
      look.same(answer.map(as).toSorted(), ahead.filter(isFirst).map(as).toSorted(), now);
    }
  });
});

describe('the layers of rules', () => {
  const layers = (classId: number) => {
    const [ours] = school.rows.School;
    const c = look.byId(school.rows.ClassPeriod, classId);
    return {
      school_rules: ours!.rules,
      school_locked: ours!.locked,
      class_rules: c.rules,
      class_version: c.version,
      teacher_rules: look.firstHost(classId)?.rules ?? null,
    };
  };

  it('of class periods', async () => {
    for (const { id } of school.rows.ClassPeriod)
      look.same(await layersOfClass(school.db, id), layers(id), `class ${id}`);
  });

  it('of links', async () => {
    const { rows, db } = school;
    const answer = await layersOfLinks(db, idsOf(rows.Link));
    look.same(
      inOrder(answer, (row) => [row.link_id]),
      rows.Link.map((link) => ({
        link_id: link.id,
        link_version: link.version,
        class_id: link.class_id,
        link_rules: link.rules,
        ...layers(link.class_id),
      })),
      'all links',
    );
    expect(sortedIds(rows.Link)).toEqual(idsOf(rows.Link));
  });
});
