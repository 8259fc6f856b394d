import { dateInWords } from '../time/dates.js';
import { worstFirst, type Note } from './note.js';

export interface NotedPost {
  about: 'link' | 'sessions';
  draft: boolean;
  afterwards: 'stay' | 'down' | 'strike';
  /** Class periods that it goes to, by name, and whether all of those have a place. */
  places: {
    where: string;
    classTitle: string;
    kind: 'stream' | 'item' | 'calendar' | 'by-hand';
    readerCount: number;
    dates: number;
    due: { date: string; time: string } | null;
    problem: string | null;
    /** Fields that have no value there. */ unfilled: string[];
  }[];
  asksCode: boolean;
  givesCode: boolean;
}

/** From so many pastings by hand on, one standing link is better advice. */
const OFTEN = 4;

const counted = (n: number, one: string, many: string): string =>
  n === 1 ? `1 ${one}` : `${n} ${many}`;

/** What a post will do when it is saved, before it is; what is wrong with it first. */
export function notesForPost({
  about,
  draft,
  afterwards,
  places,
  asksCode,
  givesCode,
}: NotedPost): Note[] {
  const wrong = places.filter((p) => p.problem !== null);
  const right = places.filter((p) => p.problem === null);
  const dates = right.reduce((sum, p) => sum + p.dates, 0);
  const blank = right.filter((p) => p.unfilled.length > 0);
  const first = right
    .flatMap((p) => (p.due ? [p.due] : []))
    .sort((a, b) => (`${a.date} ${a.time}` < `${b.date} ${b.time}` ? -1 : 1))[0];
  const hand = right.filter((p) => p.kind === 'by-hand');
  const often = hand.find((p) => p.dates >= OFTEN);
  const classes = [...new Set(right.map((p) => p.classTitle))];
  const notes: Note[] = wrong.map((p) => ({ severity: 'wrong', title: p.where, text: p.problem! }));
  if (asksCode && !givesCode && right.length > 0)
    notes.push({
      severity: 'wrong',
      title: 'The code is not in it',
      text: 'The door asks for a code; without it nobody gets in.',
      actions: [{ name: 'put-in-code', label: 'Put the code in' }],
    });
  if (about === 'sessions' && right.length > 0 && dates === 0)
    notes.push({
      severity: 'careful',
      title: 'No session to post for',
      text: 'None is planned that is still to come. Once there is one, its post goes out by itself.',
    });
  if (blank.length > 0)
    notes.push({
      severity: 'careful',
      title: `${blank[0]!.unfilled.join(', ')} says nothing there`,
      text: `${blank.map((p) => p.where).join('; ')}: the field has no value and would stand as typed. Write other words for that place.`,
    });
  if (often)
    notes.push({
      severity: 'careful',
      title: `You would paste this ${often.dates} times`,
      text: 'The link stays the same all year: pasted once, it stands for every session.',
      actions: [{ name: 'make-standing', label: 'Make it one standing post' }],
    });
  if (draft)
    notes.push({
      severity: 'inform',
      title: 'It waits for you',
      text: 'Nothing goes out until you release it; Today reminds you.',
    });
  if (classes.length > 1)
    notes.push({
      severity: 'inform',
      title: `Goes to ${classes.length} class periods`,
      text: `${classes.join('; ')}. Each gets its own link.`,
    });
  if (!draft && first)
    notes.push({
      severity: 'inform',
      title:
        dates > 1
          ? `First out ${dateInWords(first.date)} ${first.time}`
          : `Out ${dateInWords(first.date)} ${first.time}`,
      text: `${dates > 1 ? `${dates} posts in all. ` : ''}${afterwards === 'down' ? 'Taken down when it is over.' : afterwards === 'strike' ? 'Struck through when it is over.' : 'It stays.'}`,
    });
  if (hand.length > 0 && !often)
    notes.push({
      severity: 'inform',
      title: 'By hand',
      text: `${hand.map((p) => p.where).join('; ')}: Glen asks you at its time, with what to paste.`,
    });
  const readers = right
    .filter((p) => p.kind !== 'by-hand')
    .reduce((sum, p) => sum + p.readerCount, 0);
  if (wrong.length === 0 && readers > 0)
    notes.push({
      severity: 'well',
      title: `${counted(readers, 'student reads', 'students read')} it`,
      text: 'All of them may use its link.',
    });
  return worstFirst(notes);
}
