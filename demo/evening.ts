import { describeClass } from '../apps/server/src/features/plan/classPeriod.js';
import { setProgramme } from '../apps/server/src/features/evening/programme.js';
import type { Glen } from '../apps/server/src/glen.js';

/** What comes after what at the Harbour Evening. */
const PROGRAMME = `19:00 Welcome (Ottoline Marsh)
19:10 Charts and what they are for (Tomas Verhage)
19:35 Weather that keeps boats in (Signe Aalto)
20:00 Questions from the quay
20:20 Good night`;

const WORD = 'Questions can be written down at any time; they are read out at eight.';

/** The Harbour Evening has a programme, as its door says it. */
export async function loadEvening(glen: Glen, classId: number, by: number): Promise<void> {
  const { sessions } = await describeClass(glen, classId, by);
  const { seriesId, key } = sessions.find(({ title }) => title === 'Harbour Evening')!;
  await setProgramme(glen, seriesId, by, { key, version: null, text: PROGRAMME, word: WORD });
}
