import { useDeferredValue, useMemo, useState } from 'react';
import { addDays, bellsOn, type SchoolCalendar } from '@glen/core';
import type { Me, Sent } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';

/** Somebody who is asked about. */
export interface Named {
  id: number;
  name: string;
}

/** What is looked for, as it is typed. */
export interface Wanted {
  must: Named[];
  may: Named[];
  minutes: string;
  from: string;
  to: string;
  hoursFrom: string;
  hoursTo: string;
  days: 'school' | 'every';
  bells: boolean;
}

/** Days from today that are looked through at first. */
const FIRST_DAYS = 7;

function firstWanted(me: Me, school: SchoolCalendar, today: string): Wanted {
  const bells = bellsOn(school, today);
  const { id, name } = me.person!;
  return {
    must: [{ id, name }],
    may: [],
    minutes: '45',
    from: today,
    to: addDays(today, FIRST_DAYS),
    hoursFrom: bells[0]?.start ?? '08:00',
    hoursTo: bells.at(-1)?.end ?? '16:00',
    days: 'school',
    bells: true,
  };
}

/** The question as it is sent. */
const askedOf = (wanted: Wanted): Sent<'freeTimes'> => ({
  must: wanted.must.map(({ id }) => id),
  may: wanted.may.map(({ id }) => id),
  from: wanted.from,
  to: wanted.to,
  hours: { from: wanted.hoursFrom, to: wanted.hoursTo },
  days: wanted.days,
  minutes: /^\d+$/.test(wanted.minutes) ? Number(wanted.minutes) : 0,
  bells: wanted.bells,
});

/** What is looked for, and what is found, anew with each change; what was found stays until the next is here. */
export function useFree(me: Me, school: SchoolCalendar, today: string) {
  const [wanted, setWanted] = useState(() => firstWanted(me, school, today));
  const asked = useMemo(() => askedOf(wanted), [wanted]);
  const body = useDeferredValue(asked);
  const { data, error, isFetching } = api.useFreeTimesQuery({ body });
  const problem = error ? problemOf(error) : undefined;
  return {
    wanted,
    asked,
    found: data,
    isFetching,
    change: (part: Partial<Wanted>): void => setWanted({ ...wanted, ...part }),
    problem,
    wrong: (...paths: string[]): boolean =>
      problem?.errors?.some(({ path }) => paths.includes(path)) ?? false,
  };
}

export type Free = ReturnType<typeof useFree>;
