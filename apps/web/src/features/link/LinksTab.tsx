import { useNavigate, useSearchParams } from 'react-router';
import { notesForLinks } from '@glen/core';
import type { LinkRow } from '@glen/contract';
import { api } from '../../app/api.js';
import { Loaded } from '../../app/Loaded.js';
import { useNow } from '../../app/clock.js';
import { Button } from '../../ui/Button.js';
import { Margin, Screen, type Around } from '../../ui/Margin.js';
import type { ClassPeriod } from '../school/classPeriod.js';
import { NewLink } from './NewLink.js';
import { LinkInList, SortableLinks } from './SortableLinks.js';
import { notedLink } from './noted.js';
import * as say from './words.js';

/** The button that begins another link, or that link's sentence; the address remembers which. */
function MakeAnother({ classPeriod: { class: c } }: { classPeriod: ClassPeriod }) {
  const [search, setSearch] = useSearchParams();
  const { data: all } = api.useClassesQuery();
  const making = search.get('new');
  const make = (what: string | null): void =>
    setSearch(what === null ? {} : { new: what }, { replace: true });
  if (making !== null)
    return (
      <NewLink
        classPeriod={c}
        classes={all?.classes ?? [c]}
        start={making}
        onClose={() => make(null)}
      />
    );
  return (
    <p className="mb-4">
      <Button kind="act" onClick={() => make(say.groupWork)}>
        {say.makeAnotherLink}
      </Button>
    </p>
  );
}

/** The links of a class period: in their order, by drag or by keys. */
function List({
  classPeriod,
  around,
  links,
  mayEdit,
  zone,
}: {
  classPeriod: ClassPeriod;
  around: Around;
  links: LinkRow[];
  mayEdit: boolean;
  zone: string;
}) {
  const navigate = useNavigate();
  const now = useNow();
  const classId = classPeriod.class.id;
  const stopped = links.filter((l) => l.state === 'retired');
  return (
    <Screen
      around={around}
      margin={
        <Margin
          notes={
            classPeriod.class.putAwayAt
              ? []
              : notesForLinks(links.map((l) => notedLink(l, now, zone)))
          }
          onAction={({ subject }) => void navigate(`/classes/${classId}/links/${subject}`)}
        />
      }
    >
      {mayEdit && <MakeAnother classPeriod={classPeriod} />}
      <SortableLinks
        classId={classId}
        live={links.filter((l) => l.state === 'live')}
        mayEdit={mayEdit}
      />
      {stopped.length > 0 && (
        <section className="mt-6">
          <h2 className="mb-1 text-base">{say.stopped}</h2>
          <ul>
            {stopped.map((l) => (
              <li key={l.id} className="flex items-center gap-3 border-t border-line py-3">
                <LinkInList link={l} />
              </li>
            ))}
          </ul>
        </section>
      )}
    </Screen>
  );
}

export default function LinksTab({
  classPeriod,
  around,
  zone,
}: {
  classPeriod: ClassPeriod;
  around: Around;
  zone: string;
}) {
  const asked = api.useClassLinksQuery({ params: { classId: classPeriod.class.id } });
  return (
    <Loaded asked={asked} lines={4} around={around}>
      {({ links, mayEdit }) => (
        <List
          around={around}
          classPeriod={classPeriod}
          links={links}
          mayEdit={mayEdit}
          zone={zone}
        />
      )}
    </Loaded>
  );
}
