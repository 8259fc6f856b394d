import { useState, type ReactNode } from 'react';
import { Link, useNavigate } from 'react-router';
import {
  notesForLink,
  notesForRules,
  resolveRules,
  reviewRules,
  worstFirst,
  type Note,
  type RuleLayer,
} from '@glen/core';
import type { Answer, LinkDetail, Problem } from '@glen/contract';
import { api, messageFor, problemOf } from '../../app/api.js';
import { useNow } from '../../app/clock.js';
import { offerUndo } from '../../app/undo.js';
import { buttonClass } from '../../ui/Button.js';
import { Chip } from '../../ui/Chip.js';
import { FieldError } from '../../ui/Field.js';
import { Pennant } from '../../ui/Pennant.js';
import { ChoicePart } from '../../ui/SentencePart.js';
import { Loading, Trouble } from '../../ui/States.js';
import { Outcome } from '../entry/EntryTab.js';
import { RulesEditor, useRuleEdits } from '../entry/RulesEditor.js';
import { TryDoor } from '../entry/TryDoor.js';
import type { ClassAnswer } from '../classes/ClassPage.js';
import { Margin, Screen } from '../frame/Margin.js';
import { Addresses } from './Addresses.js';
import { AudiencePart, HostsPart, type AudienceDraft } from './AudiencePart.js';
import { CopyButtons } from './LinkLine.js';
import { NameCard } from './NameCard.js';
import { Room } from './Room.js';
import { Stands } from './Stands.js';
import { Together } from './Together.js';
import { audienceInWords, notedLink, PURPOSES } from './noted.js';

const draftOf = (l: LinkDetail): AudienceDraft => ({
  classIds: l.audience.flatMap((a) => (a.kind === 'class' ? [a.id] : [])),
  groupIds: l.audience.flatMap((a) => (a.kind === 'group' ? [a.id] : [])),
  personIds: l.audience.flatMap((a) => (a.kind === 'person' ? [a.id] : [])),
  emails: l.audience.flatMap((a) => (a.kind === 'guest' ? [a.email] : [])),
  hostIds: l.hosts.map((h) => h.id),
});

const KINDS = [
  { value: 'lesson', label: 'a lesson' },
  { value: 'one-to-one', label: 'a one-to-one' },
  { value: 'help', label: 'drop-in help' },
  { value: 'event', label: 'an event with guests' },
  { value: 'project', label: 'a project team' },
];

