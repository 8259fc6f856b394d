import { PERSON_KINDS, entryTable, type PersonKind } from '@glen/core';
import type { Answer } from '@glen/contract';
import { wallClock } from '../../app/clock.js';
import { OutcomeTable } from './OutcomeTable.js';
import type { RuleEdits } from './useRuleEdits.js';

/** Any times do for a table of a door with nothing planned. */
const SOME_TIMES = { opens: '2026-01-01T09:00:00Z', closes: '2026-01-01T10:00:00Z' };

interface OutcomeProps {
  answer: Answer<'rules'>;
  edits: RuleEdits;
  zone: string;
}

/** Kinds of people that may come to this door at all; whoever may set the rules sees all. */
function kindsAt({ presenters }: Answer<'rules'>, { rules, mayEdit }: RuleEdits): PersonKind[] {
  if (mayEdit) return [...PERSON_KINDS];
  const isAbsent: Partial<Record<PersonKind, boolean>> = {
    'named-presenter': presenters.length === 0,
    phone: rules.phone === 'none',
  };
  return PERSON_KINDS.filter((kind) => !isAbsent[kind]);
}

/** What rules come to at the door: the table of the core, with the real times and names, to be set where one may. */
export const Outcome = ({ answer, edits, zone }: OutcomeProps) => (
  <OutcomeTable
    table={entryTable(edits.rules, answer.next ?? SOME_TIMES, kindsAt(answer, edits))}
    names={answer}
    opensAt={answer.next && wallClock(answer.next.opens, zone).time}
    asksCode={edits.rules.entryCode !== null}
    edits={edits}
  />
);
