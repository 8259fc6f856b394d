import { nextBell, placeWallTime, secondsOf } from '@glen/core';
import type { Account, Person } from '@glen/contract';
import type { Glen } from '../../glen.js';
import type { Handlers } from '../../http/mount.js';
import { HttpProblem } from '../../http/problem.js';
import { describeMe, signInAs } from '../accounts/service.js';
import { wakeAllPosts } from '../post/wake.js';
import { readSchool } from '../school/store.js';

interface PersonRow {
  id: number;
  name: string;
  role: Person['role'];
  account_id: number;
  kind: Account['kind'];
  email: string;
  teaches: string | null;
  learns: string | null;
}

const PEOPLE = `
  SELECT p.id, p.name, p.role, a.id AS account_id, a.kind, a.email,
    (SELECT GROUP_CONCAT(c.ref ORDER BY c.id) FROM class_staff cs JOIN class_periods c ON c.id = cs.class_id WHERE cs.person_id = p.id) AS teaches,
    (SELECT GROUP_CONCAT(c.ref ORDER BY c.id) FROM roll r JOIN class_periods c ON c.id = r.class_id WHERE r.person_id = p.id) AS learns
  FROM people p JOIN accounts a ON a.person_id = p.id ORDER BY FIELD(p.role, 'teacher', 'head', 'office', 'guest', 'student'), p.id, a.kind`;

async function demoPeople(glen: Glen) {
  const rows = await glen.db.rows<PersonRow>(PEOPLE);
  const people = new Map<
    number,
    Person & { accounts: Account[]; teaches: string[]; learns: string[] }
  >();
  for (const row of rows) {
    const person = people.get(row.id) ?? {
      id: row.id,
      name: row.name,
      role: row.role,
      accounts: [],
      teaches: row.teaches?.split(',') ?? [],
      learns: row.learns?.split(',') ?? [],
    };
    person.accounts.push({ id: row.account_id, kind: row.kind, email: row.email });
    people.set(row.id, person);
  }
  return [...people.values()];
}

/** Moves school time for all processes; everybody's screens follow. */
export async function setSchoolTime(glen: Glen, target: string): Promise<void> {
  await glen.clock.setOffset(secondsOf(target, 'target') - secondsOf(glen.clock.machine(), 'now'));
  await wakeAllPosts(glen);
  await glen.announce('clock', { thing: 'clock', id: 0 });
  glen.nudge();
}

/** Routes of the demo school only; where a school runs Glen they do not exist. */
export const demoRoutes = (
  glen: Glen,
): Pick<Handlers, 'demoPeople' | 'demoSignIn' | 'demoClock'> => ({
  demoPeople: async () => ({ people: await demoPeople(glen) }),
  demoSignIn: async ({ body, who, setSession }) => {
    const signedIn = await signInAs(glen, body.accountId, who);
    setSession(signedIn.session);
    return describeMe(glen, signedIn.who);
  },
  demoClock: async ({ body }) => {
    const { calendar } = await readSchool(glen.db);
    if ('to' in body) {
      const ring = nextBell(calendar, glen.clock.school());
      if (!ring) throw new HttpProblem(409, 'No bell rings within a year.');
      await setSchoolTime(glen, ring);
    } else if ('minutes' in body) await setSchoolTime(glen, glen.clock.school(body.minutes * 60));
    else await setSchoolTime(glen, placeWallTime(body.date, body.time, 0, calendar.zone).start);
    return {
      now: glen.clock.school(),
      offsetSeconds: glen.clock.offsetSeconds,
      zone: calendar.zone,
    };
  },
});
