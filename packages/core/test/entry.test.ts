import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  GlenInputError,
  RULE_FIELDS,
  decideEntry,
  doorFor,
  doorSession,
  entryTable,
  resolveRules,
  sessionAtDoor,
  sessionToOpen,
  type Door,
  type EntryRules,
  type RuleField,
  type Visitor,
} from '../src/index.js';
import { lesson } from './school.js';

const nobody: Visitor = {
  account: 'none',
  host: false,
  staff: false,
  named: false,
  onRoll: false,
  invited: false,
  letIn: false,
  watchOnly: false,
  removed: false,
};
const pupil: Visitor = { ...nobody, account: 'school', onRoll: true };
const open: Door = {
  link: 'live',
  opens: '2026-10-14T13:40:00Z',
  closes: '2026-10-14T14:35:00Z',
  openedByHost: true,
  hostInside: true,
  ended: false,
  inside: 1,
};
const NOW = '2026-10-14T13:50:00Z';
const at = (
  visitor: Partial<Visitor>,
  door: Partial<Door> = {},
  rules: Partial<EntryRules> = {},
  now = NOW,
) =>
  decideEntry({
    rules: { ...lesson, ...rules },
    visitor: { ...nobody, ...visitor },
    door: { ...open, ...door },
    now,
  });

