import { FieldError } from '../../ui/Field.js';
import { ChoicePart } from '../../ui/choices.js';
import { CardPart } from '../../ui/SentencePart.js';
import { Tick } from './Tick.js';
import { hostedAlone, toggled, type AudienceDraft } from './audienceDraft.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

interface HostsProps {
  draft: AudienceDraft;
  onChange: (draft: AudienceDraft) => void;
  staff: { id: number; name: string }[];
  error?: string | undefined;
}

const HOSTED_BY = [
  { value: 'class', label: say.theClassPeriodsHostsAnd },
  { value: 'named', label: say.nobodyBut, hint: say.itsOtherTeachersAreLeft },
];

interface HostedByProps {
  draft: AudienceDraft;
  /** Who chooses, by their number: they host it where nobody else is named. */
  me: number;
  onChange: (draft: AudienceDraft) => void;
}

/** Whether the class period's teachers host there too, or those alone who are named. */
export const HostedBy = ({ draft, me, onChange }: HostedByProps) => (
  <ChoicePart
    label={say.whoHostsIt}
    value={draft.hostedBy}
    marked={draft.hostedBy === 'named'}
    choices={HOSTED_BY}
    onChange={(next) =>
      onChange(next === 'named' ? hostedAlone(draft, me) : { ...draft, hostedBy: 'class' })
    }
  />
);

/** Who is host there beside the class period's own hosts: a tutor, say, who is host nowhere else. */
export function HostsPart({ draft, onChange, staff, error }: HostsProps) {
  const hosts = draft.hostIds
    .map((id) => staff.find((s) => s.id === id)?.name ?? 'somebody')
    .join(', ');
  return (
    <CardPart
      label={fill(say.hostsOfItsOwn, { hosts: hosts || 'none' })}
      shown={hosts || say.nobody[draft.hostedBy]}
      invalid={error !== undefined}
      marked={draft.hostIds.length > 0}
    >
      <fieldset className="grid max-h-view w-64 gap-1.5 overflow-y-auto">
        <legend className="mb-1 text-sm text-soft">
          {draft.hostedBy === 'named' ? say.theyAloneHostHere : say.hostHereAndNowhereElse}
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
