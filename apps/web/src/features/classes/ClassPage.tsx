import { Suspense, lazy, useState } from 'react';
import { Link, NavLink, Navigate, useParams, useSearchParams } from 'react-router';
import { notesForClass, resolveRules, reviewRules, type Note, type RuleLayer } from '@glen/core';
import { addMinutes, classTitle, dateInWords } from '@glen/core/light';
import type { Answer, Me } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { useNow } from '../../app/clock.js';
import { Button, buttonClass } from '../../ui/Button.js';
import { Chip } from '../../ui/Chip.js';
import { Pennant } from '../../ui/Pennant.js';
import { Empty, Loading, Trouble } from '../../ui/States.js';
import { Margin, Screen } from '../frame/Margin.js';
import { CopyButtons } from '../link/LinkLine.js';
import { useNoteActions } from '../frame/useNoteActions.js';
import { movedInWords } from '../plan/moved.js';

const EntryTab = lazy(() => import('../entry/EntryTab.js'));
const PostsTab = lazy(() => import('../post/PostsTab.js'));
const LinksTab = lazy(() => import('../link/LinksTab.js'));
const LinkPage = lazy(() => import('../link/LinkPage.js'));
const RollTab = lazy(() => import('../group/RollTab.js'));

export type ClassAnswer = Answer<'classPeriod'>;
const TABS = ['sessions', 'entry', 'links', 'posts', 'roll'] as const;
const TAB_NAMES = {
  sessions: 'Sessions',
  entry: 'Entry',
  links: 'Links',
  posts: 'Posts',
  roll: 'Roll',
} as const;

/** What stands above every tab: who the class is, and its link line. */
export function ClassHead({ of }: { of: ClassAnswer }) {
  const [search] = useSearchParams();
  const { class: c, staff } = of;
  const names = (as: string): string =>
    staff
      .filter((s) => s.as === as)
      .map((s) => s.name)
      .join(', ');
  return (
    <>
      <header className="flex items-center gap-4">
        <Pennant pennant={c.pennant} size="large" />
        <div>
          <h1 className="text-[25px]">{classTitle(c)}</h1>
          <p className="text-soft">
            {c.rollSize} on the roll · {names('host')}
            {names('co-teacher') && ` with ${names('co-teacher')}`}
            {names('presenter') && ` · ${names('presenter')} presents`}
          </p>
        </div>
      </header>
      <p className="mt-4 flex flex-wrap items-center gap-3 border-y border-dashed border-edge py-3.5">
        {c.link.state === 'live' ? (
          <>
            <span>Students come in by</span>
            <code className="rounded-small bg-shade px-2.5 py-1 font-mono text-lg font-bold">
              /door/{c.link.code}
            </code>
            <span>all year.</span>
            <span className="ml-auto flex flex-wrap gap-2.5">
              <CopyButtons
                key={String(search.has('copy'))}
                of={c}
                composingAtOnce={search.has('copy')}
              />
            </span>
          </>
        ) : (
          <>
            <b className="text-berry-deep">
              Students have no way in: this class period’s link has been stopped.
            </b>
            <span className="ml-auto flex flex-wrap gap-2.5">
              <Link to={`/classes/${c.id}/links?new=Lessons`} className={buttonClass('act')}>
                Give it a new link
              </Link>
              <Link to={`/classes/${c.id}/links/${c.link.id}`} className={buttonClass()}>
                Look at the old one
              </Link>
            </span>
          </>
        )}
      </p>
      <nav aria-label={`About ${c.title}`} className="mt-4 mb-4 flex gap-6 border-b border-line">
        {TABS.map((tab) => (
          <NavLink
            key={tab}
            to={`/classes/${c.id}/${tab}`}
            className={({ isActive }) =>
              `border-b-3 pb-2 ${isActive ? 'border-bracken font-bold' : 'border-transparent text-soft hover:text-ink'}`
            }
          >
            {TAB_NAMES[tab]}
          </NavLink>
        ))}
      </nav>
    </>
  );
}

const SHOWN = { Ahead: 12, Past: 6 };

type SessionRow = ClassAnswer['sessions'][number];