describe('decideEntry, row by row', () => {
  it('1–3: a retired link refuses all, a removed visitor next, a host enters at any time', () => {
    expect(at({ host: true }, { link: 'retired' })).toEqual({
      outcome: 'refused',
      reason: 'link-retired',
    });
    expect(at({ ...pupil, removed: true, host: true })).toEqual({
      outcome: 'refused',
      reason: 'removed',
    });
    expect(at({ host: true }, { ended: true }, {}, '2026-10-15T00:00:00Z')).toEqual({
      outcome: 'enter',
      role: 'host',
      reason: 'host',
    });
  });
  it('4: ended, or over with no host inside; with one inside it runs over', () => {
    expect(at(pupil, { ended: true }).reason).toBe('ended');
    expect(at(pupil, { hostInside: false }, {}, open.closes!).reason).toBe('over');
    expect(at({ ...pupil, letIn: true }, {}, {}, '2026-10-14T15:00:00Z')).toMatchObject({
      outcome: 'enter',
    });
  });
  it('5: phones and watchers only where the rules have a way for them', () => {
    expect(at({ account: 'phone' }).reason).toBe('no-phone');
    expect(at({ ...pupil, watchOnly: true }).reason).toBe('no-watching');
  });
  it('6: who may enter, and what the others are told', () => {
    expect(at({}).reason).toBe('sign-in');
    expect(at({ account: 'personal', onRoll: true }).reason).toBe('use-school-account');
    expect(at({ account: 'school' }).reason).toBe('not-on-roll');
    expect(at(pupil, {}, { whoMayEnter: 'invited' }).reason).toBe('not-invited');
    expect(at({ account: 'personal', invited: true }, {}, { whoMayEnter: 'invited' }).outcome).toBe(
      'lobby',
    );
    expect(at({ account: 'school' }, {}, { whoMayEnter: 'school' }).outcome).toBe('lobby');
    expect(at({ account: 'personal' }, {}, { whoMayEnter: 'school' }).reason).toBe(
      'use-school-account',
    );
    expect(at({ account: 'personal' }, {}, { whoMayEnter: 'signed-in' }).outcome).toBe('lobby');
    expect(at({}, {}, { whoMayEnter: 'signed-in' }).reason).toBe('sign-in');
    expect(at({}, {}, { whoMayEnter: 'anyone' }).outcome).toBe('lobby');
    expect(at({ account: 'personal', named: true }).reason).toBe('use-school-account');
    expect(at({ account: 'personal', named: true, invited: true })).toMatchObject({
      outcome: 'lobby',
      role: 'presenter',
    });
  });
  it('7: nothing planned, or early, unless a host opened it and is in', () => {
    const shut: Partial<Door> = {
      opens: null,
      closes: null,
      openedByHost: false,
      hostInside: false,
    };
    expect(at(pupil, shut)).toEqual({ outcome: 'not-yet', reason: 'nothing-planned' });
    expect(at(pupil, shut, { withoutHost: true }).outcome).toBe('lobby');
    const before = '2026-10-14T13:39:59Z';
    expect(at(pupil, { openedByHost: false }, {}, before)).toEqual({
      outcome: 'not-yet',
      reason: 'early',
      until: open.opens,
    });
    expect(at(pupil, { hostInside: false }, {}, before).reason).toBe('early');
    expect(at(pupil, {}, {}, before).outcome).toBe('lobby');
    expect(at(pupil, { openedByHost: false }, {}, open.opens!).outcome).toBe('lobby');
  });
  it('8: the code, with spaces and case ignored; named presenters and phones are not asked', () => {
    const code = { entryCode: 'Tide 42' };
    expect(at(pupil, {}, code).reason).toBe('code-needed');
    expect(at({ ...pupil, code: '  ' }, {}, code).reason).toBe('code-needed');
    expect(at({ ...pupil, code: 'tide43' }, {}, code).reason).toBe('code-wrong');
    expect(at({ ...pupil, code: ' TIDE42' }, {}, code).outcome).toBe('lobby');
    expect(at({ account: 'school', named: true }, {}, code).outcome).toBe('lobby');
    expect(at({ account: 'phone' }, {}, { ...code, phone: 'lobby' }).outcome).toBe('lobby');
    expect(at(pupil, {}, { entryCode: '   ' }).outcome).toBe('lobby');
  });
  it('9: a full room, but for watchers and those let in', () => {
    expect(at(pupil, { inside: 100 }).reason).toBe('full');
    expect(at({ ...pupil, letIn: true }, { inside: 100 }).outcome).toBe('enter');
    expect(at({ ...pupil, watchOnly: true }, { inside: 100 }, { watching: true }).reason).toBe(
      'watch',
    );
  });
  it('10: no host, but a named presenter who goes straight in may set up', () => {
    const alone = { hostInside: false, openedByHost: false };
    expect(at(pupil, alone)).toEqual({ outcome: 'not-yet', reason: 'no-host' });
    const visiting = { account: 'school' as const, named: true };
    expect(at(visiting, alone).reason).toBe('no-host');
    expect(at(visiting, alone, { straightIn: 'presenters' })).toEqual({
      outcome: 'enter',
      role: 'presenter',
      reason: 'straight-in',
    });
    expect(at(visiting, alone, { straightIn: 'presenters', presenters: 'hosts' }).reason).toBe(
      'no-host',
    );
  });
  it('11–13: watchers watch; straight in by the rule; else the lobby with the role to come', () => {
    expect(at({ ...pupil, watchOnly: true }, {}, { watching: true })).toEqual({
      outcome: 'enter',
      role: 'watcher',
      reason: 'watch',
    });
    expect(at(pupil, {}, { straightIn: 'roll' })).toEqual({
      outcome: 'enter',
      role: 'participant',
      reason: 'straight-in',
    });
    expect(at(pupil)).toEqual({ outcome: 'lobby', role: 'participant', reason: 'lobby' });
    expect(
      at(
        { account: 'school', staff: true },
        {},
        { whoMayEnter: 'school', straightIn: 'presenters', presenters: 'staff' },
      ),
    ).toMatchObject({ outcome: 'enter', role: 'presenter' });
    expect(
      at(
        { account: 'school', staff: true },
        {},
        { whoMayEnter: 'school', straightIn: 'presenters' },
      ).outcome,
    ).toBe('lobby');
    expect(at({ account: 'phone' }, {}, { phone: 'straight-in', presenters: 'everyone' })).toEqual({
      outcome: 'enter',
      role: 'participant',
      reason: 'straight-in',
    });
    expect(at({ account: 'phone' }, {}, { phone: 'lobby', straightIn: 'everyone' }).outcome).toBe(
      'lobby',
    );
  });
});

