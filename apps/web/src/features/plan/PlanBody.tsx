import { useHotkeys } from 'react-hotkeys-hook';
import { useMemo, type ReactNode } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { areOffice, isHeld, notesForPlan, overlapping, type SchoolCalendar } from '@glen/core';
import type { Me } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { useNoteActions } from '../../app/useNoteActions.js';
import { Margin, Screen } from '../../ui/Margin.js';
import { Empty, Loading, Trouble } from '../../ui/States.js';
import { usePhone } from '../../ui/useMedia.js';
import { LatelyPart } from '../lately/LatelyPart.js';
import { mayEdit } from '../school/mayEdit.js';
import { ChosenPart } from './ChosenPart.js';
import { DayList } from './DayList.js';
import { notedSessions } from './notedSessions.js';
import { PlanHead, type SetSearch } from './PlanHead.js';
import { rangeAsked, type PlanRange } from './planRange.js';
import type { SheetPreview } from './Sheet.js';
import { Strip } from './strip/Strip.js';
import type { Strip as StripData } from './strip/layout.js';
import { usePlanActions, type PlanActions } from './usePlanActions.js';
import { Pages } from './Pages.js';
import { WeekView } from './week/WeekView.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

interface BodyProps {
  me: Me;
  school: SchoolCalendar;
  today: string;
  now: string;
  /** What the sheet would put on the books, and says about it. */
  preview: SheetPreview | null;
  sheet: ReactNode;
  tools: ReactNode;
}

interface GridProps extends BodyProps {
  strip: StripData;
  range: PlanRange;
  clashing: Set<number>;
  actions: PlanActions;
}

/** The strip or the week, with what the sheet proposes laid over it. */
function Grid({ strip, range, clashing, actions, ...body }: GridProps) {
  const { school, now, today, preview, sheet } = body;
  if (strip.classes.length === 0)
    return <Empty title={say.noClassPeriodsYet}>{say.onceTheOfficePutsYou}</Empty>;
  const run = preview?.run;
  const proposed = run
    ? {
        classId: preview.classId,
        rows: run.rows,
        leftOut: run.leftOut,
        slots: preview.slots,
        toggle: preview.toggle,
        clashing: new Set(run.clashes.map((c) => c.key)),
      }
    : null;
  const shared = {
    strip,
    school,
    now,
    today,
    clashing,
    proposed,
    chosen: sheet ? null : actions.chosen,
    onChoose: actions.choose,
    onMove: actions.move,
    onOpen: actions.open,
    onCancel: actions.cancel,
  };
  return (
    <div className="mb-4">
      {range.view === 'week' ? (
        <WeekView monday={range.monday} {...shared} />
      ) : (
        <Strip
          from={range.from}
          to={range.to}
          label={fill(say.oneRowForEachClass, { range: range.title })}
          {...shared}
        />
      )}
      {strip.notches.length === 0 && !sheet && (
        <Empty title={say.nothingPlannedHere}>{say.aSessionNeedsAClass}</Empty>
      )}
    </div>
  );
}

/** The plan as a drawing; on a phone as a list, with the drawing folded away. */
function View({ isPhone, ...props }: GridProps & { isPhone: boolean }) {
  if (!isPhone || props.strip.classes.length === 0) return <Grid {...props} />;
  return (
    <>
      <details className="mb-3">
        <summary className="flex min-h-11 cursor-pointer items-center text-bracken-deep">
          {fill(say.atAGlance, {
            range: props.range.view === 'week' ? say.theWeek : props.range.title,
          })}
        </summary>
        <Grid {...props} />
      </details>
      {!props.sheet && <DayList {...props} />}
    </>
  );
}

function Undated({ drafts }: { drafts: StripData['undated'] }) {
  if (drafts.length === 0) return null;
  return (
    <section
      aria-label={say.withoutADateTitle}
      className="mb-4 flex flex-wrap items-center gap-x-4 gap-y-1 text-md"
    >
      <h2 className="font-sans text-md font-semibold">{say.draftsWithoutADate}</h2>
      {drafts.map((d) => (
        <Link
          key={d.seriesId}
          className="text-bracken-deep underline-offset-3 hover:underline"
          to={`/plan/${d.seriesId}`}
        >
          {d.title}
        </Link>
      ))}
    </section>
  );
}