/** What the link is for, in a sentence whose marked parts are changed in place. */
function Sentence({ link, of }: { link: LinkDetail; of: ClassAnswer }) {
  const { data: classes } = api.useClassesQuery();
  const { data: groups } = api.useGroupsQuery({ params: { classId: link.classId } });
  const [edit] = api.useEditLinkMutation();
  const [setAudience] = api.useSetAudienceMutation();
  const [problem, setProblem] = useState<Problem>();
  const params = { linkId: link.id };
  const body = (part: Partial<Pick<LinkDetail, 'label' | 'purpose' | 'kind' | 'shown'>>) => ({
    label: link.label,
    purpose: link.purpose,
    kind: link.kind,
    shown: link.shown,
    ...part,
  });
  const change = async (part: Parameters<typeof body>[0], said: string): Promise<void> => {
    setProblem(undefined);
    const { data, error } = await edit({ params, body: { ...body(part), version: link.version } });
    if (!data) return setProblem(problemOf(error));
    offerUndo(said, () => edit({ params, body: { ...body({}), version: data.version } }).unwrap());
  };
  const audience = draftOf(link);
  const changeAudience = async (draft: AudienceDraft): Promise<void> => {
    setProblem(undefined);
    const { data, error } = await setAudience({
      params,
      body: { ...draft, version: link.version },
    });
    if (!data) return setProblem(problemOf(error));
    offerUndo('Whom it is for is changed.', () =>
      setAudience({ params, body: { ...audience, version: data.version } }).unwrap(),
    );
  };
  const names = new Map(
    link.audience.flatMap((a) => (a.kind === 'person' ? [[a.id, a.name] as const] : [])),
  );
  const purposes = [
    ...PURPOSES.map((p) => p.words),
    ...(link.purpose && !PURPOSES.some((p) => p.words === link.purpose) ? [link.purpose] : []),
  ];
  if (!link.mayEdit)
    return (
      <p className="text-lg leading-[2]">
        For <b>{link.purpose || 'Lessons'}</b>, and for <b>{audienceInWords(link)}</b>.
        {link.hosts.length > 0 && (
          <>
            {' '}
            {link.hosts.map((h) => h.name).join(', ')} {link.hosts.length === 1 ? 'hosts' : 'host'}{' '}
            here too.
          </>
        )}
      </p>
    );
  return (
    <>
      <p className="text-lg leading-[2.2]">
        For{' '}
        <ChoicePart
          label="What it is for"
          value={link.purpose || 'Lessons'}
          onChange={(v) => void change({ purpose: v }, `It is for: ${v}.`)}
          choices={purposes.map((p) => ({ value: p, label: p }))}
        />
        , called{' '}
        <NameCard
          key={link.label}
          name={link.label}
          error={messageFor(problem, 'label')}
          onSave={(label) => void change({ label }, `It is called ${label}.`)}
        />
        , thought of as{' '}
        <ChoicePart
          label="What kind of meeting"
          value={link.kind}
          marked={false}
          onChange={(v) => void change({ kind: v as LinkDetail['kind'] }, 'Changed.')}
          choices={KINDS}
        />
        . It is for{' '}
        <AudiencePart
          draft={audience}
          onChange={(d) => void changeAudience(d)}
          classId={link.classId}
          classes={classes?.classes ?? [of.class]}
          groups={groups?.groups ?? []}
          names={names}
          error={messageFor(problem, 'classIds', 'groupIds', 'personIds', 'emails')}
        />
        , hosted by the class period’s hosts and{' '}
        <HostsPart
          draft={audience}
          onChange={(d) => void changeAudience(d)}
          staff={groups?.staff ?? []}
          error={messageFor(problem, 'hostIds')}
        />
        . Students{' '}
        <ChoicePart
          label="Whether students see it"
          value={String(link.shown)}
          marked={false}
          onChange={(v) => void change({ shown: v === 'true' }, 'Changed.')}
          choices={[
            { value: 'true', label: 'see it in their day' },
            { value: 'false', label: 'do not see it' },
          ]}
        />
        .
      </p>
      {problem && (
        <FieldError>
          {problem.status === 409
            ? 'Somebody changed this link just now. It is shown as it stands; change it again if you still want to.'
            : (problem.errors?.[0]?.message ?? problem.title)}
        </FieldError>
      )}
    </>
  );
}

const Part = ({ title, children }: { title: string; children: ReactNode }) => (
  <section aria-label={title} className="mt-6 border-t border-line pt-4">
    <h2 className="mb-2 text-[19px]">{title}</h2>
    {children}
  </section>
);

