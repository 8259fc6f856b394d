import { dateInWords, dateOf } from '../../time/dates.js';
import { GlenInputError } from '../../input.js';
import { expandPlan } from '../expandPlan.js';
import type { SessionPlan } from '../plan.js';
import type { FieldRepeat } from '../repeat.js';
import { wholeWindow } from '../toRRule.js';
import { settleClass, type NamedClass } from './settleClass.js';
import { settleEnd, type SaidEnd } from './settleEnd.js';
import { daysOf, settleAlso, settleExcept, withoutWeekdays } from './settleExcept.js';
import { settleDays, type Days } from './settleFirst.js';
import { settlePattern } from './settlePattern.js';
import { ownPeriod, planTime, settleTime, type SaidTime } from './settleTime.js';
import type { ReadPhrase } from './phraseTypes.js';
import type { Settling } from './settling.js';

/** Without a time, the class period's own; without that, the time is missing. */
function timeOrOwn(settling: Settling, named: NamedClass, isAnything: boolean): SaidTime {
  const said = settleTime(settling);
  if (said.item) return said;
  const period = ownPeriod(settling, named);
  if (period !== undefined) {
    settling.assumeMissing(`period ${period}, its own`);
    return { ...said, period };
  }
  const isSaid = settling.all('wrong').length > 0;
  if (isAnything && !isSaid) settling.lacks('time', 'At what time?');
  return said;
}

/** Without an end a repeat runs until the term of its first date ends. */
function ended(
  settling: Settling,
  repeat: FieldRepeat,
  { first, last }: Days,
  said: SaidEnd | undefined,
): FieldRepeat {
  if (said) return { ...repeat, ...said.end };
  if (last !== undefined) return { ...repeat, until: dateOf(last) };
  const { terms } = settling.context.school;
  const term = terms.find((t) => t.last >= dateOf(first));
  if (!term) {
    settling.lacks('end', 'Until when?');
    return { ...repeat, times: 1 };
  }
  settling.assumeMissing(`until the term ends, ${dateInWords(term.last)}`, 'all year');
  return { ...repeat, until: 'term-end' };
}

/** Dates on which the plan's pattern meets, held or not; nothing where its end cannot be. */
function metBy(settling: Settling, plan: SessionPlan): string[] | GlenInputError {
  const { school } = settling.context;
  try {
    return expandPlan(plan, school, wholeWindow(plan, school)).map((row) => row.key);
  } catch (error) {
    if (error instanceof GlenInputError) return error;
    throw error;
  }
}

/** A series: until when, and which of its dates are left out. */
function seriesPlan(settling: Settling, days: Days, base: SessionPlan): SessionPlan {
  const pattern = withoutWeekdays(settling, days.repeat!);
  const said = settleEnd(settling, days.first);
  if (said && days.last !== undefined) settling.isUnclear(said.item, 'One end is enough.');
  const repeat = ended(settling, pattern, days, said);
  const [closures] = settling.all('closures');
  const plan: SessionPlan = { ...base, closures: closures?.closures ?? 'skip', repeat };
  const met = metBy(settling, plan);
  if (met instanceof GlenInputError) {
    if (said) settling.isUnclear(said.item, met.message);
    else settling.lacks('end', met.message);
    return { ...plan, repeat: { ...pattern, times: 1 } };
  }
  const except = settleExcept(settling, daysOf(met));
  const alsoOn = settleAlso(settling);
  return {
    ...plan,
    ...(alsoOn.length > 0 ? { alsoOn: alsoOn.filter((date) => !except.includes(date)) } : {}),
    ...(except.length > 0 ? { except } : {}),
  };
}

/** What only a series can have is unclear of a single date. */
function refuseSeriesWords(settling: Settling): void {
  const isOfSeries = (item: (typeof settling.items)[number]): boolean =>
    item.kind === 'end' ||
    item.kind === 'weekends' ||
    (item.role !== undefined && item.role !== 'also' && item.kind !== 'marker');
  for (const item of settling.items)
    if (isOfSeries(item) && !settling.unclear.some((u) => u.from === item.from))
      settling.isUnclear(item, 'How often?');
}

function singlePlan(settling: Settling, { first, alsoOn }: Days, base: SessionPlan): SessionPlan {
  refuseSeriesWords(settling);
  const also = [...alsoOn.map(dateOf), ...settleAlso(settling)].filter(
    (date) => date !== dateOf(first),
  );
  return {
    ...base,
    closures: 'keep',
    ...(also.length > 0 ? { alsoOn: [...new Set(also)].sort() } : {}),
  };
}

/** Words that no rule reads, each run of them as one; and what was read but cannot be. */
function settleWords(settling: Settling): void {
  let run: { from: number; to: number } | undefined;
  const close = (): void => {
    if (run) settling.unclearAt(run.from, run.to, 'Not understood.');
    run = undefined;
  };
  for (const item of settling.items) {
    if (item.kind === 'unknown') run = { from: run?.from ?? item.from, to: item.to };
    else if (item.kind !== 'filler') close();
    if (item.kind === 'wrong') settling.isUnclear(item, item.why);
  }
  close();
}

/** In the order of the text, nothing said twice. */
function inOrder<T extends { from: number; to: number }>(
  places: T[],
  wordsOf: (place: T) => string,
): T[] {
  const sorted = [...places].sort((a, b) => a.from - b.from || b.to - a.to);
  const keys = sorted.map((place) => `${place.from} ${place.to} ${wordsOf(place)}`);
  return sorted.filter((_, i) => keys.indexOf(keys[i]!) === i);
}

/** How sessions are cut into slots, where that is said once. */
function slotsOf(settling: Settling): Pick<ReadPhrase, 'slots'> {
  const said = settling.only('slots', 'One way to cut it is enough.');
  return said ? { slots: { minutes: said.minutes, gap: said.gap } } : {};
}

/** Puts together what the phrase's parts mean. */
export function settle(settling: Settling): ReadPhrase {
  settleWords(settling);
  const isAnything = settling.items.some(
    (item) => !['filler', 'unknown', 'wrong'].includes(item.kind),
  );
  const { of, ...ids } = settleClass(settling);
  const said = timeOrOwn(settling, of ? { of } : {}, isAnything);
  const days = settleDays(settling, settlePattern(settling), said);
  const on = days.repeat?.on ?? [];
  const { zone } = settling.context.school;
  const base: SessionPlan = {
    first: dateOf(days.first),
    at: planTime(settling, said, days.first, on),
    zone,
    closures: 'keep',
  };
  const plan = days.repeat ? seriesPlan(settling, days, base) : singlePlan(settling, days, base);
  return {
    plan,
    ...ids,
    ...slotsOf(settling),
    unclear: inOrder(settling.unclear, () => ''),
    assumed: inOrder(settling.assumed, ({ as }) => as),
  };
}
