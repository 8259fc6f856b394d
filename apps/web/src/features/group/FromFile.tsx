import { useRef, useState } from 'react';
import { groupProblemInWords, type ReadGroups, type RollPerson } from '@glen/core';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import type { Ask, Told } from './readGroups.worker.js';

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
    worker.onerror = () => done({ wrong: 'This file cannot be read as a table.' });
    void file.arrayBuffer().then(
      (bytes) => worker.postMessage({ bytes, roll } satisfies Ask, [bytes]),
      () => done({ wrong: 'The browser could not open this file.' }),
    );
  });
}

/** What a file comes to: the groups that were read, and line by line what was not. */
function FoundGroups({
  name,
  found,
  onUse,
  onLeave,
}: {
  name: string;
  found: ReadGroups;
  onUse: () => void;
  onLeave: () => void;
}) {
  const placed = found.groups.reduce((n, g) => n + g.members.length, 0);
  return (
    <section
      aria-label="What the file says"
      className="mt-3 rounded-small border border-line bg-sheet p-4"
    >
      <h3 className="font-sans text-[15px] font-bold">
        {name}: {placed === 1 ? '1 student' : `${placed} students`} in{' '}
        {found.groups.length === 1 ? '1 group' : `${found.groups.length} groups`}
      </h3>
      <p className="text-[15px] text-soft">
        {found.groups.map((g) => `${g.name} ${g.members.length}`).join(' · ')}
        {found.left.length > 0 && ` · ${found.left.length} of the roll in none`}
      </p>
      {found.problems.length > 0 && (
        <ul className="mt-2 text-[15px]">
          {found.problems.slice(0, SHOWN).map((p) => (
            <li key={`${p.line} ${p.kind}`}>
              <span className="font-mono text-sm text-soft">line {p.line}</span>{' '}
              {groupProblemInWords(p)}
            </li>
          ))}
          {found.problems.length > SHOWN && (
            <li className="text-soft">and {found.problems.length - SHOWN} more lines like these</li>
          )}
        </ul>
      )}
      <p className="mt-3 flex gap-2.5">
        <Button kind="strong" disabled={placed === 0} onClick={onUse}>
          Use these groups
        </Button>
        <Button onClick={onLeave}>Leave it</Button>
      </p>
    </section>
  );
}

/** Groups from a file, shown before anything is changed: what was taken, and line by line what was not. */
export function FromFile({
  roll,
  onUse,
}: {
  roll: RollPerson[];
  onUse: (read: ReadGroups) => void;
}) {
  const input = useRef<HTMLInputElement>(null);
  const [name, setName] = useState('');
  const [told, setTold] = useState<Told | 'reading'>();
  const take = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    setName(file.name);
    if (file.size > MOST_BYTES)
      return setTold({
        wrong: 'This file is over 20 MB. A list of groups is far smaller; is it the right one?',
      });
    setTold('reading');
    setTold(await read(file, roll));
  };
  const found = told && told !== 'reading' && 'read' in told ? told.read : undefined;
  return (
    <div className="min-w-0">
      <input
        ref={input}
        type="file"
        accept=".csv,.txt,.tsv,text/csv"
        className="sr-only"
        tabIndex={-1}
        aria-label="File of groups"
        onChange={(e) => {
          void take(e.target.files?.[0]);
          e.target.value = '';
        }}
      />
      <Button onClick={() => input.current?.click()}>From a file…</Button>
      {told === 'reading' && (
        <p role="status" className="mt-2 text-soft">
          Reading {name}…
        </p>
      )}
      {told && told !== 'reading' && 'wrong' in told && (
        <div className="mt-2">
          <FieldError>
            {name}: {told.wrong}
          </FieldError>
        </div>
      )}
      {found && (
        <FoundGroups
          name={name}
          found={found}
          onUse={() => {
            onUse(found);
            setTold(undefined);
          }}
          onLeave={() => setTold(undefined)}
        />
      )}
    </div>
  );
}
