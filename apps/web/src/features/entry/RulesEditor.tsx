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
import { fill, many } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

const OWN: Record<string, string> = say.own;
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
  straightIn === 'roll' || straightIn === 'school';

function whoGoesIn(rules: EntryRules): keyof typeof say.whoComesIn {
  if (rules.straightIn === 'everyone') return 'all';
  return isOne(rules) ? 'one' : 'some';
}

/** What the marks in the sentence mean. */
function ByHandLegend({ edits }: Pick<OwnProps, 'edits'>) {
  if (edits.byHand.length === 0) return null;
  return (
    <p className="mt-1 text-sm text-soft">
      <Said
        as={say.byHandTheRoomBehind}
        what={(text) => <span className="font-mono text-xs text-gorse-deep">{text}</span>}
      />
    </p>
  );
}

const RareRules = (props: SentencesProps) => (
  <details className="mt-1">
    <summary className="cursor-pointer text-soft">{say.rareRules}</summary>
    <Line name={say.atTheDoor}>
      <Said
        as={say.alsoRoomFor}
        watching={<RulePart {...props} field="watching" />}
        capacity={<CapacityPart {...props} />}
      />
    </Line>
    <Line name={say.inside}>
      <Said
        as={say.screensAreSharedByComings}
        sharing={<RulePart {...props} field="sharing" />}
        chime={<RulePart {...props} field="chime" />}
      />
    </Line>
  </details>
);

/** The rules by the moment at which they matter. What the table sets is read along; every marked part is a control. */
function Sentences(props: SentencesProps) {
  const { rules } = props.edits;
  const part = (field: ListedRule): ReactNode => <RulePart {...props} field={field} />;
  const read = (field: ListedRule): ReactNode => <ReadPart {...props} field={field} />;
  return (
    <div className="grid gap-1">
      <Line name={say.before}>
        <Said
          as={say.opensCode}
          opensBefore={part('opensBefore')}
          withoutHost={part('withoutHost')}
          code={<CodePart {...props} />}
        />
      </Line>
      <Line name={say.atTheDoor}>
        <Said
          as={say.whoComesIn[whoGoesIn(rules)]}
          whoMayEnter={read('whoMayEnter')}
          straightIn={read('straightIn')}
          presenters={read('presenters')}
          phone={read('phone')}
        />
      </Line>
      <Line name={say.inside}>
        <Said
          as={say.allArriveAndCamerasHosts}
          arriveMuted={part('arriveMuted')}
          mayUnmute={part('mayUnmute')}
          hostCamera={part('hostCamera')}
          camera={part('camera')}
          chat={part('chat')}
          recording={part('recording')}
        />
      </Line>
      <Line name={say.after}>
        <Said as={say.shutOrWhenAHost} closesAfter={part('closesAfter')} />{' '}
        <HostsGone edits={props.edits} isPasted={props.isPasted} />
      </Line>
      <ByHandLegend edits={props.edits} />
      <RareRules {...props} />
    </div>
  );
}

/** What is set in this scope alone, each with the way back. */
function OwnRules({ edits, showSources }: OwnProps) {
  const { own, scope, busy, mayEdit, isOwn, back, backWords, ownHostsGone } = edits;
  const fields = RULE_FIELDS.filter(isOwn);
  const n = fields.length + (ownHostsGone === null ? 0 : 1);
  if (n === 0) return null;
  const count = many(say.rulesAreSet, n);
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
                aria-label={fill(say.ruleIsBackToTheDefault, { ruleName: RULE_NAMES[field] })}
              >
                {backWords(field)}
              </Button>
            )}
          </li>
        ))}
        {ownHostsGone !== null && <li>{fill(say.whenAllHostsHaveLeftOut, { ownHostsGone })}</li>}
      </ul>
    </details>
  );
}

const problemInWords = ({ status, errors, title }: Problem): string =>
  status === 409 ? say.somebodyChangedTheseRulesJust : (errors?.[0]?.message ?? title);

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
    void put(rules, fill(say.theRulesAreThoseOf, { name }));
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
