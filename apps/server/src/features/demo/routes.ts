import { nextBell, placeWallTime } from '@glen/core';
import type { Glen } from '../../glen.js';
import type { Handlers } from '../../http/mount.js';
import { HttpProblem } from '../../http/problem.js';
import { describeMe, signInAs } from '../accounts/service.js';
import { readSchool } from '../school/store.js';
import { setSchoolTime } from './schoolTime.js';
import { demoPeople } from './people.sql.js';

/** Routes of the demo school only; where a school runs Glen they do not exist. */
export const demoRoutes = (
  glen: Glen,
): Pick<Handlers, 'demoPeople' | 'demoSignIn' | 'demoClock'> => ({
  demoPeople: async () => ({ people: await demoPeople(glen.db) }),
  demoSignIn: async ({ body, who, from, setSession }) => {
    const signedIn = await signInAs(glen, body.accountId, { before: who, from });
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
