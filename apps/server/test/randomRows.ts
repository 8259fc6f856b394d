import { FIRST_RULES, plusMinutes } from '@glen/core';
import type { Db } from '../src/db/connect.js';
import { Tokens } from '../src/tokens.js';
import { someCalendar } from './emptySchool.js';
import {
  ACCOUNTS,
  CLASSES,
  DAYS_OF_SCHOOL,
  FIRST_DAY,
  GROUPS,
  ids,
  LINKS,
  NOW,
  PEOPLE,
  PLACES,
  POSTS,
  SERIES,
  type Lots,
} from './randomLots.js';
import { SECRET } from './emptySchool.js';

/** Of a school at random. */
export const tokens = new Tokens(SECRET);

const GIVEN = ['Ada', 'Bo', 'Cleo', 'Dov'];
const FAMILY = ['Aske', 'Berg', 'Bergson', 'Cole'];
const TITLES = ['Knots', 'Rowing', 'Rowing trip', 'Tides 100%'];

async function writePeople({ models }: Db, lots: Lots): Promise<void> {
  const named = PEOPLE.map((id) => ({ id, given: lots.of(GIVEN), family: lots.of(FAMILY) }));
  await models.Person.bulkCreate(
    named.map(({ id, given, family }) => {
      const merged_into = id > 1 ? lots.maybe(10, () => 1) : null;
      return {
        id,
        name: `${given} ${family}`,
        rules: lots.is(30) ? { chat: false } : {},
        merged_into,
        retired_at: lots.maybe(merged_into === null ? 15 : 100, () => NOW),
      };
    }),
  );
  const roles = ['teacher', 'student', 'guest', 'head', 'office'] as const;
  await models.PersonRole.bulkCreate(
    PEOPLE.flatMap((person_id) => lots.some(roles, 2).map((role) => ({ person_id, role }))),
  );
  await models.PersonWord.bulkCreate(
    named
      .filter(() => lots.is(85))
      .flatMap(({ id: person_id, given, family }) => [
        { person_id, word: given.toLowerCase() },
        { person_id, word: family.toLowerCase() },
      ]),
  );
  await models.Account.bulkCreate(
    ACCOUNTS.map((id) => ({
      id,
      person_id: lots.of(PEOPLE),
      kind: lots.of(['school', 'personal'] as const),
      email: `a${id}@harbour.example`,
    })),
  );
  await models.BrowserSession.bulkCreate(
    ids(20).map((id) => ({
      id,
      token_hash: tokens.hash('session', `token ${id}`),
      account_id: lots.maybe(80, () => lots.of(ACCOUNTS)),
      begun_at: '2026-09-30T00:00:00Z',
      seen_at: lots.of(['2026-10-02T00:00:00Z', '2098-12-31T00:00:00Z']),
      expires_at: lots.of(['2026-10-01T00:00:00Z', '2099-01-01T00:00:00Z']),
    })),
  );
}

async function writeClasses({ models }: Db, lots: Lots): Promise<void> {
  await models.School.create({
    id: 1,
    name: 'Harbour School',
    calendar: someCalendar(),
    rules: FIRST_RULES,
    locked: [],
  });
  await models.ClassPeriod.bulkCreate(
    CLASSES.map((id) => ({
      id,
      ref: `c${id}`,
      title: lots.of(TITLES),
      period: lots.maybe(70, () => lots.of(['1', '2', '3'])),
      pennant: { letters: 'AA', pattern: 'halves', hue: 'loch' } as const,
      rules: lots.is(30) ? { whoMayEnter: 'anyone' as const } : {},
      put_away_at: lots.maybe(20, () => NOW),
      kind: lots.of(['class', 'class', 'occasion'] as const),
    })),
  );
  const cover = { id: 1, absent_id: 1, covering_id: 2, made_by: 1 };
  await models.Cover.create({ ...cover, first_date: '2026-10-14', last_date: '2026-10-15' });
  await models.ClassStaff.bulkCreate(
    CLASSES.flatMap((class_id) =>
      lots.some(PEOPLE.slice(0, 12), 4).map((person_id) => ({
        class_id,
        person_id,
        as_what: lots.of(['host', 'co-teacher', 'presenter'] as const),
        cover_id: lots.maybe(20, () => cover.id),
      })),
    ),
  );
  await models.RollEntry.bulkCreate(
    CLASSES.flatMap((class_id) =>
      lots.some(PEOPLE.slice(8), 9).map((person_id) => ({ class_id, person_id })),
    ),
  );
  await models.ClassGroup.bulkCreate(
    GROUPS.map((id) => ({ id, class_id: lots.of(CLASSES), name: `G${id}`, place: id })),
  );
  await models.GroupMember.bulkCreate(
    GROUPS.flatMap((group_id) =>
      lots.some(PEOPLE, 5).map((person_id) => ({ group_id, person_id })),
    ),
  );
}

