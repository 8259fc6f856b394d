import type { Note } from '@glen/core';
import type { CalendarEffects, useCalendarDraft } from './useCalendarDraft.js';
import { many } from '../../ui/fill.js';
import * as say from './words.js';

const NOTHING_CHANGED: Note = {
  severity: 'inform',
  title: say.nothingIsChangedYet,
  text: say.whateverYouChangeHereThis,
};

const YOURS_TO_READ: Note = {
  severity: 'inform',
  title: say.yoursToRead,
  text: say.theHeadAndTheOffice,
};

/** Who is told, and how many sessions of theirs move. */
const toldNotes = (teachers: CalendarEffects['teachers']): Note[] =>
  teachers.length === 0
    ? []
    : [
        {
          severity: 'inform',
          title: many(say.teachersAreTold, teachers.length),
          text: `${teachers.map((t) => `${t.name} (${t.sessions})`).join(', ')}.`,
        },
      ];

/** What needs thought about a calendar that is being changed. */
export function calendarNotes({
  read,
  isDirty,
  wrong,
  effects,
}: Pick<ReturnType<typeof useCalendarDraft>, 'read' | 'isDirty' | 'wrong' | 'effects'>): Note[] {
  if (!isDirty) return [read.mayEdit ? NOTHING_CHANGED : YOURS_TO_READ];
  if (wrong) return [{ severity: 'wrong', title: say.notQuite, text: wrong.message }];
  if (!effects) return [];
  return [...(effects.notes as Note[]), ...toldNotes(effects.teachers)];
}
