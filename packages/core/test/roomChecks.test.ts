import { describe, expect, it } from 'vitest';
import { FIRST_RULES, checksLeft, lookedAt, roomChecks, type EntryRules } from '../src/index.js';

const rules: EntryRules = { ...FIRST_RULES, straightIn: 'hosts', capacity: 30, camera: 'off' };
const keysOf = (of: EntryRules): string[] => roomChecks(of).map(({ key }) => key);

describe('what is to be looked at in a pasted room', () => {
  it('is what such rooms have of their own: lobby, code, hosts, time, size, powers', () => {
    expect(keysOf(rules).slice(0, 6)).toEqual([
      'lobby:one',
      'code',
      'alone:no',
      'time',
      'size:30',
      'powers',
    ]);
    expect(roomChecks(rules)[0]!.ask).toContain('with two people would wait twice');
  });

  it('is each rule that the door would have a room hold', () => {
    const byHand = roomChecks(rules).filter(({ field }) => field !== null);
    expect(byHand).toContainEqual({ key: 'camera:off', ask: null, field: 'camera' });
  });

  it('is asked again when the rule is another, or the room', () => {
    const kept = { address: 'https://rooms.example/a', ticked: keysOf(rules), powers: 'Ottoline' };
    expect(checksLeft(rules, lookedAt(kept, 'https://rooms.example/a'))).toBe(0);
    expect(checksLeft({ ...rules, capacity: 40, withoutHost: true }, kept)).toBe(2);
    const other = lookedAt(kept, 'https://rooms.example/b');
    expect(other).toEqual({ address: 'https://rooms.example/b', ticked: [], powers: '' });
    expect(checksLeft(rules, other)).toBe(keysOf(rules).length);
  });
});
