import { useState } from 'react';
import { resolveRules, type EntryRules, type RuleField, type RuleLayer } from '@glen/core';
import type { Answer, Problem } from '@glen/contract';
import { problemOf } from '../../app/api.js';
import { offerUndo } from '../../app/undo.js';
import { RULE_NAMES, valueInWords } from './sentences.js';

/** Where a value comes from, in words and in short. */
export const SOURCES: Record<string, string> = {
  school: 'from the school',
  teacher: 'from the host’s own defaults',
  class: 'set for this class period',
  link: 'set for this link',
  series: 'set for this series',
  occurrence: 'set for this date alone',
};
/** Saves the layer that is edited here, and gives its new version. */
export type SaveRules = (ask: {
  version: number;
  rules: Partial<EntryRules>;
  locked: RuleField[];
}) => Promise<{ data?: Answer<'rules'>; error?: unknown }>;

/** Rules of one scope as they are edited: each value with its source and a way back. */
export function useRuleEdits(answer: Answer<'rules'>, save: SaveRules) {
  const [problem, setProblem] = useState<Problem>();
  const [busy, setBusy] = useState(false);
  const layers = answer.layers as RuleLayer[];
  const last = layers.at(-1)!;
  const resolved = resolveRules(layers);
  const defaults = layers.length > 1 ? resolveRules(layers.slice(0, -1)) : null;
  const own = last.rules;
  const ownLocks = last.locked ?? [];
  const put = async (
    rules: Partial<EntryRules>,
    what: string,
    locked = ownLocks,
  ): Promise<void> => {
    setProblem(undefined);
    setBusy(true);
    const { data, error } = await save({ version: answer.version, rules, locked });
    setBusy(false);
    if (!data) return setProblem(problemOf(error));
    offerUndo(what, async () => {
      const back = await save({ version: data.version, rules: own, locked: ownLocks });
      if (!back.data) throw back.error as Error;
    });
  };
  const isSchool = last.scope === 'school';
  const isOwn = (field: RuleField): boolean => defaults !== null && own[field] !== undefined;
  return {
    ...resolved,
    defaults,
    own,
    ownLocks,
    scope: last.scope,
    put,
    problem,
    busy,
    mayEdit: answer.mayEdit,
    isSchool,
    /** Whether a value is set in this scope alone. */
    isOwn,
    /** The school's own locks bind everyone else. */
    isFixed: (field: RuleField): boolean => !isSchool && resolved.locked.includes(field),
    set: (field: RuleField, value: EntryRules[RuleField]): void =>
      void put({ ...own, [field]: value }, `${RULE_NAMES[field]}: ${valueInWords(field, value)}.`),
    /** Takes a value of this scope away again. */
    back: (field: RuleField): void => {
      const { [field]: _, ...others } = own;
      void put(others, `${RULE_NAMES[field]}: back to the default.`);
    },
    backWords: (field: RuleField): string =>
      defaults
        ? `Back to ${valueInWords(field, defaults.rules[field])}, ${SOURCES[defaults.from[field]]}`
        : '',
  };
}
export type RuleEdits = ReturnType<typeof useRuleEdits>;