const anyRules = fc.record({
  whoMayEnter: fc.constantFrom('invited', 'roll', 'school', 'signed-in', 'anyone'),
  straightIn: fc.constantFrom('hosts', 'presenters', 'roll', 'school', 'everyone'),
  withoutHost: fc.boolean(),
  opensBefore: fc.integer({ min: 0, max: 120 }),
  closesAfter: fc.integer({ min: 0, max: 120 }),
  entryCode: fc.constantFrom(null, 'tide', ' '),
  watching: fc.boolean(),
  phone: fc.constantFrom('none', 'lobby', 'straight-in'),
  capacity: fc.integer({ min: 1, max: 5 }),
  presenters: fc.constantFrom('hosts', 'named', 'staff', 'everyone'),
  arriveMuted: fc.boolean(),
  mayUnmute: fc.boolean(),
  camera: fc.constantFrom('off', 'choice', 'on'),
  hostCamera: fc.constantFrom('off', 'choice', 'on'),
  sharing: fc.constantFrom('hosts', 'presenters', 'everyone'),
  chat: fc.boolean(),
  chime: fc.boolean(),
  recording: fc.constantFrom('off', 'by-host', 'from-start'),
}) as fc.Arbitrary<EntryRules>;
const anyVisitor = fc.record({
  account: fc.constantFrom('school', 'personal', 'none', 'phone'),
  host: fc.constant(false),
  staff: fc.boolean(),
  named: fc.boolean(),
  onRoll: fc.boolean(),
  invited: fc.boolean(),
  letIn: fc.boolean(),
  code: fc.constantFrom(undefined, 'tide', 'ebb'),
  watchOnly: fc.boolean(),
  removed: fc.boolean(),
}) as fc.Arbitrary<Visitor>;
const anyDoor = fc.record({
  openedByHost: fc.boolean(),
  hostInside: fc.boolean(),
  ended: fc.boolean(),
  inside: fc.integer({ min: 0, max: 6 }),
});

describe('decideEntry, for anyone at any door', () => {
  it('gives a role only with enter and lobby, and a time only when early', () => {
    fc.assert(
      fc.property(anyRules, anyVisitor, anyDoor, (rules, visitor, door) => {
        const answer = decideEntry({ rules, visitor, door: { ...open, ...door }, now: NOW });
        expect('role' in answer).toBe(answer.outcome === 'enter' || answer.outcome === 'lobby');
        expect('until' in answer).toBe(answer.reason === 'early');
      }),
    );
  });
  it('never lets a wider straight-in rule keep somebody waiting', () => {
    const order = ['hosts', 'presenters', 'roll', 'school', 'everyone'] as const;
    fc.assert(
      fc.property(
        anyRules,
        anyVisitor,
        anyDoor,
        fc.integer({ min: 0, max: 3 }),
        (rules, visitor, door, i) => {
          const ask = (straightIn: EntryRules['straightIn']): string =>
            decideEntry({
              rules: { ...rules, straightIn },
              visitor,
              door: { ...open, ...door },
              now: NOW,
            }).outcome;
          if (ask(order[i]!) === 'enter') expect(ask(order[i + 1]!)).toBe('enter');
        },
      ),
    );
  });
  it('never seats two more than fit without a host having let them in', () => {
    fc.assert(
      fc.property(anyRules, anyVisitor, (rules, visitor) => {
        const answer = decideEntry({
          rules,
          visitor: { ...visitor, letIn: false, watchOnly: false },
          door: { ...open, inside: rules.capacity },
          now: NOW,
        });
        expect(answer.outcome === 'enter' || answer.outcome === 'lobby').toBe(false);
      }),
    );
  });
});

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
  it('is opened early within the hour, else something new is put on the books', () => {
    const list = [o('13:00', '14:00')];
    expect(sessionToOpen(list, widen, '2026-10-14T11:50:00Z')?.occurrence).toBe(list[0]);
    expect(sessionToOpen(list, widen, '2026-10-14T11:49:59Z')).toBeNull();
  });
});

describe('entryTable', () => {
  it('is decideEntry asked of each kind at each moment', () => {
    const { rows, moments } = entryTable(lesson, { opens: open.opens!, closes: open.closes! });
    expect(moments).toEqual(['before', 'open-no-host', 'host-in', 'ended']);
    const reasons = Object.fromEntries(rows.map((r) => [r.kind, r.answers.map((a) => a.reason)]));
    expect(reasons.host).toEqual(['host', 'host', 'host', 'host']);
    expect(reasons['on-roll']).toEqual(['early', 'no-host', 'lobby', 'ended']);
    expect(reasons['on-roll-home-account']).toEqual([
      'use-school-account',
      'use-school-account',
      'use-school-account',
      'ended',
    ]);
    expect(reasons['other-student']![2]).toBe('not-on-roll');
    expect(reasons.stranger![2]).toBe('sign-in');
  });
  it('takes everyone to know the code', () => {
    expect(
      entryTable({ ...lesson, entryCode: 'tide' }, { opens: open.opens!, closes: open.closes! }, [
        'on-roll',
      ]).rows[0]!.answers[2]!.reason,
    ).toBe('lobby');
  });
});
