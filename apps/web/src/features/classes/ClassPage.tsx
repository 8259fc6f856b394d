import { Suspense, lazy } from 'react';
import { Navigate, useParams } from 'react-router';
import { notesForClass, resolveRules, reviewRules, type Note, type RuleLayer } from '@glen/core';
import { classTitle } from '@glen/core/light';
import type { Answer, Me } from '@glen/contract';
import { api } from '../../app/api.js';
import { Loaded } from '../../app/Loaded.js';
import { useNow } from '../../app/clock.js';
import { useNoteActions } from '../../app/useNoteActions.js';
import { Margin, Screen, type Around } from '../../ui/Margin.js';
import { Loading } from '../../ui/States.js';
import type { ClassPeriod } from '../school/classPeriod.js';
import { LatelyPart } from '../lately/LatelyPart.js';
import { mayEdit } from '../school/mayEdit.js';
import { ClassHead } from './ClassHead.js';
import { ClassParts } from './ClassParts.js';
import { Sessions } from './SessionsTab.js';
import { TABS, hasTab, type TabName } from './tabs.js';

const EntryTab = lazy(() => import('../entry/EntryTab.js'));
const PostsTab = lazy(() => import('../post/PostsTab.js'));
const LinksTab = lazy(() => import('../link/LinksTab.js'));
const LinkPage = lazy(() => import('../link/LinkPage.js'));
const AboutTab = lazy(() => import('./AboutTab.js'));
const WhoComesTab = lazy(() => import('./WhoComesTab.js'));
const RollTab = lazy(() => import('../group/RollTab.js'));

/** What needs thought about this class period, by its rules, its posts and what is planned. */
function notesOf(
  { class: c, sessions }: ClassPeriod,
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

function SessionsTab({ classPeriod, around }: { classPeriod: ClassPeriod; around: Around }) {
  const { data: rules } = api.useRulesQuery({ params: { classId: classPeriod.class.id } });
  const now = useNow();
  const act = useNoteActions();
  const notes = mayEdit(classPeriod.class) && rules ? notesOf(classPeriod, rules, now) : [];
  return (
    <Screen around={around} margin={<Margin notes={notes} onAction={act} below={<LatelyPart />} />}>
      <Sessions classPeriod={classPeriod} now={now} />
    </Screen>
  );
}

interface TabProps {
  tab: TabName;
  classPeriod: ClassPeriod;
  around: Around;
  zone: string;
}

function Tab({ tab, classPeriod, around, zone }: TabProps) {
  const { linkId } = useParams();
  const shared = { classPeriod, around, zone };
  switch (tab) {
    case 'sessions':
      return <SessionsTab classPeriod={classPeriod} around={around} />;
    case 'entry':
      return <EntryTab {...shared} />;
    case 'roll':
      return <RollTab {...shared} />;
    case 'people':
      return <WhoComesTab classPeriod={classPeriod} around={around} />;
    case 'about':
      return <AboutTab classPeriod={classPeriod} around={around} />;
    case 'posts':
      return <PostsTab {...shared} />;
    case 'links':
      return linkId === undefined ? (
        <LinksTab {...shared} />
      ) : (
        <LinkPage key={linkId} classPeriod={classPeriod} linkId={Number(linkId)} zone={zone} />
      );
  }
}

/** One part of a class period, beside the list of all. */
function Tabs({ tab, classPeriod, zone }: Omit<TabProps, 'around'>) {
  if (!hasTab(classPeriod.class, tab))
    return <Navigate to={`/classes/${classPeriod.class.id}/sessions`} replace />;
  const around = {
    head: <ClassHead classPeriod={classPeriod} zone={zone} />,
    parts: <ClassParts key={tab} open={tab} classPeriod={classPeriod} zone={zone} />,
  };
  const waiting = (
    <Screen around={around}>
      <Loading />
    </Screen>
  );
  return (
    <Suspense fallback={waiting}>
      <Tab tab={tab} classPeriod={classPeriod} around={around} zone={zone} />
    </Suspense>
  );
}

export function ClassPage({ me }: { me: Me }) {
  const params = useParams();
  const classId = Number(params.classId);
  const tab = TABS.find((t) => t === params.tab);
  const asked = api.useClassPeriodQuery({ params: { classId } });
  if (!tab) return <Navigate to={`/classes/${params.classId}/sessions`} replace />;
  return (
    <Loaded asked={asked}>
      {(classPeriod) => <Tabs tab={tab} classPeriod={classPeriod} zone={me.school.zone} />}
    </Loaded>
  );
}
