import type { SchoolCalendar } from '../../calendar/school.js';
import type { SessionPlan } from '../plan.js';

/** A class period as a phrase may name it. */
export interface PhraseClass {
  id: number;
  title: string;
  period: string | null;
  letters: string;
  groups?: { id: number; label: string }[];
  links?: { id: number; label: string }[];
}

export interface PhraseContext {
  school: SchoolCalendar;
  /** The school's local date now. */
  today: string;
  /** The school's wall clock now; midnight where left out. */
  time?: string;
  /** ISO 3166 code of the school's country: it says whether `12/11` begins with the month. Told from the zone where left out. */
  region?: string;
  classes?: PhraseClass[];
  /** The class period that is meant where the phrase names none. */
  current?: number;
  /** Minutes of a session whose phrase names only its start; 50 where left out. */
  minutes?: number;
}

/** A place in the text, `from ≤ i < to`. */
export interface PhrasePlace {
  text: string;
  from: number;
  to: number;
}

export interface ReadPhrase {
  plan: SessionPlan;
  /** The class period, and its group or link, where exactly one fits. */
  classId?: number;
  groupId?: number;
  linkId?: number;
  /** How each session is cut into slots, in minutes, where it is said. */
  slots?: { minutes: number; gap: number };
  /** What could not be read, and why. An empty place at the end: something is missing. */
  unclear: (PhrasePlace & { why: string; missing?: 'time' | 'end' })[];
  /** What could have meant something else: what it was taken as, and what to write in its place to mean the other. */
  assumed: (PhrasePlace & { as: string; instead?: string })[];
}
