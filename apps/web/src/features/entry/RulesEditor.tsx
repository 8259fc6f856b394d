import { Lock, LockOpen } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import {
  RULE_FIELDS,
  resolveRules,
  type EntryRules,
  type RuleField,
  type RuleLayer,
} from '@glen/core';
import type { Answer, Problem } from '@glen/contract';
import { problemOf } from '../../app/api.js';
import { offerUndo } from '../../app/undo.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { ChoicePart } from '../../ui/SentencePart.js';
import { PresetButton } from './Presets.js';
import { CapacityCard, CodeCard } from './RuleCards.js';
import { RULE_NAMES, RULE_WORDS, valueInWords, type ListedRule } from './sentences.js';

/** Where a value comes from, in words and in short. */
export const SOURCES: Record<string, string> = {
  school: 'from the school',
  teacher: 'from the host’s own defaults',
  class: 'set for this class period',
  link: 'set for this link',
  series: 'set for this series',
  occurrence: 'set for this date alone',
};
const SHORT: Record<string, string> = {
  school: 'school',
  teacher: 'host',
  class: 'class',
  link: 'link',
  series: 'series',
  occurrence: 'date',
};
const OWN: Record<string, string> = {
  school: 'for the school',
  teacher: 'as your own defaults',
  class: 'for this class period alone',
  link: 'for this link alone',
  series: 'for this series alone',
  occurrence: 'for this date alone',
};
/** What a choice of going back to the default is called among the values of a list. */
const BACK = 'back';

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
  };
}
export type RuleEdits = ReturnType<typeof useRuleEdits>;

function Line({ name, children }: { name: string; children: ReactNode }) {
  return (
    <div className="grid gap-x-4 sm:grid-cols-[6.5rem_1fr]">
      <h2 className="pt-1.5 text-base text-soft">{name}</h2>
      <p className="text-[17px] leading-[2.1]">{children}</p>
    </div>
  );
}

