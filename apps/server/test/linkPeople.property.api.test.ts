import fc from 'fast-check';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { FIRST_RULES } from '@glen/core';
import type { Db } from '../src/db/connect.js';
import { migrate } from '../src/db/migrate.js';
import { followClasses, followHosted, followPeople } from '../src/features/audience/linkPeople.js';
import {
  cutPresenters,
  dropPresenters,
  followDates,
  insertPresenter,
  mergePresenters,
} from '../src/features/audience/presenterStore.js';
import { writeAudience, writeHosts } from '../src/features/audience/store.js';
import { giveGroupsAndLinks, leaveGroupsAndLinks } from '../src/features/classes/leftStore.js';
import { putOnRoll, takeOff, writeStaff } from '../src/features/classes/store.js';
import { passHosting, writeGroup } from '../src/features/group/store.js';
import {
  cutShares,
  deleteShare,
  dropShares,
  insertShare,
  mergeShares,
} from '../src/features/link/shareStore.js';
import { handOver } from '../src/features/people/merge.sql.js';
import {
  givePlaces,
  keepOneGroupEach,
  keepOneNameEach,
  leaveAllPlaces,
  placesOf,
} from '../src/features/people/places.js';
import { someCalendar } from './emptySchool.js';
import { expectMeantAsDefined } from './meantAsDefined.js';
import { ownDatabase, type OwnDatabase } from './ownDatabase.js';

// Rolls, staff, groups, audiences, hosts and shares are changed at random by what services change them with; after every
// change the kept table says the same as the slow question that defines it. (Property of our own; no source.)

const WALKS = 1000;
const PEOPLE = 5;
const CLASSES = 3;
const LINKS = 4;
const GROUPS = 2;

let own: OwnDatabase;
let db: Db;
let people: number[];
let classes: number[];
let links: number[];
let groups: number[];
let series: number[];

const times = (n: number): number[] => Array.from({ length: n }, (_, i) => i);

async function makeSchool(): Promise<void> {
  const { School, Person, ClassPeriod, Link, ClassGroup, Series } = db.models;
  await School.create({
    id: 1,
    name: 'x',
    calendar: someCalendar(),
    rules: FIRST_RULES,
    locked: [],
  });
  people = [];
  for (const i of times(PEOPLE)) people.push((await Person.create({ name: `P${i}` })).id);
  classes = [];
  const pennant = { letters: 'AA', pattern: 'halves', hue: 'loch' } as const;
  for (const i of times(CLASSES))
    classes.push(
      (await ClassPeriod.create({ ref: `c${i}`, title: `C${i}`, period: null, pennant })).id,
    );
  links = [];
  for (const i of times(LINKS))
    links.push(
      (
        await Link.create({
          code: `code-${i}`,
          class_id: classes[i % CLASSES]!,
          label: `L${i}`,
          made_at: '2026-09-01T08:00:00Z',
        })
      ).id,
    );
  groups = [];
  for (const i of times(GROUPS))
    groups.push((await ClassGroup.create({ class_id: classes[i]!, name: `G${i}`, place: i })).id);
  series = [];
  const plan = {
    first: '2026-10-14',
    at: { time: '09:00', minutes: 60 },
    zone: 'Europe/Amsterdam',
    closures: 'keep',
  } as const;
  for (const i of times(2))
    series.push(
      (
        await Series.create({
          class_id: classes[0]!,
          link_id: links[0]!,
          title: `S${i}`,
          description: '',
          plan,
          made_by: people[0]!,
        })
      ).id,
    );
}

beforeAll(async () => {
  own = await ownDatabase();
  ({ db } = own);
  await migrate(db);
  await makeSchool();
});
afterAll(() => own.drop());

const DATES = ['2026-10-14', '2026-10-15', '2026-10-21', '2026-10-22'];

const of = (n: number) => fc.nat({ max: n - 1 });
const some = (n: number) => fc.subarray(times(n));

