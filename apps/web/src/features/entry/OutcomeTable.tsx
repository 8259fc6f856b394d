import { useMemo, type KeyboardEvent } from 'react';
import {
  choicesOfCell,
  wayOf,
  type EntryDecision,
  type EntryTable,
  type PersonKind,
  type Way,
  type WayChoice,
  type WayColumn,
} from '@glen/core';
import { ChoiceBox } from '../../ui/choices.js';
import {
  COLUMN_WORDS,
  momentWords,
  othersInWords,
  outcomeInWords,
  rowName,
  wayInWords,
  type Names,
} from './tableWords.js';
import type { RuleEdits } from './useRuleEdits.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

const TONES = {
  well: 'bg-moss-tint text-moss-deep',
  careful: 'bg-gorse-tint text-gorse-deep',
  wrong: 'bg-berry-tint text-berry-deep',
  plain: 'bg-shade text-ink',
} as const;

const filled = 'rounded-small px-2.5 py-1.5 text-left leading-tight font-semibold';

/** What can be set in a row, by its columns. */
type Settable = Record<WayColumn, WayChoice[]>;

interface RowProps {
  row: EntryTable['rows'][number];
  moments: EntryTable['moments'];
  names: Names;
  opensAt: string | null;
  edits: RuleEdits;
}

/** What each cell of a row says, and what it can be set to by whoever may. */
function useRow(kind: PersonKind, edits: RuleEdits): { way: Way; settable: Settable } {
  const { rules, locked, isSchool } = edits;
  return useMemo(() => {
    // The school's own locks bind everyone else.
    const fixed = isSchool ? [] : locked;
    const settable = (column: WayColumn) => choicesOfCell(kind, column, rules, fixed);
    return {
      way: wayOf(kind, rules),
      settable: {
        comesIn: settable('comesIn'),
        presents: settable('presents'),
        withoutHost: settable('withoutHost'),
      },
    };
  }, [kind, rules, locked, isSchool]);
}

interface CellProps {
  who: string;
  column: WayColumn;
  value: Way[WayColumn];
  choices: WayChoice[];
  edits: RuleEdits;
}

/** A cell that is set by a choice from what the rules can do. */
function SetCell({ who, column, value, choices, edits }: CellProps) {
  const { own, put, busy } = edits;
  const choose = (chosen: string): void => {
    const choice = choices.find((c) => String(c.value) === chosen);
    if (!choice) return;
    const said = [`${COLUMN_WORDS[column]}: ${wayInWords(column, choice.value)}`];
    if (choice.others.length > 0) said.push(othersInWords(choice));
    void put({ ...own, ...choice.rules }, `${who}, ${said.join('; ')}.`);
  };
  return (
    <td>
      <ChoiceBox
        dress="cell"
        width="w-full"
        label={`${who}: ${COLUMN_WORDS[column]}`}
        value={String(value)}
        disabled={busy}
        onChange={choose}
        choices={choices.map((choice) => ({
          value: String(choice.value),
          label: wayInWords(column, choice.value),
          ...(choice.others.length > 0 ? { hint: othersInWords(choice) } : {}),
        }))}
      />
    </td>
  );
}

/** How they come in, and whether they present: to be set, or only to be read. */
function WayCell(props: CellProps) {
  const { column, value, choices, edits } = props;
  if (edits.mayEdit && choices.length > 1) return <SetCell {...props} />;
  return <td className={`${filled} bg-shade`}>{wayInWords(column, value)}</td>;
}

function OutcomeCell({ answer, opensAt }: { answer: EntryDecision; opensAt: string | null }) {
  const { text, tone } = outcomeInWords(answer, opensAt);
  return <td className={`${filled} ${TONES[tone]}`}>{text}</td>;
}