interface RestProps extends Pick<GridProps, 'actions' | 'strip' | 'now'> {
  isFirst: boolean;
  /** What is chosen stands where it was chosen. */
  isPhone: boolean;
  set: SetSearch;
}

/** What stands below the plan while no sheet does. */
const Rest = ({ strip, now, actions, isFirst, isPhone, set }: RestProps) => (
  <>
    <Pages strip={strip} isFirst={isFirst} set={set} />
    <Undated drafts={strip.undated} />
    {!isPhone && <ChosenPart actions={actions} strip={strip} now={now} />}
  </>
);

const mayAddTo = (strip: StripData | undefined): boolean => strip?.classes.some(mayEdit) ?? false;

/** Sets parts of the address in place: going back leaves the plan. */
function useAddress(): [URLSearchParams, SetSearch] {
  const [search, setSearch] = useSearchParams();
  const set: SetSearch = (key, value) => {
    setSearch(
      (s) => {
        if (value === null) s.delete(key);
        else s.set(key, value);
        return s;
      },
      { replace: true },
    );
  };
  return [search, set];
}

/** Whose class periods are shown. The head and the office look after everybody's. */
function whoseAsked(search: URLSearchParams, me: Me): 'all' | 'mine' {
  const asked = search.get('of');
  if (asked === 'all' || asked === 'mine') return asked;
  return !areOffice(me.person?.roles ?? []) ? 'mine' : 'all';
}

/** After which class period a page of all of them begins. */
function afterAsked(search: URLSearchParams, whose: 'all' | 'mine'): number | undefined {
  const asked = Number(search.get('after') ?? 0);
  return whose === 'all' && Number.isInteger(asked) && asked > 0 ? asked : undefined;
}

/** What the browser’s tab says. */
function tabOf(sheet: ReactNode, range: { title: string }, seriesId: string | undefined): string {
  if (sheet === null) return fill(say.planRange, { range: range.title });
  return seriesId === undefined ? say.newSession2 : say.changeASession;
}

const SheetMargin = ({ preview }: { preview: SheetPreview }) => (
  <Margin title={say.whatWillHappen} notes={preview.notes} onAction={preview.act} />
);

/** The plan itself, with the sheet or whatever is chosen below it. */
export function PlanBody(props: BodyProps) {
  const { me, school, today, now, preview, sheet, tools } = props;
  const [search, set] = useAddress();
  const { seriesId } = useParams();
  const held = useMemo(() => (preview?.run?.rows ?? []).filter(isHeld), [preview?.run]);
  const firstAhead = held.find((o) => o.date >= today)?.date;
  const range = rangeAsked(search, school, firstAhead ?? today);
  const whose = whoseAsked(search, me);
  const { from, to } = range;
  const after = afterAsked(search, whose);
  const {
    data: strip,
    error,
    refetch,
  } = api.useStripQuery({
    query: { from, to, of: whose, after },
  });
  const actions = usePlanActions(strip, now);
  const isPhone = usePhone();
  const noted = useMemo(() => (strip ? notedSessions(strip) : []), [strip]);
  const clashing = useMemo(() => overlapping(noted, now), [noted, now]);
  const notes = useMemo(() => notesForPlan(noted, now), [noted, now]);
  const act = useNoteActions();
  const turnToWeek = () => set('view', range.view === 'week' ? null : 'week');
  useHotkeys('w', turnToWeek, { enabled: sheet === null });
  if (error && !strip)
    return (
      <Screen>
        <Trouble problem={problemOf(error)} retry={() => void refetch()} />
      </Screen>
    );
  const planMargin = strip && <Margin notes={notes} onAction={act} below={<LatelyPart />} />;
  return (
    <Screen margin={preview ? <SheetMargin preview={preview} /> : planMargin}>
      <PlanHead
        tab={tabOf(sheet, range, seriesId)}
        range={range}
        school={school}
        today={today}
        strip={strip}
        mayAdd={sheet === null && mayAddTo(strip)}
        hasSheet={sheet !== null}
        isAll={whose === 'all'}
        set={set}
        tools={tools}
      />
      {strip ? (
        <View {...props} {...{ strip, range, clashing, actions, isPhone }} />
      ) : (
        <Loading lines={7} />
      )}
      {/* Not before the strip: it would push the sheet down under somebody's hand. */}
      {strip &&
        (sheet ?? (
          <Rest {...{ strip, now, actions, set, isPhone }} isFirst={after === undefined} />
        ))}
    </Screen>
  );
}
