import { calendar, classes } from '../../../demo/school.js';
import type { PhraseContext } from '../src/index.js';

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
