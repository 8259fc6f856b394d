import { calendar, classes } from '../../../demo/school.js';
import { readPhrase, type PhraseContext } from '../src/index.js';
import { school } from './school.js';

const GROUPS = [
  { id: 1, label: 'Port watch' },
  { id: 2, label: 'Starboard watch' },
];
const TALKS = { id: 90, label: 'Talks with Birgit' };

/** The demo school on its day, Wed 14 Oct 2026, 10:31, as a phrase is read there. */
export const phraseContext: PhraseContext = {
  school: calendar,
  today: '2026-10-14',
  time: '10:31',
  region: 'CA',
  classes: classes.map(({ title, period, pennant, label }, id) => ({
    id,
    title,
    period,
    letters: pennant.letters,
    groups: pennant.letters === 'R5' ? GROUPS : [],
    links: [{ id: 100 + id, label }, ...(pennant.letters === 'N3' ? [TALKS] : [])],
  })),
};

/** The letters of the class period that was read. */
export const lettersOf = (classId: number | undefined): string | null =>
  classId === undefined ? null : classes[classId]!.pennant.letters;

const smallClasses = [
  { id: 1, title: 'Coastal Navigation', period: 'P1', letters: 'N1' },
  { id: 3, title: 'Coastal Navigation', period: 'P3', letters: 'N3' },
  { id: 2, title: 'Marine Weather', period: 'P2', letters: 'W2' },
  { id: 4, title: 'Chartwork clinic', period: null, letters: 'C' },
];
/** A small school on Wednesday 14 October 2026, 10:31. */
export const smallContext: PhraseContext = {
  school,
  today: '2026-10-14',
  time: '10:31',
  classes: smallClasses,
};

/** What of a phrase is unclear at the small school, in words. */
export const unclearOf = (text: string): string[] =>
  readPhrase(text, smallContext).unclear.map((place) => place.text);
