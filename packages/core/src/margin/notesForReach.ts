import type { ReachVerdict } from '../reach/checkReach.js';
import { worstFirst, type Note } from './note.js';

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
}

const named = (people: ReachPerson[]): string => {
  const shown = people
    .slice(0, 3)
    .map((p) => p.name)
    .join(', ');
  return people.length > 3 ? `${shown} and ${people.length - 3} more` : shown;
};
const counted = (n: number, one: string, many: string): string =>
  n === 1 ? `1 ${one}` : `${n} ${many}`;

const postHere = (link: ReachFacts['link']): Action => ({
  name: 'post-here',
  label: link.main ? 'Post it to the stream' : 'Post it to those it is for',
  subject: link.id,
});

type Action = NonNullable<Note['actions']>[number];

/** What mends each place of a kind: Glen does it where it put the thing there, a person where somebody else did. */
function mending(
  places: ReachPlace[],
  name: 'put-back' | 'take-down',
  label: (where: string) => string,
): Action[] {
  return places.slice(0, 3).flatMap((p): Action[] => {
    if (p.byHand && p.postId !== null)
      return [{ name: 'see-post', label: `Show what to do: ${p.where}`, subject: p.postId }];
    return p.ours && p.placementId !== null
      ? [{ name, label: label(p.where), subject: p.placementId }]
      : [];
  });
}

const elsewhere = (places: ReachPlace[]): string => {
  const others = places.filter((p) => !p.ours);
  return others.length === 0
    ? ''
    : ` ${others.map((p) => `“${p.title}” (${p.where})`).join('; ')}: somebody put it there by hand, so somebody must take it off there.`;
};

/** What is wrong with who sees which link, worst first, each with what mends it; else that everyone sees exactly one. */
export function notesForReach({ link, places, people }: ReachFacts): Note[] {
  const of = (verdict: ReachVerdict): ReachPerson[] => people.filter((p) => p.verdict === verdict);
  const seenBy = (who: ReachPerson[], state: ReachPlace['state']): ReachPlace[] =>
    places.filter((p) => p.state === state && who.some((w) => w.places.includes(p.id)));
  const [leaks, stale, none, several, unproven, clear] = [
    of('leak'),
    of('stale'),
    of('none'),
    of('several'),
    of('unproven'),
    of('clear'),
  ];
  const old = seenBy(stale, 'old');
  const second = seenBy(several, 'other');
  const leaking = seenBy(leaks, 'right');
  return worstFirst([
    ...(leaks.length > 0
      ? [
          {
            severity: 'wrong' as const,
            title: `${counted(leaks.length, 'person sees', 'people see')} what is not for them`,
            text: `${named(leaks)}.${elsewhere(leaking)}`,
            actions: mending(leaking, 'take-down', (where) => `Take it down: ${where}`),
          },
        ]
      : []),
    ...(stale.length > 0
      ? [
          {
            severity: 'wrong' as const,
            title: `${counted(stale.length, 'student sees', 'students see')} an old link`,
            text: `It leads nowhere any more.${elsewhere(old)}`,
            actions: [
              ...mending(
                old.filter((p) => !p.stopped),
                'put-back',
                (where) => `Put the new one there: ${where}`,
              ),
              ...mending(
                old.filter((p) => p.stopped),
                'take-down',
                (where) => `Take the stopped one down: ${where}`,
              ),
              ...(seenBy(stale, 'right').length === 0 ? [postHere(link)] : []),
            ],
          },
        ]
      : []),
    ...(none.length > 0
      ? [
          {
            severity: 'wrong' as const,
            title: `${counted(none.length, 'student sees', 'students see')} no link`,
            text: `${named(none)}.`,
            actions: [postHere(link)],
          },
        ]
      : []),
    ...(several.length > 0
      ? [
          {
            severity: 'careful' as const,
            title: `${counted(several.length, 'student sees', 'students see')} two doors for the same`,
            text: `Some will take the wrong one.${elsewhere(second)}`,
            actions: mending(second, 'take-down', (where) => `Hide the second door: ${where}`),
          },
        ]
      : []),
    ...(unproven.length > 0
      ? [
          {
            severity: 'inform' as const,
            title: `${counted(unproven.length, 'student', 'students')}: only by hand`,
            text: 'Somebody said that it stands there; Glen cannot look.',
          },
        ]
      : []),
    ...(clear.length > 0 && leaks.length + stale.length + none.length + several.length === 0
      ? [
          {
            severity: 'well' as const,
            title: `${counted(clear.length, 'student sees', 'students see')} exactly one right link`,
            text: 'Looked up where it stands, not guessed.',
          },
        ]
      : []),
  ]);
}
