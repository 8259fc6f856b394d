import { FieldError } from '../../ui/Field.js';
import { CardPart } from '../../ui/SentencePart.js';
import { Tick } from './Tick.js';
import { toggled, type AudienceDraft } from './audienceDraft.js';

interface HostsProps {
  draft: AudienceDraft;
  onChange: (draft: AudienceDraft) => void;
  staff: { id: number; name: string }[];
  error?: string | undefined;
}

/** Who is host there beside the class period's own hosts: a tutor, say, who is host nowhere else. */
export function HostsPart({ draft, onChange, staff, error }: HostsProps) {
  const hosts = draft.hostIds
    .map((id) => staff.find((s) => s.id === id)?.name ?? 'somebody')
    .join(', ');
  return (
    <CardPart
      label={`Hosts of its own: ${hosts || 'none'}`}
      shown={hosts || 'nobody else'}
      invalid={error !== undefined}
      marked={draft.hostIds.length > 0}
    >
      <fieldset className="grid max-h-view w-64 gap-1.5 overflow-y-auto">
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
