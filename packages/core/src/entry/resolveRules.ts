import { fail } from '../input.js';
import { RULE_FIELDS, checkRule, type EntryRules, type RuleField } from './rules.js';

/** What one scope says of the rules; a layer may lock a field that it does not set. */
export interface RuleLayer {
  scope: string;
  rules: Partial<EntryRules>;
  locked?: RuleField[];
  /** Minutes after which a room that its hosts have left is closed. No entry rule: see hostsGone.ts. */
  hostsGone?: number;
}

export interface Overruled {
  field: RuleField;
  scope: string;
  value: EntryRules[RuleField];
}

export interface ResolvedRules {
  rules: EntryRules;
  /** The scope that each value comes from. */
  from: Record<RuleField, string>;
  /** In the interface's order. */
  locked: RuleField[];
  /** Later values that a lock set aside and that differ, by layer, then by field. */
  overruled: Overruled[];
}

/**
 * Lays rules over one another: school, teacher, class period, link, series, occurrence.
 * The later wins, unless an earlier layer locked the field; a layer's own value counts before its lock.
 * Throws GlenInputError where the first layer is incomplete or a value is none of the field's.
 */
export function resolveRules(layers: RuleLayer[]): ResolvedRules {
  const first = layers[0];
  if (!first) fail('layers', 'Give at least the school’s rules.');
  const rules: Partial<Record<RuleField, EntryRules[RuleField]>> = {};
  const from: Partial<Record<RuleField, string>> = {};
  const locked = new Set<RuleField>();
  const overruled: Overruled[] = [];

  layers.forEach((layer, i) => {
    for (const field of Object.keys(layer.rules)) {
      if (!RULE_FIELDS.includes(field as RuleField))
        fail(`layers.${i}.rules.${field}`, `There is no entry rule ${field}.`);
    }
    for (const field of RULE_FIELDS) {
      const given = layer.rules[field];
      if (given === undefined) {
        if (i === 0) fail(`layers.0.rules.${field}`, `The first layer must say ${field}.`);
        continue;
      }
      const value = checkRule(field, given, `layers.${i}.rules.${field}`);
      if (!locked.has(field)) {
        rules[field] = value;
        from[field] = layer.scope;
      } else if (rules[field] !== value) overruled.push({ field, scope: layer.scope, value });
    }
    layer.locked?.forEach((field, k) => {
      if (!RULE_FIELDS.includes(field))
        fail(`layers.${i}.locked.${k}`, `There is no entry rule ${String(field)}.`);
      locked.add(field);
    });
  });

  return {
    rules: rules as unknown as EntryRules,
    from: from as Record<RuleField, string>,
    locked: RULE_FIELDS.filter((field) => locked.has(field)),
    overruled,
  };
}