const audienceOf = (lots: Lots, link: { id: number; class_id: number }) => [
  ...(lots.is(60) ? [{ link_id: link.id, class_id: link.class_id }] : []),
  ...(lots.is(20) ? [{ link_id: link.id, group_id: lots.of(GROUPS) }] : []),
  ...(lots.is(20) ? [{ link_id: link.id, person_id: lots.of(PEOPLE) }] : []),
];

async function writeLinks({ models }: Db, lots: Lots): Promise<void> {
  const links = LINKS.map((id) => ({
    id,
    code: `code-${id}`,
    class_id: lots.of(CLASSES),
    label: lots.of(['Lessons', 'Help', '100% help']),
    made_at: NOW,
    state: lots.of(['live', 'live', 'live', 'retired'] as const),
    place: lots.of([0, 1, 2]),
    shown: lots.is(75),
    hosted_by: lots.of(['class', 'class', 'named'] as const),
    rules: lots.is(30) ? { chat: false } : {},
  }));
  await models.Link.bulkCreate(links);
  await models.LinkCode.bulkCreate(
    links.flatMap(({ id, code }) => [
      { code, link_id: id, turn: 0 },
      { code: `old-${id}`, link_id: id, turn: 1, how: 'forward' as const },
    ]),
  );
  await models.LinkAudience.bulkCreate(links.flatMap((link) => audienceOf(lots, link)));
  await models.LinkHost.bulkCreate(
    LINKS.flatMap((link_id) => lots.some(PEOPLE, 1).map((person_id) => ({ link_id, person_id }))),
  );
}

const TIMES = ['00:00', '09:00', '10:00', '10:30', '23:30'];

const datesOf = (lots: Lots, series: { class_id: number; link_id: number; draft: boolean }) =>
  lots.some(DAYS_OF_SCHOOL, 6).map((key_date) => {
    const status = lots.of(['planned', 'planned', 'moved', 'cancelled', 'skipped'] as const);
    const local_date = status === 'moved' ? lots.of(DAYS_OF_SCHOOL) : key_date;
    const local_time = lots.of(TIMES);
    const minutes = lots.of([30, 60]);
    const start_at = `${local_date}T${local_time}:00Z`;
    return {
      ...series,
      key_date,
      local_date,
      local_time,
      minutes,
      start_at,
      end_at: plusMinutes(start_at, minutes),
      status,
      title: lots.of(TITLES),
      was_date: status === 'moved' ? key_date : null,
      layers: lots.maybe(20, () => []),
    };
  });

