import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  PRESETS,
  PRESET_NAMES,
  RULE_FIELDS,
  presetChanges,
  resolveRules,
  reviewRules,
  rulesToSetByHand,
  sessionAtDoor,
  type EntryRules,
  type RuleField,
  type RuleLayer,
} from '../src/index.js';
import { lesson } from './school.js';

const SCOPES = ['school', 'teacher', 'class', 'link', 'series', 'occurrence'];
const two: Partial<Record<RuleField, unknown[]>> = {
  whoMayEnter: ['roll', 'anyone'],
  straightIn: ['hosts', 'everyone'],
  withoutHost: [true, false],
  opensBefore: [0, 30],
  entryCode: [null, 'tide'],
  presenters: ['named', 'everyone'],
  chat: [true, false],
  capacity: [10, 300],
};
const someRules = fc.record(
  Object.fromEntries(
    Object.entries(two).map(([field, values]) => [field, fc.constantFrom(...values!)]),
  ),
  { requiredKeys: [] },
) as fc.Arbitrary<Partial<EntryRules>>;
const someLocks = fc.subarray(Object.keys(two) as RuleField[]);

describe('the cascade over six layers', () => {
  const layers = fc.tuple(
    ...SCOPES.map((scope, i) =>
      fc.record({
        scope: fc.constant(scope),
        rules: i === 0 ? fc.constant(lesson) : someRules,
        locked: someLocks,
      }),
    ),
  ) as fc.Arbitrary<RuleLayer[]>;
  it('each value is the last one said before somebody locked the field, and comes from there', () => {
    fc.assert(
      fc.property(layers, (all) => {
        const { rules, from, locked, overruled } = resolveRules(all);
        for (const field of RULE_FIELDS) {
          // Asked again, slowly: who is the last to speak, up to and with the first who locks.
          const lock = all.findIndex((l) => l.locked?.includes(field));
          const heard = all
            .slice(0, lock === -1 ? all.length : lock + 1)
            .filter((l) => l.rules[field] !== undefined);
          expect([field, rules[field], from[field]]).toEqual([
            field,
            heard.at(-1)!.rules[field],
            heard.at(-1)!.scope,
          ]);
          expect(locked.includes(field)).toBe(lock !== -1);
          const late =
            lock === -1
              ? []
              : all
                  .slice(lock + 1)
                  .filter((l) => l.rules[field] !== undefined && l.rules[field] !== rules[field]);
          expect(overruled.filter((o) => o.field === field).map((o) => o.scope)).toEqual(
            late.map((l) => l.scope),
          );
        }
      }),
    );
  });
  it('a link’s rule counts over its class period’s, a series’ over the link’s, a single date’s over all', () => {
    const said = (rules: Partial<EntryRules>[]): RuleLayer[] => [
      { scope: 'school', rules: lesson },
      ...rules.map((r, i) => ({ scope: SCOPES[i + 1]!, rules: r })),
    ];
    expect(
      resolveRules(said([{ opensBefore: 1 }, { opensBefore: 2 }, { opensBefore: 3 }])).from
        .opensBefore,
    ).toBe('link');
    expect(
      resolveRules(
        said([{}, { opensBefore: 2 }, { opensBefore: 3 }, { opensBefore: 4 }, { opensBefore: 5 }]),
      ).rules.opensBefore,
    ).toBe(5);
  });
});

describe('presets', () => {
  it('show first which lines would change, and change just those', () => {
    const layers: RuleLayer[] = [
      { scope: 'school', rules: lesson, locked: ['sharing'] },
      { scope: 'link', rules: { chat: false } },
    ];
    // What evenings want: nobody bursts in loudly, everybody may ask, nothing is kept.
    expect(PRESETS.evening.rules).toMatchObject({
      arriveMuted: true,
      mayUnmute: true,
      camera: 'choice',
      recording: 'off',
      capacity: 1000,
    });
    const { changes, rules } = presetChanges(layers, 'evening');
    expect(changes.find((c) => c.field === 'whoMayEnter')).toEqual({
      field: 'whoMayEnter',
      from: lesson.whoMayEnter,
      to: 'anyone',
      locked: false,
    });
    expect(rules.chat).toBe(false);
    expect(rules.sharing).toBeUndefined();
    const after = resolveRules([layers[0]!, { scope: 'link', rules }]).rules;
    const differs = RULE_FIELDS.filter((f) => after[f] !== resolveRules(layers).rules[f]);
    expect(differs).toEqual(changes.filter((c) => !c.locked).map((c) => c.field));
  });
  it('taken on twice, the second time changes nothing', () => {
    fc.assert(
      fc.property(fc.constantFrom(...PRESET_NAMES), someRules, someLocks, (name, own, locked) => {
        const school: RuleLayer = { scope: 'school', rules: lesson, locked };
        const { rules } = presetChanges([school, { scope: 'link', rules: own }], name);
        expect(
          presetChanges([school, { scope: 'link', rules }], name).changes.filter((c) => !c.locked),
        ).toEqual([]);
      }),
    );
  });
  it('none is unsafe for what it is for', () => {
    for (const name of PRESET_NAMES) {
      const { kind, rules } = PRESETS[name];
      const setting = {
        kind,
        guests: kind === 'event',
        namedCount: 0,
        roll: 20,
        holds: [],
        placements: [],
      };
      expect(
        reviewRules({ ...lesson, ...rules } as EntryRules, setting).filter(
          (f) => f.severity === 'high',
        ),
      ).toEqual([]);
    }
  });
});

describe('a room that keeps nothing', () => {
  it('leaves to the teacher what differs from a bare room, and nothing that is so anyhow', () => {
    expect(
      rulesToSetByHand({ ...lesson, arriveMuted: true, chat: true, recording: 'by-host' }, []),
    ).toContain('arriveMuted');
    expect(rulesToSetByHand({ ...lesson, chat: true }, [])).not.toContain('chat');
    expect(rulesToSetByHand({ ...lesson, arriveMuted: true }, RULE_FIELDS)).toEqual([]);
  });
});

describe('sessions with rules of their own at one door', () => {
  it('each opens by its own', () => {
    const early = {
      start: '2026-10-14T13:00:00Z',
      end: '2026-10-14T13:50:00Z',
      status: 'planned' as const,
      before: 60,
    };
    const late = {
      start: '2026-10-14T12:30:00Z',
      end: '2026-10-14T12:45:00Z',
      status: 'planned' as const,
      before: 0,
    };
    const at = sessionAtDoor(
      [early, late],
      (o) => ({ opensBefore: o.before, closesAfter: 0 }),
      '2026-10-14T12:05:00Z',
    );
    expect(at?.occurrence).toBe(early);
    expect(at?.opens).toBe('2026-10-14T12:00:00Z');
  });
});
