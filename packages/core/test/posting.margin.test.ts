import { describe, expect, it } from 'vitest';
import {
  notesForPost,
  notesForPosts,
  notesForReach,
  notesForToday,
  type ListedPost,
  type NotedPost,
  type ReachFacts,
  type TodayFacts,
} from '../src/index.js';
import { school } from './school.js';

const titles = (notes: { title: string }[]): string[] => notes.map((n) => n.title);

describe('notesForPost', () => {
  const place = (more: Partial<NotedPost['places'][number]> = {}): NotedPost['places'][number] => ({
    where: 'Stream of Ropework',
    classTitle: 'Ropework',
    kind: 'stream',
    readerCount: 20,
    dates: 1,
    due: { date: '2026-10-14', time: '10:35' },
    problem: null,
    empty: [],
    ...more,
  });
  const ask = (more: Partial<NotedPost> = {}): ReturnType<typeof notesForPost> =>
    notesForPost({
      about: 'sessions',
      draft: false,
      afterwards: 'down',
      places: [place()],
      asksCode: false,
      givesCode: false,
      readers: 20,
      ...more,
    });
  it('says what will happen: when, to how many, and what becomes of it', () => {
    expect(ask()).toMatchObject([
      { title: 'Out Wed 14 Oct 10:35', text: 'Taken down when it is over.' },
      { severity: 'well', title: '20 students read it' },
    ]);
    expect(
      titles(
        ask({
          places: [
            place({ dates: 16 }),
            place({ where: 'Stream of Weather', classTitle: 'Weather', dates: 4 }),
          ],
        }),
      ),
    ).toEqual(['Goes to 2 class periods', 'First out Wed 14 Oct 10:35', '20 students read it']);
  });
  it('puts what is wrong first, and offers what mends it', () => {
    expect(
      ask({ places: [place({ problem: 'This link would be seen by A, whom it is not for.' })] })[0],
    ).toMatchObject({ severity: 'wrong', title: 'Stream of Ropework' });
    expect(ask({ asksCode: true })[0]).toMatchObject({
      severity: 'wrong',
      actions: [{ name: 'put-in-code' }],
    });
    expect(ask({ places: [place({ dates: 0, due: null })] })[0]!.title).toBe(
      'No session to post for',
    );
    expect(ask({ places: [place({ empty: ['{period}'] })] })[0]!.title).toBe(
      '{period} says nothing there',
    );
  });
  it('advises one standing link where somebody would paste the same again and again', () => {
    const byHand = place({ kind: 'by-hand', where: 'Slide, Ropework', dates: 34 });
    expect(ask({ places: [byHand] })[0]).toMatchObject({
      title: 'You would paste this 34 times',
      actions: [{ name: 'make-standing' }],
    });
    expect(titles(ask({ places: [{ ...byHand, dates: 1 }] }))).toContain('By hand');
  });
  it('says how many letters go out, and that they are for good', () => {
    const mail = place({ kind: 'mail', where: 'Mail to Ropework', dates: 2 });
    expect(ask({ places: [mail] })).toContainEqual({
      severity: 'inform',
      title: '40 letters',
      text: 'What has been sent cannot be called back; later changes go to newcomers alone.',
    });
  });
  it('says of a draft that it waits', () => {
    expect(titles(ask({ draft: true }))).toEqual(['It waits for you', '20 students read it']);
  });
});

describe('notesForPosts', () => {
  const post = (
    id: number,
    state: ListedPost['state'],
    delivery: string,
    more: Partial<ListedPost['deliveries'][number]> = {},
  ): ListedPost => ({
    id,
    state,
    error: state === 'failed' ? 'closed for repairs' : null,
    places: [{ id: 1, where: `Place ${id}`, kind: 'stream', readerCount: 20 }],
    deliveries: [{ placeId: 1, placementId: id * 10, state: delivery, overdue: false, ...more }],
  });
  it('tells of what failed, what is to do by hand, what is gone and what waits, worst first', () => {
    const notes = notesForPosts([
      post(1, 'out', 'out'),
      post(2, 'todo', 'todo', { overdue: true }),
      post(3, 'failed', 'failed'),
      post(4, 'failed', 'missing'),
      post(5, 'queued', 'queued'),
      post(6, 'withdrawn', 'gone'),
    ]);
    expect(notes).toMatchObject([
      {
        severity: 'wrong',
        title: 'A post failed',
        text: 'closed for repairs',
        actions: [{ name: 'retry-post', subject: 3 }],
      },
      {
        severity: 'wrong',
        title: 'One place to do by hand',
        actions: [{ name: 'see-post', subject: 2 }],
      },
      {
        severity: 'careful',
        title: 'Not there any more',
        actions: [{ name: 'put-back', subject: 40 }],
      },
      { severity: 'inform', title: '1 post waits for its time' },
      { severity: 'well' },
    ]);
  });
});

