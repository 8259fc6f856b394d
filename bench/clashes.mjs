import { builtCore, inTurns } from './core.mjs';
import { numbersFrom } from './numbers.mjs';

const BOOKINGS = 200000;
const MOST_TIMES = 10;
/** Seconds since 1970 of the first day, and how many spells of five minutes the year has. */
const YEAR_BEGINS = 1788868800;
const SPELLS = 105120;

function bookingsOf(utcOf) {
  const below = numbersFrom(20261014);
  return Array.from({ length: BOOKINGS }, (_, i) => {
    const start = YEAR_BEGINS + below(SPELLS) * 300;
    return {
      id: `b${i}`,
      start: utcOf(start),
      end: utcOf(start + 3000),
      holds: [`person:${below(450)}`, `link:${below(50000)}`],
    };
  });
}

function byStartAndId(a, b) {
  if (a.start !== b.start) return a.start < b.start ? -1 : 1;
  if (a.id === b.id) return 0;
  return a.id < b.id ? -1 : 1;
}

/** Milliseconds to find the clashes among 200,000 bookings of a year, about 40 in 1,000; beside it sorting the same array once. */
export const clash200k = async () => {
  const { findClashes, utcOf } = await builtCore();
  const bookings = bookingsOf(utcOf);
  const clashes = findClashes(bookings).length;
  const finding = () => findClashes(bookings).length;
  const sorting = () => [...bookings].sort(byStartAndId).length;
  const [value, reference] = inTurns([finding, sorting], 5, [1, 1]);
  return {
    value,
    unit: `ms for ${clashes} clashes`,
    reference,
    target: `≤ ${MOST_TIMES} times the reference`,
    ok: value <= MOST_TIMES * reference,
  };
};
