import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  GlenInputError,
  RULE_FIELDS,
  doorFor,
  doorSession,
  resolveRules,
  sessionAtDoor,
  sessionToOpen,
  type RuleField,
} from '../src/index.js';
import { anyRules } from './atDoor.js';
import { lesson } from './school.js';

describe('resolveRules', () => {
  it('takes the later layer, and says where each value comes from', () => {
    const { rules, from, locked, overruled } = resolveRules([
      { scope: 'school', rules: lesson },
      { scope: 'teacher', rules: { camera: 'off' } },
      { scope: 'class', rules: { camera: 'on', chat: false } },
    ]);
    expect([rules.camera, rules.chat, from.camera, from.chat, from.phone]).toEqual([
      'on',
      false,
      'class',
      'class',
      'school',
    ]);
    expect([locked, overruled]).toEqual([[], []]);
  });
  it('keeps a locked field, counting the locking layer’s own value, and lists what was set aside and differs', () => {
    const answer = resolveRules([
      { scope: 'school', rules: lesson, locked: ['chat'] },
      {
        scope: 'teacher',
        rules: { recording: 'by-host', chat: true },
        locked: ['recording', 'camera'],
      },
      { scope: 'class', rules: { recording: 'from-start', camera: 'off', chat: false } },
    ]);
    expect(answer.rules).toMatchObject({ recording: 'by-host', camera: 'choice', chat: true });
    expect(answer.from.recording).toBe('teacher');
    expect(answer.locked).toEqual(['camera', 'chat', 'recording']);
    expect(answer.overruled).toEqual([
      { field: 'camera', scope: 'class', value: 'off' },
      { field: 'chat', scope: 'class', value: false },
      { field: 'recording', scope: 'class', value: 'from-start' },
    ]);
  });
  it('counts a blank code as none', () => {
    expect(
      resolveRules([
        { scope: 'school', rules: { ...lesson, entryCode: 'x' } },
        { scope: 'class', rules: { entryCode: '  ' } },
      ]).rules.entryCode,
    ).toBeNull();
  });
  it('is idempotent: resolved rules as the only layer resolve to themselves', () => {
    fc.assert(
      fc.property(anyRules, anyRules, fc.subarray(RULE_FIELDS), (a, b, locked) => {
        const { rules } = resolveRules([
          { scope: 'school', rules: a, locked },
          { scope: 'class', rules: b },
        ]);
        expect(resolveRules([{ scope: 'school', rules }]).rules).toEqual(rules);
        for (const field of locked)
          expect(rules[field]).toEqual(resolveRules([{ scope: 's', rules: a }]).rules[field]);
      }),
    );
  });
  it('refuses an incomplete first layer, values that are none, and fields that are none', () => {
    const path = (...layers: unknown[]): string => {
      try {
        resolveRules(layers as never);
        return 'no error';
      } catch (e) {
        return (e as GlenInputError).path;
      }
    };
    const { chat: _, ...partial } = lesson;
    expect(path()).toBe('layers');
    expect(path({ scope: 'school', rules: partial })).toBe('layers.0.rules.chat');
    expect(
      path({ scope: 'school', rules: lesson }, { scope: 'class', rules: { opensBefore: 121 } }),
    ).toBe('layers.1.rules.opensBefore');
    expect(path({ scope: 'school', rules: { ...lesson, capacity: 0 } })).toBe(
      'layers.0.rules.capacity',
    );
    expect(path({ scope: 'school', rules: { ...lesson, mood: 'good' } })).toBe(
      'layers.0.rules.mood',
    );
    expect(path({ scope: 'school', rules: lesson, locked: ['mood' as RuleField] })).toBe(
      'layers.0.locked.0',
    );
  });
});

describe('the session at the door', () => {
  const o = (
    start: string,
    end: string,
    status: 'planned' | 'moved' | 'cancelled' | 'skipped' = 'planned',
  ) => ({
    start: `2026-10-14T${start}:00Z`,
    end: `2026-10-14T${end}:00Z`,
    status,
    hostInside: false,
    lives: false,
  });
  const widen = { opensBefore: 10, closesAfter: 5 };
  const pick = (list: ReturnType<typeof o>[], now: string) =>
    sessionAtDoor(list, widen, `2026-10-14T${now}:00Z`)?.occurrence.start.slice(11, 16);
  it('widens by the rules', () => {
    expect(doorFor(o('13:00', '14:00'), widen)).toEqual({
      opens: '2026-10-14T12:50:00Z',
      closes: '2026-10-14T14:05:00Z',
    });
  });
  it('is the open one, of several the running one, else the nearest, else the next', () => {
    const list = [
      o('13:00', '14:00'),
      o('14:00', '15:00'),
      o('18:00', '19:00'),
      o('16:00', '17:00', 'cancelled'),
    ];
    expect(pick(list, '12:00')).toBe('13:00');
    expect(pick(list, '13:55')).toBe('13:00');
    expect(pick(list, '14:02')).toBe('14:00');
    expect(pick(list, '15:05')).toBe('18:00');
    expect(pick(list, '19:05')).toBeUndefined();
    expect(pick([o('13:00', '13:30'), o('13:40', '14:00')], '13:33')).toBe('13:40');
  });
  it('stays with a session that a host is still in, past its end, until another door opens', () => {
    const over = { ...o('13:00', '14:00'), hostInside: true };
    const next = o('18:00', '19:00');
    expect(doorSession([over, next], widen, '2026-10-14T14:30:00Z')?.occurrence).toBe(over);
    expect(doorSession([over, next], widen, '2026-10-14T17:50:00Z')?.occurrence).toBe(next);
    expect(
      doorSession([{ ...over, hostInside: false }, next], widen, '2026-10-14T14:30:00Z')
        ?.occurrence,
    ).toBe(next);
  });
  it('stays with a room that people are still in, though another door opens: a link never has two rooms', () => {
    const left = { ...o('13:00', '14:00'), lives: true };
    const next = o('14:00', '15:00');
    expect(doorSession([left, next], widen, '2026-10-14T14:20:00Z')).toEqual({
      occurrence: left,
      opens: '2026-10-14T12:50:00Z',
      closes: '2026-10-14T14:05:00Z',
    });
    expect(sessionToOpen([left, next], widen, '2026-10-14T14:20:00Z')?.occurrence).toBe(left);
    const early = { ...o('18:00', '19:00'), lives: true };
    expect(sessionToOpen([early], widen, '2026-10-14T13:00:00Z')?.occurrence).toBe(early);
  });
  it('is opened early within the hour, else something new is put on the books', () => {
    const list = [o('13:00', '14:00')];
    expect(sessionToOpen(list, widen, '2026-10-14T11:50:00Z')?.occurrence).toBe(list[0]);
    expect(sessionToOpen(list, widen, '2026-10-14T11:49:59Z')).toBeNull();
  });
});
