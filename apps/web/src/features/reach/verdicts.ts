import type { Answer } from '@glen/contract';

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
  clear: { mark: '●', dress: 'text-moss-deep', words: 'exactly one right link' },
  none: { mark: '○', dress: 'text-berry-deep', words: 'no link' },
  stale: { mark: '✕', dress: 'text-berry-deep', words: 'an old link' },
  several: { mark: '◆', dress: 'text-gorse-deep', words: 'two doors for the same' },
  unproven: { mark: '◐', dress: 'text-gorse-deep', words: 'by hand only' },
  leak: { mark: '!', dress: 'text-berry-deep font-bold', words: 'not for them' },
  'not-for-them': { mark: '', dress: '', words: 'not for them, and they see nothing' },
};

/** What one person sees at one place. */
export function markAt(person: Person, place: Place): Mark {
  if (!person.places.includes(place.id)) return { mark: '', dress: '', words: 'sees nothing here' };
  if (person.verdict === 'leak' && place.state === 'right') return VERDICTS.leak;
  if (place.state === 'old') return { ...VERDICTS.stale, words: 'an old link here' };
  if (place.state === 'other') return { ...VERDICTS.several, words: 'another door here' };
  return place.proven
    ? { ...VERDICTS.clear, words: 'the right link here' }
    : { ...VERDICTS.unproven, words: 'the right link here, by hand' };
}
