import { useState, type ReactNode } from 'react';
import { Link, useNavigate } from 'react-router';
import {
  notesForLink,
  notesForRules,
  resolveRules,
  reviewRules,
  worstFirst,
  type Note,
  type NoteAction,
  type RuleLayer,
} from '@glen/core';
import type { Answer, LinkDetail } from '@glen/contract';
import { wayBack } from '../../app/wayBack.js';
import { api } from '../../app/api.js';
import { Loaded } from '../../app/Loaded.js';
import { useNow } from '../../app/clock.js';
import { buttonClass } from '../../ui/Button.js';
import { Chip } from '../../ui/Chip.js';
import { Margin, Screen } from '../../ui/Margin.js';
import { Pennant } from '../../ui/Pennant.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { RulesEditor } from '../entry/RulesEditor.js';
import { useRuleEdits } from '../entry/useRuleEdits.js';
import { TryDoor } from '../entry/TryDoor.js';
import type { ClassPeriod } from '../school/classPeriod.js';
import { Addresses } from './Addresses.js';
import { CopyButtons } from './LinkLine.js';
import { LinkSentence } from './LinkSentence.js';
import { Presenters } from './Presenters.js';
import { Room } from './Room.js';
import { Stands, type Stand } from './Stands.js';
import { Together } from './Together.js';
import { notedLink } from './noted.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

const Part = ({ title, children }: { title: string; children: ReactNode }) => (
  <section aria-label={title} className="mt-6 border-t border-line pt-4">
    <h2 className="mb-2 text-xl">{title}</h2>
    {children}
  </section>
);

const STANDS_NOWHERE: Note = {
  severity: 'inform',
  title: say.itStandsNowhereYet,
  text: say.copyItToWhomIt,
};

/** What needs thought about a link: itself, its rules, and where it stands; actions only for those who may. */
function notesOf(
  link: LinkDetail,
  answer: Answer<'rules'>,
  places: Stand[] | undefined,
  { now, zone }: { now: string; zone: string },
): Note[] {
  const { rules, locked } = resolveRules(answer.layers as RuleLayer[]);
  const isLive = link.state === 'live';
  const findings = isLive ? notesForRules(reviewRules(rules, answer.setting), locked, link.id) : [];
  const notes = worstFirst([
    ...notesForLink(notedLink(link, now, zone)),
    ...findings,
    ...(isLive && places?.length === 0 ? [STANDS_NOWHERE] : []),
  ]);
  return link.mayEdit ? notes : notes.map(({ actions: _, ...note }) => note);
}

const Head = ({ link }: { link: LinkDetail }) => (
  <>
    <header className="flex items-center gap-4">
      <Pennant pennant={link.pennant} size="large" />
      <div>
        <ScreenTitle tab={`${link.label}: ${link.classTitle}`}>{link.label}</ScreenTitle>
        <p className="text-soft">
          <Link className="hover:underline" to={`/classes/${link.classId}/links`}>
            {fill(say.classTitleLinks, { classTitle: link.classTitle })}
          </Link>
          {link.main && ` · ${say.theClassPeriodsOwnWithin}`}
        </p>
      </div>
      {link.state === 'retired' && <Chip tone="wrong">{say.stopped}</Chip>}
    </header>
    <p className="mt-4 flex flex-wrap items-center gap-3 border-y border-dashed border-edge py-3.5">
      <code
        className={`rounded-small bg-shade px-2.5 py-1 font-mono text-lg font-bold ${link.state === 'retired' ? 'line-through' : ''}`}
      >
        {`/door/${link.code}`}
      </code>
      {link.state === 'live' && (
        <span className="ml-auto flex flex-wrap gap-2.5">
          <CopyButtons link={link} />
          <Link to={`/door/${link.code}/how`} className={buttonClass()}>
            {say.howStudentsGetIn}
          </Link>
          {link.mayEdit && (
            <Link
              to={`/desk/${link.id}`}
              className="inline-flex items-center rounded-small border border-edge bg-sheet px-3.5 py-1.5 text-md font-semibold hover:bg-shade"
            >
              {say.toTheDesk}
            </Link>
          )}
        </span>
      )}
    </p>
  </>
);

interface BodyProps {
  classPeriod: ClassPeriod;
  link: LinkDetail;
  rules: Answer<'rules'>;
  zone: string;
}

