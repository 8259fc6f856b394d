import { useState } from 'react';
import { classTitle } from '@glen/core/light';
import type { Answer, ClassItem } from '@glen/contract';
import { FieldError } from '../../ui/Field.js';
import { CardPart } from '../../ui/SentencePart.js';
import { AddPerson } from './AddPerson.js';
import { Tick } from './Tick.js';
import { toggled, withGuest, type AudienceDraft } from './audienceDraft.js';
import { WHOLE_CLASS, namedInWords } from './noted.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

interface Choosing {
  draft: AudienceDraft;
  change: (part: Partial<AudienceDraft>) => void;
}

type Group = Answer<'groups'>['groups'][number];

interface AudienceProps {
  draft: AudienceDraft;
  onChange: (draft: AudienceDraft) => void;
  classId: number;
  classes: ClassItem[];
  groups: Group[];
  /** Names of people who are in the audience already, by id. */
  names: Map<number, string>;
  error?: string | undefined;
}

const ELSEWHERE = { title: say.anotherClassPeriod, period: null };

/** The chosen ones by name, in the order of the card. */
const chosenNames = (
  draft: AudienceDraft,
  { classId, classes, groups, names }: Omit<AudienceProps, 'draft' | 'onChange' | 'error'>,
): string[] => [
  ...draft.classIds.map((id) =>
    id === classId ? WHOLE_CLASS : classTitle(classes.find((c) => c.id === id) ?? ELSEWHERE),
  ),
  ...draft.groupIds.map((id) => groups.find((g) => g.id === id)?.name ?? say.aGroup),
  ...draft.personIds.map((id) => names.get(id) ?? 'somebody'),
  ...draft.guests.map((guest) => guest.name || guest.email),
];

const GroupTicks = ({ groups, draft, change }: Choosing & { groups: Group[] }) => (
  <fieldset className="grid gap-1.5">
    <legend className="mb-1 text-sm text-soft">{say.groups}</legend>
    {groups.map((g) => (
      <Tick
        key={g.id}
        label={
          <>
            {g.name} <span className="text-sm text-soft">{g.members.length}</span>
          </>
        }
        checked={draft.groupIds.includes(g.id)}
        onChange={(on) => change({ groupIds: toggled(draft.groupIds, g.id, on) })}
      />
    ))}
  </fieldset>
);

/** Other class periods of the same hosts; open at once if one of them is chosen. */
const OtherClassTicks = ({ others, draft, change }: Choosing & { others: ClassItem[] }) => (
  <details open={others.some((c) => draft.classIds.includes(c.id))}>
    <summary className="cursor-pointer text-sm text-soft">{say.otherClassPeriods}</summary>
    <div className="mt-1.5 grid gap-1.5">
      {others.map((c) => (
        <Tick
          key={c.id}
          label={classTitle(c)}
          checked={draft.classIds.includes(c.id)}
          onChange={(on) => change({ classIds: toggled(draft.classIds, c.id, on) })}
        />
      ))}
    </div>
  </details>
);

const GuestWords = ({ email }: { email: string }) => (
  <span className="break-all">
    {email} <span className="text-sm text-soft">{say.guestFromOutside}</span>
  </span>
);

interface PeopleProps extends Choosing {
  names: Map<number, string>;
  onNamed: (id: number, name: string) => void;
}

function PeopleTicks({ draft, change, names, onNamed }: PeopleProps) {
  const { personIds, guests } = draft;
  return (
    <fieldset className="grid gap-1.5">
      <legend className="mb-1 text-sm text-soft">{say.singlePeople}</legend>
      {personIds.map((id) => (
        <Tick
          key={id}
          label={names.get(id) ?? say.somebody}
          checked
          onChange={() => change({ personIds: toggled(personIds, id, false) })}
        />
      ))}
      {guests.map(({ email }) => (
        <Tick
          key={email}
          label={<GuestWords email={email} />}
          checked
          onChange={() => change({ guests: guests.filter((other) => other.email !== email) })}
        />
      ))}
      <AddPerson
        onPerson={(id, name) => {
          onNamed(id, name);
          if (!personIds.includes(id)) change({ personIds: [...personIds, id] });
        }}
        onEmail={(email) => change({ guests: withGuest(guests, email) })}
      />
    </fieldset>
  );
}

/** Whom a link is for: whole class periods, groups, single people, guests. */
export function AudiencePart({ onChange, error, ...audience }: AudienceProps) {
  const { draft, classId, classes, groups } = audience;
  const [names, setNames] = useState(audience.names);
  const change = (part: Partial<AudienceDraft>): void => onChange({ ...draft, ...part });
  const own = classes.find((c) => c.id === classId);
  const others = classes.filter(
    (c) => c.id !== classId && (c.mine === 'host' || c.mine === 'co-teacher'),
  );
  const chosen = chosenNames(draft, { ...audience, names });
  return (
    <CardPart
      label={fill(say.whomItIsFor, { chosen: chosen.join(', ') || say.nobodyYet })}
      shown={namedInWords(chosen)}
      invalid={error !== undefined}
    >
      <div className="grid max-h-view w-72 gap-3 overflow-y-auto">
        {own && (
          <Tick
            label={fill(say.allOf, { classTitle: classTitle(own) })}
            checked={draft.classIds.includes(classId)}
            onChange={(on) => change({ classIds: toggled(draft.classIds, classId, on) })}
          />
        )}
        {groups.length > 0 && <GroupTicks groups={groups} draft={draft} change={change} />}
        {others.length > 0 && <OtherClassTicks others={others} draft={draft} change={change} />}
        <PeopleTicks
          draft={draft}
          change={change}
          names={names}
          onNamed={(id, name) => setNames(new Map(names).set(id, name))}
        />
        {error && <FieldError>{error}</FieldError>}
      </div>
    </CardPart>
  );
}
