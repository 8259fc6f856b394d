import type { ReactNode } from 'react';
import { X } from 'lucide-react';
import type { LinkDetail } from '@glen/contract';
import { api } from '../../app/api.js';
import { Loaded } from '../../app/Loaded.js';
import { FieldError } from '../../ui/Field.js';
import { Margin, Screen, type Around } from '../../ui/Margin.js';
import { Empty } from '../../ui/States.js';
import { AddPerson } from '../link/AddPerson.js';
import { GuestRow } from '../link/GuestRow.js';
import { speaking } from '../link/Outsiders.js';
import { useLinkEdits } from '../link/useLinkEdits.js';
import type { ClassPeriod } from '../school/classPeriod.js';

type Named = LinkDetail['audience'][number];

const isNamed = (a: Named): boolean => a.kind === 'person' || a.kind === 'guest';

const nameOf = (named: Named): string => {
  if (named.kind === 'guest') return named.email;
  return named.kind === 'person' ? named.name : '';
};

/** A list with one more, once. */
const withOne = <T,>(list: T[], one: T): T[] => (list.includes(one) ? list : [...list, one]);

interface RowProps {
  named: Named;
  mayEdit: boolean;
  onRemove: () => void;
  /** What stands beside a guest's address. */
  beside?: ReactNode;
}

function NamedRow({ named, mayEdit, onRemove, beside }: RowProps) {
  const name = nameOf(named);
  return (
    <li className="flex items-center gap-3 border-t border-line py-2">
      <span className="min-w-0 flex-1 [overflow-wrap:anywhere]">
        <b>{name}</b>{' '}
        {named.kind === 'guest' && (
          <span className="text-sm text-soft">by address, from outside the school</span>
        )}
        {beside}
      </span>
      {mayEdit && (
        <button
          type="button"
          aria-label={`Invite ${name} no longer`}
          className="rounded-small p-1.5 text-soft hover:bg-shade hover:text-berry-deep"
          onClick={onRemove}
        >
          <X size={16} aria-hidden="true" />
        </button>
      )}
    </li>
  );
}

function People({ link }: { link: LinkDetail }) {
  const { changeAudience, problem } = useLinkEdits(link);
  const named = link.audience.filter(isNamed);
  const without = (gone: Named): void =>
    changeAudience((now) => ({
      ...now,
      personIds: now.personIds.filter((id) => gone.kind !== 'person' || id !== gone.id),
      emails: now.emails.filter((email) => gone.kind !== 'guest' || email !== gone.email),
    }));
  return (
    <div className="max-w-2xl">
      {named.length === 0 && (
        <Empty title="Nobody is named yet">
          Name people of the school, and guests by their address. Whether others may knock, its
          entry rules say.
        </Empty>
      )}
      <ul aria-label="Whom it is for">
        {named.map((n) => (
          <NamedRow
            key={'id' in n ? `${n.kind} ${n.id}` : n.email}
            named={n}
            mayEdit={link.mayEdit}
            onRemove={() => without(n)}
            beside={
              n.kind === 'guest' &&
              link.mayEdit && (
                <GuestRow
                  linkId={link.id}
                  email={n.email}
                  speaks={n.speaks}
                  onSpeaks={(speaks) => changeAudience(speaking(n.email, speaks))}
                />
              )
            }
          />
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
              changeAudience((now) => ({ ...now, emails: withOne(now.emails, email) }))
            }
          />
        </div>
      )}
    </div>
  );
}

/** Whom an occasion is for, by name and address: in the place of a roll. */
export default function WhoComesTab({
  classPeriod: { class: c },
  around,
}: {
  classPeriod: ClassPeriod;
  around: Around;
}) {
  const asked = api.useLinkQuery({ params: { linkId: c.link.id } });
  return (
    <Screen around={around} margin={<Margin notes={[]} />}>
      <Loaded asked={asked} isPart>
        {(link) => <People link={link} />}
      </Loaded>
    </Screen>
  );
}
