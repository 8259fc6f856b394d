import { describe, expect, it } from 'vitest';
import {
  afterLessonList,
  recordedInWords,
  renderPost,
  richToPlain,
  seesAfterLesson,
  usualUntil,
} from '../src/index.js';

const TODAY = '2026-10-14';
const thing = { seenBy: 'everyone', until: '2026-11-11' } as const;
const student = { today: TODAY, isHost: false, isTheirs: true, came: false };

describe('what is there after a lesson', () => {
  it('is seen by those whom the lesson’s link is for, and by nobody else', () => {
    expect(seesAfterLesson(thing, student)).toBe(true);
    expect(seesAfterLesson(thing, { ...student, isTheirs: false, came: true })).toBe(false);
  });

  it('is seen by whoever came alone, where a host wishes so', () => {
    const forThose = { ...thing, seenBy: 'came' } as const;
    expect(seesAfterLesson(forThose, student)).toBe(false);
    expect(seesAfterLesson(forThose, { ...student, came: true })).toBe(true);
  });

  it('is seen by hosts whoever else sees it', () => {
    const hidden = { ...thing, seenBy: 'hosts' } as const;
    expect(seesAfterLesson(hidden, { ...student, came: true })).toBe(false);
    expect(seesAfterLesson(hidden, { ...student, isHost: true, isTheirs: false })).toBe(true);
  });

  it('is there until its last day, that one too, and then for nobody', () => {
    const last = { ...thing, until: TODAY };
    expect(seesAfterLesson(last, student)).toBe(true);
    const over = { ...thing, until: '2026-10-13' };
    expect(seesAfterLesson(over, { ...student, isHost: true })).toBe(false);
  });

  it('is there for four weeks where nobody says otherwise, over a change of clocks too', () => {
    expect(usualUntil(TODAY)).toBe('2026-11-11');
  });
});

describe('the list of it under a post', () => {
  const DOOR = 'https://glen.merrow.example/door/heron-7k3m9qvd2xt';
  const recording = { id: 12, title: 'Recording', minutes: 38, date: '2026-10-07' };
  const homework = { id: 15, title: 'Homework <b>', minutes: null, date: '2026-10-12' };
  const list = (things: (typeof recording | typeof homework)[]) => afterLessonList(things, DOOR);

  it('has the latest lesson first, and how long a recording is', () => {
    expect(richToPlain(list([recording, homework]))).toBe(
      'After the lessons\nMon 12 Oct: Homework <b>\nWed 7 Oct: Recording (38 min)',
    );
  });

  it('leads to each at the door, where it is seen who may see it, and holds no markup of anybody’s', () => {
    const post = { words: 'Bring dividers.', linkWords: 'Join' };
    const html = renderPost(post, { address: DOOR }, 'html', { below: list([homework]) });
    expect(html).toMatch(
      /<a href="[^"]+\/door\/heron-7k3m9qvd2xt#after-15"[^>]*>Homework &lt;b&gt;<\/a>/,
    );
    expect(html.indexOf('Join')).toBeLessThan(html.indexOf('After the lessons'));
  });

  it('fills in no field that a title looks like', () => {
    const odd = { ...homework, title: 'About {date}' };
    const post = { words: '', linkWords: 'Join' };
    const text = renderPost(post, { address: DOOR, date: 'today' }, 'text', { below: list([odd]) });
    expect(text).toContain('About {date}');
  });

  it('is nothing where nothing is there, and has twenty at most with where the others are', () => {
    expect(list([])).toEqual([]);
    const many = Array.from({ length: 30 }, (_, i) => ({ ...homework, id: i + 1 }));
    const lines = richToPlain(list(many)).split('\n');
    expect(lines).toHaveLength(22);
    expect(lines.at(-1)).toBe('Older ones are at the door.');
  });
});

describe('being recorded', () => {
  it('is said beforehand, and nothing is said where nothing is recorded', () => {
    expect(recordedInWords('from-start')).toBe('This session is recorded from its start.');
    expect(recordedInWords('by-host')).toContain('may record');
    expect(recordedInWords('off')).toBeNull();
  });
});
