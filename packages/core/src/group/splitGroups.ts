import { checkWhole, fail } from '../input.js';

/** The most groups that a class period is split into. */
export const MOST_GROUPS = 40;

/**
 * People in `count` groups whose sizes differ by at most one, the earlier ones larger. In the order given, or shuffled
 * (Fisher and Yates) by `random`: one number from 0 up to 1 for each person. Throws GlenInputError where there are fewer people than groups.
 */
export function splitGroups<P>(people: P[], count: number, random?: number[]): P[][] {
  checkWhole(count, 1, MOST_GROUPS, 'count');
  if (people.length < count)
    fail(
      'count',
      people.length === 0 ? 'There is nobody to split.' : `There are only ${people.length} people.`,
    );
  const order = [...people];
  if (random) {
    if (random.length < people.length) fail('random', 'Give a random number for each person.');
    for (let i = order.length - 1; i > 0; i--) {
      const k = Math.floor(random[i]! * (i + 1));
      [order[i], order[k]] = [order[k]!, order[i]!];
    }
  }
  const groups: P[][] = [];
  for (let g = 0, from = 0; g < count; g++) {
    const size = Math.floor(order.length / count) + (g < order.length % count ? 1 : 0);
    groups.push(order.slice(from, from + size));
    from += size;
  }
  return groups;
}
