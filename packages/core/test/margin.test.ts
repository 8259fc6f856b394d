import { describe, expect, it } from 'vitest';
import {
  notesForToday,
  worstFirst,
  type Note,
  type TodayFacts,
  type TodaySession,
} from '../src/index.js';
import { school } from './school.js';

const titles = (notes: Note[]): string[] => notes.map((n) => n.title);

describe('notesForToday', () => {
  const session = (
    id: number,
    start: string,
    end: string,
    status: TodaySession['status'] = 'planned',
  ): TodaySession => ({
    id,
    seriesId: 100 + id,
    key: '2026-10-14',
    classId: 1,
    draft: false,
    door: 'shut',
    linkId: 7,
    inside: 0,
    alone: null,
    title: `Session ${id}`,
    date: '2026-10-14',
    time: start,
    minutes: 30,
    start: `2026-10-14T${start}:00Z`,
    end: `2026-10-14T${end}:00Z`,
    status,
  });
  const ask = (
    sessions: TodaySession[],
    posts: TodayFacts['posts'] = [],
    classes: TodayFacts['classes'] = [],
  ) =>
    notesForToday({
      school,
      date: '2026-10-14',
      now: '2026-10-14T13:31:00Z',
      sessions,
      posts,
      classes,
    });
  it('says first of all that people are in a room without a host, once hosts have been gone for three minutes', () => {
    const since = '2026-10-14T13:50:00Z';
    const alone = { since, closesAt: '2026-10-14T13:55:00Z' };
    const left = { ...session(1, '13:00', '14:00'), inside: 3, alone };
    const notesAt = (now: string, sessions: TodaySession[] = [left]) =>
      notesForToday({ school, date: '2026-10-14', now, sessions, posts: [], classes: [] });
    expect(titles(notesAt('2026-10-14T13:52:59Z'))).not.toContain('No host is in: Session 1');
    expect(notesAt('2026-10-14T13:53:00Z')[0]).toEqual({
      severity: 'wrong',
      title: 'No host is in: Session 1',
      text: '3 people are in the room, without a host since 10:50. Glen closes it at 10:55.',
      actions: [{ name: 'go-to-desk', label: 'To the desk', subject: 7 }],
    });
    const nobodyCame = { ...left, alone: { ...alone, since: null } };
    expect(titles(notesAt('2026-10-14T13:54:00Z', [nobodyCame]))).not.toContain(
      'No host is in: Session 1',
    );
  });

  it('finds overlaps among what is still to come, not touching ones, nor cancelled ones', () => {
    expect(
      titles(
        ask([
          session(1, '15:00', '16:00'),
          session(2, '15:30', '16:30'),
          session(3, '16:30', '17:00'),
          session(4, '15:00', '17:00', 'cancelled'),
          session(5, '11:00', '12:00'),
          session(6, '11:30', '12:30'),
        ]),
      ),
    ).toEqual(['Session 1 overlaps Session 2', 'Mon 19 Oct has Fog bells']);
  });
  it('tells of posts that failed or wait for the course site, with the reason', () => {
    const notes = ask(
      [],
      [
        { id: 9, classTitle: 'Ropework', state: 'failed', error: 'closed for repairs', tries: 10 },
        { id: 8, classTitle: 'Weather', state: 'queued', error: 'slow', tries: 2 },
        { id: 7, classTitle: 'N1', state: 'queued', error: null, tries: 0 },
      ],
    );
    expect(notes.slice(0, 2)).toMatchObject([
      {
        severity: 'wrong',
        text: 'closed for repairs',
        actions: [{ name: 'retry-post', subject: 9 }],
      },
      { severity: 'careful', text: 'slow' },
    ]);
    expect(notes).toHaveLength(3);
  });
  it('says when all is ready, and counts', () => {
    expect(titles(ask([session(1, '15:00', '15:30'), session(2, '16:00', '16:30')]))).toContain(
      '2 doors are ready',
    );
    expect(titles(ask([]))).toEqual(['Mon 19 Oct has Fog bells']);
  });
  it('tells of drafts and rules to mend, each with what mends it', () => {
    const notes = ask(
      [session(1, '15:00', '15:30'), { ...session(2, '16:00', '16:30'), draft: true }],
      [],
      [
        {
          id: 1,
          title: 'Ropework',
          findings: [
            {
              code: 'named-wait',
              severity: 'info',
              message: 'They wait.',
              fix: { straightIn: 'presenters' },
            },
          ],
          locked: [],
        },
        { id: 2, title: 'Weather', findings: [], locked: [] },
      ],
    );
    expect(notes.map((n) => [n.title, n.actions?.[0]?.name, n.actions?.[0]?.subject])).toEqual([
      ['Session 2 is a draft', 'publish-session', 102],
      ['Ropework: presenters wait in the lobby', 'set-rules', 1],
      ['Mon 19 Oct has Fog bells', undefined, undefined],
    ]);
  });
  it('leaves ended and past sessions alone', () => {
    expect(
      titles(
        ask([{ ...session(1, '15:00', '16:00'), door: 'ended' }, session(2, '15:30', '16:30')]),
      ),
    ).toEqual(['Mon 19 Oct has Fog bells', 'The next door is ready']);
  });
  it('warns when the school is closed on a day with sessions', () => {
    const notes = notesForToday({
      school,
      date: '2026-10-12',
      now: '2026-10-12T10:00:00Z',
      sessions: [
        {
          ...session(1, '15:00', '16:00'),
          start: '2026-10-12T15:00:00Z',
          end: '2026-10-12T16:00:00Z',
        },
      ],
      posts: [],
      classes: [],
    });
    expect(titles(notes)).toContain('The school is closed today');
  });
});

describe('worstFirst', () => {
  it('keeps five at most, the worst, in the given order among equals', () => {
    const note = (severity: Note['severity'], title: string): Note => ({
      severity,
      title,
      text: '',
    });
    expect(
      titles(
        worstFirst([
          note('well', 'a'),
          note('inform', 'b'),
          note('wrong', 'c'),
          note('careful', 'd'),
          note('inform', 'e'),
          note('wrong', 'f'),
        ]),
      ),
    ).toEqual(['c', 'f', 'd', 'b', 'e']);
  });
});
