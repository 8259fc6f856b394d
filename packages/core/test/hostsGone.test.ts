import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import {
  FIRST_RULES,
  areHostsGone,
  closesByItself,
  keptLayer,
  layerOf,
  resolveHostsGone,
  type RuleLayer,
} from '../src/index.js';

const at = (time: string): string => `2026-10-14T${time}:00Z`;

describe('when a room is closed by itself', () => {
  const gone = (
    hostLeft: string | null,
    { closes = '14:30', withoutHost = false, minutes = 5 } = {},
  ) =>
    closesByItself(
      {
        hostsInside: 0,
        hostLeftAt: hostLeft === null ? null : at(hostLeft),
        closes: at(closes),
      },
      { withoutHost, minutes },
    );

  it('never while a host is in, also past its end', () => {
    const room = { hostsInside: 1, hostLeftAt: null, closes: at('13:00') };
    expect(closesByItself(room, { withoutHost: false, minutes: 5 })).toBeNull();
  });
  it('some minutes after the last host has left', () => {
    expect(gone('13:50')).toBe(at('13:55'));
    expect(gone('13:50', { minutes: 20 })).toBe(at('14:10'));
  });
  it('as its door closes, where people may be in without a host', () => {
    expect(gone('13:50', { withoutHost: true })).toBe(at('14:30'));
  });
  it('as its door closes, where that comes first', () => {
    expect(gone('14:20', { minutes: 30 })).toBe(at('14:30'));
  });
  it('as its door closes, where no host has come', () => {
    expect(gone(null)).toBe(at('14:30'));
  });
  it('past its end three minutes after a host dropped out: they may come back', () => {
    expect(gone('14:40')).toBe(at('14:43'));
    expect(gone('14:40', { withoutHost: true })).toBe(at('14:43'));
    expect(gone('14:40', { minutes: 1 })).toBe(at('14:41'));
  });
  it('is not put off by more patience than the door has', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 120 }),
        fc.integer({ min: 0, max: 59 }),
        (minutes, m) => {
          const left = `13:${String(m).padStart(2, '0')}`;
          expect(gone(left, { minutes })! <= at('14:30')).toBe(true);
          expect(gone(left, { minutes })! > at(left)).toBe(true);
        },
      ),
    );
  });
});

describe('hosts are gone', () => {
  it('three minutes after the last has left, not before, and not where none has come', () => {
    const room = { hostsInside: 0, hostLeftAt: at('13:50') };
    expect(areHostsGone(room, '2026-10-14T13:52:59Z')).toBe(false);
    expect(areHostsGone(room, at('13:53'))).toBe(true);
    expect(areHostsGone({ ...room, hostsInside: 1 }, at('13:59'))).toBe(false);
    expect(areHostsGone({ ...room, hostLeftAt: null }, at('13:59'))).toBe(false);
  });
});

describe('the minutes in force', () => {
  const school: RuleLayer = { scope: 'school', rules: FIRST_RULES };
  it('are five where nothing is said', () => {
    expect(resolveHostsGone([school])).toEqual({ minutes: 5, from: null });
  });
  it('are those of the latest layer that says any', () => {
    const layers = [
      { ...school, hostsGone: 10 },
      { scope: 'class', rules: {}, hostsGone: 20 },
      { scope: 'link', rules: {} },
    ];
    expect(resolveHostsGone(layers)).toEqual({ minutes: 20, from: 'class' });
  });
  it.each([0, 1.5, 121, Number.NaN])('are refused with their place: %d', (hostsGone) => {
    expect(() => resolveHostsGone([school, { scope: 'class', rules: {}, hostsGone }])).toThrow(
      expect.objectContaining({ path: 'layers.1.hostsGone' }),
    );
  });
  it('are kept beside the rules, and come apart again', () => {
    const kept = { chat: false, hostsGone: 10 };
    expect(layerOf('class', kept)).toEqual({
      scope: 'class',
      rules: { chat: false },
      hostsGone: 10,
    });
    expect(keptLayer(layerOf('class', kept))).toEqual(kept);
    expect(keptLayer(layerOf('school', FIRST_RULES, ['chat']))).toEqual(FIRST_RULES);
  });
});
