import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  RULE_FIELDS,
  notesForRules,
  resolveRules,
  reviewRules,
  type EntryRules,
  type FindingCode,
  type RuleSetting,
} from '../src/index.js';
import { lesson } from './school.js';

const ROOM: RuleSetting['holds'] = [
  'presenters',
  'arriveMuted',
  'mayUnmute',
  'camera',
  'hostCamera',
  'sharing',
  'chat',
  'chime',
  'recording',
];
const plain: RuleSetting = {
  kind: 'lesson',
  guests: false,
  namedCount: 0,
  roll: 24,
  holds: ROOM,
  placements: [],
};
const codes = (rules: Partial<EntryRules>, setting: Partial<RuleSetting> = {}): FindingCode[] =>
  reviewRules({ ...lesson, ...rules }, { ...plain, ...setting }).map((f) => f.code);
const severity = (
  code: FindingCode,
  rules: Partial<EntryRules>,
  setting: Partial<RuleSetting> = {},
) =>
  reviewRules({ ...lesson, ...rules }, { ...plain, ...setting }).find((f) => f.code === code)
    ?.severity;

describe('reviewRules, finding by finding', () => {
  it('has nothing to say of a guarded lesson', () => expect(codes({})).toEqual([]));
  it('open-door: anyone, straight in, no code; for an event only to know', () => {
    const open: Partial<EntryRules> = { whoMayEnter: 'anyone', straightIn: 'everyone' };
    expect(severity('open-door', open)).toBe('high');
    expect(severity('open-door', open, { kind: 'event' })).toBe('info');
    expect(severity('open-door', { ...open, entryCode: ' ' })).toBe('high');
    expect(severity('open-door', { ...open, entryCode: 'tide' })).toBeUndefined();
    expect(severity('open-door', { ...open, straightIn: 'school' })).toBeUndefined();
  });
  it('crowd-alone and nobody-to-admit: nobody there to look after people', () => {
    expect(codes({ whoMayEnter: 'signed-in', withoutHost: true, straightIn: 'everyone' })).toEqual([
      'crowd-alone',
    ]);
    expect(codes({ withoutHost: true })).toEqual(['nobody-to-admit']);
    expect(codes({ withoutHost: true, straightIn: 'everyone' })).toEqual([]);
  });
  it('one-to-one-open: by the lobby or by watching', () => {
    expect(codes({ straightIn: 'roll' }, { kind: 'one-to-one' })).toEqual(['one-to-one-open']);
    expect(
      reviewRules({ ...lesson, watching: true }, { ...plain, kind: 'one-to-one' })[0],
    ).toMatchObject({ code: 'one-to-one-open', fix: { watching: false } });
    expect(codes({ straightIn: 'presenters' }, { kind: 'one-to-one' })).toEqual([]);
  });
  it('guests-shut-out: they come by the link and may not enter', () => {
    for (const whoMayEnter of ['invited', 'roll', 'school'] as const)
      expect(codes({ whoMayEnter }, { guests: true })).toEqual(['guests-shut-out']);
    expect(codes({ whoMayEnter: 'signed-in' }, { guests: true })).toEqual([]);
  });
  it('named presenters who cannot present, or who wait', () => {
    expect(codes({ presenters: 'hosts' }, { namedCount: 2 })).toEqual([
      'named-cannot-present',
      'named-wait',
    ]);
    expect(codes({ straightIn: 'presenters' }, { namedCount: 1 })).toEqual([]);
  });
  it('everyone-presents, but not where that is the point', () => {
    expect(codes({ presenters: 'everyone' })).toEqual(['everyone-presents']);
    for (const kind of ['project', 'one-to-one'] as const)
      expect(codes({ presenters: 'everyone' }, { kind })).toEqual([]);
  });
  it('code-not-sent and link-in-public: what posts say and who reads them', () => {
    const post = (hasCode: boolean, readersBeyondAudience = false) => ({
      placements: [{ hasCode, readersBeyondAudience }],
    });
    expect(codes({ entryCode: 'tide' }, post(false))).toEqual(['code-not-sent']);
    expect(codes({ entryCode: 'tide' }, post(true))).toEqual([]);
    expect(codes({}, post(false))).toEqual([]);
    expect(severity('link-in-public', { straightIn: 'roll' }, post(true, true))).toBe('high');
    expect(severity('link-in-public', {}, post(true, true))).toBe('medium');
  });
  it('lobby-crowd, phone-straight-in', () => {
    expect(codes({ whoMayEnter: 'anyone' }, { kind: 'event', guests: true })).toEqual([
      'lobby-crowd',
    ]);
    expect(codes({ phone: 'straight-in' })).toEqual(['phone-straight-in']);
    expect(codes({ phone: 'straight-in', straightIn: 'everyone' })).toEqual([]);
  });
  it('room-cannot-hold: one finding that names them all, of those that differ from a bare room', () => {
    const [found, ...more] = reviewRules(
      { ...lesson, camera: 'off' },
      { ...plain, holds: ['chat', 'chime', 'presenters', 'sharing'] },
    );
    expect(more).toEqual([]);
    expect(found).toMatchObject({ code: 'room-cannot-hold', severity: 'medium' });
    expect(found!.message).toContain('muted on arrival, cameras, recording');
    expect(found!.fix).toBeUndefined();
    const bare: Partial<EntryRules> = {
      presenters: 'hosts',
      sharing: 'everyone',
      arriveMuted: false,
      mayUnmute: true,
      camera: 'choice',
      hostCamera: 'choice',
      chat: true,
      chime: false,
      recording: 'by-host',
    };
    expect(codes(bare, { holds: ['presenters'] })).toEqual([]);
  });
  it('tells the worst first', () => {
    expect(
      codes(
        {
          presenters: 'everyone',
          whoMayEnter: 'anyone',
          straightIn: 'everyone',
          withoutHost: true,
          phone: 'straight-in',
        },
        { namedCount: 1 },
      ),
    ).toEqual(['open-door', 'crowd-alone', 'everyone-presents']);
    expect(
      codes(
        { whoMayEnter: 'roll', withoutHost: true, presenters: 'hosts' },
        { kind: 'event', guests: true, namedCount: 1 },
      ),
    ).toEqual([
      'guests-shut-out',
      'nobody-to-admit',
      'named-cannot-present',
      'named-wait',
      'lobby-crowd',
    ]);
  });
});