describe('notesForToday of posts', () => {
  const ask = (more: Partial<TodayFacts>): ReturnType<typeof notesForToday> =>
    notesForToday({
      school,
      date: '2026-10-14',
      now: '2026-10-14T13:31:00Z',
      sessions: [],
      posts: [],
      classes: [],
      ...more,
    });
  it('asks for pasting by hand, the overdue as wrong, and foretells what waits', () => {
    const hand = {
      postId: 5,
      placementId: 50,
      where: 'Slide, Ropework',
      what: 'paste' as const,
      due: '10:40',
      overdue: false,
      waits: false,
    };
    expect(
      ask({
        hand: [
          hand,
          { ...hand, overdue: true, postId: 6, placementId: 60 },
          { ...hand, waits: true, due: '14:10' },
        ],
      }).slice(0, 3),
    ).toMatchObject([
      {
        severity: 'wrong',
        actions: [
          { name: 'see-post', subject: 6 },
          { name: 'hand-done', subject: 60 },
        ],
      },
      { severity: 'careful', title: 'By hand: Slide, Ropework' },
      { severity: 'inform', title: 'By hand at 14:10: Slide, Ropework' },
    ]);
  });
  it('offers to put back what is gone, and shows drafts', () => {
    const of = { classTitle: 'Ropework', error: null, tries: 0 };
    expect(
      ask({
        posts: [
          { id: 1, state: 'missing', placementId: 10, ...of },
          { id: 2, state: 'draft', ...of },
        ],
      }),
    ).toMatchObject([
      { severity: 'careful', actions: [{ name: 'put-back', subject: 10 }] },
      { severity: 'inform', actions: [{ name: 'see-post', subject: 2 }] },
      {},
    ]);
  });
});

describe('notesForReach', () => {
  const place = (
    id: string,
    state: ReachFacts['places'][number]['state'],
    more: Partial<ReachFacts['places'][number]> = {},
  ): ReachFacts['places'][number] => ({
    id,
    where: `Place ${id}`,
    title: `Title ${id}`,
    state,
    stopped: false,
    ours: true,
    byHand: false,
    placementId: 7,
    postId: 3,
    ...more,
  });
  const ask = (
    places: ReachFacts['places'],
    people: ReachFacts['people'],
  ): ReturnType<typeof notesForReach> =>
    notesForReach({ link: { id: 9, main: true }, places, people });
  it('names each verdict that asks for something, with what mends it', () => {
    expect(
      ask([place('a', 'right')], [{ name: 'Ansel', verdict: 'leak', places: ['a'] }])[0],
    ).toMatchObject({
      severity: 'wrong',
      title: '1 person sees what is not for them',
      actions: [{ name: 'take-down', subject: 7 }],
    });
    expect(
      ask([place('a', 'old')], [{ name: 'Ansel', verdict: 'stale', places: ['a'] }])[0]!.actions,
    ).toMatchObject([
      { name: 'put-back', subject: 7 },
      { name: 'post-here', subject: 9 },
    ]);
    expect(
      ask(
        [place('a', 'old', { stopped: true }), place('b', 'right')],
        [{ name: 'Ansel', verdict: 'stale', places: ['a', 'b'] }],
      )[0]!.actions,
    ).toMatchObject([{ name: 'take-down', label: 'Take the stopped one down: Place a' }]);
    expect(ask([], [{ name: 'Ansel', verdict: 'none', places: [] }])[0]!.actions).toMatchObject([
      { name: 'post-here', subject: 9 },
    ]);
    expect(
      ask(
        [place('a', 'right'), place('b', 'other')],
        [{ name: 'Ansel', verdict: 'several', places: ['a', 'b'] }],
      )[0]!.actions,
    ).toMatchObject([{ name: 'take-down', label: 'Hide the second door: Place b' }]);
  });
  it('leaves to people what people put there, and shows what to do where Glen only asks', () => {
    const theirs = ask(
      [place('a', 'old', { ours: false, placementId: null, postId: null }), place('b', 'right')],
      [{ name: 'Ansel', verdict: 'stale', places: ['a', 'b'] }],
    )[0]!;
    expect(theirs.actions).toEqual([]);
    expect(theirs.text).toContain('“Title a” (Place a): somebody put it there by hand');
    expect(
      ask(
        [place('a', 'old', { byHand: true })],
        [{ name: 'Ansel', verdict: 'stale', places: ['a'] }],
      )[0]!.actions![0],
    ).toMatchObject({ name: 'see-post', subject: 3 });
  });
  it('says that all is well only where it is', () => {
    const clear = { name: 'Ansel', verdict: 'clear' as const, places: ['a'] };
    expect(titles(ask([place('a', 'right')], [clear, { ...clear, name: 'Birgit' }]))).toEqual([
      '2 students see exactly one right link',
    ]);
    expect(
      titles(ask([place('a', 'right')], [clear, { name: 'C', verdict: 'none', places: [] }])),
    ).toEqual(['1 student sees no link']);
  });
});
