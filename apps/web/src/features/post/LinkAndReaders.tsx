import { classTitle } from '@glen/core/light';
import type { Answer, ClassItem } from '@glen/contract';
import { api } from '../../app/api.js';
import { ChoicePart } from '../../ui/choices.js';
import type { PlaceDraft } from './draft.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

interface LinkProps {
  place: PlaceDraft;
  classPeriod: ClassItem;
  change: (part: Partial<PlaceDraft>) => void;
}

type Link = Answer<'classLinks'>['links'][number];
type Group = Answer<'groups'>['groups'][number];

const linkIdOf = ({ place, classPeriod }: LinkProps): number => place.linkId ?? classPeriod.link.id;

/** Which of its links; another one than its own is shown to those it is for. */
function LinkPart(props: LinkProps & { links: Link[] }) {
  const { place, classPeriod, change, links } = props;
  const choose = (value: string): void => {
    const isMain = links.find((l) => String(l.id) === value)?.main ?? true;
    change({ linkId: Number(value), readers: isMain ? 'class' : 'audience' });
  };
  return (
    <>
      ,{' '}
      <Said
        as={say.withLink}
        link={
          <ChoicePart
            label={fill(say.linkAt, { classTitle: classTitle(classPeriod) })}
            value={String(linkIdOf(props))}
            marked={place.linkId !== undefined && place.linkId !== classPeriod.link.id}
            onChange={choose}
            choices={links.map((l) => ({
              value: String(l.id),
              label: l.main ? say.itsOwnLink : fill(say.theLinkLabel, { label: l.label }),
            }))}
          />
        }
      />
    </>
  );
}

const GROUP = 'group ';

/** Readers as one value of a list. */
const valueOf = (readers: PlaceDraft['readers']): string =>
  typeof readers === 'object' ? `${GROUP}${readers.groupId}` : (readers ?? 'class');

const readersOf = (value: string): PlaceDraft['readers'] =>
  value.startsWith(GROUP)
    ? { groupId: Number(value.slice(GROUP.length)) }
    : (value as 'class' | 'audience');

interface ReadersProps extends LinkProps {
  links: Link[];
  groups: Group[];
  trouble: boolean;
}

function ReadersPart(props: ReadersProps) {
  const { place, classPeriod, change, links, groups, trouble } = props;
  const link = links.find((l) => l.id === linkIdOf(props));
  const value = valueOf(place.readers);
  return (
    <>
      ,{' '}
      <Said
        as={place.kind === 'mail' ? say.forReaders : say.shownTo}
        readers={
          <ChoicePart
            label={fill(say.whoSeesItAt, { classTitle: classTitle(classPeriod) })}
            invalid={trouble}
            marked={value !== 'class'}
            value={value}
            onChange={(v) => change({ readers: readersOf(v) })}
            choices={[
              { value: 'class', label: say.theWholeClass },
              {
                value: 'audience',
                label: say.thoseTheLinkIsFor,
                ...(link ? { hint: `${link.audienceSize}` } : {}),
              },
              ...groups.map((g) => ({
                value: `${GROUP}${g.id}`,
                label: fill(say.onlyName, { name: g.name }),
                hint: `${g.members.length}`,
              })),
            ]}
          />
        }
      />
    </>
  );
}

/** Which of the class period’s links, and who of it reads the place; asked only where there is a choice. */
export function LinkAndReaders(props: LinkProps & { trouble: boolean }) {
  const { place } = props;
  const params = { classId: place.classId };
  const { data: known } = api.useClassLinksQuery({ params });
  const { data: grouped } = api.useGroupsQuery({ params });
  const links = (known?.links ?? []).filter((l) => l.state === 'live');
  const groups = grouped?.groups ?? [];
  const hasChoice = links.length > 1 || groups.length > 0;
  return (
    <>
      {links.length > 1 && <LinkPart {...props} links={links} />}
      {hasChoice && place.kind !== 'by-hand' && (
        <ReadersPart {...props} links={links} groups={groups} />
      )}
    </>
  );
}
