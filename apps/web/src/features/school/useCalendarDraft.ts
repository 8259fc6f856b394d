import { useEffect, useMemo, useState } from 'react';
import { GlenInputError, indexSchool, type SchoolCalendar } from '@glen/core';
import type { Answer, Problem } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { offerUndo } from '../../app/undo.js';

export type KeptCalendar = Answer<'schoolCalendar'>;
export type CalendarEffects = Answer<'previewCalendar'>;
type Sent = KeptCalendar['calendar'];

/** So long after the last keystroke the server is asked what the change would do. */
const ASK_AFTER_MS = 250;

interface FieldProblem {
  path: string;
  message: string;
}

/** The same checks as the server's, at every keystroke. */
function wrongWith(calendar: SchoolCalendar): FieldProblem | undefined {
  try {
    indexSchool(calendar);
    return undefined;
  } catch (error) {
    if (!(error instanceof GlenInputError)) throw error;
    return { path: error.path.replace(/^school/, 'calendar'), message: error.message };
  }
}

/** What is wrong at a place of the calendar, or with anything inside it. */
const messageAt = (errors: FieldProblem[], path: string): string | undefined =>
  errors.find((e) => e.path === path || e.path.startsWith(`${path}.`))?.message;

/** “one session follows”, “12 sessions follow”. */
export const followInWords = (n: number): string =>
  n === 1 ? 'one session follows' : `${n} sessions follow`;

/** What a changed calendar would do to everybody's sessions; nothing while it cannot be read. */
function useEffectsOf(calendar: SchoolCalendar, isWorthAsking: boolean) {
  const [preview, { data }] = api.usePreviewCalendarMutation();
  useEffect(() => {
    if (!isWorthAsking) return;
    const timer = setTimeout(
      () => void preview({ body: { calendar: calendar as Sent } }),
      ASK_AFTER_MS,
    );
    return () => clearTimeout(timer);
  }, [calendar, isWorthAsking, preview]);
  return data;
}

/** The school calendar as it is being changed: what is wrong with it, what it would do, and saving it. */
export function useCalendarDraft(kept: KeptCalendar) {
  const [read, setRead] = useState(kept);
  const [calendar, setCalendar] = useState(kept.calendar as SchoolCalendar);
  const [region, setRegion] = useState(kept.region);
  const [problem, setProblem] = useState<Problem>();
  const [save, saving] = api.useSetCalendarMutation();
  const isChanged =
    JSON.stringify(calendar) !== JSON.stringify(read.calendar) || region !== read.region;
  const wrong = useMemo(() => wrongWith(calendar), [calendar]);
  const effects = useEffectsOf(calendar, isChanged && !wrong);

  const take = (from: KeptCalendar): void => {
    setProblem(undefined);
    setRead(from);
    setCalendar(from.calendar as SchoolCalendar);
    setRegion(from.region);
  };
  // Somebody else's change is taken over as long as nothing has been written here.
  useEffect(() => {
    if (kept.version !== read.version && !isChanged) take(kept);
  }, [kept, read.version, isChanged]);

  const change = (part: Partial<SchoolCalendar>): void => {
    setProblem(undefined);
    setCalendar((c) => ({ ...c, ...part }));
  };
  const errors = [...(wrong ? [wrong] : []), ...(problem?.errors ?? [])];
  const theirs = problem?.status === 409 ? (problem.current as KeptCalendar) : undefined;

  const put = async (version: number): Promise<void> => {
    const before = theirs ?? read;
    const body = { version, calendar: calendar as Sent, region };
    const { data, error } = await save({ body });
    if (!data) return setProblem(problemOf(error));
    take(data);
    const follow = effects?.changed ? `, and ${followInWords(effects.changed)}` : '';
    offerUndo(`The calendar is changed${follow}.`, async () => {
      const { calendar: was, region: wasRegion } = before;
      const back = { version: data.version, calendar: was, region: wasRegion };
      take(await save({ body: back }).unwrap());
    });
  };
  return {
    read,
    calendar,
    region,
    setRegion,
    change,
    isChanged,
    wrong,
    errorAt: (path: string) => messageAt(errors, path),
    effects,
    problem,
    theirs,
    take,
    asItWas: () => take(read),
    put,
    isSaving: saving.isLoading,
  };
}
