import { useHotkeys } from 'react-hotkeys-hook';
import { useMemo, useState, type ReactNode } from 'react';
import { Link, useLocation, useNavigate, useParams, useSearchParams } from 'react-router';
import { toast } from 'sonner';
import {
  addDays,
  countDays,
  dateInWords,
  dateOf,
  dayNumber,
  mondayOf,
  notesForPlan,
  overlapping,
  type NotedSession,
  type SchoolCalendar,
} from '@glen/core';
import type { Me, Session } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { useMinute, wallClock } from '../../app/clock.js';
import { Button, buttonClass } from '../../ui/Button.js';
import { Empty, Loading, Trouble } from '../../ui/States.js';
import { FeedsButton } from '../feed/Feeds.js';
import { Margin, Screen } from '../../ui/Margin.js';
import { useNoteActions } from '../../app/useNoteActions.js';
import { Sheet, type SheetPreview } from './Sheet.js';
import { draftOfSession, newDraft } from './sheetDraft.js';
import { SweptDetail, StripDetail } from './StripDetail.js';
import { Strip, type Chosen } from './strip/Strip.js';
import type { Notch, Strip as StripData } from './strip/layout.js';
import { mayEdit } from '../school/mayEdit.js';
import { useChanges } from './useChanges.js';
import { WeekView } from './WeekView.js';

type Term = { name: string; first: string; last: string };

/** The term of a date: the one that holds it, else the next, else the last. */
const termOf = (school: SchoolCalendar, date: string): Term | undefined =>
  school.terms.find((t) => t.last >= date) ?? school.terms.at(-1);
const mondayBefore = (date: string): string => dateOf(mondayOf(dayNumber(date, 'date')));
const dayAndMonth = (date: string): string => dateInWords(date).slice(4);

function rangeInWords(school: SchoolCalendar, from: string, to: string): string {
  const { weeks, teachingDays } = countDays(school, from, to);
  return `${dayAndMonth(from)} – ${dayAndMonth(to)} · ${weeks} weeks · ${teachingDays} teaching days`;
}

/** The teacher's own sessions on the strip, as notes and clashes ask for them. */
const notedOf = (strip: StripData): NotedSession[] => {
  const series = new Map(strip.series.map((s) => [s.id, s]));
  const own = new Map(strip.classes.filter(mayEdit).map((c) => [c.id, c]));
  return strip.notches.flatMap((n): NotedSession[] => {
    const of = series.get(n.seriesId)!;
    return own.has(of.classId) && n.heldAt === undefined
      ? [
          {
            id: n.id,
            seriesId: n.seriesId,
            key: n.key,
            classId: of.classId,
            title: n.title ?? of.title,
            date: n.date,
            time: n.time,
            minutes: n.minutes,
            start: n.start,
            end: n.end,
            status: n.status,
            draft: of.draft,
            door: 'shut',
            dropIn: own.get(of.classId)!.link.kind === 'help',
          },
        ]
      : [];
  });
};

/** The plan: a term, the year or a week at a glance, and below it the sheet or whatever is chosen. */
export function PlanPage({ me }: { me: Me }) {
  const { seriesId } = useParams();
  const { pathname } = useLocation();
  const [search] = useSearchParams();
  const now = useMinute();
  const { date: today } = wallClock(now, me.school.zone);
  const { data: school, error } = api.useSchoolQuery();
  const { data: own } = api.useTodayQuery();
  const known = api.useSessionQuery(
    { params: { seriesId: Number(seriesId) }, query: { on: search.get('on') ?? undefined } },
    { skip: seriesId === undefined },
  );
  const failure = error ?? known.error;
  if (failure)
    return (
      <Screen>
        <Trouble problem={problemOf(failure)} />
      </Screen>
    );
  if (!school || !own || (seriesId !== undefined && !known.data))
    return (
      <Screen>
        <Loading lines={8} />
      </Screen>
    );
  const calendar = school as SchoolCalendar;
  const classes = own.classes.filter(mayEdit);
  const frame = (preview: SheetPreview | null, sheet: ReactNode): ReactNode => (
    <PlanBody
      key="body"
      me={me}
      school={calendar}
      today={today}
      now={now}
      preview={preview}
      sheet={sheet}
    />
  );
  if (seriesId === undefined && !pathname.endsWith('/new')) return frame(null, null);
  const editing: Session | null = seriesId === undefined ? null : known.data!.session;
  if (editing && !classes.some((c) => c.id === editing.classId))
    return (
      <Screen>
        <Trouble
          problem={{
            type: 'about:blank',
            title: 'Only its hosts can change this session.',
            status: 403,
          }}
        />
      </Screen>
    );
  const first = classes.find((c) => String(c.id) === search.get('class')) ?? classes[0];
  if (!first)
    return (
      <Screen>
        <Trouble
          problem={{
            type: 'about:blank',
            title: 'You host no class period, so there is nothing to schedule.',
            status: 403,
          }}
        />
      </Screen>
    );
  const isSeries =
    editing !== null &&
    !editing.draft &&
    (editing.plan.repeat !== undefined || (editing.plan.alsoOn?.length ?? 0) > 0);
  const start = editing
    ? draftOfSession(
        editing,
        { ...editing.plan, zone: editing.plan.zone ?? calendar.zone } as Parameters<
          typeof draftOfSession
        >[1],
        isSeries ? 'one' : 'whole',
        calendar.zone,
      )
    : newDraft(first, calendar, today);
  return (
    <Sheet
      key={`${seriesId ?? 'new'} ${search.get('on') ?? ''}`}
      school={calendar}
      classes={classes}
      start={start}
      editing={editing}
      now={now}
      today={today}
      frame={frame}
    />
  );
}