async function writeSessions({ models }: Db, lots: Lots): Promise<void> {
  const links = await models.Link.findAll();
  const series = SERIES.map((id) => {
    const { id: link_id, class_id } = lots.of(links);
    return { id, class_id, link_id, draft: lots.is(20) };
  });
  await models.Series.bulkCreate(
    series.map((one) => ({
      ...one,
      title: lots.of(TITLES),
      description: '',
      plan: {
        first: FIRST_DAY,
        at: { time: '09:00', minutes: 60 },
        zone: 'UTC',
        closures: 'keep' as const,
      },
      undated: one.draft && lots.is(50),
      made_by: lots.of(PEOPLE),
    })),
  );
  const dates = series.flatMap(({ id: series_id, ...of }) =>
    datesOf(lots, of).map((date) => ({ ...date, series_id })),
  );
  await models.Occurrence.bulkCreate(dates.map((date, i) => ({ id: i + 1, ...date })));
  await models.Invited.bulkCreate(
    dates.flatMap((_, i) =>
      lots.is(15)
        ? [
            { occurrence_id: i + 1, person_id: lots.of(PEOPLE), given_by: 1 },
            { occurrence_id: i + 1, email: 'guest@harbour.example', given_by: 1 },
          ]
        : [],
    ),
  );
}

/** Presenters of links: at any time, of a series or of one date of it. */
async function writePresenters({ models }: Db, lots: Lots): Promise<void> {
  const series = await models.Series.findAll();
  const named = ids(16).map(() => {
    const { id, link_id } = lots.of(series);
    const series_id = lots.is(30) ? 0 : id;
    const key_date = series_id !== 0 && lots.is(50) ? lots.of(DAYS_OF_SCHOOL) : '';
    return { link_id, person_id: lots.of(PEOPLE), series_id, key_date };
  });
  await models.LinkPresenter.bulkCreate(named, { ignoreDuplicates: true });
}

/** Guests at any time, of a series or of one date of it. */
async function writeGuests({ models }: Db, lots: Lots): Promise<void> {
  const series = await models.Series.findAll();
  const guests = ids(24).map(() => {
    const { id, link_id } = lots.of(series);
    const series_id = lots.is(40) ? 0 : id;
    return {
      link_id,
      email: lots.of(['guest@harbour.example', 'a3@harbour.example', 'a7@harbour.example']),
      comes: lots.of(['inside', 'speaker', 'watcher'] as const),
      series_id,
      key_date: series_id !== 0 && lots.is(50) ? lots.of(DAYS_OF_SCHOOL) : '',
      state: lots.of(['invited', 'invited', 'withdrawn', 'ended'] as const),
    };
  });
  await models.Guest.bulkCreate(guests, { ignoreDuplicates: true });
}

async function writeShares({ models }: Db, lots: Lots): Promise<void> {
  const series = await models.Series.findAll();
  await models.Share.bulkCreate(
    ids(14).map(() => {
      const { id, link_id } = lots.of(series);
      const series_id = lots.maybe(70, () => id);
      return {
        link_id,
        class_id: lots.of(CLASSES),
        series_id,
        key_date: series_id && lots.maybe(50, () => lots.of(DAYS_OF_SCHOOL)),
        own_door: lots.of(['leads', 'shut'] as const),
        made_by: 1,
      };
    }),
  );
}

function visitorsOf(lots: Lots, sitting_id: number) {
  const mine = lots.some(ACCOUNTS, 5);
  return mine.map((account_id) => ({
    sitting_id,
    visitor_key: `a${account_id}`,
    account_id,
    person_id: lots.maybe(80, () => lots.of(PEOPLE)),
    name: 'somebody',
    account_kind: 'school' as const,
    on_roll: lots.is(60),
    role: lots.of(['host', 'participant', 'watcher'] as const),
    state: lots.of(['waiting', 'let-in'] as const),
    inside: lots.is(50),
    ticket_until: lots.maybe(40, () => lots.of([NOW, '2026-10-31T08:00:00Z'])),
    knocked_at: lots.maybe(70, () => `${lots.of(DAYS_OF_SCHOOL)}T08:00:00Z`),
    taken_for: lots.maybe(15, () => lots.of(PEOPLE)),
  }));
}

