import { describe, expect, it } from 'vitest';
import type { LinkRow, Post } from '@glen/contract';
import { matching, type Entry } from '../src/features/frame/finderEntries.js';
import { fits as linkFits } from '../src/features/link/linkSearch.js';
import { namedInWords } from '../src/features/link/noted.js';
import { NO_FILTER, fits as postFits, isIn } from '../src/features/post/postFilter.js';

const entry = (text: string, words?: string): Entry => ({
  text,
  ...(words ? { words } : {}),
  run: () => {},
});

describe('find or do', () => {
  const entries = [entry('Copy the link of Ropework', 'heron-7k3m'), entry('Sign out')];
  const texts = (typed: string) => matching(entries, typed).map((e) => e.text);

  it('finds words anywhere in the text, in any order and case', () => {
    expect(texts('ROPE link')).toEqual(['Copy the link of Ropework']);
    expect(texts('')).toHaveLength(2);
    expect(texts('rope sign')).toEqual([]);
  });

  it('knows a code by how it begins, and only so', () => {
    expect(texts('heron')).toEqual(['Copy the link of Ropework']);
    expect(texts('7k3m')).toEqual([]);
  });
});

const link = {
  label: 'Port watch',
  purpose: 'Group work',
  classTitle: 'Ropework',
  classId: 1,
  code: 'heron-7k3m9qvd2xt',
  pennant: { letters: 'R5', pattern: 'cross', hue: 'plum' },
  audience: [{ kind: 'group', id: 1, name: 'Port watch', size: 9 }],
  rules: { whoMayEnter: 'roll', straightIn: 'hosts', asksCode: true, withoutHost: false },
  room: null,
  hosts: [{ id: 2, name: 'Idris Kellaway' }],
} as unknown as LinkRow;

describe('finding a link', () => {
  it.each(['port', 'ropework r5', 'idris', 'heron', 'code', 'GROUP'])('by “%s”', (typed) => {
    expect(linkFits(link, typed)).toBe(true);
  });

  it('needs every word', () => {
    expect(linkFits(link, 'port starboard')).toBe(false);
  });

  it('names some of an audience, and counts the rest', () => {
    expect(namedInWords([])).toBe('nobody yet');
    expect(namedInWords(['a', 'b', 'c'])).toBe('a, b, c');
    expect(namedInWords(['a', 'b', 'c', 'd'])).toBe('a, b and 2 more');
  });
});

const post = (more: object = {}): Post =>
  ({
    state: 'out',
    words: 'Bring dividers.',
    linkWords: 'Join Navigation',
    reads: { words: 'Bring dividers.', linkWords: 'Join Navigation' },
    places: [{ classId: 3, kind: 'stream', where: 'Class stream' }],
    deliveries: [{ state: 'out', session: { date: '2026-10-14' }, due: null }],
    ...more,
  }) as unknown as Post;

describe('which posts are shown', () => {
  it('all of them where nothing is asked', () => {
    expect(postFits(post(), NO_FILTER)).toBe(true);
  });

  it.each([
    [{ state: 'draft' }],
    [{ classId: '4' }],
    [{ kind: 'calendar' }],
    [{ day: '2026-10-15' }],
    [{ typed: 'dividers compass' }],
  ])('not one that fails at %j', (part) => {
    expect(postFits(post(), { ...NO_FILTER, ...part })).toBe(false);
  });

  it('one that passes all at once', () => {
    const filter = { state: 'out', classId: '3', kind: 'stream', day: '2026-10-14', typed: 'JOIN' };
    expect(postFits(post(), filter)).toBe(true);
  });

  it('withdrawn ones among those that are over; by hand is asked of deliveries', () => {
    expect(isIn(post({ state: 'withdrawn' }), 'over')).toBe(true);
    expect(isIn(post({ deliveries: [{ state: 'takedown' }] }), 'todo')).toBe(true);
    expect(isIn(post(), 'todo')).toBe(false);
  });
});
