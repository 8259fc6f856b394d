import { useState } from 'react';
import type { Problem } from '@glen/contract';
import { Button } from '../../ui/Button.js';
import { FieldError, inputClass } from '../../ui/Field.js';
import type { RollEdits, RollLines } from './useRollEdits.js';

type Line = RollLines[number];

const WHAT: Record<Line['what'], string> = {
  add: 'put on the roll',
  make: 'new to the school, and put on the roll',
  there: 'on the roll already',
  doubt: 'asked about',
  wrong: 'left out',
};

/** Only so many lines of a kind are shown; the others are counted. */
const SHOWN = 12;

/** Who is put on the roll by a line: somebody known, or somebody new. */
const personOf = ({ personId, name, email }: Line) =>
  personId === null ? { name, email } : { personId };

interface DoubtProps {
  line: Line;
  isTaken: boolean;
  onTake: (isTaken: boolean) => void;
}

const Doubt = ({ line, isTaken, onTake }: DoubtProps) => (
  <li>
    <label className="flex items-baseline gap-2.5 py-0.5">
      <input
        type="checkbox"
        className="accent-bracken"
        checked={isTaken}
        onChange={(e) => onTake(e.target.checked)}
      />
      <span>
        <b>{line.name}</b> {line.email}{' '}
        <span className="text-soft">
          line {line.line}: {line.why}
        </span>
      </span>
    </label>
  </li>
);

/** Lines that go one way, a few of them shown. */
function Kind({ lines, what }: { lines: Line[]; what: Line['what'] }) {
  const these = lines.filter((l) => l.what === what);
  if (these.length === 0) return null;
  return (
    <details open={what === 'wrong'}>
      <summary className="cursor-pointer">
        {these.length === 1 ? '1 line' : `${these.length} lines`}: {WHAT[what]}
      </summary>
      <ul className="mt-1 pl-5 text-md">
        {these.slice(0, SHOWN).map((l) => (
          <li key={l.line}>
            {l.name || l.email || `line ${l.line}`}{' '}
            <span className="text-soft">{l.why ? `line ${l.line}: ${l.why}` : l.email}</span>
          </li>
        ))}
        {these.length > SHOWN && (
          <li className="text-soft">and {these.length - SHOWN} more like these</li>
        )}
      </ul>
    </details>
  );
}

interface FoundProps {
  lines: RollLines;
  edits: RollEdits;
  onDone: () => void;
}

/** What the list would do, line by line, and doing it; what is doubtful only if it is ticked. */
function Found({ lines, edits, onDone }: FoundProps) {
  const [taken, setTaken] = useState<number[]>([]);
  const doubts = lines.filter((l) => l.what === 'doubt');
  const people = lines
    .filter((l) => l.what === 'add' || l.what === 'make' || taken.includes(l.line))
    .map(personOf);
  const [problem, setProblem] = useState<Problem>();
  const add = async (): Promise<void> => {
    const refused = await edits.add(people);
    if (refused) setProblem(refused);
    else onDone();
  };
  return (
    <section aria-label="What the list does" className="mt-3 grid gap-2">
      {(['make', 'add', 'there', 'wrong'] as const).map((what) => (
        <Kind key={what} what={what} lines={lines} />
      ))}
      {doubts.length > 0 && (
        <>
          <p>To be asked about; tick those that are right:</p>
          <ul>
            {doubts.map((line) => (
              <Doubt
                key={line.line}
                line={line}
                isTaken={taken.includes(line.line)}
                onTake={(on) =>
                  setTaken(on ? [...taken, line.line] : taken.filter((n) => n !== line.line))
                }
              />
            ))}
          </ul>
        </>
      )}
      {problem && <FieldError>{problem.errors?.[0]?.message ?? problem.title}</FieldError>}
      <p className="flex gap-3">
        <Button
          kind="act"
          disabled={people.length === 0 || edits.isBusy}
          onClick={() => void add()}
        >
          {people.length === 1
            ? 'Put 1 student on the roll'
            : `Put ${people.length} students on the roll`}
        </Button>
        <Button onClick={onDone}>Leave it</Button>
      </p>
    </section>
  );
}

/** A list of names and addresses, pasted from wherever it is: shown line by line before anything is done. */
export function PasteList({ edits, onClose }: { edits: RollEdits; onClose: () => void }) {
  const [text, setText] = useState('');
  const [lines, setLines] = useState<RollLines>();
  return (
    <div className="mt-3">
      <textarea
        aria-label="A list of names and addresses"
        className={`${inputClass} min-h-32 font-mono text-sm`}
        placeholder={'Ansel Grue <a.grue@school.example>\nor columns copied out of a table'}
        value={text}
        onChange={(e) => {
          setText(e.target.value);
          setLines(undefined);
        }}
      />
      {lines ? (
        <Found lines={lines} edits={edits} onDone={onClose} />
      ) : (
        <p className="mt-2 flex gap-3">
          <Button
            kind="strong"
            disabled={text.trim() === '' || edits.isBusy}
            onClick={() => void edits.look(text).then(setLines)}
          >
            Look what it does
          </Button>
          <Button onClick={onClose}>Leave it</Button>
        </p>
      )}
    </div>
  );
}
