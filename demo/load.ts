import {
  addDays,
  classTitle,
  placeWallTime,
  splitGroups,
  type EntryRules,
  type SessionPlan,
} from '@glen/core';
import type { PersonRow } from '../apps/server/src/db/models/Person.js';
import type { Glen } from '../apps/server/src/glen.js';
import { hashPassword } from '../apps/server/src/features/accounts/passwords.js';
import { addAccount, addPerson } from '../apps/server/src/features/accounts/store.js';
import { setSchoolTime } from '../apps/server/src/features/demo/schoolTime.js';
import { setGroups } from '../apps/server/src/features/group/service.js';
import { addLink } from '../apps/server/src/features/link/edit.js';
import { makeLink } from '../apps/server/src/features/link/make.js';
import { addSession } from '../apps/server/src/features/plan/addSession.js';
import { changeSessions } from '../apps/server/src/features/plan/changeSessions.js';
import { editSession } from '../apps/server/src/features/plan/editSession.js';
import {
  insertClass,
  rollOf,
  schoolExists,
  writeSchool,
} from '../apps/server/src/features/school/store.js';
import type { Who } from '../apps/server/src/http/who.js';
import { fillCoursePages } from './board.js';
import { loadHistory } from './history.js';
import { loadPosts } from './posts.js';
import {
  DEMO_DAY,
  DEMO_PASSWORD,
  SCHOOL_NAME,
  STUDENT_COUNT,
  calendar,
  classes,
  emailOf,
  schoolLocks,
  schoolRules,
  staff,
  studentName,
  type DemoClass,
} from './school.js';

interface People {
  ids: Map<string, number>;
  students: number[];
}

async function loadPeople(glen: Glen): Promise<People> {
  const passwordHash = await hashPassword(DEMO_PASSWORD);
  const ids = new Map<string, number>();
  const add = async (
    name: string,
    role: PersonRow['role'],
    emails: { kind: 'school' | 'personal'; email: string }[],
    rules?: Partial<EntryRules>,
  ): Promise<number> => {
    const id = await addPerson(glen.db, { name, role, ...(rules ? { rules } : {}) });
    for (const account of emails)
      await addAccount(glen.db, { personId: id, ...account, passwordHash });
    ids.set(name, id);
    return id;
  };
  for (const p of staff) {
    await add(
      p.name,
      p.role,
      [
        ...(p.email ? [{ kind: 'school' as const, email: p.email }] : []),
        ...(p.home ? [{ kind: 'personal' as const, email: p.home }] : []),
      ],
      p.rules,
    );
  }
  const students: number[] = [];
  for (let i = 0; i < STUDENT_COUNT; i++) {
    const name = studentName(i);
    // Every fourth has a home account in the same browser family, as people do.
    const home =
      i % 4 === 0 ? [{ kind: 'personal' as const, email: emailOf(name, 'home.example') }] : [];
    students.push(
      await add(name, 'student', [
        { kind: 'school', email: emailOf(name, 'merrow.example') },
        ...home,
      ]),
    );
  }
  return { ids, students };
}

/** The first classes divide the students among them, from Navigation 3 (so that it begins with the first names) on. */
function rollsOf(students: number[]): Map<string, number[]> {
  const order = ['nav-3', 'nav-1', 'weather-2', 'ropework', 'nav-6'];
  const rolls = new Map<string, number[]>();
  let from = 0;
  for (const ref of order) {
    const size = classes.find((c) => c.ref === ref)!.students;
    rolls.set(ref, students.slice(from, from + size));
    from += size;
  }
  rolls.set('clinic', [
    ...rolls.get('nav-1')!.slice(0, 4),
    ...rolls.get('nav-3')!.slice(0, 4),
    ...rolls.get('nav-6')!.slice(0, 4),
  ]);
  rolls.set('harbour-evening', []);
  rolls.set('signals-4', rolls.get('weather-2')!.slice(0, 14));
  return rolls;
}

