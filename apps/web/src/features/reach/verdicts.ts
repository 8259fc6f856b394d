import type { Answer } from '@glen/contract';
import * as say from './words.js';

export type Reach = Answer<'reach'>;
export type Person = Reach['people'][number];
export type Place = Reach['places'][number];

/** How something is drawn and words: told apart by shape, not by colour alone. */
export interface Mark {
  mark: string;
  dress: string;
  words: string;
}

export const VERDICTS: Record<Person['verdict'], Mark> = {
  clear: { mark: '●', dress: 'text-moss-deep', words: say.exactlyOneRightLink },
  none: { mark: '○', dress: 'text-berry-deep', words: say.noLink },
  stale: { mark: '✕', dress: 'text-berry-deep', words: say.anOldLink },
  several: { mark: '◆', dress: 'text-gorse-deep', words: say.twoDoorsForTheSame },
  unproven: { mark: '◐', dress: 'text-gorse-deep', words: say.byHandOnly },
  leak: { mark: '!', dress: 'text-berry-deep font-bold', words: say.notForThem },
  'not-for-them': { mark: '', dress: '', words: say.notForThemAndThey },
};

/** What one person sees at one place. */
export function markAt(person: Person, place: Place): Mark {
  if (!person.places.includes(place.id)) return { mark: '', dress: '', words: say.seesNothingHere };
  if (person.verdict === 'leak' && place.state === 'right') return VERDICTS.leak;
  if (place.state === 'old') return { ...VERDICTS.stale, words: say.anOldLinkHere };
  if (place.state === 'other') return { ...VERDICTS.several, words: say.anotherDoorHere };
  return place.proven
    ? { ...VERDICTS.clear, words: say.theRightLinkHere }
    : { ...VERDICTS.unproven, words: say.theRightLinkHereBy };
}
