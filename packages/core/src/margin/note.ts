import type { EntryRules } from '../entry/rules.js';

/** Something that mends a note at one press. The screen knows how to do each by its name. */
export interface NoteAction {
  name: string;
  label: string;
  /** The id of the thing it is about; which kind, the name says. */
  subject?: number;
  /** The entry rules that it sets. */
  rules?: Partial<EntryRules>;
  /** The date of a plan that it changes, by its key, or several; and where it moves that one. */
  key?: string;
  keys?: string[];
  to?: { date: string; time: string; minutes: number };
}

/** One note of the margin: what needs thought, in the words of a colleague. */
export interface Note {
  /** wrong and careful ask for something; inform and well only tell. */
  severity: 'wrong' | 'careful' | 'inform' | 'well';
  title: string;
  text: string;
  actions?: NoteAction[];
}

const RANK = { wrong: 0, careful: 1, inform: 2, well: 3 } as const;

/** At most five, worst first; among equals the given order stands. */
export function worstFirst(notes: Note[]): Note[] {
  return notes
    .map((note, i) => ({ note, i }))
    .sort((a, b) => RANK[a.note.severity] - RANK[b.note.severity] || a.i - b.i)
    .slice(0, 5)
    .map(({ note }) => note);
}
