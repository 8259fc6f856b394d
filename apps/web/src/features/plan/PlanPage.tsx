import type { ReactNode } from 'react';
import { useLocation, useParams, useSearchParams } from 'react-router';
import type { SchoolCalendar } from '@glen/core';
import type { ClassItem, Me, Problem, Session } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { useMinute, wallClock } from '../../app/clock.js';
import { Screen } from '../../ui/Margin.js';
import { Loading, Trouble } from '../../ui/States.js';
import { mayEdit } from '../school/mayEdit.js';
import { PlanBody } from './PlanBody.js';
import { Sheet, type SheetPreview } from './Sheet.js';
import { draftOfSession, newDraft, type SheetDraft } from './sheetDraft.js';
import { isSeriesOf, planOfSession } from './sheetPlans.js';
import * as say from './words.js';

interface PlanProps {
  me: Me;
  /** What else can be done with the whole plan, beside its views. */
  tools: ReactNode;
}

const refused = (title: string): Problem => ({ type: 'about:blank', title, status: 403 });

function Refused({ title }: { title: string }) {
  return (
    <Screen>
      <Trouble problem={refused(title)} />
    </Screen>
  );
}

/** A saved session as the sheet begins with it: of a series, the one date that was opened. */
function draftOfSaved(session: Session, school: SchoolCalendar): SheetDraft {
  const scope = isSeriesOf(session, school) ? 'one' : 'whole';
  return draftOfSession(session, planOfSession(session, school), scope, school.zone);
}

interface OpenSheetProps {
  school: SchoolCalendar;
  classes: ClassItem[];
  editing: Session | null;
  now: string;
  today: string;
  frame: (preview: SheetPreview, sheet: ReactNode) => ReactNode;
}

/** The sheet on a new session or on a saved one, for those who host its class period. */
function OpenSheet({ school, classes, editing, now, today, frame }: OpenSheetProps) {
  const [search] = useSearchParams();
  if (editing && !classes.some((c) => c.id === editing.classId))
    return <Refused title={say.onlyItsHostsCanChange} />;
  const first = classes.find((c) => String(c.id) === search.get('class')) ?? classes[0];
  if (!first) return <Refused title={say.youHostNoClassPeriod} />;
  return (
    <Sheet
      key={`${editing?.seriesId ?? 'new'} ${search.get('on') ?? ''}`}
      school={school}
      classes={classes}
      start={editing ? draftOfSaved(editing, school) : newDraft(first, school, today)}
      editing={editing}
      now={now}
      today={today}
      frame={frame}
    />
  );
}

/** The plan: a term, the year or a week at a glance, and below it the sheet or whatever is chosen. */
export function PlanPage({ me, tools }: PlanProps) {
  const { seriesId } = useParams();
  const { pathname } = useLocation();
  const [search] = useSearchParams();
  const now = useMinute();
  const { date: today } = wallClock(now, me.school.zone);
  const { data: school, error } = api.useSchoolQuery();
  const { data: own } = api.useTodayQuery();
  const isSaved = seriesId !== undefined;
  const known = api.useSessionQuery(
    { params: { seriesId: Number(seriesId) }, query: { on: search.get('on') ?? undefined } },
    { skip: !isSaved },
  );
  const failure = error ?? known.error;
  if (failure)
    return (
      <Screen>
        <Trouble problem={problemOf(failure)} />
      </Screen>
    );
  if (!school || !own || (isSaved && !known.data))
    return (
      <Screen>
        <Loading lines={8} />
      </Screen>
    );
  const shared = { school: school as SchoolCalendar, now, today };
  const frame = (preview: SheetPreview | null, sheet: ReactNode): ReactNode => (
    <PlanBody key="body" me={me} {...shared} preview={preview} sheet={sheet} tools={tools} />
  );
  if (!isSaved && !pathname.endsWith('/new')) return frame(null, null);
  return (
    <OpenSheet
      {...shared}
      classes={own.classes.filter(mayEdit)}
      editing={isSaved ? known.data!.session : null}
      frame={frame}
    />
  );
}
