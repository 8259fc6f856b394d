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
  if (n === 0) return 'Nothing is fixed for everyone';
  return n === 1 ? 'One rule is fixed for everyone' : `${n} rules are fixed for everyone`;
}

function ownInWords(n: number): string {
  if (n === 0) return 'All as the school has it';
  return n === 1 ? 'One rule is your own' : `${n} rules are your own`;
}

const MINE_IS_ELSEWHERE: Note = {
  severity: 'inform',
  title: 'Yours to read',
  text: 'The head and the office change these. Your own defaults are a page of their own.',
};

const schoolNotes = ({ ownLocks, mayEdit }: RuleEdits): Note[] => [
  {
    severity: 'inform',
    title: fixedInWords(ownLocks.length),
    text:
      ownLocks.length === 0
        ? 'A lock beside a rule takes it out of everybody’s hands.'
        : `${names(ownLocks)}. Teachers see them with a lock.`,
  },
  ...(mayEdit ? [] : [MINE_IS_ELSEWHERE]),
];

const SCHOOL = {
  title: 'The school’s entry rules',
  words:
    'They count for every door, unless its teacher, class period, link or session says otherwise.',
};

const ALONE = {
  title: 'Your entry rules',
  words:
    'They count for every door of yours, unless its class period, link or session says otherwise.',
};

/** The school's defaults, and which of them are fixed for everyone. */
export function SchoolDefaults({ me }: { me: Me }) {
  const { alone } = me.school;
  const asked = api.useSchoolRulesQuery();
  return (
    <Loaded asked={asked}>
      {(answer) => (
        <Defaults
          {...(alone ? ALONE : SCHOOL)}
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
  title: 'The school overrules you',
  text: `${names(fields)}: fixed for everyone.`,
});

const ownNotes = ({ locked, overruled, own }: RuleEdits): Note[] => [
  ...(overruled.length > 0 ? [overruledNote(overruled.map((o) => o.field))] : []),
  {
    severity: 'inform',
    title: ownInWords(Object.keys(own).length),
    text:
      locked.length > 0 ? `The school has fixed: ${names(locked)}.` : 'The school has fixed none.',
  },
];

/** A teacher's own defaults, over the school's. */
export function OwnDefaults({ me }: { me: Me }) {
  const asked = api.useOwnRulesQuery();
  return (
    <Loaded asked={asked}>
      {(answer) => (
        <Defaults
          title="Your own entry rules"
          words="They count for the class periods that you are the first host of, unless the class period, link or session says otherwise."
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