async function loadClass(
  glen: Glen,
  c: DemoClass,
  { ids }: People,
  roll: number[],
): Promise<number> {
  return glen.db.transaction(async () => {
    const id = await insertClass(glen.db, {
      ref: c.ref,
      title: c.title,
      period: c.period,
      pennant: c.pennant,
      rules: c.rules,
      roll,
      staff: [
        { personId: ids.get(c.host)!, as: 'host' },
        ...(c.coTeacher ? [{ personId: ids.get(c.coTeacher)!, as: 'co-teacher' as const }] : []),
        ...c.presenters.map((name) => ({ personId: ids.get(name)!, as: 'presenter' as const })),
      ],
    });
    await makeLink(glen, id, { label: c.label, kind: c.kind });
    return id;
  });
}

/** Tells the course site who is in which class, as a school's administration would. */
async function fillCourseSite(glen: Glen): Promise<void> {
  const rows = await glen.db.rows<{
    ref: string;
    title: string;
    period: string | null;
    email: string;
    name: string;
    teaches: number;
  }>(
    `SELECT c.ref, c.title, c.period, a.email, p.name, 0 AS teaches FROM roll r JOIN class_periods c ON c.id = r.class_id JOIN people p ON p.id = r.person_id JOIN accounts a ON a.person_id = p.id AND a.kind = 'school'
     UNION ALL SELECT c.ref, c.title, c.period, a.email, p.name, 1 FROM class_staff s JOIN class_periods c ON c.id = s.class_id JOIN people p ON p.id = s.person_id JOIN accounts a ON a.person_id = p.id AND a.kind = 'school'`,
  );
  const { url, token } = glen.config.courseSite!;
  for (const ref of new Set(rows.map((row) => row.ref))) {
    const people = rows.filter((row) => row.ref === ref);
    const { title, period } = people[0]!;
    const response = await fetch(`${url}/api/classes/${ref}`, {
      method: 'PUT',
      headers: { Authorization: `Bearer ${token}`, 'Content-Type': 'application/json' },
      body: JSON.stringify({
        title: period === null ? title : `${title}, period ${period}`,
        people: people.map(({ email, name, teaches }) => ({
          email,
          name,
          teaches: Boolean(teaches),
        })),
      }),
    });
    if (!response.ok)
      throw new Error(`The course site did not take class ${ref}: ${response.status}`);
  }
}

/** A class period's lessons: one series from the first day of the year on, in its own bell period. */
async function loadSeries(glen: Glen, c: DemoClass, classId: number, by: number): Promise<void> {
  if (c.on.length === 0) return;
  const at: SessionPlan['at'] = c.at ?? { period: c.period! };
  await addSession(glen, classId, by, {
    title: classTitle(c),
    description: '',
    draft: false,
    undated: false,
    plan: {
      first: calendar.terms[0]!.first,
      at,
      closures: c.keepsClosures ? 'keep' : 'skip',
      repeat: { every: 'week', on: c.on, until: c.until ?? 'term-end' },
    },
  });
}

/** What any real term holds: a session moved onto another, one called off, one not yet announced, one at the same time as a lesson. */
async function loadMess(glen: Glen, ids: Map<string, number>, by: number): Promise<void> {
  const add = async (
    ref: string,
    title: string,
    [first, time, minutes]: [date: string, time: string, minutes: number],
    more: { description?: string; draft?: boolean } = {},
  ) => {
    const made = await addSession(glen, ids.get(ref)!, by, {
      title,
      description: more.description ?? '',
      draft: more.draft ?? false,
      undated: false,
      plan: { first, at: { time, minutes }, closures: 'keep' },
    });
    return made.session;
  };
  const survey = await add(
    'ropework',
    'Rigging survey with Idris Kellaway',
    [addDays(DEMO_DAY, 1), '15:10', 40],
    { description: 'Bring the knot sheet.' },
  );
  await editSession(glen, survey.seriesId, by, {
    version: survey.version,
    scope: 'whole',
    title: survey.title,
    description: survey.description,
    draft: false,
    undated: false,
    plan: { first: DEMO_DAY, at: { time: '14:00', minutes: 40 }, closures: 'keep' },
  });
  const walk = await add('weather-2', 'Cloud walk', [DEMO_DAY, '12:35', 20]);
  const { seriesId, version, key } = walk;
  await changeSessions(glen, by, {
    changes: [
      {
        seriesId,
        version,
        key,
        scope: 'one',
        change: { kind: 'cancel', note: 'Rain; next week instead.' },
      },
    ],
  });
  await add('harbour-evening', 'Harbour Evening, rehearsal', [DEMO_DAY, '18:30', 45], {
    draft: true,
  });
  await add('harbour-evening', 'Harbour Evening, sound check', ['2026-11-04', '11:00', 60]);
  await add('harbour-evening', 'Harbour Evening', ['2026-11-05', '19:00', 90], {
    description: 'Plans for the spring cruise.',
  });
}

