import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  FIRST_RULES,
  PERSON_KINDS,
  PRESETS,
  PRESET_NAMES,
  choicesOfCell,
  entryTable,
  wayOf,
  type EntryRules,
  type PersonKind,
  type Way,
  type WayColumn,
} from '../src/index.js';
import { anyRules } from './atDoor.js';

const rules = (own: Partial<EntryRules>): EntryRules => ({ ...FIRST_RULES, ...own });
const COLUMNS: WayColumn[] = ['comesIn', 'presents', 'withoutHost'];
const TIMES = { opens: '2026-10-14T13:40:00Z', closes: '2026-10-14T14:35:00Z' };

/** Presses a cell, and gives the rules as they are then. */
function press(
  before: EntryRules,
  kind: PersonKind,
  column: WayColumn,
  value: Way[WayColumn],
): EntryRules {
  const choice = choicesOfCell(kind, column, before).find((c) => c.value === value);
  if (!choice) throw new Error(`${kind} cannot be ${String(value)} here.`);
  return { ...before, ...choice.rules };
}
const valuesFor = (before: EntryRules, kind: PersonKind, column: WayColumn): unknown[] =>
  choicesOfCell(kind, column, before).map((c) => c.value);

describe('what the table says of a kind of people', () => {
  it('is how they come in while a host is there, whether they present, and whether they need a host', () => {
    const lesson = rules({ whoMayEnter: 'roll', straightIn: 'hosts', presenters: 'named' });
    expect(wayOf('host', lesson)).toEqual({
      comesIn: 'straight',
      presents: true,
      withoutHost: true,
    });
    expect(wayOf('named-presenter', lesson)).toEqual({
      comesIn: 'lobby',
      presents: true,
      withoutHost: false,
    });
    expect(wayOf('on-roll', lesson)).toEqual({
      comesIn: 'lobby',
      presents: false,
      withoutHost: false,
    });
    expect(wayOf('stranger', lesson).comesIn).toBe('not');
  });
});

describe('a press on a cell', () => {
  const lesson = rules({ whoMayEnter: 'roll', straightIn: 'hosts', presenters: 'named' });

  it('sets that kind, and whoever is nearer comes along', () => {
    const [straight] = choicesOfCell('on-roll', 'comesIn', lesson).filter(
      (c) => c.value === 'straight',
    );
    expect(straight).toEqual({
      value: 'straight',
      rules: { straightIn: 'roll' },
      others: ['named-presenter'],
    });
  });
  it('shuts the door on whoever is farther', () => {
    const evening = rules({ whoMayEnter: 'anyone', straightIn: 'hosts' });
    const [not] = choicesOfCell('signed-in-guest', 'comesIn', evening).filter(
      (c) => c.value === 'not',
    );
    expect(not!.rules).toEqual({ whoMayEnter: 'school' });
    expect(not!.others).toEqual(['on-roll-home-account', 'stranger']);
  });
  it('changes as few people as can be', () => {
    expect(press(lesson, 'colleague', 'presents', false)).toEqual(lesson);
    expect(press(lesson, 'stranger', 'comesIn', 'lobby')).toEqual({
      ...lesson,
      whoMayEnter: 'anyone',
    });
  });
  it('changes nothing where the cell says so already', () => {
    for (const kind of PERSON_KINDS)
      for (const column of COLUMNS) {
        const now = wayOf(kind, lesson)[column];
        const same = choicesOfCell(kind, column, lesson).find((c) => c.value === now);
        expect({ kind, column, same }).toEqual({
          kind,
          column,
          same: { value: now, rules: {}, others: [] },
        });
      }
  });
  it('offers nothing that no rule can do: hosts come in, named people are never shut out', () => {
    expect(valuesFor(lesson, 'host', 'comesIn')).toEqual(['straight']);
    expect(valuesFor(lesson, 'named-presenter', 'comesIn').sort()).toEqual(['lobby', 'straight']);
    expect(valuesFor(lesson, 'phone', 'presents')).toEqual([false]);
  });
  it('leaves what the school has fixed', () => {
    const choices = choicesOfCell('stranger', 'comesIn', lesson, ['whoMayEnter']);
    expect(choices.map((c) => c.value)).toEqual(['not']);
  });
  it('lets people in without a host, or only with one', () => {
    const alone = press(lesson, 'on-roll', 'withoutHost', true);
    expect(alone).toEqual({ ...lesson, withoutHost: true });
  });
});

/** Presses cells until the table says of everybody what other rules would; gives the rules it has come to. */
function pressTowards(wanted: EntryRules, before: EntryRules): EntryRules {
  let now = before;
  // From the farthest to the nearest, since those that are nearer come along.
  for (const column of COLUMNS)
    for (const kind of [...PERSON_KINDS].reverse()) {
      const goal = wayOf(kind, wanted)[column];
      if (valuesFor(now, kind, column).includes(goal)) now = press(now, kind, column, goal);
    }
  return now;
}

describe('the table as the editor of the rules', () => {
  it.each(PRESET_NAMES)('reaches who comes in, and how, of the preset %s', (name) => {
    const wanted = rules(PRESETS[name].rules);
    const reached = pressTowards(wanted, FIRST_RULES);
    for (const kind of PERSON_KINDS)
      expect({ kind, ...wayOf(kind, reached) }).toEqual({ kind, ...wayOf(kind, wanted) });
  });

  it('shows, whatever is pressed, what the cell now says', () => {
    const kind = fc.constantFrom(...PERSON_KINDS);
    const column = fc.constantFrom(...COLUMNS);
    fc.assert(
      fc.property(anyRules, kind, column, fc.nat(), (before, who, where, nth) => {
        // One place is taken by the host of the table's own door.
        const start = { ...before, capacity: Math.max(2, before.capacity) };
        const choices = choicesOfCell(who, where, start);
        const choice = choices[nth % choices.length]!;
        const next = { ...start, ...choice.rules };
        const now = wayOf(who, next);
        expect(now[where]).toBe(choice.value);

        const [row] = entryTable(next, TIMES, [who]).rows;
        const [, noHost, hostIn] = row!.answers;
        const comesIn = { enter: 'straight', lobby: 'lobby' }[hostIn!.outcome as string] ?? 'not';
        expect(comesIn).toBe(now.comesIn);
        expect(hostIn!.role === 'presenter' || hostIn!.role === 'host').toBe(now.presents);
        expect(['enter', 'lobby'].includes(noHost!.outcome)).toBe(now.withoutHost);

        // Whoever is not named among the others is met as before.
        for (const other of PERSON_KINDS.filter((k) => k !== who && !choice.others.includes(k)))
          expect(wayOf(other, next)).toEqual(wayOf(other, start));
      }),
    );
  });
});
