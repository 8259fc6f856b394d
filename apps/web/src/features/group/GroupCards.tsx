import { Link } from 'react-router';
import { api, problemOf } from '../../app/api.js';
import { offerWayBack } from '../../app/undo.js';
import { wayBack } from '../../app/wayBack.js';
import { Button } from '../../ui/Button.js';
import { ChoiceBox } from '../../ui/choices.js';
import { FieldError, inputClass } from '../../ui/Field.js';
import type { Draft, Kept } from './groupsDraft.js';
import type { GroupsEditing } from './useGroups.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

/** A link of a group's own at one press: its members come in by it, its tutor is host there. */
function GroupLink({
  classId,
  group,
}: {
  classId: number;
  group: { id: number; name: string; tutorId: number | null };
}) {
  const [add, { isLoading, error }] = api.useAddLinkMutation();
  const make = async (): Promise<void> => {
    const { data } = await add({
      params: { classId },
      body: {
        label: group.name,
        purpose: say.groupWork,
        kind: 'lesson',
        shown: true,
        preset: 'lesson',
        audience: {
          classIds: [],
          groupIds: [group.id],
          personIds: [],
          guests: [],
          hostIds: group.tutorId === null ? [] : [group.tutorId],
          hostedBy: 'class',
        },
      },
    });
    if (data)
      offerWayBack(fill(say.hasALink, { group: group.name }), [
        wayBack('stopLink', { params: { linkId: data.id }, body: { version: data.version } }),
      ]);
  };
  return (
    <>
      <Button kind="link" disabled={isLoading} onClick={() => void make()}>
        {say.giveItALink}
      </Button>
      {error && (
        <FieldError>{problemOf(error)?.errors?.[0]?.message ?? problemOf(error)?.title}</FieldError>
      )}
    </>
  );
}

/** Who teaches a group: host at its links, and there alone. */
function Tutor({
  group,
  kept,
  onChange,
}: {
  group: Draft;
  kept: Kept;
  onChange: (tutorId: number | null) => void;
}) {
  return (
    <span className="flex items-center gap-2">
      <span aria-hidden={kept.mayEdit}>{say.tutor}</span>
      {kept.mayEdit ? (
        <ChoiceBox
          dress="cell"
          label={fill(say.tutorOf, { group: group.name })}
          value={String(group.tutorId ?? '')}
          onChange={(id) => onChange(id === '' ? null : Number(id))}
          choices={[
            { value: '', label: say.none },
            ...kept.staff.map(({ id, name }) => ({ value: String(id), label: name })),
          ]}
        />
      ) : (
        <b>{kept.staff.find((s) => s.id === group.tutorId)?.name ?? say.none}</b>
      )}
    </span>
  );
}

interface CardProps {
  classId: number;
  kept: Kept;
  editing: GroupsEditing;
  /** The group's place in the draft. */
  i: number;
}

function CardHead({
  kept,
  editing: { draft, change, edit },
  i,
  error,
}: CardProps & { error: string | undefined }) {
  const group = draft[i]!;
  return (
    <div className="flex flex-wrap items-center gap-2">
      {kept.mayEdit ? (
        <input
          aria-label={fill(say.nameOfGroup, { i: i + 1 })}
          className={`${inputClass} !w-auto min-w-0 flex-1 !py-1 font-semibold`}
          maxLength={60}
          aria-invalid={error !== undefined}
          value={group.name}
          onChange={(e) => edit(i, { name: e.target.value })}
        />
      ) : (
        <h2 className="flex-1 text-base">{group.name}</h2>
      )}
      <span className="text-soft">{group.members.length}</span>
      {kept.mayEdit && (
        <Button
          kind="danger-link"
          aria-label={fill(say.removeGroup, { group: group.name })}
          onClick={() => change(draft.filter((_, k) => k !== i))}
        >
          {say.remove}
        </Button>
      )}
    </div>
  );
}

function GroupCard(props: CardProps) {
  const { classId, kept, editing, i } = props;
  const { draft, errorAt, isChanged, edit } = editing;
  const group = draft[i]!;
  const links = kept.groups.find((k) => k.id === group.id)?.links ?? [];
  const error = errorAt(`groups.${i}`);
  const mayHaveLink = kept.mayEdit && links.length === 0 && !isChanged;
  return (
    <li className="grid gap-1.5 rounded-small border border-line bg-sheet p-3">
      <CardHead {...props} error={error} />
      <p className="flex flex-wrap items-center gap-x-3 gap-y-1 text-md">
        <Tutor group={group} kept={kept} onChange={(tutorId) => edit(i, { tutorId })} />
        {links.map((l) => (
          <Link
            key={l.id}
            className="text-bracken-deep hover:underline"
            to={`/classes/${classId}/links/${l.id}`}
          >
            {fill(say.linkLabel, { label: l.label })}
          </Link>
        ))}
        {mayHaveLink && group.id !== undefined && (
          <GroupLink
            classId={classId}
            group={{ id: group.id, name: group.name, tutorId: group.tutorId }}
          />
        )}
      </p>
      {error && <FieldError>{error}</FieldError>}
    </li>
  );
}

/** The groups, each with its name, tutor and links. */
export function GroupCards(props: Omit<CardProps, 'i'>) {
  const { draft } = props.editing;
  if (draft.length === 0) return null;
  return (
    <ul className="mb-5 grid gap-x-6 gap-y-3 md:grid-cols-2">
      {draft.map((g, i) => (
        <GroupCard key={g.id ?? `new ${i}`} {...props} i={i} />
      ))}
    </ul>
  );
}
