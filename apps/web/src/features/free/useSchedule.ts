import { useState } from 'react';
import { dateInWords } from '@glen/core';
import type { ClassItem, Problem } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { useChanges } from '../plan/useChanges.js';
import type { FreeTime } from './BusyStrip.js';
import type { Wanted } from './useFree.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

/** What the session is called until somebody says otherwise: by whom it is with. */
function titleFor({ must, may }: Wanted, me: number): string {
  const others = [...must, ...may].filter(({ id }) => id !== me).map(({ name }) => name);
  if (others.length === 0) return say.timeSetAside;
  return others.length > 2
    ? fill(say.talkWithOthers, { othersCount: others.length })
    : fill(say.talkWith, { others: others.join(' and ') });
}

/** Whom it is for: all who must come, and of the others those who can. */
const comingTo = ({ missing }: FreeTime, { must, may }: Wanted): number[] => [
  ...must.map(({ id }) => id),
  ...may.map(({ id }) => id).filter((id) => !missing.includes(id)),
];

/** What a session at a free time is scheduled as: by which class period’s hosts, and called what. */
export function useSchedule(wanted: Wanted, me: number, classes: ClassItem[]) {
  const [typed, setTyped] = useState<string>();
  const [classId, setClassId] = useState(classes[0]?.id ?? 0);
  const [problem, setProblem] = useState<Problem>();
  const [add, { isLoading: isSending }] = api.useAddSessionMutation();
  const { offerToTakeBack } = useChanges();
  const title = typed ?? titleFor(wanted, me);

  const schedule = async (time: FreeTime): Promise<void> => {
    const { data, error } = await add({
      params: { classId },
      body: {
        title,
        description: '',
        plan: { first: time.date, at: { time: time.time, minutes: Number(wanted.minutes) } },
        freshLink: true,
        freshFor: comingTo(time, wanted).filter((id) => id !== me),
      },
    });
    setProblem(problemOf(error));
    if (data)
      offerToTakeBack(
        fill(say.scheduledTitleDateTime, { title, date: dateInWords(time.date), time: time.time }),
        data.touched,
      );
  };
  return { title, setTitle: setTyped, classId, setClassId, schedule, isSending, problem };
}

export type Scheduling = ReturnType<typeof useSchedule>;