/** Somebody of the staff at their school account, as services are told who asks. */
const whoIs = ({ ids }: People, name: string): Who => ({
  sessionId: null,
  account: { id: 0, kind: 'school', email: '' },
  person: { id: ids.get(name)!, name, role: 'teacher' },
});

/** Ropework by watches, each with its own link; Port watch has a tutor and a time of its own. One student has talks. */
async function loadGroups(
  glen: Glen,
  ids: Map<string, number>,
  who: Who,
  people: People,
): Promise<void> {
  const classId = ids.get('ropework')!;
  const roll = await rollOf(glen.db, classId);
  const [port, starboard] = splitGroups(
    roll.map((p) => p.id),
    2,
  );
  const idris = people.ids.get('Idris Kellaway')!;
  const { groups } = await setGroups(glen, classId, who, {
    version: 1,
    groups: [
      { name: 'Port watch', tutorId: idris, members: port! },
      { name: 'Starboard watch', tutorId: null, members: starboard! },
    ],
  });
  const forOnly = { classIds: [], groupIds: [], personIds: [], emails: [], hostIds: [] };
  const watch = await addLink(glen, classId, who, {
    label: 'Port watch',
    purpose: 'Group work',
    kind: 'lesson',
    shown: true,
    audience: { ...forOnly, groupIds: [groups[0]!.id], hostIds: [idris] },
  });
  await addLink(glen, classId, who, {
    label: 'Starboard watch',
    purpose: 'Group work',
    kind: 'lesson',
    shown: true,
    audience: { ...forOnly, groupIds: [groups[1]!.id] },
  });
  await addSession(glen, classId, who.person!.id, {
    title: 'Port watch: splicing',
    description: 'Bring two fathoms of line.',
    draft: false,
    undated: false,
    linkId: watch.id,
    plan: {
      first: '2026-10-16',
      at: { period: '4' },
      closures: 'skip',
      repeat: { every: 'week', weeks: 6 },
    },
  });
  await addLink(glen, ids.get('nav-3')!, who, {
    label: 'Talks with Birgit',
    purpose: 'One-to-one',
    kind: 'one-to-one',
    shown: true,
    preset: 'one-to-one',
    audience: { ...forOnly, personIds: [people.students[1]!] },
  });
}

/** Loads the demo school into an empty database, through the services that a user's click uses. False where a school stands already. */
export async function loadDemo(glen: Glen, at: string): Promise<boolean> {
  if (await schoolExists(glen.db)) return false;
  await writeSchool(glen.db, {
    name: SCHOOL_NAME,
    calendar,
    region: 'CA-NS',
    rules: schoolRules,
    locked: schoolLocks,
  });
  await setDemoTime(glen, at);
  const people = await loadPeople(glen);
  const rolls = rollsOf(people.students);
  const ids = new Map<string, number>();
  for (const c of classes) ids.set(c.ref, await loadClass(glen, c, people, rolls.get(c.ref)!));
  await fillCourseSite(glen);
  const host = whoIs(people, 'Ottoline Marsh');
  await fillCoursePages(glen, ids, host);
  for (const c of classes) await loadSeries(glen, c, ids.get(c.ref)!, people.ids.get(c.host)!);

  const ottoline = people.ids.get('Ottoline Marsh')!;
  await loadMess(glen, ids, ottoline);
  await loadGroups(glen, ids, host, people);
  await loadHistory(glen);
  await loadPosts(glen, ids, ottoline);
  return true;
}

export async function setDemoTime(glen: Glen, at: string): Promise<void> {
  const [date, time] = at.split('T') as [string, string];
  await setSchoolTime(glen, placeWallTime(date, time, 0, calendar.zone).start);
}