const step = fc.oneof(
  fc.record({ do: fc.constant('roll' as const), at: of(CLASSES), who: some(PEOPLE) }),
  fc.record({ do: fc.constant('off' as const), at: of(CLASSES), who: some(PEOPLE) }),
  fc.record({ do: fc.constant('left' as const), at: of(CLASSES), who: some(PEOPLE) }),
  fc.record({
    do: fc.constant('staff' as const),
    at: of(CLASSES),
    who: some(PEOPLE),
    presenter: fc.boolean(),
  }),
  fc.record({ do: fc.constant('group' as const), at: of(GROUPS), who: some(PEOPLE) }),
  fc.record({
    do: fc.constant('tutor' as const),
    at: of(GROUPS),
    one: of(PEOPLE),
    other: of(PEOPLE),
  }),
  fc.record({
    do: fc.constant('audience' as const),
    at: of(LINKS),
    classes: some(CLASSES),
    groups: some(GROUPS),
    who: some(PEOPLE),
  }),
  fc.record({
    do: fc.constant('hosts' as const),
    at: of(LINKS),
    who: some(PEOPLE),
    alone: fc.boolean(),
  }),
  fc.record({
    do: fc.constant('share' as const),
    at: of(LINKS),
    classAt: of(CLASSES),
    scope: of(3),
  }),
  fc.record({ do: fc.constant('unshare' as const), at: of(LINKS) }),
  fc.record({ do: fc.constant('cut' as const), whole: fc.boolean() }),
  fc.record({ do: fc.constant('drop' as const) }),
  fc.record({ do: fc.constant('rest' as const), at: of(CLASSES), away: fc.boolean() }),
  fc.record({ do: fc.constant('retire' as const), one: of(PEOPLE), back: fc.boolean() }),
  fc.record({
    do: fc.constant('presents' as const),
    at: of(LINKS),
    one: of(PEOPLE),
    scope: fc.nat(2),
    weekday: fc.constantFrom('' as const, 'WE' as const, 'TH' as const),
    from: fc.constantFrom('', '2026-10-16'),
    takesOver: fc.boolean(),
  }),
  fc.record({ do: fc.constant('held' as const), at: of(2), date: fc.constantFrom(...DATES) }),
  fc.record({ do: fc.constant('merge' as const), one: of(PEOPLE), other: of(PEOPLE) }),
);
type Step = typeof step extends fc.Arbitrary<infer S> ? S : never;

const at = <T>(list: T[], indexes: number[]): T[] => indexes.map((i) => list[i]!);

async function leave(personId: number, comesBack: boolean): Promise<void> {
  const had = await placesOf(db, personId);
  await leaveAllPlaces(db, personId);
  if (comesBack) await givePlaces(db, personId, had);
}

async function merge(from: number, to: number): Promise<void> {
  if (from === to) return;
  await handOver(db, from, to);
  await keepOneGroupEach(db, to);
  await keepOneNameEach(db, to);
  await followPeople(db, [to]);
  await followHosted(db, to);
}

async function share(s: Extract<Step, { do: 'share' }>): Promise<void> {
  const seriesId = s.scope === 0 ? null : series[0]!;
  const key = s.scope === 2 ? '2026-10-21' : null;
  const sharing = { linkId: links[s.at]!, classId: classes[s.classAt]!, seriesId, key };
  await insertShare(db, { ...sharing, ownDoor: 'leads', by: people[0]! });
}

/** A date of a series is held on another day than before, or for the first time. */
async function hold({ at: which, date }: Extract<Step, { do: 'held' }>): Promise<void> {
  const id = series[which]!;
  const key_date = '2026-10-21';
  const { Occurrence } = db.models;
  const held = { local_date: date, start_at: `${date}T07:00:00Z`, end_at: `${date}T08:00:00Z` };
  const of = { series_id: id, key_date };
  if ((await Occurrence.count({ where: of })) > 0) await Occurrence.update(held, { where: of });
  else
    await Occurrence.create({
      ...{ ...held, ...of, class_id: classes[0]!, link_id: links[0]!, title: '', description: '' },
      ...{ local_time: '09:00', minutes: 60, status: 'planned' },
    });
  await followDates(db, { id, linkId: links[0]! });
}

async function cut(from: number, to: number, key: string): Promise<void> {
  await cutShares(db, from, to, key);
  await cutPresenters(db, from, to, key);
}

