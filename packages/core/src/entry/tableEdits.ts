import { decideEntry, type Door, type EntryDecision } from './decideEntry.js';
import { PERSON_KINDS, visitorOfKind, type PersonKind } from './entryTable.js';
import { valuesOf, type EntryRules, type RuleField } from './rules.js';

/** How a kind of people come in while a host is there. */
export type ComesIn = 'straight' | 'lobby' | 'not';

/** What the table says of a kind of people, and what can be set in it. */
export interface Way {
  comesIn: ComesIn;
  presents: boolean;
  /** They come in, or knock, while the door is open and no host is there. */
  withoutHost: boolean;
}
export type WayColumn = keyof Way;

/** Any door does: only who comes, and whether a host is inside, is asked. */
const OPEN: Door = {
  link: 'live',
  opens: '2026-01-01T09:00:00Z',
  closes: '2026-01-01T10:00:00Z',
  openedByHost: false,
  hostInside: false,
  ended: false,
  inside: 0,
};
const WITH_HOST: Door = { ...OPEN, openedByHost: true, hostInside: true };

/** The rules that a column is set by; phones have one of their own. */
const DECIDED_BY: Record<WayColumn, readonly RuleField[]> = {
  comesIn: ['whoMayEnter', 'straightIn'],
  presents: ['presenters'],
  withoutHost: ['withoutHost'],
};
const fieldsFor = (kind: PersonKind, column: WayColumn): readonly RuleField[] =>
  kind === 'phone' && column === 'comesIn' ? ['phone'] : DECIDED_BY[column];

const COMES_IN: Record<EntryDecision['outcome'], ComesIn> = {
  enter: 'straight',
  lobby: 'lobby',
  'not-yet': 'not',
  refused: 'not',
};

/** What the rules say of one kind of people. Whoever does not come in does not present. */
export function wayOf(kind: PersonKind, rules: EntryRules): Way {
  const visitor = visitorOfKind(kind, rules);
  const at = (door: Door) => decideEntry({ rules, visitor, door, now: OPEN.opens! });
  const { outcome, role } = at(WITH_HOST);
  const alone = at(OPEN).outcome;
  return {
    comesIn: COMES_IN[outcome],
    presents: role === 'host' || role === 'presenter',
    withoutHost: alone === 'enter' || alone === 'lobby',
  };
}

/** One thing that a cell of the table can be set to. */
export interface WayChoice {
  value: Way[WayColumn];
  /** What of the rules is changed for it; nothing where the cell says so already. */
  rules: Partial<EntryRules>;
  /** Whom else it changes, from the nearest to the farthest. */
  others: PersonKind[];
}

/** All combinations of what the fields can be. */
function combinations(fields: readonly RuleField[]): Partial<EntryRules>[] {
  return fields.reduce<Partial<EntryRules>[]>(
    (found, field) =>
      found.flatMap((rules) => valuesOf(field).map((value) => ({ ...rules, [field]: value }))),
    [{}],
  );
}

const isSame = (a: Way, b: Way): boolean =>
  a.comesIn === b.comesIn && a.presents === b.presents && a.withoutHost === b.withoutHost;

/** Only what differs from the rules in force. */
const changed = (wished: Partial<EntryRules>, rules: EntryRules): Partial<EntryRules> =>
  Object.fromEntries(
    Object.entries(wished).filter(([field, value]) => rules[field as RuleField] !== value),
  );

/**
 * What a cell can be set to, each with the rules that make it so: those that change the fewest other people, and of
 * these the fewest rules. What no rule can do is not offered; rules that are `locked` stay as they are.
 */
export function choicesOfCell(
  kind: PersonKind,
  column: WayColumn,
  rules: EntryRules,
  locked: readonly RuleField[] = [],
): WayChoice[] {
  const fields = fieldsFor(kind, column).filter((field) => !locked.includes(field));
  const before = new Map(PERSON_KINDS.map((k) => [k, wayOf(k, rules)]));
  const found = new Map<Way[WayColumn], WayChoice>();
  for (const wished of combinations(fields)) {
    const next = { ...rules, ...wished };
    const value = wayOf(kind, next)[column];
    const choice = {
      value,
      rules: changed(wished, rules),
      others: PERSON_KINDS.filter((k) => k !== kind && !isSame(wayOf(k, next), before.get(k)!)),
    };
    const best = found.get(value);
    if (!best || cost(choice) < cost(best)) found.set(value, choice);
  }
  return [...found.values()];
}

/** People weigh more than rules: no choice changes as many of these. */
const cost = ({ others, rules }: WayChoice): number =>
  others.length * 10 + Object.keys(rules).length;
