import { checkOneOf, fail } from '../input.js';

/** A place where a link stands or will stand, as far as reach goes. */
export interface ReachPlacement {
  id: string;
  /** The link that stands there; of one that was replaced and leads on, the link that it leads to. */
  link: string;
  /** dead: whoever follows it comes to no open door any more. */
  state: 'live' | 'dead';
  /** False for places made by hand, which Glen cannot look at. */
  proven: boolean;
  /** Ids of people and of groups who can read it. */
  readers: string[];
}

/** clear: exactly one right link, seen for certain. What the others mean stands at checkReach. */
export type ReachVerdict =
  'clear' | 'none' | 'stale' | 'several' | 'unproven' | 'leak' | 'not-for-them';

export interface ReachQuestion {
  people: { id: string; groups: string[] }[];
  /** Ids of people and of groups whom the link is for. */
  audience: string[];
  placements: ReachPlacement[];
  link: string;
}

export interface ReachRow {
  person: string;
  verdict: ReachVerdict;
  placements: string[];
}

function verdictOf(isMeant: boolean, read: ReachPlacement[], link: string): ReachVerdict {
  const right = read.filter((p) => p.state === 'live' && p.link === link);
  if (!isMeant) return right.length > 0 ? 'leak' : 'not-for-them';
  if (read.some((p) => p.state === 'dead')) return 'stale';
  if (right.length === 0) return 'none';
  if (new Set(read.filter((p) => p.state === 'live').map((p) => p.link)).size > 1) return 'several';
  return right.some((p) => p.proven) ? 'clear' : 'unproven';
}

/**
 * Who sees which link, asked about one session or one standing purpose: only placements meant for it are passed. A row for
 * each person, in their order, with the placements that they can read, in theirs. Outside the audience: `leak` where a live
 * placement of the link is theirs to read, else `not-for-them`. In it, the first that fits: `stale` any that they read is
 * dead, `none` no live one is for the link, `several` live ones are for two or more links, `unproven` none of the right ones
 * is certain, `clear`. Throws GlenInputError on doubled ids.
 */
export function checkReach({ people, audience, placements, link }: ReachQuestion): ReachRow[] {
  const ids = new Set<string>();
  placements.forEach(({ id, state }, i) => {
    if (ids.has(id)) fail(`placements.${i}.id`, `There are two placements ${id}.`);
    ids.add(id);
    checkOneOf(state, ['live', 'dead'], `placements.${i}.state`);
  });
  // From reader to placements, so that a school's worth of people need not be held against every place.
  const byReader = new Map<string, number[]>();
  placements.forEach(({ readers }, i) => {
    for (const reader of new Set(readers))
      byReader.set(reader, [...(byReader.get(reader) ?? []), i]);
  });
  const meant = new Set(audience);
  const seen = new Set<string>();
  return people.map(({ id, groups }, i) => {
    if (seen.has(id)) fail(`people.${i}.id`, `There are two people ${id}.`);
    seen.add(id);
    const known = [id, ...groups];
    const read = [...new Set(known.flatMap((k) => byReader.get(k) ?? []))]
      .sort((a, b) => a - b)
      .map((k) => placements[k]!);
    return {
      person: id,
      verdict: verdictOf(
        known.some((k) => meant.has(k)),
        read,
        link,
      ),
      placements: read.map((p) => p.id),
    };
  });
}
