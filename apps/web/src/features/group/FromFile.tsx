import { useRef, useState } from 'react';
import { groupProblemInWords, type ReadGroups, type RollPerson } from '@glen/core';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import type { Ask, Told } from './readGroups.worker.js';
import { fill, many } from '../../ui/fill.js';
import * as say from './words.js';

const MOST_BYTES = 20 * 1024 * 1024;
const SHOWN = 8;

function read(file: File, roll: RollPerson[]): Promise<Told> {
  return new Promise((resolve) => {
    const worker = new Worker(new URL('./readGroups.worker.ts', import.meta.url), {
      type: 'module',
    });
    const done = (told: Told): void => {
      worker.terminate();
      resolve(told);
    };
    worker.onmessage = ({ data }: MessageEvent<Told>) => done(data);
    worker.onerror = () => done({ wrong: say.thisFileCannotBeRead });
    void file.arrayBuffer().then(
      (bytes) => worker.postMessage({ bytes, roll } satisfies Ask, [bytes]),
      () => done({ wrong: say.theBrowserCouldNotOpen }),
    );
  });
}

interface FoundProps {
  name: string;
  found: ReadGroups;
  onUse: () => void;
  onLeave: () => void;
}

/** What a file comes to: the groups that were read, and line by line what was not. */
function FoundGroups({ name, found, onUse, onLeave }: FoundProps) {
  const placed = found.groups.reduce((n, g) => n + g.members.length, 0);
  return (
    <section
      aria-label={say.whatTheFileSays}
      className="mt-3 rounded-small border border-line bg-sheet p-4"
    >
      <h3 className="font-sans text-md font-bold">
        {fill(say.studentsInGroups, {
          name,
          students: many(say.students, placed),
          groups: many(say.groupsOf, found.groups.length),
        })}
      </h3>
      <p className="text-md text-soft">
        {found.groups.map((g) => `${g.name} ${g.members.length}`).join(' · ')}
        {found.left.length > 0 &&
          ` · ${fill(say.ofTheRollInNone, { leftCount: found.left.length })}`}
      </p>
      {found.problems.length > 0 && (
        <ul className="mt-2 text-md">
          {found.problems.slice(0, SHOWN).map((p) => (
            <li key={`${p.line} ${p.kind}`}>
              <span className="font-mono text-sm text-soft">
                {fill(say.lineLine, { line: p.line })}
              </span>{' '}
              {groupProblemInWords(p)}
            </li>
          ))}
          {found.problems.length > SHOWN && (
            <li className="text-soft">
              {fill(say.andMoreLinesLikeThese, { problemsCount: found.problems.length - SHOWN })}
            </li>
          )}
        </ul>
      )}
      <p className="mt-3 flex gap-2.5">
        <Button kind="strong" disabled={placed === 0} onClick={onUse}>
          {say.useTheseGroups}
        </Button>
        <Button onClick={onLeave}>{say.leaveIt}</Button>
      </p>
    </section>
  );
}

const NOT_READ_YET = 'reading';

/** Reads a chosen file, and keeps what it came to until it is used or left. */
function useFileOfGroups(roll: RollPerson[]) {
  const [name, setName] = useState('');
  const [answer, setAnswer] = useState<Told | typeof NOT_READ_YET>();
  const take = async (file: File): Promise<void> => {
    setName(file.name);
    if (file.size > MOST_BYTES) return setAnswer({ wrong: say.thisFileIsTooLarge });
    setAnswer(NOT_READ_YET);
    setAnswer(await read(file, roll));
  };
  const told = answer === NOT_READ_YET ? undefined : answer;
  return {
    name,
    take,
    leave: () => setAnswer(undefined),
    isReading: answer === NOT_READ_YET,
    found: told && 'read' in told ? told.read : undefined,
    wrong: told && 'wrong' in told ? told.wrong : undefined,
  };
}

/** A button that opens a file; the field itself stays out of sight. */
function ChooseFile({ onFile }: { onFile: (file: File) => void }) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <input
        ref={input}
        type="file"
        accept=".csv,.txt,.tsv,text/csv"
        className="sr-only"
        tabIndex={-1}
        aria-label={say.fileOfGroups}
        onChange={(e) => {
          const file = e.target.files?.[0];
          if (file) onFile(file);
          // The same file can be chosen again once it has been mended.
          e.target.value = '';
        }}
      />
      <Button onClick={() => input.current?.click()}>{say.fromAFileDots}</Button>
    </>
  );
}

interface FromFileProps {
  roll: RollPerson[];
  onUse: (read: ReadGroups) => void;
}

/** Groups from a file, shown before anything is changed: what was taken, and line by line what was not. */
export function FromFile({ roll, onUse }: FromFileProps) {
  const { name, take, leave, isReading, found, wrong } = useFileOfGroups(roll);
  return (
    <div className="min-w-0">
      <ChooseFile onFile={(file) => void take(file)} />
      {isReading && (
        <p role="status" className="mt-2 text-soft">
          {fill(say.readingNameDots, { name })}
        </p>
      )}
      {wrong && (
        <div className="mt-2">
          <FieldError>
            {name}: {wrong}
          </FieldError>
        </div>
      )}
      {found && (
        <FoundGroups
          name={name}
          found={found}
          onUse={() => {
            onUse(found);
            leave();
          }}
          onLeave={leave}
        />
      )}
    </div>
  );
}
