import { Lock, LockOpen } from 'lucide-react';
import type { EntryRules, RuleField } from '@glen/core';
import { ChoicePart } from '../../ui/choices.js';
import { CapacityCard, CodeCard } from './RuleCards.js';
import { RULE_NAMES, RULE_WORDS, valueInWords, type ListedRule } from './sentences.js';
import { SOURCES, type RuleEdits } from './useRuleEdits.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

const SHORT: Record<string, string> = {
  school: 'school',
  teacher: 'host',
  class: 'class',
  link: 'link',
  series: 'series',
  occurrence: 'date',
};
/** What a choice of going back to the default is called among the values of a list. */
const BACK = 'back';

interface PartProps {
  edits: RuleEdits;
  field: RuleField;
  showSources: boolean;
}

/** For the school: whether a rule is fixed for everyone below it. */
function LockButton({ edits, field }: PartProps) {
  const { own, ownLocks, put, isSchool, mayEdit } = edits;
  if (!isSchool || !mayEdit) return null;
  const isLocked = ownLocks.includes(field);
  const turn = (): void =>
    void put(own, `${RULE_NAMES[field]}: ${isLocked ? say.freeAgain : say.fixedForEveryone}.`, {
      locked: isLocked ? ownLocks.filter((f) => f !== field) : [...ownLocks, field],
    });
  return (
    <button
      type="button"
      className="mx-0.5 rounded-small p-0.5 align-middle text-soft hover:text-ink"
      aria-pressed={isLocked}
      aria-label={fill(say.fixedForEveryoneRuleName, { ruleName: RULE_NAMES[field] })}
      onClick={turn}
    >
      {isLocked ? (
        <Lock size={15} aria-hidden="true" className="text-bracken-deep" />
      ) : (
        <LockOpen size={15} aria-hidden="true" />
      )}
    </button>
  );
}

function Source({ edits, field, showSources }: PartProps) {
  if (!showSources) return null;
  return (
    <sup className="ml-0.5 font-mono text-xs text-soft">
      {edits.isFixed(field) ? say.locked : SHORT[edits.from[field]]}
    </sup>
  );
}

/** Marks a rule that the room behind the door cannot be told. */
function ByHand({ edits, field }: PartProps) {
  if (!edits.byHand.includes(field)) return null;
  return <sup className="ml-0.5 font-mono text-xs text-gorse-deep">{say.byHand}</sup>;
}

/** A rule that cannot be changed here. */
function FixedPart(props: PartProps) {
  const { edits, field } = props;
  return (
    <b className="whitespace-nowrap">
      {valueInWords(field, edits.rules[field])}
      {edits.locked.includes(field) && (
        <Lock size={13} className="ml-1 inline" aria-label={say.fixedByTheSchool} />
      )}
      <Source {...props} />
      <ByHand {...props} />
    </b>
  );
}

/** A rule that the table sets: only read in the sentence, with whether the school has fixed it. */
export const ReadPart = (props: PartProps) => (
  <>
    <FixedPart {...props} />
    <LockButton {...props} />
  </>
);

/** The values a rule may have, the one in force among them, and the way back to the default. */
function choicesOf({ rules, isOwn, backWords }: RuleEdits, field: ListedRule) {
  const known = RULE_WORDS[field].choices as { value: unknown; label: string }[];
  const listed = known.map((c) => ({ value: JSON.stringify(c.value), label: c.label }));
  const value = JSON.stringify(rules[field]);
  const isListed = listed.some((c) => c.value === value);
  const inForce = { value, label: valueInWords(field, rules[field]) };
  return [
    ...listed,
    ...(isListed ? [] : [inForce]),
    ...(isOwn(field) ? [{ value: BACK, label: backWords(field), apart: true }] : []),
  ];
}

/** One rule within a sentence: a control where it may be changed, else its value. */
export function RulePart(props: PartProps & { field: ListedRule }) {
  const { edits, field } = props;
  const { rules, from, scope, busy, mayEdit, isFixed, set, back } = edits;
  if (!mayEdit || isFixed(field)) return <FixedPart {...props} />;
  const choose = (value: string): void =>
    value === BACK ? back(field) : set(field, JSON.parse(value) as EntryRules[RuleField]);
  return (
    <span className="whitespace-nowrap">
      <ChoicePart
        label={`${RULE_WORDS[field].label}, ${SOURCES[from[field]]}`}
        value={JSON.stringify(rules[field])}
        choices={choicesOf(edits, field)}
        disabled={busy}
        marked={from[field] === scope}
        onChange={choose}
      />
      <Source {...props} />
      <ByHand {...props} />
      <LockButton {...props} />
    </span>
  );
}

const wayBack = ({ isOwn, back, backWords }: RuleEdits, field: RuleField) =>
  isOwn(field) ? { back: { label: backWords(field), run: () => back(field) } } : {};

/** The entry code, which is typed. */
export function CodePart(props: Omit<PartProps, 'field'>) {
  const { edits } = props;
  const { rules, mayEdit, isFixed, set } = edits;
  const part: PartProps = { ...props, field: 'entryCode' };
  return (
    <>
      {mayEdit && !isFixed('entryCode') ? (
        <CodeCard
          key={rules.entryCode}
          value={rules.entryCode}
          onSave={(code) => set('entryCode', code)}
          {...wayBack(edits, 'entryCode')}
        />
      ) : (
        <FixedPart {...part} />
      )}
      <Source {...part} />
      <LockButton {...part} />
    </>
  );
}

/** How many the room holds, which is typed. */
export function CapacityPart(props: Omit<PartProps, 'field'>) {
  const { edits } = props;
  const { rules, mayEdit, isFixed, set } = edits;
  const part: PartProps = { ...props, field: 'capacity' };
  return (
    <>
      {mayEdit && !isFixed('capacity') ? (
        <CapacityCard
          key={rules.capacity}
          value={rules.capacity}
          onSave={(n) => set('capacity', n)}
          {...wayBack(edits, 'capacity')}
        />
      ) : (
        <FixedPart {...part} />
      )}
      <Source {...part} />
      <LockButton {...part} />
    </>
  );
}
