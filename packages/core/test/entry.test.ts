import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { decideEntry, entryTable, type Door, type EntryRules } from '../src/index.js';
import { lesson } from './school.js';
import { pupil, open, NOW, at, anyRules, anyVisitor, anyDoor } from './atDoor.js';

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