function OutcomeRow({ row, moments, names, opensAt, edits }: RowProps) {
  const { kind, answers } = row;
  const { who, as } = rowName(kind, names);
  const { way, settable } = useRow(kind, edits);
  const shared = { who, edits };
  const isSet = edits.mayEdit && settable.withoutHost.length > 1;
  return (
    <tr>
      <th scope="row" className={`${filled} bg-shade`}>
        {who}
        {as && <span className="font-normal text-soft"> · {as}</span>}
      </th>
      <WayCell {...shared} column="comesIn" value={way.comesIn} choices={settable.comesIn} />
      <WayCell {...shared} column="presents" value={way.presents} choices={settable.presents} />
      {answers.map((answer, i) =>
        moments[i] === 'open-no-host' && isSet ? (
          <SetCell
            key={moments[i]}
            {...shared}
            column="withoutHost"
            value={way.withoutHost}
            choices={settable.withoutHost}
          />
        ) : (
          <OutcomeCell key={moments[i]} answer={answer} opensAt={opensAt} />
        ),
      )}
    </tr>
  );
}

const STEPS: Record<string, [rows: number, cells: number]> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
};
const settableIn = (part: Element | undefined): HTMLElement | null =>
  part?.querySelector<HTMLElement>('[role=combobox]') ?? null;

/** The next cell that can be set in a direction; those between that cannot are passed over. */
function nextCell(from: HTMLTableCellElement, [rows, cells]: [number, number]): HTMLElement | null {
  const row = from.parentElement as HTMLTableRowElement;
  const all = [...(row.parentElement as HTMLTableSectionElement).rows];
  let at = { row: all.indexOf(row) + rows, cell: from.cellIndex + cells };
  while (all[at.row]?.cells[at.cell]) {
    const found = settableIn(all[at.row]!.cells[at.cell]);
    if (found) return found;
    at = { row: at.row + rows, cell: at.cell + cells };
  }
  return null;
}

/** Arrows go from cell to cell; Enter opens the list of one. */
function goByArrows(event: KeyboardEvent<HTMLTableElement>): void {
  const step = STEPS[event.key];
  const target = event.target as HTMLElement;
  const cell = target.closest('td');
  if (!step || !cell || target.getAttribute('aria-expanded') === 'true') return;
  event.preventDefault();
  event.stopPropagation();
  nextCell(cell, step)?.focus();
}

interface OutcomeTableProps {
  table: EntryTable;
  names: Names;
  opensAt: string | null;
  asksCode: boolean;
  edits: RuleEdits;
}

const headClass = 'px-1 text-left align-bottom text-sm font-semibold text-soft';

/** What the table cannot say in its cells. */
const Beneath = ({ names, asksCode }: Pick<OutcomeTableProps, 'names' | 'asksCode'>) => (
  <>
    {names.takesOver.length > 0 && (
      <p className="mt-1 text-sm text-soft">
        {fill(say.whileNoHost, { takesOver: names.takesOver.join('; ') })}
      </p>
    )}
    {asksCode && <p className="mt-1 text-sm text-soft">{say.everyoneIsTakenToKnow}</p>}
  </>
);

/** The rules by their outcome, kind of person by moment: read, and set, in one. */
export function OutcomeTable({ table, names, opensAt, asksCode, edits }: OutcomeTableProps) {
  const words = momentWords(opensAt);
  return (
    <section aria-labelledby="so-at-the-door" className="mb-4 overflow-x-auto" tabIndex={0}>
      <h2 id="so-at-the-door" className="text-base">
        {say.soAtTheDoor}
      </h2>
      {edits.mayEdit && <p className="mb-1 text-sm text-soft">{say.pressACellToChange}</p>}
      <table
        className="w-full min-w-160 table-fixed border-separate border-spacing-1 text-md"
        onKeyDownCapture={goByArrows}
      >
        <colgroup>
          <col className="w-[22%]" />
          <col className="w-[14%]" />
          <col className="w-[11%]" />
        </colgroup>
        <thead>
          <tr>
            <td />
            <th scope="col" className={headClass}>
              {say.comesIn}
            </th>
            <th scope="col" className={headClass}>
              {say.presents}
            </th>
            {table.moments.map((m) => (
              <th key={m} scope="col" className={headClass}>
                {words[m]}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {table.rows.map((row) => (
            <OutcomeRow
              key={row.kind}
              row={row}
              moments={table.moments}
              names={names}
              opensAt={opensAt}
              edits={edits}
            />
          ))}
        </tbody>
      </table>
      <Beneath names={names} asksCode={asksCode} />
    </section>
  );
}
