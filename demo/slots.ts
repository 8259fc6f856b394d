import { USUAL_SLOTS } from '@glen/core';
import { describeClass } from '../apps/server/src/features/plan/classPeriod.js';
import { setSlots, signUpFor } from '../apps/server/src/features/signUp/host.js';
import type { Glen } from '../apps/server/src/glen.js';
import { DEMO_DAY } from './school.js';

/** What those who have signed up come with, in the order of the roll. */
const ABOUT = ['A fix by two bearings that will not meet', 'The tidal diamonds on chart 4012'];

/** The clinic comes in slots: two of today's are taken. */
export async function loadSlots(glen: Glen, classId: number, by: number): Promise<void> {
  const { sessions } = await describeClass(glen, classId, 0);
  const { seriesId, key } = sessions.find(({ date }) => date === DEMO_DAY)!;
  const { people } = await setSlots(glen, seriesId, by, { version: null, ways: USUAL_SLOTS });
  for (const [nth, about] of ABOUT.entries())
    await signUpFor(glen, seriesId, by, {
      ...{ personId: people[nth]!.id, on: key, nth, about },
      address: '',
      isKnown: true,
    });
}
