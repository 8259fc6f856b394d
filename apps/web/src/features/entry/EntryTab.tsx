import { useState } from 'react';
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
import { ClassHead, type ClassAnswer } from '../classes/ClassPage.js';
import { Margin, Screen } from '../frame/Margin.js';
import { OutcomeTable } from './OutcomeTable.js';
import { RulesEditor, useRuleEdits } from './RulesEditor.js';
import { TryDoor } from './TryDoor.js';
import { RULE_NAMES } from './sentences.js';

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

function Rules({ of, answer, zone }: { of: ClassAnswer; answer: Answer<'rules'>; zone: string }) {
  const [setRules] = api.useSetRulesMutation();
  const [showSources, setShowSources] = useState(false);
  const classId = of.class.id;
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
            of={of}
            zone={zone}
            asksCode={rules.entryCode !== null}
            watching={rules.watching}
            version={answer.version}
          />
        </Margin>
      }
    >
      <ClassHead of={of} />
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

export default function EntryTab({ of, zone }: { of: ClassAnswer; zone: string }) {
  const { data, error, refetch } = api.useRulesQuery({ params: { classId: of.class.id } });
  if (error && !data)
    return (
      <Screen>
        <ClassHead of={of} />
        <Trouble problem={problemOf(error)} retry={() => void refetch()} />
      </Screen>
    );
  if (!data)
    return (
      <Screen>
        <ClassHead of={of} />
        <Loading />
      </Screen>
    );
  return <Rules of={of} answer={data} zone={zone} />;
}
