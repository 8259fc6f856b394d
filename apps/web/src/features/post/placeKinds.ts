import type { PlaceKind } from './draft.js';

/** The kinds of place, as a sentence names them. */
const KINDS: { value: PlaceKind; label: string; hint: string }[] = [
  { value: 'stream', label: 'the class stream', hint: 'a post' },
  { value: 'item', label: 'the course page', hint: 'an item of a section' },
  { value: 'calendar', label: 'the course calendar', hint: 'an entry for each session' },
  { value: 'mail', label: 'mail to everybody', hint: 'a letter to each' },
  { value: 'by-hand', label: 'a place filled by hand', hint: 'Glen asks you then' },
];
/** Those that can be chosen: without a course site or a mail service, what is filled by hand. */
export const offeredKinds = ({ courseSite, mail }: { courseSite: boolean; mail: boolean }) =>
  KINDS.filter(({ value }) => {
    if (value === 'by-hand') return true;
    return value === 'mail' ? mail : courseSite;
  });

export const kindWords = (kind: PlaceKind): string => KINDS.find((k) => k.value === kind)!.label;
