import { useState } from 'react';
import {
  notesForGroups,
  notesForNoAccount,
  resolveRules,
  worstFirst,
  type Note,
  type RuleLayer,
} from '@glen/core';
import { api } from '../../app/api.js';
import { Loaded } from '../../app/Loaded.js';
import { useNoteActions } from '../../app/useNoteActions.js';
import { Button } from '../../ui/Button.js';
import { FieldError, inputClass } from '../../ui/Field.js';
import { Margin, Screen, type Around } from '../../ui/Margin.js';
import { Theirs } from '../../ui/Theirs.js';
import type { ClassPeriod } from '../school/classPeriod.js';
import { EmptyRoll } from './EmptyRoll.js';
import { FillRoll } from './FillRoll.js';
import { FromFile } from './FromFile.js';
import { GroupCards } from './GroupCards.js';
import type { Kept } from './groupsDraft.js';
import { RollList, schoolAddress, type OnRoll } from './RollList.js';
import { WereHere } from './WereHere.js';
import { useGroups, type GroupsEditing } from './useGroups.js';
import { useRollEdits } from './useRollEdits.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

const MOST_GROUPS = 40;

/** How the roll is parted: into so many groups, one by one, or from a file. */
function Parting({ roll, editing }: { roll: OnRoll[]; editing: GroupsEditing }) {
  const { draft, change, split, takeFile } = editing;
  const [count, setCount] = useState('2');
  const n = Number(count);
  const most = Math.min(MOST_GROUPS, roll.length);
  const canSplit = Number.isInteger(n) && n >= 1 && n <= most;
  const another = {
    name: fill(say.groupDraftCount, { draftCount: draft.length + 1 }),
    tutorId: null,
    members: [],
  };
  return (
    <section aria-label={say.groups} className="mb-5">
      <div className="flex flex-wrap items-start gap-x-3 gap-y-2">
        <span className="flex items-center gap-2 pt-1 text-md">
          <Said
            as={say.splitIntoGroups}
            howMany={
              <input
                aria-label={say.howManyGroups}
                inputMode="numeric"
                className={`${inputClass} !w-14 !px-2 !py-1`}
                value={count}
                aria-invalid={!canSplit}
                onChange={(e) => setCount(e.target.value)}
              />
            }
          />
        </span>
        <Button disabled={!canSplit} onClick={() => split(n, false)}>
          {say.inTheRollsOrder}
        </Button>
        <Button disabled={!canSplit} onClick={() => split(n, true)}>
          {say.atRandom}
        </Button>
        <Button onClick={() => change([...draft, another])}>{say.addAGroup}</Button>
        <FromFile
          roll={roll.map((p) => ({ id: p.id, name: p.name, email: schoolAddress(p) }))}
          onUse={takeFile}
        />
      </div>
      {!canSplit && (
        <p className="mt-1 text-sm text-gorse-deep">{fill(say.giveAWholeNumber, { most })}</p>
      )}
    </section>
  );
}

const inShort = (groups: { name: string; members: number[] }[]): string =>
  groups.map((g) => `${g.name} ${g.members.length}`).join(' · ') || 'none';

/** Somebody else was faster: theirs and mine, to choose from. */
const TwoGroupings = ({ theirs, editing }: { theirs: Kept; editing: GroupsEditing }) => (
  <Theirs what={say.theGroups} saveOver={editing.saveOver} takeTheirs={editing.takeTheirs}>
    {fill(say.theirsYours, { theirs: inShort(theirs.groups), yours: inShort(editing.draft) })}
  </Theirs>
);

const SaveBar = ({ editing }: { editing: GroupsEditing }) => (
  <div className="sticky bottom-0 mt-4 flex flex-wrap items-center gap-3 rounded-big border border-line bg-sheet px-5 py-3.5 shadow-soft">
    <Button kind="act" disabled={editing.isSending} onClick={() => editing.submit()}>
      {say.saveTheGroups}
    </Button>
    <Button onClick={editing.asItWas}>{say.asTheyWere}</Button>
  </div>
);

/** What the server refused, unless it is said beside a group already. */
function Refused({ editing: { draft, errorAt, problem } }: { editing: GroupsEditing }) {
  const isBesideGroup = draft.some((_, i) => errorAt(`groups.${i}`) !== undefined);
  const wrong = problem?.title ?? errorAt('groups');
  return isBesideGroup || !wrong ? null : <FieldError>{wrong}</FieldError>;
}

/** What the margin says about the groups as they are being changed. */
function notesOf(roll: OnRoll[], kept: Kept, { draft }: GroupsEditing): Note[] {
  const hasLink = (id: number | undefined): boolean =>
    Boolean(kept.groups.find((group) => group.id === id)?.links.length);
  const groups = draft.map((group) => ({ ...group, hasLink: hasLink(group.id) }));
  return notesForGroups({ roll, groups });
}

/** What the margin says about those of the roll who have no account. */
function useAccountNotes(classId: number, roll: OnRoll[]): Note[] {
  const { data } = api.useRulesQuery({ params: { classId } });
  if (!data) return [];
  const { whoMayEnter } = resolveRules(data.layers as RuleLayer[]).rules;
  const withoutAccount = roll.filter((p) => p.accounts.length === 0).length;
  return notesForNoAccount({ classId, withoutAccount, whoMayEnter });
}

interface RollProps {
  classPeriod: ClassPeriod;
  around: Around;
  zone: string;
}

function Editor({ classPeriod, around, kept, zone }: RollProps & { kept: Kept }) {
  const { class: c, roll } = classPeriod;
  const { mayEdit } = kept;
  const edits = useRollEdits(c.id);
  const editing = useGroups(c.id, roll, kept);
  const { theirs } = editing;
  const notes = worstFirst([...useAccountNotes(c.id, roll), ...notesOf(roll, kept, editing)]);
  const act = useNoteActions();
  return (
    <Screen around={around} margin={<Margin notes={notes} onAction={act} />}>
      {mayEdit && <FillRoll edits={edits} roll={roll} />}
      {mayEdit && roll.length > 1 && <Parting roll={roll} editing={editing} />}
      {theirs && <TwoGroupings theirs={theirs} editing={editing} />}
      <GroupCards classId={c.id} kept={kept} editing={editing} />
      {!theirs && <Refused editing={editing} />}
      {roll.length === 0 ? (
        <EmptyRoll classPeriod={c} mayEdit={mayEdit} />
      ) : (
        <RollList
          classId={c.id}
          roll={roll}
          mayEdit={mayEdit}
          editing={editing}
          leaving={edits.leaving}
        />
      )}
      {mayEdit && <WereHere classId={c.id} zone={zone} leaving={edits.leaving} />}
      {mayEdit && editing.isChanged && <SaveBar editing={editing} />}
    </Screen>
  );
}

/** The roll, and the groups it is parted into. */
export default function RollTab({ classPeriod, around, zone }: RollProps) {
  const asked = api.useGroupsQuery({ params: { classId: classPeriod.class.id } });
  return (
    <Loaded asked={asked} around={around}>
      {(kept) => <Editor around={around} classPeriod={classPeriod} kept={kept} zone={zone} />}
    </Loaded>
  );
}
