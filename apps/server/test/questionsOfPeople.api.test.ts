import { afterAll, describe, it } from 'vitest';
import type { Query } from '@glen/contract';
import type { PersonRow } from '../src/db/models/Person.js';
import { peopleWithoutWords } from '../src/features/accounts/words.sql.js';
import { demoPeople } from '../src/features/demo/people.sql.js';
import {
  classesOfPeople,
  findLinks,
  findPeople,
  findSessions,
} from '../src/features/find/find.sql.js';
import { ENTRIES_AT_ONCE, logRows } from '../src/features/people/happened.sql.js';
import { countPeople, listedPerson, listPeople } from '../src/features/people/list.sql.js';
import { comingSessions, onlyHostOf } from '../src/features/people/places.sql.js';
import { randomSchool } from './randomSchool.js';
import { idsOf, inOrder, lookupsOf, sortedIds } from './schoolLookups.js';

// Questions by hand about people, held against the models' rows of a school at random.

const school = await randomSchool();
const look = lookupsOf(school);
afterAll(() => school.close());

const everybody = (): number[] => idsOf(school.rows.Person);

const accountsOf = (personId: number) =>
  inOrder(
    school.rows.Account.filter((row) => row.person_id === personId),
    (row) => [row.kind === 'personal', row.id],
  );

const isFoundBy = (personId: number, beginning: string): boolean =>
  school.rows.PersonWord.some(
    (row) => row.person_id === personId && row.word.startsWith(beginning),
  );

describe('the list of people', () => {
  const ORDERS: Record<Query<'people'>['sort'], (p: PersonRow) => (string | number)[]> = {
    name: (p) => [p.name, p.id],
    family: (p) => [p.family!, p.id],
    newest: (p) => [-p.id],
  };

  const wanted = (p: PersonRow) => ({
    id: p.id,
    name: p.name,
    roles: look.rolesOf(p.id),
    email: accountsOf(p.id)[0]?.email ?? null,
    teaches: school.rows.ClassStaff.filter((row) => row.person_id === p.id).length,
    learns: school.rows.RollEntry.filter((row) => row.person_id === p.id).length,
    retired_at: p.retired_at,
  });

  const found = ({ q, role, standing }: Query<'people'>): PersonRow[] =>
    school.rows.Person.filter(
      (p) =>
        p.merged_into === null &&
        (p.retired_at === null) === (standing === 'here') &&
        q.split(' ').every((word) => word === '' || isFoundBy(p.id, word)) &&
        (role === undefined ||
          school.rows.PersonRole.some((row) => row.person_id === p.id && row.role === role)),
    );

  it('by words, role and standing, in each order, after anybody', async () => {
    for (const q of ['', 'a', 'berg', 'bo co'])
      for (const role of [undefined, 'student'] as const)
        for (const standing of ['here', 'retired'] as const)
          for (const sort of ['name', 'family', 'newest'] as const) {
            const asked: Query<'people'> = { q, role, standing, sort, after: undefined };
            const people = inOrder(found(asked), ORDERS[sort]);
            const said = JSON.stringify(asked);
            look.same(await listPeople(school.db, asked), people.map(wanted), said);
            look.same(await countPeople(school.db, asked), people.length, said);
            const half = people.length >> 1;
            const after = people[half]?.id;
            if (after === undefined) continue;
            const rest = await listPeople(school.db, { ...asked, after });
            look.same(idsOf(rest), idsOf(people.slice(half + 1)), `${said} after ${after}`);
          }
  });

  it('one of them, and those whom no word finds yet', async () => {
    const { rows, db } = school;
    for (const p of rows.Person) look.same(await listedPerson(db, p.id), wanted(p), `one ${p.id}`);
    const without = rows.Person.filter((p) => p.merged_into === null && !isFoundBy(p.id, ''));
    const answer = await peopleWithoutWords(db, 100);
    look.same(
      answer.toSorted((a, b) => a - b),
      idsOf(without),
      'without words',
    );
  });

  it('of the demo, with all that they teach and learn', async () => {
    const { rows, db } = school;
    const rank = ({ id }: PersonRow): number => {
      const order = ['teacher', 'head', 'office', 'guest', 'student'];
      const ranks = (look.rolesOf(id)?.split(',') ?? []).map((role) => order.indexOf(role));
      return ranks.length === 0 ? -1 : Math.min(...ranks);
    };
    const refs = (held: { class_id: number; person_id: number }[], personId: number): string[] =>
      inOrder(held, (row) => [row.class_id])
        .filter((row) => row.person_id === personId)
        .map((row) => look.byId(rows.ClassPeriod, row.class_id).ref);
    const people = rows.Person.filter((p) => p.retired_at === null && accountsOf(p.id).length > 0);
    look.same(
      (await demoPeople(db)).map((p) => [p.id, p.accounts.map((a) => a.id), p.teaches, p.learns]),
      inOrder(people, (p) => [rank(p), p.id]).map((p) => [
        p.id,
        idsOf(accountsOf(p.id)),
        refs(rows.ClassStaff, p.id),
        refs(rows.RollEntry, p.id),
      ]),
      'the demo',
    );
  });
});

