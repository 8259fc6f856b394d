import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { placeState, postsOfDay, summariseDeliveries, type DayPost } from '../src/index.js';

type SummedDelivery = Parameters<typeof summariseDeliveries>[0][number];

const delivery = (more: Partial<SummedDelivery> = {}): SummedDelivery => ({
  state: 'out',
  due: null,
  pending: false,
  tries: 0,
  error: null,
  outSince: null,
  ...more,
});
const SAVED = { withdrawn: false, draft: false };
const WED = { date: '2026-10-14', time: '10:35' };
const THU = { date: '2026-10-15', time: '08:00' };

describe('a post as a whole', () => {
  it('is in the state of the delivery that most needs thought', () => {
    const states = (...of: SummedDelivery['state'][]) =>
      summariseDeliveries(
        of.map((state) => delivery({ state })),
        SAVED,
      ).state;
    expect(states('out', 'failed', 'queued')).toBe('failed');
    expect(states('out', 'missing')).toBe('failed');
    expect(states('queued', 'todo')).toBe('todo');
    expect(states('queued', 'out')).toBe('out');
    expect(states('done', 'gone')).toBe('out');
    expect(states('struck', 'gone')).toBe('over');
  });

  it('without any delivery is over, or a draft that has none yet', () => {
    expect(summariseDeliveries([], SAVED).state).toBe('over');
    expect(summariseDeliveries([], { ...SAVED, draft: true }).state).toBe('draft');
  });

  it('withdrawn is withdrawn, whatever stands', () => {
    expect(summariseDeliveries([delivery()], { ...SAVED, withdrawn: true }).state).toBe(
      'withdrawn',
    );
  });

  it('is due when the next of it goes out, and stands since the first went', () => {
    const summary = summariseDeliveries(
      [
        delivery({ state: 'queued', due: THU }),
        delivery({ state: 'queued', due: WED }),
        delivery({ outSince: '2026-10-13T12:00:00Z' }),
        delivery({ outSince: '2026-10-12T12:00:00Z' }),
      ],
      SAVED,
    );
    expect(summary.due).toEqual(WED);
    expect(summary.outSince).toBe('2026-10-12T12:00:00Z');
  });

  it('does not depend on the order of its deliveries', () => {
    const states = ['failed', 'out', 'queued', 'todo', 'gone', 'draft'] as const;
    const some = fc.array(
      fc.record({
        state: fc.constantFrom(...states),
        pending: fc.boolean(),
        tries: fc.integer({ min: 0, max: 3 }),
      }),
    );
    fc.assert(
      fc.property(some, (parts) => {
        const all = parts.map((part) => delivery(part));
        expect(summariseDeliveries([...all].reverse(), SAVED)).toEqual(
          summariseDeliveries(all, SAVED),
        );
      }),
    );
  });
});

describe('a link at one place', () => {
  it.each([
    [[{ state: 'failed', outSince: '2026-10-13T12:00:00Z' }], 'failed'],
    [[{ state: 'struck', outSince: '2026-10-13T12:00:00Z' }], 'out'],
    [[{ state: 'todo', outSince: null }], 'todo'],
    [[{ state: 'draft', outSince: null }], 'draft'],
    [[{ state: 'queued', outSince: null }], 'queued'],
    [[{ state: 'gone', outSince: null }], 'over'],
    [[], 'over'],
  ] as const)('%j: %s', (here, state) => {
    expect(placeState([...here])).toBe(state);
  });
});

describe('posts, as a day speaks of them', () => {
  const place = { id: 1, classId: 3, classTitle: 'Navigation 3', kind: 'stream', where: 'Stream' };
  const post = (more: Partial<DayPost>): DayPost =>
    ({ id: 9, state: 'out', places: [place], deliveries: [], ...more }) as DayPost;
  const at = (more: Partial<DayPost['deliveries'][number]>): DayPost['deliveries'][number] => ({
    ...delivery(),
    placeId: 1,
    placementId: 5,
    overdue: false,
    ...more,
  });
  const day = (posts: DayPost[], hosted = [3]) => postsOfDay(posts, new Set(hosted), '2026-10-14');

  it('tell where the link stands, to whoever teaches there', () => {
    const out = post({ deliveries: [at({ outSince: '2026-10-12T12:00:00Z', due: WED })] });
    expect(day([out], []).placements).toEqual([
      { classId: 3, postId: 9, kind: 'stream', state: 'out', due: WED },
    ]);
    expect(day([post({ state: 'withdrawn', deliveries: [at({})] })]).placements).toEqual([]);
  });

  it('tell what is stuck, to hosts alone', () => {
    const failed = post({ state: 'failed', deliveries: [at({ state: 'failed', error: 'no' })] });
    expect(day([failed]).posts).toEqual([
      {
        id: 9,
        classTitle: 'Navigation 3',
        state: 'failed',
        error: 'no',
        tries: 0,
        placementId: 5,
      },
    ]);
    expect(day([failed], [4]).posts).toEqual([]);
  });

  it('tell of a draft that waits for its release', () => {
    const draft = post({ state: 'draft', deliveries: [at({ state: 'draft' })] });
    expect(day([draft]).posts).toEqual([
      { id: 9, classTitle: 'Navigation 3', state: 'draft', error: null, tries: 0 },
    ]);
  });

  it('mark on the day line what is to be pasted that day, and name the date of what is not', () => {
    const byHand = { ...place, kind: 'by-hand', where: 'Wall screen' } as DayPost['places'][number];
    const todo = (due: typeof WED) =>
      day([post({ places: [byHand], deliveries: [at({ state: 'todo', due })] })]);
    expect(todo(WED).marks).toEqual([
      { postId: 9, where: 'Wall screen', time: '10:35', waits: false },
    ]);
    expect(todo(WED).hand[0]).toMatchObject({ what: 'paste', due: '10:35', waits: false });
    expect(todo(THU).marks).toEqual([]);
    expect(todo(THU).hand[0]).toMatchObject({ due: 'Thu 15 Oct 08:00' });
  });

  it('tell beforehand what will have to be pasted that day', () => {
    const byHand = { ...place, kind: 'by-hand' } as DayPost['places'][number];
    const queued = at({ state: 'queued', due: WED });
    expect(day([post({ places: [byHand], deliveries: [queued] })]).hand).toMatchObject([
      { waits: true, due: '10:35' },
    ]);
    expect(day([post({ deliveries: [queued] })]).hand).toEqual([]);
  });
});
