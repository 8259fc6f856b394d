import type { Note } from '@glen/core';
import type { CalendarEffects, useCalendarDraft } from './useCalendarDraft.js';

const NOTHING_CHANGED: Note = {
  severity: 'inform',
  title: 'Nothing is changed yet',
  text: 'Whatever you change here, this column says first what it does to everybody’s sessions.',
};

const YOURS_TO_READ: Note = {
  severity: 'inform',
  title: 'Yours to read',
  text: 'The head and the office change it; you are told here when that moves your sessions.',
};

/** Who is told, and how many sessions of theirs move. */
const toldNotes = (teachers: CalendarEffects['teachers']): Note[] =>
  teachers.length === 0
    ? []
    : [
        {
          severity: 'inform',
          title:
            teachers.length === 1 ? 'One teacher is told' : `${teachers.length} teachers are told`,
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
  if (wrong) return [{ severity: 'wrong', title: 'Not quite', text: wrong.message }];
  if (!effects) return [];
  return [...(effects.notes as Note[]), ...toldNotes(effects.teachers)];
}