function SessionList({
  title,
  sessions,
  of,
  mayEdit,
}: {
  title: keyof typeof SHOWN;
  sessions: SessionRow[];
  of: ClassAnswer;
  mayEdit: boolean;
}) {
  const [all, setAll] = useState(false);
  if (sessions.length === 0) return null;
  const shown = all ? sessions : sessions.slice(0, SHOWN[title]);
  return (
    <section className="mb-6">
      <h2 className="mb-1 text-base">{title}</h2>
      <ul>
        {shown.map((s) => {
          const isOff = s.status === 'cancelled' || s.status === 'skipped';
          return (
            <li
              key={s.id}
              className="flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-line py-2"
            >
              <span className={`w-24 ${s.status === 'skipped' ? 'text-soft' : ''}`}>
                {s.undated ? 'some day' : dateInWords(s.date)}
              </span>
              {!s.undated && (
                <span className={`font-mono ${s.status === 'skipped' ? 'text-soft' : ''}`}>
                  {s.time}–{addMinutes(s.time, s.minutes)}
                </span>
              )}
              <span
                className={`min-w-0 flex-1 break-words ${s.undated ? '' : isOff ? 'text-soft line-through' : ''}`}
              >
                {s.title}
              </span>
              {s.status === 'cancelled' && (
                <Chip tone="wrong">Cancelled{s.why ? `: ${s.why}` : ''}</Chip>
              )}
              {s.status === 'skipped' && !s.undated && <Chip>Skipped: {s.why}</Chip>}
              {s.linkLabel && <Chip tone="inform">{s.linkLabel}</Chip>}
              {s.with.length > 0 && <Chip tone="inform">with {s.with.join(', ')}</Chip>}
              {s.heldAt && !isOff && <Chip tone="inform">held at the door of {s.heldAt}</Chip>}
              {s.draft && <Chip tone="careful">{s.undated ? 'Draft, no date yet' : 'Draft'}</Chip>}
              {s.was && !isOff && <Chip tone="careful">{movedInWords(s)}</Chip>}
              {s.came > 0 && (
                <Chip tone="well">
                  {s.came} of {of.class.rollSize} came
                </Chip>
              )}
              {mayEdit && (
                <Link
                  to={`/plan/${s.seriesId}?on=${s.key}`}
                  className={buttonClass('link')}
                  aria-label={`Change ${s.title}, ${dateInWords(s.date)}`}
                >
                  Change
                </Link>
              )}
            </li>
          );
        })}
      </ul>
      {sessions.length > shown.length && (
        <Button className="mt-2" onClick={() => setAll(true)}>
          Show all {sessions.length}
        </Button>
      )}
    </section>
  );
}

function Sessions({ of, now }: { of: ClassAnswer; now: string }) {
  const mayEdit = of.class.mine === 'host' || of.class.mine === 'co-teacher';
  const isAhead = (s: SessionRow): boolean => s.undated || s.end > now;
  return (
    <>
      {mayEdit && (
        <p className="mb-4 flex gap-3">
          <Link to={`/plan/new?class=${of.class.id}`} className={buttonClass('act')}>
            Schedule a session
          </Link>
          <Link to={`/desk/${of.class.link.id}`} className={buttonClass()}>
            To the desk
          </Link>
        </p>
      )}
      {of.sessions.length === 0 && (
        <Empty title="Nothing planned">
          The link works all the same: a host may open its door at any time.
        </Empty>
      )}
      <SessionList title="Ahead" sessions={of.sessions.filter(isAhead)} of={of} mayEdit={mayEdit} />
      <SessionList
        title="Past"
        sessions={of.sessions.filter((s) => !isAhead(s)).reverse()}
        of={of}
        mayEdit={mayEdit}
      />
    </>
  );
}

/** What needs thought about this class period, by its rules, its posts and what is planned. */
function notesOf(
  { class: c, sessions }: ClassAnswer,
  { layers, setting }: Answer<'rules'>,
  now: string,
): Note[] {
  const { rules, locked } = resolveRules(layers as RuleLayer[]);
  return notesForClass(
    {
      id: c.id,
      title: classTitle(c),
      sessions,
      findings: reviewRules(rules, setting),
      locked,
      linkStands: setting.placements.length > 0,
    },
    now,
  );
}

export function ClassPage({ me }: { me: Me }) {
  const params = useParams();
  const classId = Number(params.classId);
  const tab = params.tab ?? '';
  const { data, error, refetch } = api.useClassPeriodQuery({ params: { classId } });
  const { data: rules } = api.useRulesQuery({ params: { classId } });
  const now = useNow();
  const act = useNoteActions();
  if (!TABS.some((t) => t === tab))
    return <Navigate to={`/classes/${params.classId}/sessions`} replace />;
  if (error && !data)
    return (
      <Screen>
        <Trouble problem={problemOf(error)} retry={() => void refetch()} />
      </Screen>
    );
  if (!data)
    return (
      <Screen>
        <Loading lines={6} />
      </Screen>
    );
  const mayEdit = data.class.mine === 'host' || data.class.mine === 'co-teacher';
  if (tab === 'entry')
    return (
      <Suspense
        fallback={
          <Screen>
            <ClassHead of={data} />
            <Loading />
          </Screen>
        }
      >
        <EntryTab of={data} zone={me.school.zone} />
      </Suspense>
    );
  const waiting = (
    <Screen>
      <ClassHead of={data} />
      <Loading />
    </Screen>
  );
  if (tab === 'links')
    return (
      <Suspense fallback={waiting}>
        {params.linkId === undefined ? (
          <LinksTab of={data} zone={me.school.zone} />
        ) : (
          <LinkPage
            key={params.linkId}
            of={data}
            linkId={Number(params.linkId)}
            zone={me.school.zone}
          />
        )}
      </Suspense>
    );
  if (tab === 'roll')
    return (
      <Suspense fallback={waiting}>
        <RollTab of={data} />
      </Suspense>
    );
  if (tab === 'posts')
    return (
      <Suspense
        fallback={
          <Screen>
            <ClassHead of={data} />
            <Loading />
          </Screen>
        }
      >
        <PostsTab of={data} zone={me.school.zone} />
      </Suspense>
    );
  return (
    <Screen
      margin={<Margin notes={mayEdit && rules ? notesOf(data, rules, now) : []} onAction={act} />}
    >
      <ClassHead of={data} />
      <Sessions of={data} now={now} />
    </Screen>
  );
}
