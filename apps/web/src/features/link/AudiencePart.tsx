import { useDeferredValue, useState, type ReactNode } from 'react';
import { classTitle } from '@glen/core/light';
import type { Answer, ClassItem } from '@glen/contract';
import { api } from '../../app/api.js';
import { Button } from '../../ui/Button.js';
import { FieldError, inputClass } from '../../ui/Field.js';
import { CardPart } from '../../ui/SentencePart.js';

export interface AudienceDraft {
  classIds: number[];
  groupIds: number[];
  personIds: number[];
  emails: string[];
  hostIds: number[];
}
export const forClass = (classId: number): AudienceDraft => ({
  classIds: [classId],
  groupIds: [],
  personIds: [],
  emails: [],
  hostIds: [],
});

const toggled = (list: number[], id: number, on: boolean): number[] =>
  on ? [...list, id] : list.filter((x) => x !== id);

const Tick = ({
  label,
  checked,
  onChange,
}: {
  label: ReactNode;
  checked: boolean;
  onChange: (on: boolean) => void;
}) => (
  <label className="flex items-center gap-2 text-base">
    <input
      type="checkbox"
      className="size-4 accent-bracken"
      checked={checked}
      onChange={(e) => onChange(e.target.checked)}
    />
    {label}
  </label>
);

/** Somebody found by name or address, to be put on a list. */
function AddPerson({
  onPerson,
  onEmail,
}: {
  onPerson: (id: number, name: string) => void;
  onEmail: (email: string) => void;
}) {
  const [typed, setTyped] = useState('');
  const wanted = useDeferredValue(typed.trim());
  const isAddress = wanted.includes('@');
  const { data } = api.useFindQuery(
    { query: { q: wanted } },
    { skip: wanted.length < 2 || isAddress },
  );
  return (
    <div className="grid gap-1.5">
      <input
        aria-label="Add somebody by name or address"
        placeholder="A name, or a guest’s address"
        className={`${inputClass} !py-1.5 text-base`}
        value={typed}
        onChange={(e) => setTyped(e.target.value)}
      />
      {isAddress && (
        <Button
          className="!whitespace-normal"
          onClick={() => {
            onEmail(wanted.toLowerCase());
            setTyped('');
          }}
        >
          Invite {wanted}, as a guest
        </Button>
      )}
      {!isAddress &&
        wanted.length >= 2 &&
        data?.people.map((p) => (
          <button
            key={p.id}
            type="button"
            className="rounded-small px-2 py-1 text-left text-base hover:bg-shade"
            onClick={() => {
              onPerson(p.id, p.name);
              setTyped('');
            }}
          >
            {p.name} <span className="text-sm text-soft">{p.role}</span>
          </button>
        ))}
      {!isAddress && wanted.length >= 2 && data?.people.length === 0 && (
        <p className="text-sm text-soft">Nobody by that name.</p>
      )}
    </div>
  );
}

interface AudienceProps {
  draft: AudienceDraft;
  onChange: (draft: AudienceDraft) => void;
  classId: number;
  classes: ClassItem[];
  groups: Answer<'groups'>['groups'];
  names: Map<number, string>;
  error?: string | undefined;
}