/** The parts of a link's page, each with what can be changed in it. */
function Parts({
  classPeriod,
  link,
  rules,
  zone,
  edits,
  places,
}: BodyProps & { edits: ReturnType<typeof useRuleEdits>; places: Stand[] }) {
  const now = useNow();
  const [replacing, setReplacing] = useState(false);
  const isForAll = link.audience.some((a) => a.kind === 'class' && a.id === link.classId);
  return (
    <>
      <div className="mt-3">
        <LinkSentence link={link} classPeriod={classPeriod} />
      </div>
      <Part title={say.entry}>
        <RulesEditor edits={edits} answer={rules} zone={zone} />
      </Part>
      <Part title={say.whereItStands}>
        <Stands linkId={link.id} places={places} zone={zone} />
      </Part>
      <Part title={say.behindTheDoor}>
        <Room link={link} rules={edits.rules} />
      </Part>
      <Part title={say.whoPresents}>
        <Presenters link={link} classPeriod={classPeriod} />
      </Part>
      {isForAll && (
        <Part title={say.whoElseMeetsHere}>
          <Together link={link} classPeriod={classPeriod} />
        </Part>
      )}
      <Part title={say.itsAddresses}>
        <Addresses
          link={link}
          places={places}
          zone={zone}
          now={now}
          replacing={replacing}
          setReplacing={setReplacing}
        />
      </Part>
    </>
  );
}

function Body({ classPeriod, link, rules, zone }: BodyProps) {
  const navigate = useNavigate();
  const now = useNow();
  const [reopen] = api.useReopenLinkMutation();
  const { data: standing } = api.useLinkPlacesQuery({ params: { linkId: link.id } });
  const edits = useRuleEdits(rules, ({ version, rules: own, hostsGone }) =>
    wayBack('setLinkRules', {
      params: { linkId: link.id },
      body: { version, rules: own, hostsGone },
    }),
  );
  const act = ({ name, rules: fix }: NoteAction): void => {
    if (name === 'reopen-link')
      void reopen({ params: { linkId: link.id }, body: { version: link.version } });
    else if (name === 'renew-link') void navigate(`/classes/${link.classId}/links?new=Lessons`);
    else if (fix) void edits.put({ ...edits.own, ...fix }, say.mended);
  };
  return (
    <Screen
      margin={
        <Margin notes={notesOf(link, rules, standing?.places, { now, zone })} onAction={act}>
          <TryDoor
            classPeriod={classPeriod}
            linkId={link.id}
            zone={zone}
            asksCode={edits.rules.entryCode !== null}
            watching={edits.rules.watching}
            version={rules.version}
          />
        </Margin>
      }
    >
      <Head link={link} />
      <Parts
        classPeriod={classPeriod}
        link={link}
        rules={rules}
        zone={zone}
        edits={edits}
        places={standing?.places ?? []}
      />
    </Screen>
  );
}

/** Whether all that the page's parts ask for is answered: none that comes later moves what somebody is about to press. */
function usePartsAreHere(linkId: number, classId: number, mayEdit: boolean): boolean {
  const asked = [
    api.useLinkPlacesQuery({ params: { linkId } }),
    api.useGuestsQuery({ params: { linkId } }, { skip: !mayEdit }),
    api.useGroupsQuery({ params: { classId } }),
    api.useClassesQuery(),
  ];
  return asked.every(({ isLoading }) => !isLoading);
}

/** One link: whom it is for, its rules, its room, who shares it, and what has become of its codes. */
export default function LinkPage({
  classPeriod,
  linkId,
  zone,
}: {
  classPeriod: ClassPeriod;
  linkId: number;
  zone: string;
}) {
  const link = api.useLinkQuery({ params: { linkId } });
  const rules = api.useLinkRulesQuery({ params: { linkId } });
  const isWhole = usePartsAreHere(linkId, classPeriod.class.id, link.data?.mayEdit ?? false);
  const data = link.data && rules.data && { link: link.data, rules: rules.data };
  return (
    <Loaded asked={{ ...link, error: link.error ?? rules.error, data: isWhole ? data : undefined }}>
      {(parts) => <Body classPeriod={classPeriod} {...parts} zone={zone} />}
    </Loaded>
  );
}
