import { useState } from 'react';
import {
  notesForRules,
  reviewRules,
  worstFirst,
  type Note,
  type NoteAction,
  type RuleField,
} from '@glen/core';
import type { Answer } from '@glen/contract';
import { wayBack } from '../../app/wayBack.js';
import { api } from '../../app/api.js';
import { Loaded } from '../../app/Loaded.js';
import { Margin, Screen, type Around } from '../../ui/Margin.js';
import { RulesEditor } from './RulesEditor.js';
import { useRuleEdits } from './useRuleEdits.js';
import { TryDoor } from './TryDoor.js';
import { RULE_NAMES } from './sentences.js';
import type { ClassPeriod } from '../school/classPeriod.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type Edits = ReturnType<typeof useRuleEdits>;

const overruledNote = (fields: RuleField[]): Note => ({
  severity: 'careful',
  title: say.theSchoolOverrulesYou,
  text: fill(say.theSchoolHasFixedThis, { fields: fields.map((f) => RULE_NAMES[f]).join('; ') }),
});

/** How many rules come from where. */
function sourcesNote({ from, locked }: Edits, areShown: boolean): Note {
  const count = (scope: string): number => Object.values(from).filter((s) => s === scope).length;
  return {
    severity: 'inform',
    title: say.whereEachRuleComesFrom,
    text: fill(locked.length > 0 ? say.rulesByWhereFixed : say.rulesByWhere, {
      school: count('school'),
      fixed: locked.length,
      teacher: count('teacher'),
      own: count('class'),
    }),
    actions: [{ name: 'show-sources', label: areShown ? say.hideSources : say.showSources }],
  };
}

const WELL_GUARDED: Note = {
  severity: 'well',
  title: say.wellGuarded,
  text: say.nothingUnsafeNothingThatUndoes,
};

/** What needs thought about the rules; what mends it only for whoever may. */
function notesOf(
  answer: Answer<'rules'>,
  edits: Edits,
  classId: number,
  areShown: boolean,
): Note[] {
  const { rules, locked, overruled, mayEdit } = edits;
  const findings = notesForRules(reviewRules(rules, answer.setting), locked, classId);
  const isGuarded = findings.every((n) => n.severity === 'inform');
  return worstFirst([
    ...(mayEdit ? findings : findings.map(({ actions: _, ...note }) => note)),
    ...(overruled.length > 0 ? [overruledNote(overruled.map((o) => o.field))] : []),
    sourcesNote(edits, areShown),
    ...(isGuarded ? [WELL_GUARDED] : []),
  ]);
}

interface EntryProps {
  classPeriod: ClassPeriod;
  around: Around;
  zone: string;
}

function Rules({ classPeriod, around, answer, zone }: EntryProps & { answer: Answer<'rules'> }) {
  const [showSources, setShowSources] = useState(false);
  const classId = classPeriod.class.id;
  const edits = useRuleEdits(answer, ({ version, rules, hostsGone }) =>
    wayBack('setRules', { params: { classId }, body: { version, rules, hostsGone } }),
  );
  const { rules, own } = edits;
  const act = (action: NoteAction): void => {
    if (action.name === 'show-sources') setShowSources(!showSources);
    else
      void edits.put({ ...own, ...action.rules }, fill(say.actionDone, { action: action.label }));
  };
  return (
    <Screen
      around={around}
      margin={
        <Margin notes={notesOf(answer, edits, classId, showSources)} onAction={act}>
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
      <RulesEditor edits={edits} answer={answer} zone={zone} showSources={showSources} />
    </Screen>
  );
}

/** Who gets into a class period, by sentences that can be changed. */
export default function EntryTab({ classPeriod, around, zone }: EntryProps) {
  const asked = api.useRulesQuery({ params: { classId: classPeriod.class.id } });
  return (
    <Loaded asked={asked} lines={4} around={around}>
      {(answer) => <Rules around={around} classPeriod={classPeriod} answer={answer} zone={zone} />}
    </Loaded>
  );
}
