import { useState, type ReactNode } from 'react';
import {
  PERSON_KINDS,
  entryTable,
  notesForRules,
  reviewRules,
  worstFirst,
  type Note,
  type RuleField,
  type RuleLayer,
} from '@glen/core';
import type { Answer } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { wallClock } from '../../app/clock.js';
import { Loading, Trouble } from '../../ui/States.js';
import { Margin, Screen } from '../../ui/Margin.js';
import { OutcomeTable } from './OutcomeTable.js';
import { RulesEditor } from './RulesEditor.js';
import { useRuleEdits } from './useRuleEdits.js';
import { TryDoor } from './TryDoor.js';
import { RULE_NAMES } from './sentences.js';
import type { ClassPeriod } from '../school/classPeriod.js';

function sourceNotes(
  from: Record<RuleField, string>,
  locked: RuleField[],
  overruled: { field: RuleField }[],
  shown: boolean,
): Note[] {
  const count = (scope: string): number => Object.values(from).filter((s) => s === scope).length;
  const lockWords = locked.length > 0 ? ` (${locked.length} locked)` : '';
  return [
    ...(overruled.length > 0
      ? [
          {
            severity: 'careful' as const,
            title: 'The school overrules you',
            text: `${overruled.map((o) => RULE_NAMES[o.field]).join('; ')}: the school has fixed this for everyone.`,
          },
        ]
      : []),
    {
      severity: 'inform',
      title: 'Where each rule comes from',
      text: `${count('school')} from the school${lockWords}, ${count('teacher')} from the host’s own defaults, ${count('class')} set for this class period.`,
      actions: [{ name: 'show-sources', label: shown ? 'Hide sources' : 'Show sources' }],
    },
  ];
}

function Rules({
  classPeriod,
  head,
  answer,
  zone,
}: {
  classPeriod: ClassPeriod;
  head: ReactNode;
  answer: Answer<'rules'>;
  zone: string;
}) {
  const [setRules] = api.useSetRulesMutation();
  const [showSources, setShowSources] = useState(false);
  const classId = classPeriod.class.id;
  const edits = useRuleEdits(answer, ({ version, rules }) =>
    setRules({ params: { classId }, body: { version, rules } }),
  );
  const { rules, from, locked, overruled, own, mayEdit } = edits;
  const findings = notesForRules(reviewRules(rules, answer.setting), locked, classId);
  const guarded: Note[] = findings.some((n) => n.severity !== 'inform')
    ? []
    : [
        {
          severity: 'well',
          title: 'Well guarded',
          text: 'Nothing unsafe, nothing that undoes itself.',
        },
      ];
  const notes = worstFirst([
    ...(mayEdit
      ? findings
      : findings.map((n) => ({ severity: n.severity, title: n.title, text: n.text }))),
    ...sourceNotes(from, locked, overruled, showSources),
    ...guarded,
  ]);
  return (
    <Screen
      margin={
        <Margin
          notes={notes}
          onAction={(action) =>
            action.name === 'show-sources'
              ? setShowSources(!showSources)
              : void edits.put({ ...own, ...action.rules }, `${action.label}: done.`)
          }
        >
          <TryDoor
            classPeriod={classPeriod}
            zone={zone}
            asksCode={rules.entryCode !== null}
            watching={rules.watching}
            version={answer.version}
          />
        </Margin>
      }
    >
      {head}
      <RulesEditor edits={edits} layers={answer.layers as RuleLayer[]} showSources={showSources} />
      <Outcome answer={answer} rules={rules} zone={zone} />
    </Screen>
  );
}

/** Any times do for a table of a door with nothing planned. */
const SOME_TIMES = { opens: '2026-01-01T09:00:00Z', closes: '2026-01-01T10:00:00Z' };

/** What rules come to at the door: the table of the core, with the real times and names. */
export function Outcome({
  answer,
  rules,
  zone,
}: {
  answer: Answer<'rules'>;
  rules: ReturnType<typeof useRuleEdits>['rules'];
  zone: string;
}) {
  const kinds = PERSON_KINDS.filter(
    (k) =>
      (k !== 'named-presenter' || answer.presenters.length > 0) &&
      (k !== 'phone' || rules.phone !== 'none'),
  );
  return (
    <OutcomeTable
      table={entryTable(rules, answer.next ?? SOME_TIMES, kinds)}
      names={answer}
      opensAt={answer.next && wallClock(answer.next.opens, zone).time}
      asksCode={rules.entryCode !== null}
    />
  );
}

export default function EntryTab({
  classPeriod,
  head,
  zone,
}: {
  classPeriod: ClassPeriod;
  head: ReactNode;
  zone: string;
}) {
  const { data, error, refetch } = api.useRulesQuery({ params: { classId: classPeriod.class.id } });
  if (error && !data)
    return (
      <Screen>
        {head}
        <Trouble problem={problemOf(error)} retry={() => void refetch()} />
      </Screen>
    );
  if (!data)
    return (
      <Screen>
        {head}
        <Loading />
      </Screen>
    );
  return <Rules head={head} classPeriod={classPeriod} answer={data} zone={zone} />;
}
