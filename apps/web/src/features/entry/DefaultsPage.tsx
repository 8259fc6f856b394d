import { worstFirst, type EntryRules, type Note } from '@glen/core';
import type { Answer, Me } from '@glen/contract';
import { wayBack } from '../../app/wayBack.js';
import { api } from '../../app/api.js';
import { Loaded } from '../../app/Loaded.js';
import { Margin, Screen } from '../../ui/Margin.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { SchoolTabs } from '../school/SchoolTabs.js';
import { RulesEditor } from './RulesEditor.js';
import { useRuleEdits, type SaveRules } from './useRuleEdits.js';
import { RULE_NAMES } from './sentences.js';
import { fill, many } from '../../ui/fill.js';
import * as say from './words.js';

type RuleEdits = ReturnType<typeof useRuleEdits>;

interface DefaultsProps {
  title: string;
  words: string;
  notes: (edits: RuleEdits) => Note[];
  answer: Answer<'rules'>;
  save: SaveRules;
  zone: string;
}

function Defaults({ title, words, notes, answer, save, zone }: DefaultsProps) {
  const edits = useRuleEdits(answer, save);
  return (
    <Screen margin={<Margin notes={worstFirst(notes(edits))} />}>
      <SchoolTabs />
      <header className="mb-4">
        <ScreenTitle tab={title} />
        <p className="text-soft">{words}</p>
      </header>
      <RulesEditor edits={edits} answer={answer} zone={zone} />
    </Screen>
  );
}

const names = (fields: readonly (keyof EntryRules)[]): string =>
  fields.map((f) => RULE_NAMES[f]).join('; ');

function fixedInWords(n: number): string {
  if (n === 0) return say.nothingIsFixedForEveryone;
  return many(say.rulesAreFixedForEveryone, n);
}

function ownInWords(n: number): string {
  if (n === 0) return say.allAsTheSchoolHas;
  return many(say.rulesAreYourOwn, n);
}

const MINE_IS_ELSEWHERE: Note = {
  severity: 'inform',
  title: say.yoursToRead,
  text: say.theHeadAndTheOffice,
};

const schoolNotes = ({ ownLocks, mayEdit }: RuleEdits): Note[] => [
  {
    severity: 'inform',
    title: fixedInWords(ownLocks.length),
    text:
      ownLocks.length === 0
        ? say.aLockBesideARule
        : fill(say.teachersSeeThem, { names: names(ownLocks) }),
  },
  ...(mayEdit ? [] : [MINE_IS_ELSEWHERE]),
];

/** The school's defaults, and which of them are fixed for everyone. */
export function SchoolDefaults({ me }: { me: Me }) {
  const { alone } = me.school;
  const asked = api.useSchoolRulesQuery();
  return (
    <Loaded asked={asked}>
      {(answer) => (
        <Defaults
          {...(alone ? say.alone : say.school)}
          answer={answer}
          zone={me.school.zone}
          save={({ version, rules, locked, hostsGone }) =>
            wayBack('setSchoolRules', {
              body: { version, rules: rules as EntryRules, locked, hostsGone },
            })
          }
          notes={alone ? () => [] : schoolNotes}
        />
      )}
    </Loaded>
  );
}

const overruledNote = (fields: (keyof EntryRules)[]): Note => ({
  severity: 'careful',
  title: say.theSchoolOverrulesYou,
  text: fill(say.fixedForEveryoneNames, { names: names(fields) }),
});

const ownNotes = ({ locked, overruled, own }: RuleEdits): Note[] => [
  ...(overruled.length > 0 ? [overruledNote(overruled.map((o) => o.field))] : []),
  {
    severity: 'inform',
    title: ownInWords(Object.keys(own).length),
    text:
      locked.length > 0
        ? fill(say.theSchoolHasFixed, { names: names(locked) })
        : say.theSchoolHasFixedNone,
  },
];

/** A teacher's own defaults, over the school's. */
export function OwnDefaults({ me }: { me: Me }) {
  const asked = api.useOwnRulesQuery();
  return (
    <Loaded asked={asked}>
      {(answer) => (
        <Defaults
          title={say.yourOwnEntryRules}
          words={say.theyCountForTheClass}
          answer={answer}
          zone={me.school.zone}
          save={({ version, rules, hostsGone }) =>
            wayBack('setOwnRules', { body: { version, rules, hostsGone } })
          }
          notes={ownNotes}
        />
      )}
    </Loaded>
  );
}
