import { X } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { notesForGroups, type Note } from '@glen/core';
import type { Problem } from '@glen/contract';
import { api } from '../../app/api.js';
import { Loaded } from '../../app/Loaded.js';
import { Button } from '../../ui/Button.js';
import { FieldError, inputClass } from '../../ui/Field.js';
import { Margin, Screen } from '../../ui/Margin.js';
import { Theirs } from '../../ui/Theirs.js';
import type { ClassPeriod } from '../school/classPeriod.js';
import { EmptyRoll } from './EmptyRoll.js';
import { FillRoll } from './FillRoll.js';
import { FromFile } from './FromFile.js';
import { GroupCards } from './GroupCards.js';
import { draftOf, type Draft, type Kept } from './groupsDraft.js';
import { useGroups, type GroupsEditing } from './useGroups.js';
import { useRollEdits } from './useRollEdits.js';

type OnRoll = ClassPeriod['roll'][number];

const MOST_GROUPS = 40;

const schoolAddress = (person: OnRoll): string | null =>
  person.accounts.find((a) => a.kind === 'school')?.email ?? null;

/** How the roll is parted: into so many groups, one by one, or from a file. */
function Parting({ roll, editing }: { roll: OnRoll[]; editing: GroupsEditing }) {
  const { draft, change, split, takeFile } = editing;
  const [count, setCount] = useState('2');
  const n = Number(count);
  const most = Math.min(MOST_GROUPS, roll.length);
  const canSplit = Number.isInteger(n) && n >= 1 && n <= most;
  const another = { name: `Group ${draft.length + 1}`, tutorId: null, members: [] };
  return (
    <section aria-label="Groups" className="mb-5">
      <div className="flex flex-wrap items-start gap-x-3 gap-y-2">
        <span className="flex items-center gap-2 pt-1 text-[15px]">
          Split into{' '}
          <input
            aria-label="How many groups"
            inputMode="numeric"
            className={`${inputClass} !w-14 !px-2 !py-1`}
            value={count}
            aria-invalid={!canSplit}
            onChange={(e) => setCount(e.target.value)}
          />{' '}
          groups:
        </span>
        <Button disabled={!canSplit} onClick={() => split(n, false)}>
          in the roll’s order
        </Button>
        <Button disabled={!canSplit} onClick={() => split(n, true)}>
          at random
        </Button>
        <Button onClick={() => change([...draft, another])}>Add a group</Button>
        <FromFile
          roll={roll.map((p) => ({ id: p.id, name: p.name, email: schoolAddress(p) }))}
          onUse={takeFile}
        />
      </div>
      {!canSplit && (
        <p className="mt-1 text-sm text-gorse-deep">Give a whole number from 1 to {most}.</p>
      )}
    </section>
  );
}

const inShort = (groups: { name: string; members: number[] }[]): string =>
  groups.map((g) => `${g.name} ${g.members.length}`).join(' · ') || 'none';

/** Somebody else was faster: theirs and mine, to choose from. */
const TwoGroupings = ({ theirs, editing }: { theirs: Kept; editing: GroupsEditing }) => (
  <Theirs
    what="the groups"
    saveOver={() => void editing.send(theirs.version)}
    takeTheirs={() => editing.take(theirs)}
  >
    Theirs: {inShort(theirs.groups)}. Yours: {inShort(editing.draft)}.
  </Theirs>
);

/** In which group somebody is; chosen by those who may. */
function GroupOf({
  person,
  draft,
  mayEdit,
  onPut,
}: {
  person: OnRoll;
  draft: Draft[];
  mayEdit: boolean;
  onPut: (to: number | null) => void;
}) {
  const at = draft.findIndex((g) => g.members.includes(person.id));
  if (!mayEdit) return <span className="text-soft">{draft[at]?.name ?? ''}</span>;
  return (
    <select
      aria-label={`Group of ${person.name}`}
      className={`${inputClass} !w-32 !px-2 !py-1 text-[15px]`}
      value={at < 0 ? '' : String(at)}
      onChange={(e) => onPut(e.target.value === '' ? null : Number(e.target.value))}
    >
      <option value="">no group</option>
      {draft.map((g, i) => (
        <option key={g.id ?? `new ${i}`} value={i}>
          {g.name}
        </option>
      ))}
    </select>
  );
}

