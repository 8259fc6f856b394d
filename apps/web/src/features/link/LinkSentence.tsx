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

const KINDS = [
  { value: 'lesson', label: 'a lesson' },
  { value: 'one-to-one', label: 'a one-to-one' },
  { value: 'help', label: 'drop-in help' },
  { value: 'event', label: 'an event with guests' },
  { value: 'project', label: 'a project group' },
];

/** The purposes that Glen knows, and the link's own. */
const purposesFor = (link: LinkDetail): string[] => {
  const known: string[] = PURPOSES.map((p) => p.words);
  return link.purpose && !known.includes(link.purpose) ? [...known, link.purpose] : known;
};

/** What a link is for, told to those who may not change it. */
const ReadOnly = ({ link }: { link: LinkDetail }) => (
  <p className="text-lg leading-sentence">
    For <b>{link.purpose || 'Lessons'}</b>, and for <b>{audienceInWords(link)}</b>.
    {link.hosts.length > 0 && (
      <>
        {' '}
        {link.hosts.map((h) => h.name).join(', ')} {link.hosts.length === 1 ? 'hosts' : 'host'} here{' '}
        {link.hostedBy === 'named' ? 'and nobody else' : 'too'}.
      </>
    )}
  </p>
);

const Trouble = ({ problem }: { problem: Problem }) => (
  <FieldError>
    {problem.status === 409
      ? 'Somebody changed this link just now. It is shown as it stands; change it again if you still want to.'
      : (problem.errors?.[0]?.message ?? problem.title)}
  </FieldError>
);

type Edits = ReturnType<typeof useLinkEdits>;

/** Whom it is for, and who hosts there. */
function PeopleParts({
  link,
  classPeriod,
  edits: { audience, changeAudience, problem },
}: {
  link: LinkDetail;
  classPeriod: ClassPeriod;
  edits: Edits;
}) {
  const { data: classes } = api.useClassesQuery();
  const { data: me } = api.useMeQuery();
  const { data: groups } = api.useGroupsQuery({ params: { classId: link.classId } });
  const names = new Map(
    link.audience.flatMap((a) => (a.kind === 'person' ? [[a.id, a.name] as const] : [])),
  );
  return (
    <>
      . It is for{' '}
      <AudiencePart
        draft={audience}
        onChange={(d) => changeAudience(editOf(audience, d))}
        classId={link.classId}
        classes={classes?.classes ?? [classPeriod.class]}
        groups={groups?.groups ?? []}
        names={names}
        error={messageFor(problem, 'classIds', 'groupIds', 'personIds', 'guests')}
      />
      , hosted by{' '}
      {link.main || !me?.person ? (
        'the class period’s hosts and'
      ) : (
        <HostedBy
          draft={audience}
          me={me.person.id}
          onChange={(d) => changeAudience(editOf(audience, d))}
        />
      )}{' '}
      <HostsPart
        draft={audience}
        onChange={(d) => changeAudience(editOf(audience, d))}
        staff={groups?.staff ?? []}
        error={messageFor(problem, 'hostIds', 'hostedBy')}
      />
      . Students{' '}
    </>
  );
}

/** What the link is for, in a sentence whose marked parts are changed in place. */
export function LinkSentence({
  link,
  classPeriod,
}: {
  link: LinkDetail;
  classPeriod: ClassPeriod;
}) {
  const edits = useLinkEdits(link);
  const { problem, change } = edits;
  if (!link.mayEdit) return <ReadOnly link={link} />;
  return (
    <>
      <p className="text-lg leading-sentence">
        For{' '}
        <ChoicePart
          label="What it is for"
          value={link.purpose || 'Lessons'}
          onChange={(v) => void change({ purpose: v }, `It is for: ${v}.`)}
          choices={purposesFor(link).map((p) => ({ value: p, label: p }))}
        />
        , called{' '}
        <NameCard
          key={link.label}
          name={link.label}
          error={messageFor(problem, 'label')}
          onSave={(label) => void change({ label }, `It is called ${label}.`)}
        />
        , used as{' '}
        <ChoicePart
          label="What kind of session"
          value={link.kind}
          marked={false}
          onChange={(v) => void change({ kind: v as LinkDetail['kind'] }, 'Changed.')}
          choices={KINDS}
        />
        <PeopleParts link={link} classPeriod={classPeriod} edits={edits} />
        <ChoicePart
          label="Whether students see it"
          value={String(link.shown)}
          marked={false}
          onChange={(v) => void change({ shown: v === 'true' }, 'Changed.')}
          choices={SHOWN}
        />
        .
      </p>
      <GuestList link={link} sessions={classPeriod.sessions} />
      {problem && <Trouble problem={problem} />}
    </>
  );
}