async function wholeAgain(from: number, to: number): Promise<void> {
  await mergeShares(db, from, to);
  await mergePresenters(db, from, to);
}

async function unshare(linkId: number): Promise<void> {
  const found = await db.models.Share.findOne({ where: { link_id: linkId } });
  if (found) await deleteShare(db, found.id, linkId);
}

async function putAway(classId: number, away: boolean): Promise<void> {
  const put_away_at = away ? '2026-10-14T12:00:00Z' : null;
  await db.models.ClassPeriod.update({ put_away_at }, { where: { id: classId } });
  await followClasses(db, [classId]);
}

async function leaveRoll(classId: number, personIds: number[]): Promise<void> {
  await takeOff(db, classId, personIds);
  await leaveGroupsAndLinks(db, classId, personIds);
  for (const id of personIds)
    await giveGroupsAndLinks(db, id, { groups: groups.slice(0, 1), links: links.slice(0, 1) });
}

const TAKE: { [D in Step['do']]: (s: Extract<Step, { do: D }>) => Promise<unknown> } = {
  roll: (s) => putOnRoll(db, classes[s.at]!, at(people, s.who)),
  off: (s) => takeOff(db, classes[s.at]!, at(people, s.who)),
  left: (s) => leaveRoll(classes[s.at]!, at(people, s.who)),
  staff: (s) =>
    writeStaff(
      db,
      classes[s.at]!,
      at(people, s.who).map((person_id, i) => ({
        person_id,
        as_what: s.presenter && i > 0 ? ('presenter' as const) : ('host' as const),
      })),
    ),
  group: (s) =>
    writeGroup(db, classes[s.at]!, s.at, {
      id: groups[s.at]!,
      name: `G${s.at}`,
      tutorId: null,
      members: at(people, s.who),
    }),
  tutor: (s) => passHosting(db, groups[s.at]!, people[s.one]!, people[s.other]!),
  audience: (s) =>
    writeAudience(
      db,
      { linkId: links[s.at]!, now: '2026-10-14T13:31:00Z' },
      {
        classIds: at(classes, s.classes),
        groupIds: at(groups, s.groups),
        personIds: at(people, s.who),
        guests: [{ email: 'guest@harbour.example', name: '', comes: 'inside' }],
      },
    ),
  hosts: (s) =>
    writeHosts(db, links[s.at]!, {
      hostIds: at(people, s.who),
      hostedBy: s.alone ? 'named' : 'class',
    }),
  presents: (s) =>
    insertPresenter(db, links[s.at]!, {
      personId: people[s.one]!,
      seriesId: s.scope === 0 ? 0 : series[0]!,
      key: s.scope === 2 ? '2026-10-21' : '',
      weekday: s.weekday,
      from: s.from,
      until: '',
      takesOver: s.takesOver,
    }),
  held: (s) => hold(s),
  share,
  unshare: (s) => unshare(links[s.at]!),
  cut: (s) =>
    s.whole ? wholeAgain(series[1]!, series[0]!) : cut(series[0]!, series[1]!, '2026-10-20'),
  drop: async () => {
    await dropShares(db, series[0]!);
    await dropPresenters(db, series[0]!);
  },
  rest: (s) => putAway(classes[s.at]!, s.away),
  retire: (s) => leave(people[s.one]!, s.back),
  merge: (s) => merge(people[s.one]!, people[s.other]!),
};

const take = <D extends Step['do']>(s: Extract<Step, { do: D }>): Promise<unknown> =>
  TAKE[s.do as D](s);

class Undo extends Error {}

it(`who is meant by a link is kept as it is defined, over ${WALKS} random walks`, async () => {
  let taken = 0;
  await fc.assert(
    fc.asyncProperty(fc.array(step, { minLength: 1, maxLength: 8 }), async (walk) => {
      // Each walk begins from the same school: what it did is undone.
      const walked = db.transaction(async () => {
        for (const one of walk) {
          await take(one);
          await expectMeantAsDefined(db);
          taken += 1;
        }
        throw new Undo();
      });
      await expect(walked).rejects.toBeInstanceOf(Undo);
    }),
    { numRuns: WALKS },
  );
  expect(taken).toBeGreaterThan(WALKS);
}, 600000);