describe('what a teacher finds', () => {
  it('people by the beginnings of their words', async () => {
    const { rows, db } = school;
    for (const typed of ['a', 'b', 'berg', 'ada be', 'c d', 'x']) {
      const [longest, ...others] = typed.split(' ').toSorted((a, b) => b.length - a.length);
      const words = rows.PersonWord.filter(
        (row) =>
          row.word.startsWith(longest!) &&
          look.byId(rows.Person, row.person_id).retired_at === null &&
          others.every((word) => isFoundBy(row.person_id, word)),
      );
      const first = inOrder(words, (row) => [row.word, row.person_id]).slice(0, 16);
      const people = [...new Set(first.map((row) => row.person_id))].map((id) =>
        look.byId(rows.Person, id),
      );
      const shown = inOrder(people, (p) => [p.name, p.id]).slice(0, 8);
      look.same(
        (await findPeople(db, typed)).map((row) => [row.id, row.roles, row.email]),
        shown.map((p) => [p.id, look.rolesOf(p.id), accountsOf(p.id)[0]?.email ?? null]),
        typed,
      );
    }
  });

  it('their class periods with the teacher', async () => {
    const { rows, db } = school;
    for (const teacherId of everybody().slice(0, 12)) {
      const both = rows.RollEntry.filter(
        (row) => row.person_id > 9 && look.staffAs(row.class_id, teacherId) !== null,
      );
      const answer = await classesOfPeople(db, teacherId, everybody().slice(9));
      look.same(
        answer.map((row) => `${row.person_id} ${row.id}`).toSorted(),
        both.map((row) => `${row.person_id} ${row.class_id}`).toSorted(),
        `teacher ${teacherId}`,
      );
    }
  });

  it('sessions by their titles, the nearest first', async () => {
    const { rows, db, days } = school;
    const near = days[5]!;
    for (const teacherId of everybody().slice(0, 12))
      for (const typed of ['row', 'KNOTS', '100%', '%']) {
        const dates = rows.Occurrence.filter(
          (date) =>
            date.title.toLowerCase().includes(typed.toLowerCase()) &&
            date.status !== 'skipped' &&
            look.staffAs(date.class_id, teacherId) !== null &&
            (!date.draft || look.hostsClass(date.class_id, teacherId)),
        );
        const away = (day: string): number => Math.abs(Date.parse(day) - Date.parse(near));
        const wanted = inOrder(dates, (date) => [away(date.local_date), date.start_at, date.id]);
        const answer = await findSessions(db, teacherId, typed, near);
        look.same(idsOf(answer), idsOf(wanted.slice(0, 8)), `${teacherId} finds ${typed}`);
      }
  });

  it('links by their label and by every code they have had', async () => {
    const { rows, db } = school;
    for (const teacherId of everybody().slice(0, 12))
      for (const typed of ['help', 'code-1', 'old-2', '0%']) {
        const links = rows.Link.filter(
          (link) =>
            look.staffAs(link.class_id, teacherId) !== null &&
            [link.label, link.code, `old-${link.id}`].some((said) =>
              said.toLowerCase().includes(typed),
            ),
        );
        const wanted = inOrder(links, (link) => [link.state === 'retired', link.code]);
        const answer = await findLinks(db, teacherId, typed);
        look.same(idsOf(answer), idsOf(wanted.slice(0, 8)), `${teacherId} finds ${typed}`);
      }
  });
});

describe('what rests on somebody', () => {
  it('the class periods that they alone host', async () => {
    const { rows, db } = school;
    for (const personId of everybody()) {
      const alone = rows.ClassPeriod.filter((c) => {
        const hosts = rows.ClassStaff.filter(
          (row) => row.class_id === c.id && row.as_what === 'host',
        );
        return c.put_away_at === null && hosts.length === 1 && hosts[0]!.person_id === personId;
      });
      look.same(sortedIds(await onlyHostOf(db, personId)), sortedIds(alone), `person ${personId}`);
    }
  });

  it('the next of their sessions, and how many are to come', async () => {
    const { rows, db, now } = school;
    for (const personId of everybody()) {
      const toCome = rows.Occurrence.filter(
        (date) =>
          date.start_at > now &&
          ['planned', 'moved'].includes(date.status) &&
          look.hostsClass(date.class_id, personId),
      );
      const [next] = inOrder(toCome, (date) => [date.start_at]);
      const answer = await comingSessions(db, personId, now);
      look.same(
        answer && [Number(answer.n), answer.local_date, answer.local_time],
        next && [toCome.length, next.local_date, next.local_time],
        `person ${personId}`,
      );
    }
  });
});

describe('what happened', () => {
  it('by whom, to whom, of a kind, and before an entry', async () => {
    const { rows, db } = school;
    const kinds = { people: ['person', 'account'], classes: ['class'] } as const;
    for (const person of [undefined, 1, 3, 4])
      for (const kind of [undefined, 'people', 'classes'] as const)
        for (const before of [undefined, 50]) {
          const theirs = [
            `person:${person}`,
            ...accountsOf(person ?? 0).map((account) => `account:${account.id}`),
          ];
          const entries = rows.AuditEntry.filter(
            ({ id, subject, person_id, helper_id }) =>
              subject !== 'video' &&
              (person === undefined ||
                [person_id, helper_id].includes(person) ||
                theirs.includes(subject)) &&
              (kind === undefined || kinds[kind].some((word) => subject.startsWith(`${word}:`))) &&
              (before === undefined || id < before),
          );
          const wanted = inOrder(entries, (row) => [-row.id]).slice(0, ENTRIES_AT_ONCE + 1);
          const answer = await logRows(db, { person, kind, before });
          const names = wanted.map(({ person_id }) =>
            person_id === null ? null : look.byId(rows.Person, person_id).name,
          );
          look.same(idsOf(answer), idsOf(wanted), `${person} ${kind} ${before}`);
          look.same(
            answer.map((row) => row.by_name),
            names,
            `${person} ${kind} ${before}`,
          );
        }
  });
});
