import { bellsOn, dayInfo } from '../../calendar/dayInfo.js';
import { addDays, minuteOfDay, timeOf } from '../../time/dates.js';
import type { PlanTime } from '../plan.js';
import type { FieldRepeat } from '../repeat.js';
import { readClass } from './readClass.js';
import { readEnd } from './readEnd.js';
import { readFirst } from './readFirst.js';
import { readRepeat } from './readRepeat.js';
import { readTime } from './readTime.js';
import {
  Reading,
  type Parts,
  type PhraseClass,
  type PhraseContext,
  type ReadPhrase,
} from './reading.js';
import { words } from './vocabulary.js';

export type { PhraseClass, PhraseContext, ReadPhrase } from './reading.js';

const FILLER =
  /(?<![\w-])(?:and|on|at|in|the|a|an|for|from|of|with|class|session|sessions|lesson|lessons|teach|schedule|please|skip(?:ping)?\s+closures|then|each|starting)(?![\w-])|[.,;:·–-]+/g;

const KEEP_CLOSURES = words(
  '(?:also\\s+|even\\s+)(?:on|in|during)\\s+(?:closures|holidays|closed\\s+days)',
  'keep(?:ing)?\\s+closures',
  'closures\\s+too',
);

/** The first teaching day that the phrase allows, for one that names no date. */
function firstDay({ school, today }: PhraseContext, repeat: FieldRepeat | undefined): string {
  if (repeat) return today;
  for (let i = 1; i < 120; i++)
    if (dayInfo(school, addDays(today, i)).teaching) return addDays(today, i);
  return addDays(today, 1);
}

function timeOfParts(
  parts: Parts,
  c: PhraseClass | undefined,
  first: string,
  { school, minutes = 50 }: PhraseContext,
): PlanTime {
  if (parts.at && 'bell' in parts.at) return { ...parts.at, minutes: parts.minutes ?? minutes };
  if (parts.start !== undefined)
    return { time: timeOf(parts.start), minutes: parts.minutes ?? minutes };
  if (parts.at) return parts.at;
  const known = school.bells.some((set) => set.periods.some((p) => p.label === c?.period));
  if (c?.period && known) return { period: c.period };
  const bell = bellsOn(school, first)[0];
  return {
    time: bell?.start ?? '09:00',
    minutes:
      parts.minutes ??
      (bell ? minuteOfDay(bell.end, 'end') - minuteOfDay(bell.start, 'start') : minutes),
  };
}

/** An end makes a series of a single weekday: `Thursday x5`. */
function weeklyUntil(ends: Partial<FieldRepeat>, { weekday }: Parts): FieldRepeat | undefined {
  if (Object.keys(ends).length === 0) return undefined;
  return { every: 'week', ...(weekday ? { on: [weekday] } : {}) };
}

/** So much of a phrase is read; of a longer one the rest is given back as unclear. */
const MOST_CHARACTERS = 1000;

/** What of the text nobody has understood, words that say nothing left out. */
function unclearIn({ rest }: Reading, text: string): ReadPhrase['unclear'] {
  const unread = text.slice(MOST_CHARACTERS).toLowerCase();
  const left = (rest + unread).replace(FILLER, (filler) => ' '.repeat(filler.length));
  return [...left.matchAll(/\S+(?:\s\S+)*/g)].map(({ 0: part, index }) => {
    const to = index + part.length;
    return { text: text.slice(index, to), from: index, to };
  });
}

/**
 * A plan from a phrase as people type it: `Nav 3 every Mon and Wed in period 3 until term ends`, `tomorrow 14:00 for 40 minutes`,
 * `every second Thursday 13:30-15:00 x5`, `Ebb days period 2 for 8 weeks`, `Fridays 10 min after last bell`. What it leaves out
 * comes from the class period, the school and today; what cannot be read is given back with its place, and never guessed at.
 */
export function readPhrase(text: string, context: PhraseContext): ReadPhrase {
  const reading = new Reading(text.slice(0, MOST_CHARACTERS));
  const parts: Parts = { closures: 'skip' };
  const ends: Partial<FieldRepeat> = {};
  reading.take(KEEP_CLOSURES, () => {
    parts.closures = 'keep';
  });
  const c = readClass(reading, context.classes ?? []);
  readEnd(reading, ends, context.today);
  readTime(reading, parts, context);
  readRepeat(reading, parts, context);
  readFirst(reading, parts, context.today);
  const repeat = parts.repeat ?? weeklyUntil(ends, parts);
  const first = parts.first ?? firstDay(context, repeat);
  const once = repeat === undefined;
  return {
    plan: {
      first,
      at: timeOfParts(parts, c, first, context),
      zone: context.school.zone,
      closures: once ? 'keep' : parts.closures,
      ...(once ? {} : { repeat: { ...repeat, ...ends } }),
    },
    ...(c ? { classId: c.id } : {}),
    unclear: unclearIn(reading, text),
  };
}
