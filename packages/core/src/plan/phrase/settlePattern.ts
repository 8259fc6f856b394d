import { WEEKDAYS, type Weekday } from '../../time/dates.js';
import type { FieldRepeat } from '../repeat.js';
import type { Item } from './items.js';
import type { ItemOf, Settling } from './settling.js';

/** How often, as far as the phrase says it. */
export interface Pattern {
  repeat?: FieldRepeat;
  /** A single weekday that is one date, unless something else makes a series of it. */
  weekday?: { day: Weekday; item: Item };
  /** The parts that say it. */
  items: Item[];
}

type DaysItem = ItemOf<'days'>;
type RepeatItem = ItemOf<'repeat'>;

const inOrder = (days: Weekday[]): Weekday[] => WEEKDAYS.filter((day) => days.includes(day));

/** Weekdays named in several places are one list. */
function weekly(days: DaysItem[], repeat: FieldRepeat | undefined): FieldRepeat {
  const interval = repeat?.interval ?? days.find((item) => item.interval)?.interval;
  return {
    every: 'week',
    ...(interval ? { interval } : {}),
    on: inOrder(days.flatMap((item) => item.days)),
  };
}

const SAYS_ENOUGH = 'How often is said twice.';

/** Ways to repeat that go together: weeks with their weekdays. */
function oneRepeat(
  settling: Settling,
  repeats: RepeatItem[],
  days: DaysItem[],
): FieldRepeat | undefined {
  const [first, ...others] = repeats;
  for (const other of others) settling.isUnclear(other, SAYS_ENOUGH);
  if (first && days.length > 0 && first.repeat.every !== 'week') {
    for (const item of days) settling.isUnclear(item, SAYS_ENOUGH);
    return first.repeat;
  }
  if (days.length > 0) return weekly(days, first?.repeat);
  return first?.repeat;
}

/** `every day` is every school day, unless weekends are named. */
function withWeekends(settling: Settling, repeat: FieldRepeat, [item]: RepeatItem[]): FieldRepeat {
  const [weekends] = settling.all('weekends');
  if (repeat.every === 'school-day' && item?.isEveryDay) {
    if (weekends) return { every: 'day' };
    settling.assume(
      item,
      'every school day',
      `${settling.text.slice(item.from, item.to)} incl. weekends`,
    );
    return repeat;
  }
  if (weekends) settling.isUnclear(weekends, 'The weekends of what?');
  return repeat;
}

/** Days of the cycle, on which the repeat is held, or which are the repeat. */
function withCycle(settling: Settling, repeat: FieldRepeat | undefined): FieldRepeat | undefined {
  const cycle = settling.only('cycle', SAYS_ENOUGH);
  if (!cycle) return repeat;
  if (repeat?.every === 'month') {
    settling.isUnclear(cycle, SAYS_ENOUGH);
    return repeat;
  }
  return { ...(repeat ?? { every: 'school-day' }), cycleDays: cycle.labels };
}

/** How often the phrase's words say. */
export function settlePattern(settling: Settling): Pattern {
  const days = settling.all('days');
  const repeats = settling.all('repeat');
  const cycles = settling.all('cycle');
  const items: Item[] = [...days, ...repeats, ...cycles];
  const isOne =
    days.length === 1 && !days[0]!.repeats && repeats.length === 0 && cycles.length === 0;
  if (isOne) return { weekday: { day: days[0]!.days[0]!, item: days[0]! }, items };
  const one = oneRepeat(settling, repeats, days);
  const repeat = withCycle(settling, one && withWeekends(settling, one, repeats));
  if (!one)
    for (const item of settling.all('weekends')) settling.isUnclear(item, 'The weekends of what?');
  return { ...(repeat ? { repeat } : {}), items };
}
