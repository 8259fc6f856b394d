import {
  addDays,
  classTitle,
  placeWallTime,
  splitGroups,
  type PersonRole,
  type SessionPlan,
} from '@glen/core';
import type { Glen } from '../apps/server/src/glen.js';
import { makePerson } from '../apps/server/src/features/accounts/makePerson.js';
import { hashPassword } from '../apps/server/src/features/accounts/passwords.js';
import { writeClass } from '../apps/server/src/features/classes/makeClass.js';
import { addToRoll } from '../apps/server/src/features/classes/roll.js';
import { setStaff } from '../apps/server/src/features/classes/staff.js';
import { setSchoolTime } from '../apps/server/src/features/demo/schoolTime.js';
import { setOwnRules, setSchoolRules } from '../apps/server/src/features/entry/write.js';
import { setGroups } from '../apps/server/src/features/group/service.js';
import { addLink } from '../apps/server/src/features/link/edit.js';
import { takeAsTold } from '../apps/server/src/features/mail/takeAsTold.js';
import { finishMovingIn, offerMovingIn } from '../apps/server/src/features/moveIn/service.js';
import { addSession } from '../apps/server/src/features/plan/addSession.js';
import { changeSessions } from '../apps/server/src/features/plan/changeSessions.js';
import { describeClass } from '../apps/server/src/features/plan/classPeriod.js';
import { editSession } from '../apps/server/src/features/plan/editSession.js';
import type { Who } from '../apps/server/src/http/who.js';
import { fillCoursePages } from './board.js';
import { loadAway } from './away.js';
import { loadGuests } from './guests.js';
import { loadTalks } from './talks.js';
import { loadWeek } from './week.js';
import {
  DEMO_DAY,
  DEMO_PASSWORD,
  FOR_NOBODY,
  HEAD,
  HELP,
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
import { FROM_NOWHERE } from '../apps/server/src/http/from.js';

interface People {
  ids: Map<string, number>;
  students: number[];
}

/** Somebody of the staff at their school account, as services are told who asks. */
const asStaff = (id: number, name: string): Who => ({
  sessionId: null,
  account: { id: 0, kind: 'school', email: '' },
  person: { id, name, roles: ['teacher'] },
});

/** Everybody but the head, who has moved in. They share a password, hashed once: a start is not to wait for a hundred. */
async function loadPeople(glen: Glen, head: Who): Promise<People> {
  const passwordHash = await hashPassword(DEMO_PASSWORD);
  const ids = new Map([[HEAD, head.person!.id]]);
  const add = async (
    name: string,
    role: PersonRole,
    addresses: { school?: string | undefined; home?: string | undefined },
  ): Promise<number> => {
    const { school, home } = addresses;
    const accounts = [
      ...(school ? [{ kind: 'school' as const, email: school }] : []),
      ...(home ? [{ kind: 'personal' as const, email: home }] : []),
    ];
    const id = await makePerson(glen, { name, roles: [role], accounts, passwordHash });
    ids.set(name, id);
    return id;
  };
  for (const { name, role, email, home, rules } of staff.filter((p) => p.name !== HEAD)) {
    const id = await add(name, role, { school: email, home });
    if (rules) await setOwnRules(glen, asStaff(id, name), { version: 1, rules });
  }
  const students: number[] = [];
  for (let i = 0; i < STUDENT_COUNT; i++) {
    const name = studentName(i);
    // Every fourth has a home account in the same browser family, as people do.
    const home = i % 4 === 0 ? emailOf(name, 'home.example') : undefined;
    students.push(await add(name, 'student', { school: emailOf(name, 'merrow.example'), home }));
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
  { ref, title, period, pennant, rules, host, coTeacher, presenters, label, kind }: DemoClass,
  { ids }: People,
  roll: number[],
): Promise<number> {
  const who = asStaff(ids.get(host)!, host);
  const link = { label, kind };
  const { id } = await glen.db.transaction(() =>
    writeClass(glen, who.person!.id, {
      ref,
      title,
      kind: link.kind === 'event' ? 'occasion' : 'class',
      period,
      pennant,
      rules,
      link,
    }),
  );
  const as = (name: string | undefined, what: 'host' | 'co-teacher' | 'presenter') =>
    name === undefined ? [] : [{ personId: ids.get(name)!, as: what }];
  await setStaff(glen, id, who, {
    version: 1,
    staff: [
      ...as(host, 'host'),
      ...as(coTeacher, 'co-teacher'),
      ...presenters.flatMap((name) => as(name, 'presenter')),
    ],
  });
  if (roll.length > 0) {
    const people = roll.map((personId) => ({ personId }));
    await addToRoll(glen, id, who.person!.id, { people });
  }
  return id;
}

/** Tells the course site who is in a class, as a school's administration would. */
async function tellCourseSite(glen: Glen, ref: string, classId: number): Promise<void> {
  const { url, token } = glen.config.courseSite!;
  const { class: c, staff: teachers, roll } = await describeClass(glen, classId, 0);
  const known = (people: typeof roll, teaches: boolean) =>
    people.flatMap(({ name, accounts }) =>
      accounts.filter((a) => a.kind === 'school').map(({ email }) => ({ email, name, teaches })),
    );
  const response = await fetch(`${url}/api/classes/${ref}`, {
    method: 'PUT',
    headers: { Authorization: `Bearer ${token}`, 'Content-Type': 'application/json' },
    body: JSON.stringify({
      title: classTitle(c),
      people: [...known(roll, false), ...known(teachers, true)],
    }),
  });
  if (!response.ok)
    throw new Error(`The course site did not take class ${ref}: ${response.status}`);
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
  const evening = await add('harbour-evening', 'Harbour Evening', ['2026-11-05', '19:00', 90], {
    description: 'Plans for the spring cruise.',
  });
  await loadGuests(glen, evening, by);
}

/** Ropework by watches, each with its own link; Port watch has a tutor and a time of its own. One student has talks. */
async function loadGroups(
  glen: Glen,
  ids: Map<string, number>,
  who: Who,
  people: People,
): Promise<void> {
  const classId = ids.get('ropework')!;
  const { roll } = await describeClass(glen, classId, 0);
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
  const watch = await addLink(glen, classId, who, {
    label: 'Port watch',
    purpose: 'Group work',
    kind: 'lesson',
    shown: true,
    audience: { ...FOR_NOBODY, groupIds: [groups[0]!.id], hostIds: [idris] },
  });
  await addLink(glen, classId, who, {
    label: 'Starboard watch',
    purpose: 'Group work',
    kind: 'lesson',
    shown: true,
    audience: { ...FOR_NOBODY, groupIds: [groups[1]!.id] },
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
  await loadTalks(glen, ids.get('nav-3')!, { who, studentId: people.students[1]! });
  await loadAway(glen, who, {
    coveringId: people.ids.get('Tomas Verhage')!,
    helperId: people.ids.get('Perpetua Lund')!,
  });
}

/** The head moves in, as anybody does who starts with nothing. Nothing where a school stands already. */
async function moveIn(glen: Glen): Promise<Who | null> {
  const address = await offerMovingIn(glen);
  if (address === null) return null;
  const { email } = staff.find((p) => p.name === HEAD)!;
  const at = { token: address.split('/').at(-1)!, from: FROM_NOWHERE };
  const { who } = await finishMovingIn(glen, at, {
    school: {
      name: SCHOOL_NAME,
      region: 'CA-NS',
      dateOrder: 'dmy',
      hours: '24',
      help: HELP,
      alone: false,
    },
    calendar,
    you: { name: HEAD, email: email!, password: DEMO_PASSWORD },
  });
  return who;
}

/** Loads the demo school into an empty database, through the services that a user's click uses. False where a school stands already. */
export async function loadDemo(glen: Glen, at: string): Promise<boolean> {
  const head = await moveIn(glen);
  if (head === null) return false;
  await setSchoolRules(glen, head, { version: 1, rules: schoolRules, locked: schoolLocks });
  await setDemoTime(glen, at);
  const people = await loadPeople(glen, head);
  const rolls = rollsOf(people.students);
  const ids = new Map<string, number>();
  for (const c of classes) {
    const id = await loadClass(glen, c, people, rolls.get(c.ref)!);
    ids.set(c.ref, id);
    await tellCourseSite(glen, c.ref, id);
  }
  const ottoline = people.ids.get('Ottoline Marsh')!;
  const host = asStaff(ottoline, 'Ottoline Marsh');
  await fillCoursePages(glen, ids, host);
  for (const c of classes) await loadSeries(glen, c, ids.get(c.ref)!, people.ids.get(c.host)!);

  await loadMess(glen, ids, ottoline);
  await loadGroups(glen, ids, host, people);
  await loadWeek(glen, ids, { head, host });
  await takeAsTold(glen);
  return true;
}

export async function setDemoTime(glen: Glen, at: string): Promise<void> {
  const [date, time] = at.split('T') as [string, string];
  await setSchoolTime(glen, placeWallTime(date, time, 0, calendar.zone).start);
}
