import { useState } from 'react';
import type { Answer } from '@glen/contract';
import { useServerForm } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { FieldError, inputClass } from '../../ui/Field.js';
import type { RollEdits, RollLines } from './useRollEdits.js';
import { fill, many } from '../../ui/fill.js';
import * as say from './words.js';

type Line = RollLines[number];

const WHAT: Record<Line['what'], string> = say.what;

/** Only so many lines of a kind are shown; the others are counted. */
const SHOWN = 12;

/** Who is put on the roll by a line: somebody known, or somebody new. */
const personOf = ({ personId, name, email }: Line) =>
  personId === null ? { name, email } : { personId };

/** Who is put on the roll: whoever is clear, and whoever was doubtful and is ticked. */
const peopleOf = (lines: RollLines, taken: number[]) =>
  lines
    .filter((l) => l.what === 'add' || l.what === 'make' || taken.includes(l.line))
    .map(personOf);

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
        <span className="text-soft">{fill(say.lineWhy, { line: line.line, why: line.why })}</span>
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
        {many(say.lines, these.length)}: {WHAT[what]}
      </summary>
      <ul className="mt-1 pl-5 text-md">
        {these.slice(0, SHOWN).map((l) => (
          <li key={l.line}>
            {l.name || l.email || fill(say.lineLine, { line: l.line })}{' '}
            <span className="text-soft">
              {l.why ? fill(say.lineWhy, { line: l.line, why: l.why }) : l.email}
            </span>
          </li>
        ))}
        {these.length > SHOWN && (
          <li className="text-soft">
            {fill(say.andMoreLikeThese, { theseCount: these.length - SHOWN })}
          </li>
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
  const form = useServerForm<{ taken: number[] }, { taken: number[] }, void>({
    start: { taken: [] },
    send: async (ticked) => ({ error: await edits.add(peopleOf(lines, ticked.taken)) }),
    onDone,
  });
  const { submit, change, isSending, problem } = form;
  const taken = form.watch('taken');
  const doubts = lines.filter((l) => l.what === 'doubt');
  const people = peopleOf(lines, taken);
  return (
    <form aria-label={say.whatTheListDoes} className="mt-3 grid gap-2" onSubmit={submit}>
      {(['make', 'add', 'there', 'wrong'] as const).map((what) => (
        <Kind key={what} what={what} lines={lines} />
      ))}
      {doubts.length > 0 && (
        <>
          <p>{say.toBeAskedAboutTick}</p>
          <ul>
            {doubts.map((line) => (
              <Doubt
                key={line.line}
                line={line}
                isTaken={taken.includes(line.line)}
                onTake={(on) =>
                  change({
                    taken: on ? [...taken, line.line] : taken.filter((n) => n !== line.line),
                  })
                }
              />
            ))}
          </ul>
        </>
      )}
      {problem && <FieldError>{problem.title}</FieldError>}
      <p className="flex gap-3">
        <Button kind="act" type="submit" disabled={people.length === 0 || isSending}>
          {many(say.putStudentsOnTheRoll, people.length)}
        </Button>
        <Button onClick={onDone}>{say.leaveIt}</Button>
      </p>
    </form>
  );
}

/** A list of names and addresses, pasted from wherever it is: shown line by line before anything is done. */
export function PasteList({ edits, onClose }: { edits: RollEdits; onClose: () => void }) {
  const [lines, setLines] = useState<RollLines>();
  const form = useServerForm<{ text: string }, { text: string }, Answer<'previewRoll'>>({
    start: { text: '' },
    send: ({ text }) => edits.look(text),
    onDone: (answer) => setLines(answer.lines),
  });
  const { submit, change, watch, errorAt, problem, isSending } = form;
  const text = watch('text');
  const wrong = errorAt('text') ?? problem?.title;
  return (
    <div className="mt-3">
      <form onSubmit={submit}>
        <textarea
          aria-label={say.aListOfNames}
          aria-invalid={wrong !== undefined}
          className={`${inputClass} min-h-32 font-mono text-sm`}
          placeholder={say.anselGrueAGrueSchool}
          value={text}
          onChange={(e) => {
            change({ text: e.target.value });
            setLines(undefined);
          }}
        />
        {wrong && <FieldError>{wrong}</FieldError>}
        {!lines && (
          <p className="mt-2 flex gap-3">
            <Button kind="strong" type="submit" disabled={text.trim() === '' || isSending}>
              {say.seeWhatItDoes}
            </Button>
            <Button onClick={onClose}>{say.leaveIt}</Button>
          </p>
        )}
      </form>
      {lines && <Found lines={lines} edits={edits} onDone={onClose} />}
    </div>
  );
}
