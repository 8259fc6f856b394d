import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  notesForClass,
  notesForPlan,
  overlapping,
  utcOf,
  type NotedSession,
} from '../src/index.js';

const NOW = '2026-10-14T13:31:00Z';
const session = (
  id: number,
  start: string,
  end: string,
  more: Partial<NotedSession> = {},
): NotedSession => ({
  id,
  seriesId: 100 + id,
  key: '2026-10-14',
  classId: 1,
  title: `Session ${id}`,
  date: '2026-10-14',
  time: start,
  minutes: 30,
  start: `2026-10-14T${start}:00Z`,
  end: `2026-10-14T${end}:00Z`,
  status: 'planned',
  draft: false,
  door: 'shut',
  ...more,
});
const titles = (notes: { title: string }[]): string[] => notes.map((n) => n.title);

describe('sessions that overlap', () => {
  it('are those still ahead, without drafts and drop-in hours; touching ends do not', () => {
    const sessions = [
      session(1, '15:00', '16:00'),
      session(2, '15:30', '16:30'),
      session(3, '16:30', '17:00'),
      session(4, '15:00', '17:00', { draft: true }),
      session(5, '15:00', '17:00', { dropIn: true }),
      session(6, '11:00', '12:00'),
      session(7, '11:30', '12:30'),
    ];
    expect([...overlapping(sessions, NOW)].sort()).toEqual([1, 2]);
  });
});

describe('notes for weeks of sessions', () => {
  it('leave drop-in hours alone, which may overlap', () => {
    expect(
      titles(
        notesForPlan(
          [session(1, '15:00', '16:00'), session(2, '15:30', '16:30', { dropIn: true })],
          NOW,
        ),
      ),
    ).toEqual(['No overlaps']);
  });
  it('tell overlaps with their day, and drafts; else that there are none', () => {
    const notes = notesForPlan(
      [
        session(1, '15:00', '16:00'),
        session(2, '15:30', '16:30'),
        session(3, '16:30', '17:00', { draft: true }),
      ],
      NOW,
    );
    expect(titles(notes)).toEqual(['Session 1 overlaps Session 2', 'Session 3 is a draft']);
    expect(notes[0]!.text).toBe('Wed 14 Oct, 15:30 to 16:00. Both doors would be yours at once.');
    expect(
      titles(notesForPlan([session(1, '15:00', '16:00'), session(2, '16:00', '16:30')], NOW)),
    ).toEqual(['No overlaps']);
    expect(notesForPlan([session(1, '11:00', '12:00')], NOW)).toEqual([]);
  });
  it('find the pairs that comparing each with each finds', () => {
    const span = fc.tuple(fc.integer({ min: 0, max: 300 }), fc.integer({ min: 1, max: 60 }));
    fc.assert(
      fc.property(fc.array(span, { maxLength: 4 }), (spans) => {
        const at = (minute: number): string => utcOf(1791991860 + minute * 60);
        const rows = spans
          .map(([start, length], i) => ({
            ...session(i, '15:00', '16:00'),
            start: at(start),
            end: at(start + length),
          }))
          .sort((a, b) => (a.start < b.start ? -1 : 1));
        const pairs = rows.flatMap((a, i) =>
          rows.slice(i + 1).filter((b) => a.start < b.end && b.start < a.end),
        ).length;
        expect(notesForPlan(rows, at(-1)).filter((n) => n.severity === 'wrong')).toHaveLength(
          Math.min(5, pairs),
        );
      }),
    );
  });
});

describe('notes for a class period', () => {
  const ask = (sessions: NotedSession[], more: Partial<Parameters<typeof notesForClass>[0]> = {}) =>
    notesForClass(
      { id: 7, title: 'Ropework', sessions, findings: [], locked: [], linkStands: true, ...more },
      NOW,
    );
  it('say what is next and how much is ahead', () => {
    expect(
      ask([
        session(1, '11:00', '12:00'),
        session(2, '15:00', '16:00'),
        session(3, '17:00', '18:00'),
      ])[0],
    ).toMatchObject({
      severity: 'inform',
      title: 'Next: Wed 14 Oct, 15:00',
      text: '2 sessions ahead, all on this link.',
    });
    expect(ask([session(2, '15:00', '16:00')])[0]!.text).toBe('The only one planned.');
    expect(ask([session(2, '15:00', '16:00', { status: 'cancelled' })])).toEqual([]);
  });
  it('tell of a link that stands nowhere, with the class period to post it in', () => {
    expect(ask([], { linkStands: false })[0]).toMatchObject({
      severity: 'careful',
      actions: [{ name: 'post-link', subject: 7 }],
    });
  });
});