function Body({
  of,
  link,
  rules,
  zone,
}: {
  of: ClassAnswer;
  link: LinkDetail;
  rules: Answer<'rules'>;
  zone: string;
}) {
  const navigate = useNavigate();
  const now = useNow();
  const [setRules] = api.useSetLinkRulesMutation();
  const [reopen] = api.useReopenLinkMutation();
  const [replacing, setReplacing] = useState(false);
  const edits = useRuleEdits(rules, ({ version, rules: own }) =>
    setRules({ params: { linkId: link.id }, body: { version, rules: own } }),
  );
  const { rules: inForce, locked } = resolveRules(rules.layers as RuleLayer[]);
  const findings =
    link.state === 'live'
      ? notesForRules(reviewRules(inForce, rules.setting), locked, link.id)
      : [];
  const notes: Note[] = worstFirst([
    ...notesForLink(notedLink(link, now, zone)),
    ...findings,
    ...(link.state === 'live' && link.stands.length === 0
      ? [
          {
            severity: 'inform' as const,
            title: 'It stands nowhere yet',
            text: 'Copy it to whom it is for, or post it.',
          },
        ]
      : []),
  ]);
  const act = (name: string, fix?: object): void => {
    if (name === 'reopen-link')
      void reopen({ params: { linkId: link.id }, body: { version: link.version } });
    else if (name === 'renew-link') void navigate(`/classes/${link.classId}/links?new=Lessons`);
    else if (fix) void edits.put({ ...edits.own, ...fix }, 'Mended.');
  };
  const shown = link.mayEdit ? notes : notes.map(({ actions: _, ...note }) => note);
  return (
    <Screen
      margin={
        <Margin notes={shown} onAction={({ name, rules: fix }) => act(name, fix)}>
          <TryDoor
            of={of}
            linkId={link.id}
            zone={zone}
            asksCode={inForce.entryCode !== null}
            watching={inForce.watching}
            version={rules.version}
          />
        </Margin>
      }
    >
      <header className="flex items-center gap-4">
        <Pennant pennant={link.pennant} size="large" />
        <div>
          <h1 className="text-[25px]">{link.label}</h1>
          <p className="text-soft">
            <Link className="hover:underline" to={`/classes/${link.classId}/links`}>
              {link.classTitle}, links
            </Link>
            {link.main && ' · the class period’s own'}
          </p>
        </div>
        {link.state === 'retired' && <Chip tone="wrong">Stopped</Chip>}
      </header>
      <p className="mt-4 flex flex-wrap items-center gap-3 border-y border-dashed border-edge py-3.5">
        <code
          className={`rounded-small bg-shade px-2.5 py-1 font-mono text-lg font-bold ${link.state === 'retired' ? 'line-through' : ''}`}
        >
          /door/{link.code}
        </code>
        {link.state === 'live' && (
          <span className="ml-auto flex flex-wrap gap-2.5">
            <CopyButtons of={{ link }} />
            <Link to={`/door/${link.code}/how`} className={buttonClass()}>
              How students get in
            </Link>
            {link.mayEdit && (
              <Link
                to={`/desk/${link.id}`}
                className="inline-flex items-center rounded-small border border-edge bg-sheet px-3.5 py-1.5 text-[15px] font-semibold hover:bg-shade"
              >
                To the desk
              </Link>
            )}
          </span>
        )}
      </p>
      <div className="mt-3">
        <Sentence link={link} of={of} />
      </div>
      <Part title="Entry">
        <RulesEditor edits={edits} layers={rules.layers as RuleLayer[]} />
        <Outcome answer={rules} rules={inForce} zone={zone} />
      </Part>
      <Part title="Where it stands">
        <Stands link={link} zone={zone} />
      </Part>
      <Part title="Behind the door">
        <Room link={link} rules={inForce} />
      </Part>
      {link.audience.some((a) => a.kind === 'class' && a.id === link.classId) && (
        <Part title="Who else meets here">
          <Together link={link} of={of} />
        </Part>
      )}
      <Part title="Its addresses">
        <Addresses
          link={link}
          zone={zone}
          now={now}
          replacing={replacing}
          setReplacing={setReplacing}
        />
      </Part>
    </Screen>
  );
}

/** One link: whom it is for, its rules, its room, who shares it, and what has become of its codes. */
export default function LinkPage({
  of,
  linkId,
  zone,
}: {
  of: ClassAnswer;
  linkId: number;
  zone: string;
}) {
  const { data: link, error, refetch } = api.useLinkQuery({ params: { linkId } });
  const { data: rules } = api.useLinkRulesQuery({ params: { linkId } });
  if (error && !link)
    return (
      <Screen>
        <Trouble problem={problemOf(error)} retry={() => void refetch()} />
      </Screen>
    );
  if (!link || !rules)
    return (
      <Screen>
        <Loading lines={6} />
      </Screen>
    );
  return <Body of={of} link={link} rules={rules} zone={zone} />;
}
