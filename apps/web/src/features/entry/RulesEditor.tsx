import type { ReactNode } from 'react';
import { RULE_FIELDS, type EntryRules, type RuleLayer } from '@glen/core';
import type { Answer, Problem } from '@glen/contract';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { HostsGone } from './HostsGone.js';
import { PresetButton } from './Presets.js';
import { Outcome } from './Outcome.js';
import { CapacityPart, CodePart, ReadPart, RulePart } from './RulePart.js';
import { RULE_NAMES, valueInWords, type ListedRule } from './sentences.js';
import type { RuleEdits } from './useRuleEdits.js';

const OWN: Record<string, string> = {
  school: 'for the school',
  teacher: 'as your own defaults',
  class: 'for this class period alone',
  link: 'for this link alone',
  series: 'for this series alone',
  occurrence: 'for this date alone',
};
function Line({ name, children }: { name: string; children: ReactNode }) {
  return (
    <div className="grid gap-x-4 sm:grid-cols-[6.5rem_1fr]">
      <h2 className="pt-1.5 text-base text-soft">{name}</h2>
      <p className="text-lg leading-sentence">{children}</p>
    </div>
  );
}

interface OwnProps {
  edits: RuleEdits;
  showSources: boolean;
}
interface SentencesProps extends OwnProps {
  isPasted: boolean;
}

/** "The roll goes", "presenters go". */
const isOne = ({ straightIn }: EntryRules): boolean =>
  straightIn === 'roll' || straightIn === 'school' || straightIn === 'everyone';

/** What the marks in the sentence mean. */
function ByHandLegend({ edits }: Pick<OwnProps, 'edits'>) {
  if (edits.byHand.length === 0) return null;
  return (
    <p className="mt-1 text-sm text-soft">
      <span className="font-mono text-xs text-gorse-deep">by hand</span> The room behind the door
      cannot be told this; somebody sets it there.
    </p>
  );
}

/** The rules by the moment at which they matter. What the table sets is read along; every marked part is a control. */
function Sentences(props: SentencesProps) {
  const { rules } = props.edits;
  const part = (field: ListedRule): ReactNode => <RulePart {...props} field={field} />;
  const read = (field: ListedRule): ReactNode => <ReadPart {...props} field={field} />;
  const rest = rules.straightIn === 'everyone' ? '' : ', the rest wait in the lobby';
  return (
    <div className="grid gap-1">
      <Line name="Before">
        Opens {part('opensBefore')}, {part('withoutHost')}. Code: <CodePart {...props} />.
      </Line>
      <Line name="At the door">
        {read('whoMayEnter')} may enter; {read('straightIn')} {isOne(rules) ? 'goes' : 'go'}{' '}
        straight in{rest}. {read('presenters')} present. Phones: {read('phone')}.
      </Line>
      <Line name="Inside">
        All arrive {part('arriveMuted')} and {part('mayUnmute')}; cameras: hosts{' '}
        {part('hostCamera')}, others {part('camera')}. Chat {part('chat')}. Recording{' '}
        {part('recording')}.
      </Line>
      <Line name="After">
        Shut {part('closesAfter')}, or when a host ends it.{' '}
        <HostsGone edits={props.edits} isPasted={props.isPasted} />
      </Line>
      <ByHandLegend edits={props.edits} />
      <details className="mt-1">
        <summary className="cursor-pointer text-soft">Rare rules</summary>
        <Line name="At the door">
          Also {part('watching')}. Room for <CapacityPart {...props} />.
        </Line>
        <Line name="Inside">
          Screens are shared by {part('sharing')}; comings and goings are {part('chime')}.
        </Line>
      </details>
    </div>
  );
}

/** What is set in this scope alone, each with the way back. */
function OwnRules({ edits, showSources }: OwnProps) {
  const { own, scope, busy, mayEdit, isOwn, back, backWords, ownHostsGone } = edits;
  const fields = RULE_FIELDS.filter(isOwn);
  const n = fields.length + (ownHostsGone === null ? 0 : 1);
  if (n === 0) return null;
  const count = n === 1 ? '1 rule is set' : `${n} rules are set`;
  return (
    <details className="min-w-0 flex-1 pt-1" open={showSources}>
      <summary className="cursor-pointer text-soft">
        {count} {OWN[scope]}
      </summary>
      <ul className="mt-1 text-md">
        {fields.map((field) => (
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
        {ownHostsGone !== null && <li>When all hosts have left: out after {ownHostsGone} min</li>}
      </ul>
    </details>
  );
}

const FASTER =
  'Somebody changed these rules just now. They are shown as they stand; choose again if you still want your change.';

const problemInWords = ({ status, errors, title }: Problem): string =>
  status === 409 ? FASTER : (errors?.[0]?.message ?? title);

interface EditorProps {
  edits: RuleEdits;
  answer: Answer<'rules'>;
  zone: string;
  showSources?: boolean;
}

/** Entry rules as a table of what they come to, and as sentences by moment; below them what is set in this scope alone. */
export function RulesEditor({ edits, answer, zone, showSources = false }: EditorProps) {
  const layers = answer.layers as RuleLayer[];
  const { put, problem, busy, mayEdit } = edits;
  const take = (rules: Partial<EntryRules>, name: string): void =>
    void put(rules, `The rules are those of: ${name}.`);
  return (
    <>
      {problem && <FieldError>{problemInWords(problem)}</FieldError>}
      <Outcome answer={answer} edits={edits} zone={zone} />
      <Sentences
        edits={edits}
        showSources={showSources}
        isPasted={answer.setting.holds.length === 0}
      />
      <div className="mt-3 flex flex-wrap items-start gap-x-6 gap-y-2">
        {mayEdit && <PresetButton layers={layers} busy={busy} onTake={take} />}
        <OwnRules edits={edits} showSources={showSources} />
      </div>
    </>
  );
}
