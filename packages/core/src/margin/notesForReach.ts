import type { ReachVerdict } from '../reach/checkReach.js';
import { dateInWords } from '../time/dates.js';
import { counted } from './counted.js';
import { worstFirst, type Note, type NoteAction } from './note.js';

/** A place as a question of reach shows it. `right`: leads to the link asked about; `old`: to no open door; `other`: to another link for the same. `stopped`: an old one that belongs to another link, which no new address can mend. */
export interface ReachPlace {
  id: string;
  where: string;
  title: string;
  state: 'right' | 'old' | 'other';
  stopped: boolean;
  ours: boolean;
  byHand: boolean;
  placementId: number | null;
  postId: number | null;
}
export interface ReachPerson {
  name: string;
  verdict: ReachVerdict;
  places: string[];
}
export interface ReachFacts {
  link: { id: number; main: boolean };
  places: ReachPlace[];
  people: ReachPerson[];
  /** Entries by other hands beside Glen's own for the same lesson; wall clock of the school. */
  twice?: { where: string; title: string; date: string; time: string }[];
  /** No course site takes orders: a post is pasted by hand. */
  byHand?: boolean;
}

const named = (people: ReachPerson[]): string => {
  const shown = people
    .slice(0, 3)
    .map((p) => p.name)
    .join(', ');
  return people.length > 3 ? `${shown} and ${people.length - 3} more` : shown;
};
function postHere({ link, byHand }: Pick<ReachFacts, 'link' | 'byHand'>): NoteAction {
  const shared = link.main ? 'Post it to the stream' : 'Post it to those it is for';
  return {
    name: 'post-here',
    label: byHand ? 'Write a post to paste' : shared,
    subject: link.id,
  };
}

/** What mends each place of a kind: Glen does it where it put the thing there, a person where somebody else did. */
function mending(
  places: ReachPlace[],
  name: 'put-back' | 'take-down',
  label: (where: string) => string,
): NoteAction[] {
  return places.slice(0, 3).flatMap((p): NoteAction[] => {
    if (p.byHand && p.postId !== null)
      return [{ name: 'see-post', label: `Show what to do: ${p.where}`, subject: p.postId }];
    return p.ours && p.placementId !== null
      ? [{ name, label: label(p.where), subject: p.placementId }]
      : [];
  });
}

/** What only those can take off who put it there. */
function elsewhere(places: ReachPlace[]): string {
  const others = places.filter((p) => !p.ours);
  if (others.length === 0) return '';
  const named = others.map((p) => `“${p.title}” (${p.where})`).join('; ');
  return ` ${named}: somebody put it there by hand, so somebody must take it off there.`;
}

/** The people of each verdict, and the places that some of them see. */
interface Sorted extends ReachFacts {
  of: (verdict: ReachVerdict) => ReachPerson[];
  seenBy: (who: ReachPerson[], state: ReachPlace['state']) => ReachPlace[];
}

function leakNote({ of, seenBy }: Sorted): Note[] {
  const leaks = of('leak');
  if (leaks.length === 0) return [];
  const places = seenBy(leaks, 'right');
  return [
    {
      severity: 'wrong',
      title: `${counted(leaks.length, 'person sees', 'people see')} what is not for them`,
      text: `${named(leaks)}.${elsewhere(places)}`,
      actions: mending(places, 'take-down', (where) => `Take it down: ${where}`),
    },
  ];
}

function staleNote({ link, byHand, of, seenBy }: Sorted): Note[] {
  const stale = of('stale');
  if (stale.length === 0) return [];
  const old = seenBy(stale, 'old');
  const replaced = old.filter((p) => !p.stopped);
  const stopped = old.filter((p) => p.stopped);
  const seesNone = seenBy(stale, 'right').length === 0;
  return [
    {
      severity: 'wrong',
      title: `${counted(stale.length, 'student sees', 'students see')} an old link`,
      text: `It leads nowhere any more.${elsewhere(old)}`,
      actions: [
        ...mending(replaced, 'put-back', (where) => `Put the new one there: ${where}`),
        ...mending(stopped, 'take-down', (where) => `Take the stopped one down: ${where}`),
        ...(seesNone ? [postHere({ link, byHand })] : []),
      ],
    },
  ];
}

function noneNote({ link, byHand, of }: Sorted): Note[] {
  const none = of('none');
  if (none.length === 0) return [];
  return [
    {
      severity: 'wrong',
      title: `${counted(none.length, 'student sees', 'students see')} no link`,
      text: `${named(none)}.`,
      actions: [postHere({ link, byHand })],
    },
  ];
}

function severalNote({ of, seenBy }: Sorted): Note[] {
  const several = of('several');
  if (several.length === 0) return [];
  const second = seenBy(several, 'other');
  return [
    {
      severity: 'careful',
      title: `${counted(several.length, 'student sees', 'students see')} two doors for the same`,
      text: `Some will take the wrong one.${elsewhere(second)}`,
      actions: mending(second, 'take-down', (where) => `Hide the second door: ${where}`),
    },
  ];
}

function twiceNote({ twice = [] }: Sorted): Note[] {
  const [first] = twice;
  if (!first) return [];
  const named = `“${first.title}” (${first.where}, ${dateInWords(first.date)} ${first.time})`;
  const more = twice.length > 1 ? `, and ${twice.length - 1} more like it` : '';
  return [
    {
      severity: 'careful',
      title: 'The calendar has the lesson twice',
      text: `${named}${more}: somebody put it there beside Glen’s own, so somebody must take it off there.`,
    },
  ];
}

function unprovenNote({ of }: Sorted): Note[] {
  const unproven = of('unproven');
  if (unproven.length === 0) return [];
  return [
    {
      severity: 'inform',
      title: `${counted(unproven.length, 'student', 'students')}: only by hand`,
      text: 'Somebody said that it stands there; Glen cannot look.',
    },
  ];
}

const TROUBLES: ReachVerdict[] = ['leak', 'stale', 'none', 'several'];

function clearNote({ of }: Sorted): Note[] {
  const clear = of('clear');
  if (clear.length === 0 || TROUBLES.some((verdict) => of(verdict).length > 0)) return [];
  return [
    {
      severity: 'well',
      title: `${counted(clear.length, 'student sees', 'students see')} exactly one right link`,
      text: 'Looked up where it stands, not guessed.',
    },
  ];
}

const NOTES = [leakNote, staleNote, noneNote, severalNote, twiceNote, unprovenNote, clearNote];

/** What is wrong with who sees which link, worst first, each with what mends it; else that everyone sees exactly one. */
export function notesForReach(facts: ReachFacts): Note[] {
  const { places, people } = facts;
  const sorted: Sorted = {
    ...facts,
    of: (verdict) => people.filter((p) => p.verdict === verdict),
    seenBy: (who, state) =>
      places.filter((p) => p.state === state && who.some((w) => w.places.includes(p.id))),
  };
  return worstFirst(NOTES.flatMap((note) => note(sorted)));
}
