import { dateInWords } from '../time/dates.js';
import { counted } from './counted.js';
import { worstFirst, type Note } from './note.js';

export interface NotedPost {
  about: 'link' | 'sessions';
  draft: boolean;
  afterwards: 'stay' | 'down' | 'strike';
  /** Class periods that it goes to, by name, and whether all of those have a place. */
  places: NotedPlace[];
  asksCode: boolean;
  givesCode: boolean;
  /** People who read it where Glen puts it, each counted once. */
  readers: number;
}

interface NotedPlace {
  where: string;
  classTitle: string;
  kind: 'stream' | 'item' | 'calendar' | 'by-hand' | 'mail';
  readerCount: number;
  dates: number;
  due: { date: string; time: string } | null;
  problem: string | null;
  /** Fields that have nothing to say there. */
  empty: string[];
}

/** From so many pastings by hand on, one standing link is better advice. */
const OFTEN = 4;

/** Where the post can go, and how it gets there. */
interface Going extends NotedPost {
  right: NotedPlace[];
  byHand: NotedPlace[];
  /** How many posts that makes in all. */
  dates: number;
  /** A place by hand where it would be pasted often. */
  often: NotedPlace | undefined;
}

function goingOf(post: NotedPost): Going {
  const right = post.places.filter((p) => p.problem === null);
  const byHand = right.filter((p) => p.kind === 'by-hand');
  const dates = right.reduce((sum, p) => sum + p.dates, 0);
  return { ...post, right, byHand, dates, often: byHand.find((p) => p.dates >= OFTEN) };
}

const wrongPlaces = ({ places }: Going): Note[] =>
  places.flatMap(({ where, problem }): Note[] =>
    problem === null ? [] : [{ severity: 'wrong', title: where, text: problem }],
  );

function codeNote({ asksCode, givesCode, right }: Going): Note[] {
  if (!asksCode || givesCode || right.length === 0) return [];
  return [
    {
      severity: 'wrong',
      title: 'The code is not in it',
      text: 'The door asks for a code; without it nobody gets in.',
      actions: [{ name: 'put-in-code', label: 'Put the code in' }],
    },
  ];
}

function noSessionNote({ about, right, dates }: Going): Note[] {
  if (about !== 'sessions' || right.length === 0 || dates > 0) return [];
  return [
    {
      severity: 'careful',
      title: 'No session to post for',
      text: 'None is planned that is still to come. Once there is one, its post goes out by itself.',
    },
  ];
}

function emptyNote({ right }: Going): Note[] {
  const blank = right.filter((p) => p.empty.length > 0);
  const [first] = blank;
  if (!first) return [];
  const where = blank.map((p) => p.where).join('; ');
  return [
    {
      severity: 'inform',
      title: `${first.empty.join(', ')} says nothing there`,
      text: `${where}: the words around it are left out.`,
    },
  ];
}

function oftenNote({ often }: Going): Note[] {
  if (!often) return [];
  return [
    {
      severity: 'careful',
      title: `You would paste this ${often.dates} times`,
      text: 'The link stays the same all year: pasted once, it stands for every session.',
      actions: [{ name: 'make-standing', label: 'Make it one standing post' }],
    },
  ];
}

function draftNote({ draft }: Going): Note[] {
  if (!draft) return [];
  return [
    {
      severity: 'inform',
      title: 'It waits for you',
      text: 'Nothing goes out until you release it; Today reminds you.',
    },
  ];
}

function classesNote({ right }: Going): Note[] {
  const classes = [...new Set(right.map((p) => p.classTitle))];
  if (classes.length < 2) return [];
  return [
    {
      severity: 'inform',
      title: `Goes to ${classes.length} class periods`,
      text: `${classes.join('; ')}. Each gets its own link.`,
    },
  ];
}

const AFTERWARDS: Record<NotedPost['afterwards'], string> = {
  stay: 'It stays.',
  down: 'Taken down when it is over.',
  strike: 'Struck through when it is over.',
};

function timeNote({ draft, right, dates, afterwards }: Going): Note[] {
  const [first] = right
    .flatMap((p) => (p.due ? [p.due] : []))
    .sort((a, b) => (`${a.date} ${a.time}` < `${b.date} ${b.time}` ? -1 : 1));
  if (draft || !first) return [];
  const when = `${dateInWords(first.date)} ${first.time}`;
  const isSeveral = dates > 1;
  return [
    {
      severity: 'inform',
      title: isSeveral ? `First out ${when}` : `Out ${when}`,
      text: `${isSeveral ? `${dates} posts in all. ` : ''}${AFTERWARDS[afterwards]}`,
    },
  ];
}

function byHandNote({ byHand, often }: Going): Note[] {
  if (byHand.length === 0 || often) return [];
  const where = byHand.map((p) => p.where).join('; ');
  return [
    {
      severity: 'inform',
      title: 'By hand',
      text: `${where}: Glen asks you at its time, with what to paste.`,
    },
  ];
}

/** Letters are for good. */
function mailNote({ right, draft }: Going): Note[] {
  const letters = right
    .filter((p) => p.kind === 'mail')
    .reduce((sum, p) => sum + p.readerCount * Math.max(p.dates, 1), 0);
  if (letters === 0 || draft) return [];
  return [
    {
      severity: 'inform',
      title: counted(letters, 'letter', 'letters'),
      text: 'What has been sent cannot be called back; later changes go to newcomers alone.',
    },
  ];
}

function readersNote({ places, readers }: Going): Note[] {
  if (places.some((p) => p.problem !== null) || readers === 0) return [];
  return [
    {
      severity: 'well',
      title: `${counted(readers, 'student reads', 'students read')} it`,
      text: 'All of them may use its link.',
    },
  ];
}

/** In the order in which they matter among notes of one severity. */
const NOTES = [
  wrongPlaces,
  codeNote,
  noSessionNote,
  emptyNote,
  oftenNote,
  draftNote,
  classesNote,
  timeNote,
  byHandNote,
  mailNote,
  readersNote,
];

/** What a post will do when it is saved, before it is; what is wrong with it first. */
export function notesForPost(post: NotedPost): Note[] {
  const going = goingOf(post);
  return worstFirst(NOTES.flatMap((note) => note(going)));
}
