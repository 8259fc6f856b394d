import { X } from 'lucide-react';
import type { LinkDetail } from '@glen/contract';
import { api } from '../../app/api.js';
import { Loaded } from '../../app/Loaded.js';
import { FieldError } from '../../ui/Field.js';
import { Margin, Screen, type Around } from '../../ui/Margin.js';
import { Empty } from '../../ui/States.js';
import { AddPerson } from '../link/AddPerson.js';
import { GuestList } from '../link/GuestList.js';
import { withGuest } from '../link/audienceDraft.js';
import { useLinkEdits } from '../link/useLinkEdits.js';
import type { ClassPeriod } from '../school/classPeriod.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type Part = LinkDetail['audience'][number];
type Named = Extract<Part, { kind: 'person' }>;

const isNamed = (part: Part): part is Named => part.kind === 'person';

/** A list with one more, once. */
const withOne = <T,>(list: T[], one: T): T[] => (list.includes(one) ? list : [...list, one]);

interface RowProps {
  named: Named;
  mayEdit: boolean;
  onRemove: () => void;
}

function NamedRow({ named: { name }, mayEdit, onRemove }: RowProps) {
  return (
    <li className="flex items-center gap-3 border-t border-line py-2">
      <span className="min-w-0 flex-1 [overflow-wrap:anywhere]">
        <b>{name}</b>
      </span>
      {mayEdit && (
        <button
          type="button"
          aria-label={fill(say.inviteNoLonger, { name })}
          className="rounded-small p-1.5 text-soft hover:bg-shade hover:text-berry-deep"
          onClick={onRemove}
        >
          <X size={16} aria-hidden="true" />
        </button>
      )}
    </li>
  );
}

function People({ link, sessions }: { link: LinkDetail; sessions: ClassPeriod['sessions'] }) {
  const { changeAudience, problem } = useLinkEdits(link);
  const named = link.audience.filter(isNamed);
  const without = (gone: Named): void =>
    changeAudience((now) => ({
      ...now,
      personIds: now.personIds.filter((id) => id !== gone.id),
    }));
  return (
    <div className="max-w-2xl">
      {named.length + link.guestCount === 0 && (
        <Empty title={say.nobodyIsNamedYet}>{say.namePeopleOfTheSchool}</Empty>
      )}
      <ul aria-label={say.whomItIsFor}>
        {named.map((n) => (
          <NamedRow key={n.id} named={n} mayEdit={link.mayEdit} onRemove={() => without(n)} />
        ))}
      </ul>
      {problem && <FieldError>{problem.errors?.[0]?.message ?? problem.title}</FieldError>}
      {link.mayEdit && (
        <div className="mt-3 max-w-sm">
          <AddPerson
            onPerson={(id) =>
              changeAudience((now) => ({ ...now, personIds: withOne(now.personIds, id) }))
            }
            onEmail={(email) =>
              changeAudience((now) => ({ ...now, guests: withGuest(now.guests, email) }))
            }
          />
        </div>
      )}
      {link.mayEdit && <GuestList link={link} sessions={sessions} />}
    </div>
  );
}

/** Whom an occasion is for, by name and address: in the place of a roll. */
export default function WhoComesTab({
  classPeriod: { class: c, sessions },
  around,
}: {
  classPeriod: ClassPeriod;
  around: Around;
}) {
  const asked = api.useLinkQuery({ params: { linkId: c.link.id } });
  return (
    <Screen around={around} margin={<Margin notes={[]} />}>
      <Loaded asked={asked} isPart>
        {(link) => <People link={link} sessions={sessions} />}
      </Loaded>
    </Screen>
  );
}