/** Whom a link is for: whole class periods, groups, single people, guests. */
export function AudiencePart({
  draft,
  onChange,
  classId,
  classes,
  groups,
  names,
  error,
}: AudienceProps) {
  const [known, setKnown] = useState(names);
  const own = classes.find((c) => c.id === classId);
  const others = classes.filter(
    (c) => c.id !== classId && (c.mine === 'host' || c.mine === 'co-teacher'),
  );
  const said = [
    ...draft.classIds.map((id) =>
      id === classId
        ? 'the whole class period'
        : classTitle(
            classes.find((c) => c.id === id) ?? { title: 'another class period', period: null },
          ),
    ),
    ...draft.groupIds.map((id) => groups.find((g) => g.id === id)?.name ?? 'a group'),
    ...draft.personIds.map((id) => known.get(id) ?? 'somebody'),
    ...draft.emails,
  ];
  return (
    <CardPart
      label={`Whom it is for: ${said.join(', ') || 'nobody yet'}`}
      shown={
        said.length === 0
          ? 'nobody yet'
          : said.length > 3
            ? `${said.slice(0, 2).join(', ')} and ${said.length - 2} more`
            : said.join(', ')
      }
      invalid={error !== undefined}
    >
      <div className="grid max-h-[60vh] w-72 gap-3 overflow-y-auto">
        {own && (
          <Tick
            label={`All of ${classTitle(own)}`}
            checked={draft.classIds.includes(classId)}
            onChange={(on) =>
              onChange({ ...draft, classIds: toggled(draft.classIds, classId, on) })
            }
          />
        )}
        {groups.length > 0 && (
          <fieldset className="grid gap-1.5">
            <legend className="mb-1 text-sm text-soft">Groups</legend>
            {groups.map((g) => (
              <Tick
                key={g.id}
                label={
                  <>
                    {g.name} <span className="text-sm text-soft">{g.members.length}</span>
                  </>
                }
                checked={draft.groupIds.includes(g.id)}
                onChange={(on) =>
                  onChange({ ...draft, groupIds: toggled(draft.groupIds, g.id, on) })
                }
              />
            ))}
          </fieldset>
        )}
        {others.length > 0 && (
          <details open={draft.classIds.some((id) => id !== classId)}>
            <summary className="cursor-pointer text-sm text-soft">Other class periods</summary>
            <div className="mt-1.5 grid gap-1.5">
              {others.map((c) => (
                <Tick
                  key={c.id}
                  label={classTitle(c)}
                  checked={draft.classIds.includes(c.id)}
                  onChange={(on) =>
                    onChange({ ...draft, classIds: toggled(draft.classIds, c.id, on) })
                  }
                />
              ))}
            </div>
          </details>
        )}
        <fieldset className="grid gap-1.5">
          <legend className="mb-1 text-sm text-soft">Single people</legend>
          {draft.personIds.map((id) => (
            <Tick
              key={id}
              label={known.get(id) ?? 'somebody'}
              checked
              onChange={() =>
                onChange({ ...draft, personIds: draft.personIds.filter((x) => x !== id) })
              }
            />
          ))}
          {draft.emails.map((email) => (
            <Tick
              key={email}
              label={
                <span className="break-all">
                  {email} <span className="text-sm text-soft">guest, from outside</span>
                </span>
              }
              checked
              onChange={() =>
                onChange({ ...draft, emails: draft.emails.filter((x) => x !== email) })
              }
            />
          ))}
          <AddPerson
            onPerson={(id, name) => {
              setKnown(new Map(known).set(id, name));
              if (!draft.personIds.includes(id))
                onChange({ ...draft, personIds: [...draft.personIds, id] });
            }}
            onEmail={(email) => {
              if (!draft.emails.includes(email))
                onChange({ ...draft, emails: [...draft.emails, email] });
            }}
          />
        </fieldset>
        {error && <FieldError>{error}</FieldError>}
      </div>
    </CardPart>
  );
}

/** Who is host there beside the class period's own hosts: a tutor, say, who is host nowhere else. */
export function HostsPart({
  draft,
  onChange,
  staff,
  error,
}: {
  draft: AudienceDraft;
  onChange: (draft: AudienceDraft) => void;
  staff: { id: number; name: string }[];
  error?: string | undefined;
}) {
  const said = draft.hostIds
    .map((id) => staff.find((s) => s.id === id)?.name ?? 'somebody')
    .join(', ');
  return (
    <CardPart
      label={`Hosts of its own: ${said || 'none'}`}
      shown={said || 'nobody else'}
      invalid={error !== undefined}
      marked={draft.hostIds.length > 0}
    >
      <fieldset className="grid max-h-[50vh] w-64 gap-1.5 overflow-y-auto">
        <legend className="mb-1 text-sm text-soft">
          Host here, and nowhere else in the class period
        </legend>
        {staff.map((s) => (
          <Tick
            key={s.id}
            label={s.name}
            checked={draft.hostIds.includes(s.id)}
            onChange={(on) => onChange({ ...draft, hostIds: toggled(draft.hostIds, s.id, on) })}
          />
        ))}
      </fieldset>
      {error && <FieldError>{error}</FieldError>}
    </CardPart>
  );
}
