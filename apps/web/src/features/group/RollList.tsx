import { ArrowRightLeft, X } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { api } from '../../app/api.js';
import { ChoiceBox } from '../../ui/choices.js';
import type { ClassPeriod } from '../school/classPeriod.js';
import { LeaveRoll } from './LeaveRoll.js';
import { MoveOnRoll } from './MoveOnRoll.js';
import type { Draft } from './groupsDraft.js';
import type { GroupsEditing } from './useGroups.js';
import type { Leaving, Touched } from './useLeaving.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

export type OnRoll = ClassPeriod['roll'][number];

/** What somebody signs in with at the school. */
export const schoolAddress = (person: OnRoll): string | null =>
  person.accounts.find((a) => a.kind === 'school')?.email ?? null;

interface GroupOfProps {
  person: OnRoll;
  draft: Draft[];
  mayEdit: boolean;
  onPut: (to: number | null) => void;
}

/** In which group somebody is; chosen by those who may. */
function GroupOf({ person, draft, mayEdit, onPut }: GroupOfProps) {
  const at = draft.findIndex((g) => g.members.includes(person.id));
  if (!mayEdit) return <span className="text-soft">{draft[at]?.name ?? ''}</span>;
  return (
    <ChoiceBox
      dress="cell"
      width="w-32"
      label={fill(say.groupOf, { person: person.name })}
      value={at < 0 ? '' : String(at)}
      onChange={(to) => onPut(to === '' ? null : Number(to))}
      choices={[
        { value: '', label: say.noGroup },
        ...draft.map(({ name }, i) => ({ value: String(i), label: name })),
      ]}
    />
  );
}

interface RowProps {
  classId: number;
  person: OnRoll;
  mayEdit: boolean;
  editing: GroupsEditing;
  leaving: Leaving;
  unreached: string | undefined;
}

/** What is being asked about somebody: whether they leave, though that ends other things, or where they move. */
type Asking = { leaving: Touched } | 'move' | null;

const iconButton = 'rounded-small p-1.5 text-soft hover:bg-shade print:hidden';

const Name = ({ person, mayEdit }: { person: OnRoll; mayEdit: boolean }) => (
  <span className="min-w-0 flex-1 [overflow-wrap:anywhere]">
    {mayEdit ? (
      <Link className="hover:underline" to={`/school/people/${person.id}`}>
        {person.name}
      </Link>
    ) : (
      person.name
    )}
    <br />
    <span className="text-sm break-all text-soft">{schoolAddress(person) ?? say.noAccount}</span>
  </span>
);

interface ButtonsProps {
  name: string;
  onMove: () => void;
  onLeave: () => void;
}

const Buttons = ({ name, onMove, onLeave }: ButtonsProps) => (
  <>
    <button
      type="button"
      aria-label={fill(say.moveToAnotherRoll, { name })}
      className={iconButton}
      onClick={onMove}
    >
      <ArrowRightLeft size={16} aria-hidden="true" />
    </button>
    <button
      type="button"
      aria-label={fill(say.takeOffTheRoll, { name })}
      className={`${iconButton} hover:text-berry-deep`}
      onClick={onLeave}
    >
      <X size={16} aria-hidden="true" />
    </button>
  </>
);

function RollRow({
  classId,
  person,
  mayEdit,
  editing: { draft, put },
  leaving,
  unreached,
}: RowProps) {
  const [asking, setAsking] = useState<Asking>(null);
  const close = (): void => setAsking(null);
  const takeOff = (): void => {
    close();
    void leaving.takeOff(person);
  };
  const askToLeave = async (): Promise<void> => {
    const touched = await leaving.touched(person.id);
    if (!touched) return;
    if (touched.groups.length + touched.links.length === 0) takeOff();
    else setAsking({ leaving: touched });
  };
  return (
    <li className="border-t border-line py-1.5">
      <div className="flex items-center gap-2">
        <Name person={person} mayEdit={mayEdit} />
        {draft.length > 0 && (
          <GroupOf
            person={person}
            draft={draft}
            mayEdit={mayEdit}
            onPut={(to) => put(person.id, to)}
          />
        )}
        {mayEdit && (
          <Buttons
            name={person.name}
            onMove={() => setAsking(asking === 'move' ? null : 'move')}
            onLeave={() => void askToLeave()}
          />
        )}
      </div>
      {unreached !== undefined && (
        <p className="text-sm break-words text-berry-deep">
          {fill(say.lettersDoNotReachThem, { unreached })}
        </p>
      )}
      {asking === 'move' && (
        <MoveOnRoll classId={classId} person={person} leaving={leaving} onClose={close} />
      )}
      {asking !== null && asking !== 'move' && (
        <LeaveRoll
          name={person.name}
          touched={asking.leaving}
          onTakeOff={takeOff}
          onClose={close}
        />
      )}
    </li>
  );
}

interface RollListProps extends Omit<RowProps, 'person' | 'unreached'> {
  roll: OnRoll[];
}

/** Who is on the roll; each can be moved and taken off by those who keep it. */
export function RollList({ roll, ...rest }: RollListProps) {
  const { classId, mayEdit } = rest;
  const { data } = api.useUnreachedQuery({ params: { classId } }, { skip: !mayEdit });
  const why = new Map(data?.people.map((person) => [person.id, person.why]));
  return (
    <ol aria-label={say.theRoll} className="grid items-start gap-x-8 sm:grid-cols-2">
      {roll.map((p) => (
        <RollRow key={p.id} person={p} unreached={why.get(p.id)} {...rest} />
      ))}
    </ol>
  );
}
