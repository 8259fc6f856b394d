import { describe, expect, it } from 'vitest';
import { FIRST_RULES } from '@glen/core';
import type { Post, Session } from '@glen/contract';
import {
  entryState,
  linksState,
  postsState,
  rollState,
  sessionsState,
} from '../src/features/classes/partStates.js';

const AT = { now: '2026-10-14T13:31:00Z', today: '2026-10-14' };
const session = (date: string, time: string, more: Partial<Session> = {}): Session =>
  ({
    ...{ date, time, status: 'planned', undated: false, end: `${date}T20:00:00Z` },
    ...more,
  }) as Session;
const post = (state: string): Post => ({ state, deliveries: [] }) as unknown as Post;

describe('how the parts of a class period stand, in a line', () => {
  it('is its next session and how many are ahead', () => {
    const sessions = [
      session('2026-10-12', '10:45', { end: '2026-10-12T14:35:00Z' }),
      session('2026-10-14', '10:45'),
      session('2026-10-19', '11:05'),
    ];
    expect(sessionsState({ sessions }, AT)).toBe('next today 10:45 · 2 ahead');
    expect(sessionsState({ sessions: sessions.slice(2) }, AT)).toBe(
      'next Mon 19 Oct 11:05 · 1 ahead',
    );
  });
  it('counts nothing that is called off, skipped or without a date', () => {
    const off = [
      session('2026-10-15', '10:45', { status: 'cancelled' }),
      session('2026-10-16', '10:45', { status: 'skipped' }),
      session('2026-10-17', '10:45', { undated: true }),
    ];
    expect(sessionsState({ sessions: off }, AT)).toBe('none ahead');
  });
  it('is who may come in, and who straight', () => {
    expect(entryState({ ...FIRST_RULES, whoMayEnter: 'roll', straightIn: 'hosts' })).toBe(
      'the roll; hosts straight in',
    );
    expect(entryState({ ...FIRST_RULES, whoMayEnter: 'roll', straightIn: 'roll' })).toBe(
      'the roll, straight in',
    );
    expect(entryState({ ...FIRST_RULES, whoMayEnter: 'anyone', straightIn: 'everyone' })).toBe(
      'anyone with the link, straight in',
    );
  });
  it('counts links that work', () => {
    expect(linksState([{ state: 'live' }, { state: 'live' }, { state: 'retired' }])).toBe('2 work');
    expect(linksState([{ state: 'live' }])).toBe('1 works');
    expect(linksState([{ state: 'retired' }])).toBe('none works');
  });
  it('says that the link stands nowhere where no post does', () => {
    expect(postsState([])).toBe('it stands nowhere');
    expect(postsState([post('over')])).toBe('it stands nowhere');
  });
  it('counts posts by their state', () => {
    const posts = [post('out'), post('queued'), post('queued'), post('draft'), post('over')];
    expect(postsState(posts)).toBe('1 out, 2 queued, 1 draft');
  });
  it('counts whoever is on the roll', () => {
    expect([rollState(0), rollState(1), rollState(24)]).toEqual(['empty', '1 person', '24 people']);
  });
});