async function writeSittings({ models }: Db, lots: Lots): Promise<void> {
  const dates = (await models.Occurrence.findAll()).filter(() => lots.is(40));
  const sittings = dates.map((date, i) => ({
    id: i + 1,
    occurrence_id: date.id,
    link_id: date.link_id,
    opened_at: lots.maybe(80, () => date.start_at),
    ended_at: lots.maybe(30, () => date.end_at),
  }));
  await models.Sitting.bulkCreate(sittings);
  const visitors = sittings.flatMap(({ id }) => visitorsOf(lots, id));
  await models.Visitor.bulkCreate(visitors.map((visitor, i) => ({ id: i + 1, ...visitor })));
  await models.Visit.bulkCreate(
    visitors.flatMap((_, i) => (lots.is(70) ? [{ visitor_id: i + 1, arrived_at: NOW }] : [])),
  );
  await models.InLine.bulkCreate(
    sittings
      .filter(() => lots.is(30))
      .map(({ id }) => ({ sitting_id: id, visitor_key: 'a1', seen_at: NOW })),
  );
  await models.ActingHost.bulkCreate(
    sittings.flatMap(({ id }) =>
      lots.some(PEOPLE, 1).map((person_id) => ({ sitting_id: id, person_id, given_by: 1 })),
    ),
  );
}

async function writePosts({ models }: Db, lots: Lots): Promise<void> {
  await models.Post.bulkCreate(
    POSTS.map((id) => ({
      id,
      class_id: lots.of(CLASSES),
      made_by: lots.of(PEOPLE.slice(0, 12)),
      words: 'Come',
      link_words: 'in',
      withdrawn: lots.is(20),
      timing: lots.of([{ kind: 'draft' }, { kind: 'now' }] as const),
    })),
  );
  await models.PostPlace.bulkCreate(
    PLACES.map((id) => ({
      id,
      post_id: lots.of(POSTS),
      class_id: lots.of(CLASSES),
      link_id: lots.of(LINKS),
      kind: lots.of(['stream', 'item', 'by-hand'] as const),
      shape: {
        readers: lots.of(['class' as const, 'audience' as const, { groupId: lots.of(GROUPS) }]),
        words: lots.maybe(30, () => 'Here'),
        title: '',
        section: null,
        position: 0,
        inText: true,
        newTab: false,
        name: '',
      },
      removed: lots.is(20),
    })),
  );
  const placements = PLACES.map((id) => ({ id, post_id: lots.of(POSTS), place_id: id }));
  const body = { kind: 'hand', html: '', text: '', markdown: '' } as const;
  await models.Placement.bulkCreate(
    placements.map((one) => ({ ...one, wish: 'out' as const, body, due_at: NOW })),
  );
}

async function writeJobs({ models }: Db, lots: Lots): Promise<void> {
  const instants = ['2026-10-17T09:00:00Z', NOW, '2026-10-17T11:00:00Z'];
  await models.OutboxJob.bulkCreate(
    ids(40).map((id) => ({
      id,
      kind: lots.of(['placement', 'end-room'] as const),
      subject: String(lots.of(PLACES)),
      payload: {},
      state: lots.of(['queued', 'running', 'done', 'failed'] as const),
      due_school: lots.maybe(50, () => lots.of(instants)),
      due_at: lots.of(instants),
      lease_until: lots.maybe(40, () => lots.of(instants)),
      tries: lots.of([0, 1, 2]),
    })),
  );
  const subjects = ['person:3', 'account:5', 'series:2', 'class:1', 'video', 'school:1'];
  await models.AuditEntry.bulkCreate(
    ids(80).map((id) => ({
      id,
      at: NOW,
      person_id: lots.maybe(80, () => lots.of(PEOPLE.slice(0, 6))),
      helper_id: lots.maybe(30, () => lots.of(PEOPLE.slice(0, 6))),
      action: 'add-link' as const,
      subject: lots.of(subjects),
    })),
  );
}

/** Sets down a school of which everything is drawn. */
export async function writeRows(db: Db, lots: Lots): Promise<void> {
  await writePeople(db, lots);
  await writeClasses(db, lots);
  await writeLinks(db, lots);
  await writeSessions(db, lots);
  await writeShares(db, lots);
  await writePresenters(db, lots);
  await writeGuests(db, lots);
  await writeSittings(db, lots);
  await writePosts(db, lots);
  await writeJobs(db, lots);
}