const pick = fc.constantFrom;
export const anyRules: fc.Arbitrary<EntryRules> = fc.record({
  whoMayEnter: pick('invited', 'roll', 'school', 'signed-in', 'anyone'),
  straightIn: pick('hosts', 'presenters', 'roll', 'school', 'everyone'),
  withoutHost: fc.boolean(),
  opensBefore: fc.integer({ min: 0, max: 120 }),
  closesAfter: fc.integer({ min: 0, max: 120 }),
  entryCode: pick(null, '', ' ', 'tide 42'),
  watching: fc.boolean(),
  phone: pick('none', 'lobby', 'straight-in'),
  capacity: fc.integer({ min: 1, max: 500 }),
  presenters: pick('hosts', 'named', 'staff', 'everyone'),
  arriveMuted: fc.boolean(),
  mayUnmute: fc.boolean(),
  camera: pick('off', 'choice', 'on'),
  hostCamera: pick('off', 'choice', 'on'),
  sharing: pick('hosts', 'presenters', 'everyone'),
  chat: fc.boolean(),
  chime: fc.boolean(),
  recording: pick('off', 'by-host', 'from-start'),
});
const anySetting: fc.Arbitrary<RuleSetting> = fc.record({
  kind: pick('lesson', 'one-to-one', 'help', 'event', 'project'),
  guests: fc.boolean(),
  namedCount: fc.integer({ min: 0, max: 3 }),
  roll: fc.integer({ min: 0, max: 40 }),
  holds: fc.subarray(ROOM),
  placements: fc.array(fc.record({ hasCode: fc.boolean(), readersBeyondAudience: fc.boolean() }), {
    maxLength: 3,
  }),
});

describe('every fix', () => {
  const WITHOUT: FindingCode[] = ['code-not-sent', 'lobby-crowd', 'room-cannot-hold'];
  it('removes its own finding and adds none that is high', () => {
    fc.assert(
      fc.property(anyRules, anySetting, (rules, setting) => {
        const before = reviewRules(rules, setting);
        const high = new Set(before.filter((f) => f.severity === 'high').map((f) => f.code));
        for (const { code, fix, severity: was } of before) {
          expect({ code, hasFix: fix !== undefined }).toEqual({
            code,
            hasFix: !WITHOUT.includes(code) && !(code === 'link-in-public' && was === 'medium'),
          });
          if (!fix) continue;
          expect(Object.keys(fix).length).toBeGreaterThan(0);
          const mended = { ...rules, ...fix };
          expect(resolveRules([{ scope: 'school', rules: mended }]).rules).toMatchObject(fix);
          const after = reviewRules(mended, setting);
          const left = after.find((f) => f.code === code);
          expect({ code, left: left?.severity }).toEqual({
            code,
            left: code === 'link-in-public' ? 'medium' : undefined,
          });
          expect(
            after.filter((f) => f.severity === 'high' && !high.has(f.code)).map((f) => f.code),
          ).toEqual([]);
        }
      }),
      { numRuns: 2000 },
    );
  });
  it('changes only what it must', () => {
    fc.assert(
      fc.property(anyRules, anySetting, (rules, setting) => {
        for (const { fix } of reviewRules(rules, setting))
          for (const [field, value] of Object.entries(fix ?? {}))
            expect(rules[field as keyof EntryRules]).not.toBe(value);
      }),
    );
  });
});

describe('findings as notes', () => {
  it('offer the fix, but not one that the school has locked', () => {
    const findings = reviewRules(
      { ...lesson, whoMayEnter: 'anyone', straightIn: 'everyone' },
      plain,
    );
    expect(notesForRules(findings, [], 7)[0]).toMatchObject({
      severity: 'wrong',
      actions: [{ name: 'set-rules', subject: 7, rules: { straightIn: 'presenters' } }],
    });
    const fixed = notesForRules(findings, ['straightIn'], 7, 'Ropework')[0]!;
    expect(fixed.actions).toBeUndefined();
    expect(fixed.text).toContain('The school has fixed this');
    expect(fixed.title).toBe('Ropework: the door stands wide open');
  });
  it('name a label for every fix there is', () => {
    fc.assert(
      fc.property(anyRules, anySetting, (rules, setting) => {
        for (const note of notesForRules(reviewRules(rules, setting), [], 1))
          for (const action of note.actions ?? []) expect(action.label).toMatch(/\w/);
      }),
    );
    expect(RULE_FIELDS).toHaveLength(18);
  });
});
