import type { PlaceKind } from './draft.js';
import * as say from './words.js';

/** The kinds of place, as a sentence names them. */
const KINDS: { value: PlaceKind; label: string; hint: string }[] = [
  { value: 'stream', label: say.theClassStream, hint: say.aPost },
  { value: 'item', label: say.theCoursePage, hint: say.anItemOfASection },
  { value: 'calendar', label: say.theCourseCalendar, hint: say.anEntryForEachSession },
  { value: 'mail', label: say.mailToEverybody, hint: say.aLetterToEach },
  { value: 'by-hand', label: say.aPlaceFilledByHand, hint: say.glenAsksYouThen },
];
/** Those that can be chosen: without a course site or a mail service, what is filled by hand. */
export const offeredKinds = ({ courseSite, mail }: { courseSite: boolean; mail: boolean }) =>
  KINDS.filter(({ value }) => {
    if (value === 'by-hand') return true;
    return value === 'mail' ? mail : courseSite;
  });

export const kindWords = (kind: PlaceKind): string => KINDS.find((k) => k.value === kind)!.label;
