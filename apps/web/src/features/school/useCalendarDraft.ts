import { useEffect, useMemo } from 'react';
import { GlenInputError, indexSchool, type SchoolCalendar } from '@glen/core';
import type { Answer } from '@glen/contract';
import { api } from '../../app/api.js';
import { useKeptForm } from '../../app/useKeptForm.js';
import { fill, many } from '../../ui/fill.js';
import * as say from './words.js';

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
export const followInWords = (n: number): string => many(say.sessionsFollow, n);

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

interface Fields {
  calendar: SchoolCalendar;
  region: string | null;
}

const fieldsOf = ({ calendar, region }: KeptCalendar): Fields => ({
  calendar: calendar as SchoolCalendar,
  region,
});

/** The school calendar as it is being changed: what is wrong with it, what it would do, and saving it. */
export function useCalendarDraft(kept: KeptCalendar) {
  const [save] = api.useSetCalendarMutation();
  const form = useKeptForm<KeptCalendar, Fields, Fields>({
    kept,
    fieldsOf,
    keepAs: 'calendar',
    save: (fields, version) =>
      save({ body: { version, calendar: fields.calendar as Sent, region: fields.region } }),
    done: () =>
      effects?.changed
        ? fill(say.theCalendarIsChangedAnd, { follow: followInWords(effects.changed) })
        : say.theCalendarIsChanged,
  });
  const { calendar, region } = form.watch();
  const wrong = useMemo(() => wrongWith(calendar), [calendar]);
  const effects = useEffectsOf(calendar, form.isDirty && !wrong);
  return {
    ...form,
    calendar,
    region,
    setRegion: (chosen: string): void => form.change({ region: chosen }),
    change: (part: Partial<SchoolCalendar>): void =>
      form.change({ calendar: { ...form.getValues('calendar'), ...part } }),
    wrong,
    errorAt: (path: string) => (wrong && messageAt([wrong], path)) ?? form.errorAt(path),
    effects,
  };
}
