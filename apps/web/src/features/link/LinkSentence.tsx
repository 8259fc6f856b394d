import type { LinkDetail, Problem } from '@glen/contract';
import { api, messageFor } from '../../app/api.js';
import { FieldError } from '../../ui/Field.js';
import { ChoicePart } from '../../ui/choices.js';
import type { ClassPeriod } from '../school/classPeriod.js';
import { AudiencePart } from './AudiencePart.js';
import { HostedBy, HostsPart } from './HostsPart.js';
import { GuestList } from './GuestList.js';
import { NameCard } from './NameCard.js';
import { editOf } from './audienceDraft.js';
import { PURPOSES, SHOWN, audienceInWords } from './noted.js';
import { useLinkEdits } from './useLinkEdits.js';
import { fill, list } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

const KINDS = [
  { value: 'lesson', label: say.aLesson },
  { value: 'one-to-one', label: say.aOneToOne },
  { value: 'help', label: say.dropInHelpWithin },
  { value: 'event', label: say.anEventWithGuests },
  { value: 'project', label: say.aProjectGroup },
];

/** The purposes that Glen knows, and the link's own. */
const purposesFor = (link: LinkDetail): string[] => {
  const known: string[] = PURPOSES.map((p) => p.words);
  return link.purpose && !known.includes(link.purpose) ? [...known, link.purpose] : known;
};

/** Who hosts there besides, or alone: which sentence says it. */
function hostHere({ hosts, hostedBy }: LinkDetail): string {
  const forms = hosts.length === 1 ? say.oneHostsHere : say.someHostHere;
  return forms[hostedBy === 'named' ? 'named' : 'too'];
}

/** What a link is for, told to those who may not change it. */
const ReadOnly = ({ link }: { link: LinkDetail }) => (
  <p className="text-lg leading-sentence">
    <Said
      as={say.forAndFor}
      purpose={<b>{link.purpose || say.lessons}</b>}
      audience={<b>{audienceInWords(link)}</b>}
    />
    {link.hosts.length > 0 && (
      <> {fill(hostHere(link), { hosts: list(link.hosts.map((h) => h.name)) })}</>
    )}
  </p>
);

const Trouble = ({ problem }: { problem: Problem }) => (
  <FieldError>
    {problem.status === 409
      ? say.somebodyChangedThisLinkJustNow
      : (problem.errors?.[0]?.message ?? problem.title)}
  </FieldError>
);

type Edits = ReturnType<typeof useLinkEdits>;

interface ChangedProps {
  link: LinkDetail;
  classPeriod: ClassPeriod;
  edits: Edits;
}

/** Whom it is for, and who hosts there: three parts of the sentence. */
function usePeopleParts({
  link,
  classPeriod,
  edits: { audience, changeAudience, problem },
}: ChangedProps) {
  const { data: classes } = api.useClassesQuery();
  const { data: me } = api.useMeQuery();
  const { data: groups } = api.useGroupsQuery({ params: { classId: link.classId } });
  const names = new Map(
    link.audience.flatMap((a) => (a.kind === 'person' ? [[a.id, a.name] as const] : [])),
  );
  const shared = {
    draft: audience,
    onChange: (draft: typeof audience): void => changeAudience(editOf(audience, draft)),
  };
  return {
    audience: (
      <AudiencePart
        {...shared}
        classId={link.classId}
        classes={classes?.classes ?? [classPeriod.class]}
        groups={groups?.groups ?? []}
        names={names}
        error={messageFor(problem, 'classIds', 'groupIds', 'personIds', 'guests')}
      />
    ),
    hostedBy:
      link.main || !me?.person ? (
        say.theClassPeriodsHostsAnd
      ) : (
        <HostedBy {...shared} me={me.person.id} />
      ),
    hosts: (
      <HostsPart
        {...shared}
        staff={groups?.staff ?? []}
        error={messageFor(problem, 'hostIds', 'hostedBy')}
      />
    ),
  };
}

function Changed(props: ChangedProps) {
  const { link, classPeriod, edits } = props;
  const { problem, change } = edits;
  const people = usePeopleParts(props);
  return (
    <>
      <p className="text-lg leading-sentence">
        <Said
          as={say.forCalledUsedAs}
          purpose={
            <ChoicePart
              label={say.whatItIsFor}
              value={link.purpose || say.lessons}
              onChange={(v) => void change({ purpose: v }, fill(say.itIsFor, { v }))}
              choices={purposesFor(link).map((p) => ({ value: p, label: p }))}
            />
          }
          name={
            <NameCard
              key={link.label}
              name={link.label}
              error={messageFor(problem, 'label')}
              onSave={(label) => void change({ label }, fill(say.itIsCalled, { label }))}
            />
          }
          kind={
            <ChoicePart
              label={say.whatKindOfSession}
              value={link.kind}
              marked={false}
              onChange={(v) => void change({ kind: v as LinkDetail['kind'] }, say.changed)}
              choices={KINDS}
            />
          }
          {...people}
          whetherShown={
            <ChoicePart
              label={say.whetherStudentsSeeIt}
              value={String(link.shown)}
              marked={false}
              onChange={(v) => void change({ shown: v === 'true' }, say.changed)}
              choices={SHOWN}
            />
          }
        />
      </p>
      <GuestList link={link} sessions={classPeriod.sessions} />
      {problem && <Trouble problem={problem} />}
    </>
  );
}

/** What the link is for, in a sentence whose marked parts are changed in place. */
export function LinkSentence({ link, classPeriod }: Omit<ChangedProps, 'edits'>) {
  const edits = useLinkEdits(link);
  if (!link.mayEdit) return <ReadOnly link={link} />;
  return <Changed link={link} classPeriod={classPeriod} edits={edits} />;
}
