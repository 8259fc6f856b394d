import { useState } from 'react';
import {
  resolveHostsGone,
  resolveRules,
  rulesToSetByHand,
  type EntryRules,
  type RuleField,
  type RuleLayer,
} from '@glen/core';
import type { Answer, Problem, WayBack } from '@glen/contract';
import { problemOf } from '../../app/api.js';
import { offerWayBack } from '../../app/undo.js';
import { sendCall } from '../../app/wayBack.js';
import { RULE_NAMES, valueInWords } from './sentences.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

/** Where a value comes from, in words and in short. */
export const SOURCES: Record<string, string> = say.sources;
/** What is saved of the layer that is edited here, over the version that was read. */
interface SavedLayer {
  version: number;
  rules: Partial<EntryRules>;
  locked: RuleField[];
  /** What is set of hosts that are gone, where that changes: minutes, or null to take it away. */
  hostsGone?: number | null;
}

/** The call that saves a layer. */
export type SaveRules = (layer: SavedLayer) => WayBack;

/** What changes beside the rules, where it does. */
interface Beside {
  locked?: RuleField[];
  /** Minutes; null takes this scope's own away. */
  hostsGone?: number | null;
}

const sendRules = (call: WayBack) =>
  sendCall(call) as unknown as Promise<{ data?: Answer<'rules'>; error?: unknown }>;

/** Saves a change of one scope, tells what is wrong with it, and offers to take it back. */
function useSaving(answer: Answer<'rules'>, save: SaveRules) {
  const [problem, setProblem] = useState<Problem>();
  const [busy, setBusy] = useState(false);
  const last = answer.layers.at(-1)! as RuleLayer;
  const ownLocks = last.locked ?? [];
  const put = async (
    rules: Partial<EntryRules>,
    what: string,
    beside: Beside = {},
  ): Promise<void> => {
    setProblem(undefined);
    setBusy(true);
    const sent = { rules, locked: ownLocks, ...beside };
    const { data, error } = await sendRules(save({ version: answer.version, ...sent }));
    setBusy(false);
    if (!data) return setProblem(problemOf(error));
    const before = beside.hostsGone === undefined ? {} : { hostsGone: last.hostsGone ?? null };
    const back = { version: data.version, rules: last.rules, locked: ownLocks, ...before };
    offerWayBack(what, [save(back)]);
  };
  return { problem, busy, put };
}

type Put = ReturnType<typeof useSaving>['put'];

/** What is set of hosts that are gone, beside the rules of the same scope. */
function hostsGonePart(layers: RuleLayer[], put: Put) {
  const { rules, hostsGone } = layers.at(-1)!;
  const inWords = (minutes: number | null): string =>
    minutes === null ? say.backToTheDefault : fill(say.outAfterMin, { minutes });
  return {
    hostsGone: resolveHostsGone(layers),
    ownHostsGone: hostsGone ?? null,
    /** Where this scope says nothing. */
    usualHostsGone: resolveHostsGone(layers.slice(0, -1)),
    /** Minutes; null takes this scope's own away again. */
    setHostsGone: (minutes: number | null): void =>
      void put(rules, fill(say.whenAllHostsHaveLeft, { inWords: inWords(minutes) }), {
        hostsGone: minutes,
      }),
  };
}

/** Rules of one scope as they are edited: each value with its source and a way back. */
export function useRuleEdits(answer: Answer<'rules'>, save: SaveRules) {
  const { problem, busy, put } = useSaving(answer, save);
  const layers = answer.layers as RuleLayer[];
  const last = layers.at(-1)!;
  const resolved = resolveRules(layers);
  const defaults = layers.length > 1 ? resolveRules(layers.slice(0, -1)) : null;
  const own = last.rules;
  const isSchool = last.scope === 'school';
  const isOwn = (field: RuleField): boolean => defaults !== null && own[field] !== undefined;
  return {
    ...resolved,
    defaults,
    own,
    ownLocks: last.locked ?? [],
    ...hostsGonePart(layers, put),
    scope: last.scope,
    put,
    problem,
    busy,
    mayEdit: answer.mayEdit,
    isSchool,
    /** What the room behind the door cannot be told, and does not do by itself. */
    byHand: rulesToSetByHand(resolved.rules, answer.setting.holds) as RuleField[],
    /** Whether a value is set in this scope alone. */
    isOwn,
    /** The school's own locks bind everyone else. */
    isFixed: (field: RuleField): boolean => !isSchool && resolved.locked.includes(field),
    set: (field: RuleField, value: EntryRules[RuleField]): void =>
      void put({ ...own, [field]: value }, `${RULE_NAMES[field]}: ${valueInWords(field, value)}.`),
    /** Takes a value of this scope away again. */
    back: (field: RuleField): void => {
      const { [field]: _, ...others } = own;
      void put(others, fill(say.backToTheDefaultRuleName, { ruleName: RULE_NAMES[field] }));
    },
    backWords: (field: RuleField): string =>
      defaults
        ? fill(say.backTo, {
            value: valueInWords(field, defaults.rules[field]),
            source: SOURCES[defaults.from[field]] ?? '',
          })
        : '',
  };
}
export type RuleEdits = ReturnType<typeof useRuleEdits>;