interface RollListProps {
  roll: OnRoll[];
  mayEdit: boolean;
  editing: GroupsEditing;
  onTakeOff: (person: OnRoll) => void;
}

function RollList({ roll, mayEdit, editing: { draft, put }, onTakeOff }: RollListProps) {
  return (
    <ol aria-label="The roll" className="grid gap-x-8 sm:grid-cols-2">
      {roll.map((p) => (
        <li key={p.id} className="flex items-center gap-3 border-t border-line py-1.5">
          <span className="min-w-0 flex-1 [overflow-wrap:anywhere]">
            {p.name}
            <br />
            <span className="text-sm break-all text-soft">{schoolAddress(p)}</span>
          </span>
          {draft.length > 0 && (
            <GroupOf person={p} draft={draft} mayEdit={mayEdit} onPut={(to) => put(p.id, to)} />
          )}
          {mayEdit && (
            <button
              type="button"
              aria-label={`Take ${p.name} off the roll`}
              className="rounded-small p-1.5 text-soft hover:bg-shade hover:text-berry-deep print:hidden"
              onClick={() => onTakeOff(p)}
            >
              <X size={16} aria-hidden="true" />
            </button>
          )}
        </li>
      ))}
    </ol>
  );
}

const SaveBar = ({ editing }: { editing: GroupsEditing }) => (
  <div className="sticky bottom-0 mt-4 flex flex-wrap items-center gap-3 rounded-big border border-line bg-sheet px-5 py-3.5 shadow-soft">
    <Button
      kind="act"
      disabled={editing.isLoading}
      onClick={() => void editing.send(editing.read.version)}
    >
      Save the groups
    </Button>
    <Button onClick={() => editing.change(draftOf(editing.read))}>As they were</Button>
  </div>
);

/** What the server refused, unless it is said beside a group already. */
function Refused({ problem }: { problem: Problem }) {
  const isBesideGroup = problem.errors?.some((e) => /^groups\.\d/.test(e.path));
  if (isBesideGroup) return null;
  return <FieldError>{problem.errors?.[0]?.message ?? problem.title}</FieldError>;
}

/** What the margin says about the groups as they are being changed. */
function notesOf(roll: OnRoll[], { read, draft }: GroupsEditing): Note[] {
  const hasLink = (id: number | undefined): boolean =>
    Boolean(read.groups.find((kept) => kept.id === id)?.links.length);
  const groups = draft.map((group) => ({ ...group, hasLink: hasLink(group.id) }));
  return notesForGroups({ roll, groups });
}

interface RollProps {
  classPeriod: ClassPeriod;
  head: ReactNode;
}

function Editor({ classPeriod, head, kept }: RollProps & { kept: Kept }) {
  const { class: c, roll } = classPeriod;
  const { mayEdit } = kept;
  const edits = useRollEdits(c.id);
  const editing = useGroups(c.id, roll, kept);
  const { problem } = editing;
  const theirs = problem?.status === 409 ? (problem.current as Kept | undefined) : undefined;
  return (
    <Screen margin={<Margin notes={notesOf(roll, editing)} />}>
      {head}
      {mayEdit && <FillRoll edits={edits} personIds={roll.map((p) => p.id)} />}
      {mayEdit && roll.length > 1 && <Parting roll={roll} editing={editing} />}
      {theirs && <TwoGroupings theirs={theirs} editing={editing} />}
      <GroupCards classId={c.id} kept={kept} editing={editing} />
      {problem && !theirs && <Refused problem={problem} />}
      {roll.length === 0 ? (
        <EmptyRoll classPeriod={c} mayEdit={mayEdit} />
      ) : (
        <RollList
          roll={roll}
          mayEdit={mayEdit}
          editing={editing}
          onTakeOff={(person) => void edits.takeOff(person.id, person.name)}
        />
      )}
      {mayEdit && editing.isChanged && <SaveBar editing={editing} />}
    </Screen>
  );
}

/** The roll, and the groups it is parted into. */
export default function RollTab({ classPeriod, head }: RollProps) {
  const asked = api.useGroupsQuery({ params: { classId: classPeriod.class.id } });
  return (
    <Loaded asked={asked} head={head}>
      {(kept) => <Editor head={head} classPeriod={classPeriod} kept={kept} />}
    </Loaded>
  );
}
