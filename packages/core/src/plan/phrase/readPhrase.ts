import { bellReader, periodReader } from './readBells.js';
import { classReader } from './readClasses.js';
import { readClock, readDayPart, readDayPartAlone, readNumber } from './readClock.js';
import { datesReader } from './readDates.js';
import { cycleReader, readEveryDay, readWeekdays } from './readDays.js';
import { readClosures, readEnd, readMarker, readNamedEnd } from './readEnds.js';
import { readMonthly, readWeek } from './readMonthly.js';
import { readLength } from './readLength.js';
import { readSlots } from './readSlots.js';
import type { Reader } from './items.js';
import { closureReader, isMonthFirst } from './region.js';
import type { PhraseContext, ReadPhrase } from './phraseTypes.js';
import { scan, withRoles } from './scan.js';
import { Settling } from './settling.js';
import { settle } from './settle.js';

export type { PhraseClass, PhraseContext, ReadPhrase } from './phraseTypes.js';

/** So much of a phrase is read; of a longer one the rest is given back as unclear. */
const MOST_CHARACTERS = 1000;

/** All readings; of two that take equally much the first counts. */
const readersFor = ({ school, region, classes = [] }: PhraseContext): Reader[] => [
  readClosures,
  periodReader(school),
  bellReader(school),
  datesReader(isMonthFirst(region, school.zone), closureReader(school)),
  readWeek,
  readMonthly,
  cycleReader(school.cycle?.labels ?? []),
  readEveryDay,
  readWeekdays,
  readNamedEnd,
  readEnd,
  readSlots,
  readLength,
  readClock,
  readMarker,
  readDayPart,
  classReader(classes),
  readDayPartAlone,
  readNumber,
];

/**
 * A plan from a phrase as people type it in a hurry: `Nav 3 every Mon and Wed in period 3 until term ends`,
 * `tues/thurs 14:15 nav 6, 8 times`, `fridays 2pm clinic until Dec 4 but not the 27th`. What it leaves out comes from the class
 * period, the school and today. Every word is used or given back as unclear, with its place; what could have meant
 * something else stands in `assumed`. Takes 1,000 characters, in time that grows with them.
 */
export function readPhrase(text: string, context: PhraseContext): ReadPhrase {
  const items = withRoles(scan(text.slice(0, MOST_CHARACTERS), readersFor(context)));
  const settling = new Settling(text, context, items);
  const unread = /\S[\s\S]*/.exec(text.slice(MOST_CHARACTERS));
  if (unread)
    settling.unclearAt(
      MOST_CHARACTERS + unread.index,
      text.trimEnd().length,
      'Nothing is read past 1,000 characters.',
    );
  return settle(settling);
}
