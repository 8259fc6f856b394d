import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { checkReach, type ReachPlacement, type ReachQuestion } from '../src/index.js';

const people = [
  { id: 'ansel', groups: ['nav-3'] },
  { id: 'birgit', groups: ['nav-3', 'port'] },
  { id: 'arne', groups: ['nav-6'] },
];
const stream: ReachPlacement = {
  id: 'stream',
  link: 'nav-3',
  state: 'live',
  proven: true,
  readers: ['nav-3'],
};
const verdicts = (
  placements: ReachPlacement[],
  audience = ['nav-3'],
  link = 'nav-3',
): Record<string, string> =>
  Object.fromEntries(
    checkReach({ people, audience, placements, link }).map((r) => [r.person, r.verdict]),
  );

describe('who sees which link', () => {
  it('one right link, seen for certain, is clear; whoever is not meant and does not see it is not for them', () => {
    expect(verdicts([stream])).toEqual({ ansel: 'clear', birgit: 'clear', arne: 'not-for-them' });
  });
  it('nothing, or only other links, is none', () => {
    expect(verdicts([])).toEqual({ ansel: 'none', birgit: 'none', arne: 'not-for-them' });
    expect(verdicts([{ ...stream, link: 'other' }]).ansel).toBe('none');
  });
  it('an old link anywhere they read makes it stale, whatever else they see', () => {
    expect(verdicts([stream, { ...stream, id: 'page', link: 'old', state: 'dead' }]).ansel).toBe(
      'stale',
    );
  });
  it('two different live links are several; the same one twice is not', () => {
    expect(verdicts([stream, { ...stream, id: 'page', link: 'other' }]).ansel).toBe('several');
    expect(verdicts([stream, { ...stream, id: 'page' }]).ansel).toBe('clear');
  });
  it('seen only where Glen cannot look is unproven; one certain place is enough', () => {
    expect(verdicts([{ ...stream, proven: false }]).ansel).toBe('unproven');
    expect(
      verdicts([
        { ...stream, proven: false },
        { ...stream, id: 'page' },
      ]).ansel,
    ).toBe('clear');
  });
  it('a live right link before somebody it is not for is a leak; a dead or other one is not', () => {
    expect(verdicts([{ ...stream, readers: ['nav-3', 'nav-6'] }]).arne).toBe('leak');
    expect(verdicts([{ ...stream, readers: ['arne'], state: 'dead' }]).arne).toBe('not-for-them');
    expect(verdicts([{ ...stream, readers: ['arne'], link: 'other' }]).arne).toBe('not-for-them');
  });
  it('tells the placements that each can read, in their order', () => {
    const rows = checkReach({
      people,
      audience: ['port'],
      link: 'x',
      placements: [
        { ...stream, id: 'b' },
        { ...stream, id: 'a', readers: ['birgit', 'port'] },
      ],
    });
    expect(rows.map((r) => r.placements)).toEqual([['b'], ['b', 'a'], []]);
  });
  it('refuses ids that stand for two things', () => {
    expect(() => verdicts([stream, stream])).toThrow(
      expect.objectContaining({ path: 'placements.1.id' }),
    );
    expect(() =>
      checkReach({ people: [people[0]!, people[0]!], audience: [], placements: [], link: 'x' }),
    ).toThrow(expect.objectContaining({ path: 'people.1.id' }));
  });

  /** The same told apart by looking at every person and every place, with the sentences in their order. */
  function slow({ people: all, audience, placements, link }: ReachQuestion): string[] {
    return all.map((p) => {
      const is = (ids: string[]): boolean => ids.some((id) => id === p.id || p.groups.includes(id));
      const theirs = placements.filter((x) => is(x.readers));
      const live = theirs.filter((x) => x.state === 'live');
      if (!is(audience)) return live.some((x) => x.link === link) ? 'leak' : 'not-for-them';
      if (theirs.length > live.length) return 'stale';
      if (!live.some((x) => x.link === link)) return 'none';
      if (live.some((x) => x.link !== live[0]!.link)) return 'several';
      return live.some((x) => x.proven) ? 'clear' : 'unproven';
    });
  }
  const ids = ['p1', 'p2', 'p3', 'p4', 'g1', 'g2', 'g3'];
  const some = fc.subarray(ids);
  const question: fc.Arbitrary<ReachQuestion> = fc.record({
    people: fc.tuple(
      ...['p1', 'p2', 'p3', 'p4'].map((id) =>
        fc.record({ id: fc.constant(id), groups: fc.subarray(['g1', 'g2', 'g3']) }),
      ),
    ),
    audience: some,
    link: fc.constant('l1'),
    placements: fc.uniqueArray(
      fc.record({
        id: fc.string({ maxLength: 3 }),
        link: fc.constantFrom('l1', 'l2', 'l3'),
        state: fc.constantFrom('live' as const, 'dead' as const),
        proven: fc.boolean(),
        readers: some,
      }),
      { maxLength: 6, selector: (p) => p.id },
    ),
  });
  it('agrees with brute force on random cases', () => {
    fc.assert(
      fc.property(question, (q) => {
        expect(checkReach(q).map((r) => r.verdict)).toEqual(slow(q));
      }),
      { numRuns: 2000 },
    );
  });
});