/** Entry rules as sentences by moment, every marked part a control; below them what is set in this scope alone. */
export function RulesEditor({
  edits,
  layers,
  showSources = false,
}: {
  edits: RuleEdits;
  layers: RuleLayer[];
  showSources?: boolean;
}) {
  const { rules, from, locked, defaults, own, ownLocks, scope, put, problem, busy, mayEdit } =
    edits;
  const isSchool = scope === 'school';
  /** The school's own locks bind everyone else. */
  const isFixed = (field: RuleField): boolean => !isSchool && locked.includes(field);
  const set = (field: RuleField, value: EntryRules[RuleField]): void =>
    void put({ ...own, [field]: value }, `${RULE_NAMES[field]}: ${valueInWords(field, value)}.`);
  const back = (field: RuleField): void => {
    const { [field]: _, ...rest } = own;
    void put(rest, `${RULE_NAMES[field]}: back to the default.`);
  };
  const lock = (field: RuleField): ReactNode =>
    isSchool &&
    mayEdit && (
      <button
        type="button"
        className="mx-0.5 rounded-small p-0.5 align-middle text-soft hover:text-ink"
        aria-pressed={ownLocks.includes(field)}
        aria-label={`${RULE_NAMES[field]}: fixed for everyone`}
        onClick={() =>
          void put(
            own,
            ownLocks.includes(field)
              ? `${RULE_NAMES[field]}: free again.`
              : `${RULE_NAMES[field]}: fixed for everyone.`,
            ownLocks.includes(field) ? ownLocks.filter((f) => f !== field) : [...ownLocks, field],
          )
        }
      >
        {ownLocks.includes(field) ? (
          <Lock size={15} aria-hidden="true" className="text-bracken-deep" />
        ) : (
          <LockOpen size={15} aria-hidden="true" />
        )}
      </button>
    );
  const source = (field: RuleField): ReactNode =>
    showSources && (
      <sup className="ml-0.5 font-mono text-[11px] text-soft">
        {isFixed(field) ? 'locked' : SHORT[from[field]]}
      </sup>
    );
  const fixed = (field: RuleField): ReactNode => (
    <b className="whitespace-nowrap">
      {valueInWords(field, rules[field])}
      {locked.includes(field) && (
        <Lock size={13} className="ml-1 inline" aria-label="fixed by the school" />
      )}
      {source(field)}
    </b>
  );
  const backWords = (field: RuleField): string =>
    defaults
      ? `Back to ${valueInWords(field, defaults.rules[field])}, ${SOURCES[defaults.from[field]]}`
      : '';
  const isOwn = (field: RuleField): boolean => defaults !== null && own[field] !== undefined;
  const part = (field: ListedRule): ReactNode => {
    if (!mayEdit || isFixed(field)) return fixed(field);
    const { label, choices } = RULE_WORDS[field];
    const listed = (choices as { value: unknown; label: string }[]).map((c) => ({
      value: JSON.stringify(c.value),
      label: c.label,
    }));
    const value = JSON.stringify(rules[field]);
    const all = listed.some((c) => c.value === value)
      ? listed
      : [...listed, { value, label: valueInWords(field, rules[field]) }];
    const shown = isOwn(field)
      ? [...all, { value: BACK, label: backWords(field), apart: true }]
      : all;
    return (
      <span className="whitespace-nowrap">
        <ChoicePart
          label={`${label}, ${SOURCES[from[field]]}`}
          value={value}
          choices={shown}
          disabled={busy}
          marked={from[field] === scope}
          onChange={(v) =>
            v === BACK ? back(field) : set(field, JSON.parse(v) as EntryRules[RuleField])
          }
        />
        {source(field)}
        {lock(field)}
      </span>
    );
  };
  const onBack = (field: RuleField) =>
    isOwn(field) ? { back: { label: backWords(field), run: () => back(field) } } : {};
  const ownFields = RULE_FIELDS.filter((field) => isOwn(field));
  return (
    <>
      {problem && (
        <FieldError>
          {problem.status === 409
            ? 'Somebody changed these rules just now. They are shown as they stand; choose again if you still want your change.'
            : (problem.errors?.[0]?.message ?? problem.title)}
        </FieldError>
      )}
      <div className="grid gap-1">
        <Line name="Before">
          Opens {part('opensBefore')}, {part('withoutHost')}.
        </Line>
        <Line name="At the door">
          {part('whoMayEnter')} may enter; {part('straightIn')}{' '}
          {rules.straightIn === 'roll' ||
          rules.straightIn === 'school' ||
          rules.straightIn === 'everyone'
            ? 'goes'
            : 'go'}{' '}
          straight in{rules.straightIn === 'everyone' ? '' : ', the rest wait in the lobby'}. Code:{' '}
          {mayEdit && !isFixed('entryCode') ? (
            <CodeCard
              key={rules.entryCode}
              value={rules.entryCode}
              onSave={(code) => set('entryCode', code)}
              {...onBack('entryCode')}
            />
          ) : (
            fixed('entryCode')
          )}
          {source('entryCode')}
          {lock('entryCode')}.
        </Line>
        <Line name="Inside">
          {part('presenters')} present; all arrive {part('arriveMuted')}, {part('camera')},{' '}
          {part('mayUnmute')}. Chat {part('chat')}. Recording {part('recording')}.
        </Line>
        <Line name="After">Shut {part('closesAfter')}, or when a host ends it.</Line>
        <details className="mt-1">
          <summary className="cursor-pointer text-soft">Rare rules</summary>
          <Line name="At the door">
            Phones: {part('phone')}; {part('watching')}. Room for{' '}
            {mayEdit && !isFixed('capacity') ? (
              <CapacityCard
                key={rules.capacity}
                value={rules.capacity}
                onSave={(n) => set('capacity', n)}
                {...onBack('capacity')}
              />
            ) : (
              fixed('capacity')
            )}
            {source('capacity')}
            {lock('capacity')}.
          </Line>
          <Line name="Inside">
            Screens are shared by {part('sharing')}; hosts’ cameras {part('hostCamera')}; comings
            and goings are {part('chime')}.
          </Line>
        </details>
      </div>
      <div className="mt-3 flex flex-wrap items-start gap-x-6 gap-y-2">
        {mayEdit && (
          <PresetButton
            layers={layers}
            busy={busy}
            onTake={(rules, name) => void put(rules, `The rules are those of: ${name}.`)}
          />
        )}
        {ownFields.length > 0 && (
          <details className="min-w-0 flex-1 pt-1" open={showSources}>
            <summary className="cursor-pointer text-soft">
              {ownFields.length === 1 ? '1 rule is set' : `${ownFields.length} rules are set`}{' '}
              {OWN[scope]}
            </summary>
            <ul className="mt-1 text-[15px]">
              {ownFields.map((field) => (
                <li key={field} className="flex flex-wrap items-baseline gap-x-3">
                  {RULE_NAMES[field]}: {valueInWords(field, own[field]!)}
                  {mayEdit && (
                    <Button
                      kind="link"
                      disabled={busy}
                      onClick={() => back(field)}
                      aria-label={`${RULE_NAMES[field]}: back to the default`}
                    >
                      {backWords(field)}
                    </Button>
                  )}
                </li>
              ))}
            </ul>
          </details>
        )}
      </div>
    </>
  );
}
