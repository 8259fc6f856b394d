import { notesForReach, type Note } from '@glen/core';
import type { LinkRow } from '@glen/contract';
import { useServices } from '../../app/useServices.js';
import { api } from '../../app/api.js';
import { Loaded } from '../../app/Loaded.js';
import { Margin, Screen } from '../../ui/Margin.js';
import { ChoicePart } from '../../ui/choices.js';
import { Empty } from '../../ui/States.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { MomentPart } from './MomentPart.js';
import { ReachDay } from './ReachDay.js';
import { Legend, ReachGrid } from './ReachGrid.js';
import { SiteTrouble } from './SiteTrouble.js';
import { useReach } from './useReach.js';
import { useRemedies } from './useRemedies.js';
import type { Reach } from './verdicts.js';
import { fill, many } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

const nameOf = (link: LinkRow): string =>
  link.main ? link.classTitle : `${link.classTitle}: ${link.label}`;

/** All of them as one, then each. */
const choicesOf = (links: LinkRow[]) => [
  { value: '', label: say.allMyLinks },
  ...links.map((l) => ({ value: String(l.id), label: nameOf(l) })),
];

const NoLinks = () => (
  <Screen>
    <Empty title={say.noLinksYet}>{say.onceTheOfficePutsYou}</Empty>
  </Screen>
);

function Grid({ reach }: { reach: Reach }) {
  if (reach.people.length === 0)
    return <Empty title={say.nobodyIsMeantToSee}>{say.itsAudienceIsEmpty}</Empty>;
  return (
    <>
      <ReachGrid reach={reach} />
      <Legend people={reach.people} />
    </>
  );
}

function Sentence({ links, linkId, at, go, asked }: ReturnType<typeof useReach>) {
  return (
    <p className="mt-1 mb-4 text-lg leading-sentence">
      <Said
        as={say.forLinksMomentPart}
        links={
          links &&
          linkId !== undefined && (
            <ChoicePart
              label={say.link}
              value={String(linkId)}
              onChange={(link) => go({ link })}
              choices={choicesOf(links)}
            />
          )
        }
        momentPart={
          <MomentPart
            at={at}
            next={asked.data?.next ?? null}
            shown={asked.data?.at}
            onChange={(to) => go({ at: to })}
          />
        }
      />
    </p>
  );
}

/** Whom letters do not reach, where mail is one of the ways to them. */
function useUnreachedNotes(classId: number | undefined): Note[] {
  const { data } = api.useUnreachedQuery(
    { params: { classId: classId ?? 0 } },
    { skip: classId === undefined },
  );
  const people = data?.people ?? [];
  if (people.length === 0) return [];
  const names = people.map((person) => person.name).join(', ');
  return [
    {
      severity: 'careful',
      title: many(say.lettersDoNotReach, people.length),
      text: fill(say.mendTheAddressAtPeople, { names }),
    },
  ];
}

/** Who sees which link: over all of one's links for a day; or students across and places down, for one link and one moment. */
export default function ReachPage() {
  const looking = useReach();
  const { links, asked } = looking;
  const { courseSite } = useServices();
  const act = useRemedies(asked.data?.link);
  const unreached = useUnreachedNotes(asked.data?.link.classId);
  if (links?.length === 0) return <NoLinks />;
  if (looking.linkId === undefined)
    return <ReachDay date={looking.day} links={choicesOf(links ?? [])} go={looking.go} />;
  return (
    <Screen
      margin={
        asked.data && (
          <Margin
            notes={[...notesForReach({ ...asked.data, byHand: !courseSite }), ...unreached]}
            onAction={act}
          />
        )
      }
    >
      <ScreenTitle tab={say.whoSeesWhichLink} />
      <Sentence {...looking} />
      <Loaded asked={asked} isPart>
        {(reach) => (
          <>
            <SiteTrouble trouble={reach.trouble} />
            <Grid reach={reach} />
          </>
        )}
      </Loaded>
    </Screen>
  );
}
