import { addDays, type SchoolCalendar } from '@glen/core';
import { Add } from './Add.js';
import { Cell, Part, Row } from './Cells.js';
import { drop, put, type CalendarPartProps } from './calendarLists.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type Term = SchoolCalendar['terms'][number];

/** A term after the last one: a week of rest, then nine weeks. */
function nextTerm(terms: Term[]): Term {
  const last = terms.at(-1)?.last;
  if (!last) return { name: say.term, first: '2026-09-01', last: '2026-12-18' };
  return { name: say.term, first: addDays(last, 7), last: addDays(last, 70) };
}

interface TermRowProps {
  term: Term;
  at: number;
  onChange: (part: Partial<Term>) => void;
  onRemove: (() => void) | undefined;
}

function TermRow({ term, at, onChange, onRemove }: TermRowProps) {
  const path = `calendar.terms.${at}`;
  return (
    <Row name={term.name} path={path} {...(onRemove ? { onRemove } : {})}>
      <Cell
        label={fill(say.nameOfTerm, { at: at + 1 })}
        value={term.name}
        path={`${path}.name`}
        onChange={(name) => onChange({ name })}
      />
      <Cell
        type="date"
        label={fill(say.firstDayOfTerm, { term: term.name })}
        value={term.first}
        path={`${path}.first`}
        onChange={(first) => onChange({ first })}
      />{' '}
      {say.to}
      <Cell
        type="date"
        label={fill(say.lastDayOfTerm, { term: term.name })}
        value={term.last}
        path={`${path}.last`}
        onChange={(last) => onChange({ last })}
      />
    </Row>
  );
}

export function Terms({ calendar: { terms }, change }: CalendarPartProps) {
  // A school without a term has no year.
  const mayRemove = terms.length > 1;
  return (
    <Part title={say.terms} hint={say.bothDaysCountUntilTerm}>
      <ul>
        {terms.map((term, i) => (
          <TermRow
            key={i}
            term={term}
            at={i}
            onChange={(part) => change({ terms: put(terms, i, part) })}
            onRemove={mayRemove ? () => change({ terms: drop(terms, i) }) : undefined}
          />
        ))}
      </ul>
      <Add onClick={() => change({ terms: [...terms, nextTerm(terms)] })}>{say.anotherTerm}</Add>
    </Part>
  );
}