interface BodyProps {
  me: Me;
  school: SchoolCalendar;
  today: string;
  now: string;
  preview: SheetPreview | null;
  sheet: ReactNode;
}

function PlanBody({ me, school, today, now, preview, sheet }: BodyProps) {
  const navigate = useNavigate();
  const [search, setSearch] = useSearchParams();
  const set = (key: string, value: string | null): void => {
    setSearch(
      (s) => {
        if (value === null) s.delete(key);
        else s.set(key, value);
        return s;
      },
      { replace: true },
    );
  };
  const held = useMemo(
    () => (preview?.run?.rows ?? []).filter((o) => o.status === 'planned' || o.status === 'moved'),
    [preview?.run],
  );
  const isWeek = search.get('view') === 'week';
  const chosenTerm = school.terms.find((t) => t.name === search.get('show'));
  const isYear = search.get('show') === 'year';
  const focusDate = held.find((o) => o.date >= today)?.date ?? today;
  const term = chosenTerm ?? termOf(school, focusDate);
  const monday = mondayBefore(search.get('week') ?? focusDate);
  const [from, to] = isWeek
    ? [monday, addDays(monday, 6)]
    : isYear && term
      ? [school.terms[0]!.first, school.terms.at(-1)!.last]
      : term
        ? [term.first, term.last]
        : [monday, addDays(monday, 120)];
  // The head and the office look after everybody's.
  const usual = me.person?.role === 'teacher' ? 'mine' : 'all';
  const of = search.get('of') === 'all' ? 'all' : search.get('of') === 'mine' ? 'mine' : usual;
  const { data: strip, error, refetch } = api.useStripQuery({ query: { from, to, of } });
  const [chosen, setChosen] = useState<Chosen>(null);
  const { change } = useChanges();
  const noted = useMemo(() => (strip ? notedOf(strip) : []), [strip]);
  const clashing = useMemo(() => overlapping(noted, now), [noted, now]);
  const notes = useMemo(() => notesForPlan(noted, now), [noted, now]);
  const act = useNoteActions();
  useHotkeys('w', () => set('view', isWeek ? null : 'week'), { enabled: sheet === null });
  if (error && !strip)
    return (
      <Screen>
        <Trouble problem={problemOf(error)} retry={() => void refetch()} />
      </Screen>
    );

  const series = new Map((strip?.series ?? []).map((s) => [s.id, s]));
  // What was chosen may have moved on since: it is looked up anew.
  const picked =
    chosen && 'notch' in chosen
      ? (strip?.notches.find((n) => n.id === chosen.notch.id) ?? null)
      : null;
  const current: Chosen =
    chosen && 'notch' in chosen ? (picked ? { notch: picked } : null) : chosen;
  const hosted = new Set((strip?.classes ?? []).filter(mayEdit).map((c) => c.id));
  const swept =
    current && 'from' in current
      ? strip!.notches.filter(
          (n) =>
            n.date >= current.from &&
            n.date <= current.to &&
            n.start > now &&
            hosted.has(series.get(n.seriesId)?.classId ?? 0),
        )
      : [];
  const move = (notch: Notch, date: string, version: number, time?: string): void => {
    const title = notch.title ?? series.get(notch.seriesId)?.title ?? '';
    void change(
      [
        {
          seriesId: notch.seriesId,
          version,
          key: notch.key,
          scope: 'one',
          change: {
            kind: 'move',
            date,
            ...(time === undefined ? {} : { time, minutes: notch.minutes }),
          },
        },
      ],
      `Moved: ${title}, to ${dateInWords(date)}${time ? `, ${time}` : ''}`,
    ).then((failure) => {
      if (failure) toast.error(failure.errors?.[0]?.message ?? failure.title);
    });
  };
  const cancelChosen = (): void => {
    const items = picked ? [picked] : swept;
    const ahead = items.filter((n) => n.status !== 'cancelled' && n.end > now);
    if (ahead.length === 0) return;
    void change(
      ahead.map((n) => ({
        seriesId: n.seriesId,
        version: series.get(n.seriesId)!.version,
        key: n.key,
        scope: 'one',
        change: { kind: 'cancel' },
      })),
      ahead.length === 1
        ? `Cancelled: ${ahead[0]!.title ?? series.get(ahead[0]!.seriesId)!.title}, ${dateInWords(ahead[0]!.date)}`
        : `Cancelled: ${ahead.length} sessions`,
    ).then((failure) => {
      if (failure) toast.error(failure.errors?.[0]?.message ?? failure.title);
    });
  };
  const open = (notch: Notch): void => {
    if (hosted.has(series.get(notch.seriesId)?.classId ?? 0))
      void navigate(`/plan/${notch.seriesId}?on=${notch.key}`);
    else void navigate(`/classes/${series.get(notch.seriesId)?.classId}`);
  };
  const proposed = preview?.run
    ? {
        classId: preview.classId,
        rows: preview.run.rows,
        clashing: new Set(preview.run.clashes.map((c) => c.key)),
      }
    : null;
  const shared = {
    school,
    now,
    today,
    clashing,
    proposed,
    chosen: sheet ? null : current,
    onChoose: setChosen,
    onOpen: open,
    onCancel: cancelChosen,
  };
  const title = isWeek
    ? `Week of ${dateInWords(monday)}`
    : isYear
      ? 'The school year'
      : term
        ? `${term.name} term`
        : 'Plan';
  const tab = (label: string, isOn: boolean, press: () => void) => (
    <Button
      key={label}
      kind={isOn ? 'strong' : 'plain'}
      className="!px-2.5 !py-1 !text-sm"
      aria-pressed={isOn}
      onClick={press}
    >
      {label}
    </Button>
  );

  return (
    <Screen
      margin={
        preview ? (
          <Margin title="What will happen" notes={preview.notes} onAction={preview.act} />
        ) : strip ? (
          <Margin notes={notes} onAction={act} />
        ) : undefined
      }
    >
      <header className="mb-3 grid gap-y-2.5">
        <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
          <h1 className="text-[27px]">{title}</h1>
          <p className="text-[15px] text-soft">
            {isWeek
              ? `${strip?.notches.filter((n) => n.status !== 'cancelled').length ?? 0} sessions`
              : rangeInWords(school, from, to)}
          </p>
          {!sheet && strip?.classes.some(mayEdit) && (
            <Link className={`${buttonClass('act')} ml-auto`} to="/plan/new">
              Schedule a session{' '}
              <kbd className="rounded border border-current px-1.5 font-mono text-xs">s</kbd>
            </Link>
          )}
        </div>
        <div className="flex flex-wrap items-center gap-2">
          {isWeek ? (
            <>
              {tab('Week before', false, () => set('week', addDays(monday, -7)))}
              {tab('This week', monday === mondayBefore(today), () => set('week', today))}
              {tab('Week after', false, () => set('week', addDays(monday, 7)))}
            </>
          ) : (
            <>
              {school.terms.map((t) =>
                tab(t.name, !isYear && term?.name === t.name, () => set('show', t.name)),
              )}
              {tab('Year', isYear, () => set('show', 'year'))}
            </>
          )}
          <span className="ml-auto flex gap-2">
            <FeedsButton />
            {tab('All class periods', of === 'all', () => set('of', of === 'all' ? 'mine' : 'all'))}
          </span>
          <span className="h-6 border-l border-line" />
          {tab('Week', isWeek, () => set('view', 'week'))}
          {tab('Term', !isWeek, () => set('view', null))}
        </div>
      </header>
      {!strip ? (
        <Loading lines={7} />
      ) : strip.classes.length === 0 ? (
        <Empty title="No class periods yet">
          Once the office puts you down for one, its sessions stand here.
        </Empty>
      ) : (
        <div className="mb-4">
          {isWeek ? (
            <WeekView
              strip={strip}
              monday={monday}
              {...shared}
              onMove={(n, date, version, time) => move(n, date, version, time)}
            />
          ) : (
            <Strip
              strip={strip}
              from={from}
              to={to}
              label={`${title}, one row for each class period. Arrows go about, Enter chooses, m moves, Delete cancels.`}
              {...shared}
              onMove={(n, date, version) => move(n, date, version)}
            />
          )}
          {strip.notches.length === 0 && !sheet && (
            <Empty title="Nothing on the books here">
              A session needs a class period, a day and a time; the link is there already.
            </Empty>
          )}
        </div>
      )}
      {!sheet && strip && strip.undated.length > 0 && (
        <section
          aria-label="Without a date"
          className="mb-4 flex flex-wrap items-center gap-x-4 gap-y-1 text-[15px]"
        >
          <h2 className="font-sans text-[15px] font-semibold">Drafts without a date:</h2>
          {strip.undated.map((d) => (
            <Link
              key={d.seriesId}
              className="text-bracken-deep underline-offset-3 hover:underline"
              to={`/plan/${d.seriesId}`}
            >
              {d.title}
            </Link>
          ))}
        </section>
      )}
      {sheet}
      {!sheet && strip && current && 'notch' in current && (
        <StripDetail
          key={current.notch.id}
          notch={current.notch}
          series={series.get(current.notch.seriesId)!}
          of={strip.classes.find((c) => c.id === series.get(current.notch.seriesId)?.classId)!}
          now={now}
          send={change}
          onClose={() => setChosen(null)}
        />
      )}
      {!sheet && strip && current && 'from' in current && (
        <SweptDetail
          from={current.from}
          to={current.to}
          notches={swept}
          series={series}
          send={change}
          onClose={() => setChosen(null)}
        />
      )}
    </Screen>
  );
}
