import { describe, expect, it } from 'vitest';
import { withReach, worstReachFirst, type Note, type ReachOfLink } from '../src/index.js';

const stale: Note = {
  severity: 'wrong',
  title: '22 students see an old link',
  text: 'It leads nowhere any more.',
  actions: [{ name: 'post-here', label: 'Post it to the stream', subject: 6 }],
};
const several: Note = { severity: 'careful', title: '2 students see two doors', text: 'Mind.' };
const clear: Note = { severity: 'well', title: '20 students see exactly one right link', text: '' };
const ready: Note = { severity: 'well', title: '2 doors are ready', text: 'No overlaps.' };
const link = (linkId: number, time: string | null, notes: Note[], over = false): ReachOfLink => ({
  linkId,
  classId: 10 + linkId,
  name: `Link ${linkId}`,
  session: time === null ? null : { date: '2026-10-14', time, over },
  notes,
});

describe('reach over all links of a day', () => {
  it('puts first what is worst and next, and last what no session is spoiled by', () => {
    const links = [
      link(1, '09:00', [stale], true),
      link(2, null, [stale]),
      link(3, '14:00', [stale]),
      link(4, '11:00', [clear]),
      link(5, '10:45', [several]),
      link(6, '13:00', [stale]),
    ];
    expect(worstReachFirst(links).map((l) => l.linkId)).toEqual([6, 3, 5, 4, 1, 2]);
  });
  it('says on Today what spoils a lesson before it does, and mends or shows it', () => {
    const [first, ...rest] = withReach([ready], [link(6, '14:00', [stale])]);
    expect(first).toMatchObject({
      severity: 'wrong',
      title: 'Link 6: 22 students see an old link',
      text: 'Its session is at 14:00. It leads nowhere any more.',
    });
    expect(first!.actions).toEqual([
      { name: 'post-link', label: 'Post it', subject: 16 },
      { name: 'see-reach', label: 'See who', subject: 6 },
    ]);
    // It is not said that all is ready.
    expect(rest).toEqual([]);
  });
  it('comes after what is as bad and goes on now: a room that its hosts have left', () => {
    const alone: Note = { severity: 'wrong', title: 'No host is in: Navigation', text: '' };
    const titles = withReach([alone, several], [link(6, '14:00', [stale])]).map((n) => n.title);
    expect(titles).toEqual([alone.title, 'Link 6: 22 students see an old link', several.title]);
  });
  it('is silent of what is over, of links without a session, and while nothing is known', () => {
    const links = [link(1, '09:00', [stale], true), link(2, null, [stale])];
    expect(withReach([ready], links)).toEqual([ready]);
    expect(withReach([ready], undefined)).toEqual([ready]);
  });
  it('says that all see the right one where that is so', () => {
    expect(withReach([ready], [link(1, '14:00', [clear])])[0]!.text).toBe(
      'No overlaps. Everybody sees one link to them, the right one.',
    );
  });
});
