import { useMemo, useState, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import {
  MANY_SESSIONS,
  WEEKDAY_NAMES,
  classTitle,
  dateInWords,
  dayNumber,
  editSeries,
  readPhrase,
  repeats,
  weekdayOf,
  type DryRun,
  type Note,
  type NoteAction,
  type SchoolCalendar,
  type SessionPlan,
} from '@glen/core';
import type { ClassItem, Problem, Session } from '@glen/contract';
import { api, messageFor, problemOf } from '../../app/api.js';
import { Button, buttonClass } from '../../ui/Button.js';
import { FieldError, InlineField, inputClass } from '../../ui/Field.js';
import { CardPart, ChoicePart } from '../../ui/SentencePart.js';
import { CopyTo } from './CopyTo.js';
import { AlsoPart, DatePicker, EveryParts, RangeParts } from './RepeatParts.js';
import {
  AT_A_TIME,
  bodyOfDraft,
  draftOfSession,
  fromPlan,
  planOfDraft,
  withClass,
  type Scope,
  type SheetDraft,
} from './sheetDraft.js';
import { TwoVersions } from './TwoVersions.js';
import { MeetOn, TogetherWith } from './MeetOn.js';
import { SessionRules } from './SessionRules.js';
import { useChanges } from './useChanges.js';
import { useDryRun } from './useDryRun.js';
import { WhenParts } from './WhenParts.js';

interface SheetProps {
  school: SchoolCalendar;
  classes: ClassItem[];
  start: SheetDraft;
  editing: Session | null;
  now: string;
  /** The school's local date. */
  today: string;
  /** The page around the sheet: it shows what the sheet says, on the strip and in the margin, at every keystroke. */
  frame: (said: Said, sheet: ReactNode) => ReactNode;
}
export interface Said {
  run: DryRun | undefined;
  classId: number;
  notes: Note[];
  act: (action: NoteAction) => void;
}

const SCOPES: { value: Scope; label: string }[] = [
  { value: 'one', label: 'only this one' },
  { value: 'onwards', label: 'this one and all later ones' },
  { value: 'whole', label: 'the whole series' },
];

/** A saved plan, in the core's type: what the contract carries is the same with an optional zone. */
const planOfSession = (s: Session, school: SchoolCalendar): SessionPlan =>
  ({ ...s.plan, zone: s.plan.zone ?? school.zone }) as SessionPlan;

/** The plan that an edit in this scope begins with: from there on, that is what would be cut off. */
function planInScope(s: Session, scope: Scope, school: SchoolCalendar): SessionPlan {
  const plan = planOfSession(s, school);
  if (scope !== 'onwards') return plan;
  const cut = editSeries(
    { title: s.title, description: s.description, plan },
    { scope, key: s.key, change: { kind: 'set' } },
    school,
  );
  return (cut.add ?? cut.keep!).plan;
}

/** The sentence sheet: a session or a series, new or to be changed, with what it will do at every keystroke. */
export function Sheet({ school, classes, start, editing, now, today, frame }: SheetProps) {
  const navigate = useNavigate();
  const [draft, setDraft] = useState(start);
  const [read, setRead] = useState(editing);
  // A draft has nothing on the books that could differ from date to date: it is changed whole.
  const isSeries = read !== null && !read.draft && repeats(planOfSession(read, school));
  const [scope, setScope] = useState<Scope>(isSeries ? 'one' : 'whole');
  const [phrase, setPhrase] = useState('');
  const [problem, setProblem] = useState<Problem>();
  const [askedOnce, setAskedOnce] = useState(false);
  const [add, adding] = api.useAddSessionMutation();
  const [edit, editingNow] = api.useEditSessionMutation();
  const { change: changeSessions, offerToTakeBack } = useChanges();
  const of = classes.find((c) => c.id === draft.classId)!;
  const plan = useMemo(() => planOfDraft(draft), [draft]);
  const isOne = read !== null && isSeries && scope === 'one';
  const tried = useDryRun(plan, {
    school,
    of,
    linkId: read ? (read.linkId === of.link.id ? null : read.linkId) : draft.linkId,
    now,
    editing: read && { seriesId: read.seriesId, ...(isOne ? { sessionId: read.id } : {}) },
    kept: draft.kept,
  });
  const held = tried.run?.held ?? 0;
  const change = (part: Partial<SheetDraft>): void => {
    setProblem(undefined);
    setAskedOnce(false);
    setDraft((d) => ({ ...d, ...part }));
  };
  const wrong = (path: string): boolean => tried.problem?.path.startsWith(path) ?? false;
  const holdsNothing = tried.run !== undefined && held === 0;
  const message =
    messageFor(problem, 'plan', 'key', 'draft', 'linkId', 'together') ??
    tried.problem?.message ??
    (holdsNothing ? `No session would be held. ${tried.notes[0]?.text ?? ''}` : undefined);
  const parts = { draft, change, school, wrong };

  const rescope = (next: Scope): void => {
    setScope(next);
    setProblem(undefined);
    setDraft(draftOfSession(read!, planInScope(read!, next, school), next, school.zone));
  };
  const readIt = (text: string) =>
    readPhrase(text, {
      school,
      today,
      classes: classes.map((c) => ({
        id: c.id,
        title: c.title,
        period: c.period,
        letters: c.pennant.letters,
      })),
    });
  const readTyped = (text: string): void => {
    setPhrase(text);
    if (text.trim() === '') return;
    const { plan: said, classId } = readIt(text);
    const named = classes.find((c) => c.id === classId);
    change({
      ...fromPlan(said),
      ...(named
        ? { classId: named.id, ...(draft.titleIsOurs ? { title: classTitle(named) } : {}) }
        : {}),
    });
  };
  const unclear = phrase.trim() === '' ? [] : readIt(phrase).unclear;

  /** Remedies for a clash: they change single dates of the plan in hand. */
  const act = ({ name, key, keys = key ? [key] : [], to }: NoteAction): void => {
    const others = draft.changes.filter((c) => !keys.includes(c.key));
    if (name === 'keep-date') change({ kept: [...draft.kept, ...keys] });
    else if (name === 'skip-date')
      change({ changes: [...others, ...keys.map((k) => ({ key: k, kind: 'cancel' as const }))] });
    else if (name === 'move-date' && to)
      change(
        draft.every === 'once' && draft.alsoOn.length === 0
          ? { first: to.date, when: AT_A_TIME, time: to.time, minutes: String(to.minutes) }
          : { changes: [...others, { key: key!, kind: 'move', ...to }] },
      );
  };

  const save = async (
    asDraft: boolean,
    {
      version = read?.version,
      undated = false,
    }: { version?: number | undefined; undated?: boolean } = {},
  ): Promise<void> => {
    if (held > MANY_SESSIONS && !askedOnce) return setAskedOnce(true);
    const body = { ...bodyOfDraft(draft), draft: asDraft, undated };
    if (!read) {
      const { data, error } = await add({ params: { classId: draft.classId }, body });
      if (!data) return setProblem(problemOf(error));
      const { title, date, time } = data.session;
      offerToTakeBack(
        `${asDraft ? 'Kept as a draft' : 'Scheduled'}: ${title}, ${undated ? 'without a date' : held > 1 ? `${held} sessions` : `${dateInWords(date)} ${time}`}`,
        data.touched,
        () => add({ params: { classId: draft.classId }, body }).unwrap(),
      );
      return void navigate(`/classes/${draft.classId}`);
    }
    const ask = {
      params: { seriesId: read.seriesId },
      body: { ...body, scope, key: read.key, version: version! },
    };
    const { data, error } = await edit(ask);
    if (!data) return setProblem(problemOf(error));
    offerToTakeBack(
      read.draft && !asDraft ? 'On the books.' : 'Changed.',
      data.touched,
      (versions) =>
        edit({
          ...ask,
          body: { ...ask.body, version: versions.get(read.seriesId) ?? ask.body.version },
        }).unwrap(),
    );
    void navigate(`/classes/${read.classId}`);
  };
  const changeThem = async (kind: 'cancel' | 'restore', label: string): Promise<boolean> => {
    const failure = await changeSessions(
      [
        {
          seriesId: read!.seriesId,
          version: read!.version,
          key: read!.key,
          scope: isSeries ? scope : 'one',
          change: { kind },
        },
      ],
      label,
    );
    if (failure) setProblem(failure);
    return !failure;
  };
  const cancelIt = async (): Promise<void> => {
    const which =
      isSeries && scope !== 'one'
        ? `${read!.title}, ${scope === 'whole' ? 'the whole series' : `from ${dateInWords(read!.date)} on`}`
        : `${read!.title}, ${dateInWords(read!.date)}`;
    if (await changeThem('cancel', `Cancelled: ${which}`))
      void navigate(`/classes/${read!.classId}`);
  };
  const [fetchSession] = api.useLazySessionQuery();
  const takeBack = async (): Promise<void> => {
    if (!(await changeThem('restore', 'It is held after all.'))) return;
    const { data } = await fetchSession({
      params: { seriesId: read!.seriesId },
      query: { on: read!.key },
    });
    if (data) setRead(data.session);
  };
  const theirs = problem?.status === 409 ? (problem.current as Session | undefined) : undefined;
  const draftOfTheirs =
    theirs &&
    draftOfSession(
      theirs,
      planInScope(theirs, scope, school),
      isOne ? 'one' : scope === 'onwards' ? 'onwards' : 'whole',
      school.zone,
    );
  const busy = adding.isLoading || editingNow.isLoading;
  const saveLabel = holdsNothing
    ? 'No session to schedule'
    : askedOnce
      ? `Yes, schedule ${held} sessions`
      : !read || read.draft
        ? held > 1
          ? `Schedule ${held} sessions`
          : `Schedule ${/^\d{4}-\d{2}-\d{2}$/.test(draft.first) ? WEEKDAY_NAMES[weekdayOf(dayNumber(draft.first, 'date'))] : 'the day'}’s session`
        : !isSeries && held > 1
          ? `Make it ${held} sessions`
          : isOne || !isSeries || draft.every === 'once'
            ? 'Save the change'
            : `Change ${tried.run?.ahead ?? 0} sessions`;

  const sheet = (
    <section
      aria-label={read ? 'Change a session' : 'New session'}
      className="rounded-big border border-line bg-sheet p-5 shadow-soft"
    >
      <header className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-2">
        <h2 className="text-[22px]">
          {!read ? 'New session' : isSeries && !isOne ? 'Change sessions' : 'Change a session'}
        </h2>
        {!read && (
          <input
            aria-label="Or type it"
            value={phrase}
            onChange={(e) => readTyped(e.target.value)}
            placeholder="or type it: Nav 3 every Mon and Wed in period 3 until term ends"
            className="min-w-0 flex-1 rounded-small border border-edge bg-sheet px-3 py-1.5 text-[15px]"
          />
        )}
        {read && (
          <span className="ml-auto flex gap-2">
            {repeats(planOfSession(read, school)) && <CopyTo session={read} classes={classes} />}
            {!read.undated && (
              <a className={buttonClass()} href={`/api/series/${read.seriesId}/calendar`} download>
                Calendar file
              </a>
            )}
          </span>
        )}
      </header>
      {unclear.length > 0 && (
        <p role="status" className="mb-3 text-[15px] text-gorse-deep">
          Not understood: {unclear.map((u) => `“${u.text}”`).join(', ')}. The sentence says what
          was.
        </p>
      )}
      {read?.draft && (
        <p className="mb-4 rounded-small bg-gorse-tint px-3 py-2 text-gorse-deep">
          This is a draft{read.undated ? ' without a date' : ''}: students see nothing of it, and
          its door stays shut.
        </p>
      )}
      {read?.status === 'cancelled' && (
        <p className="mb-4 flex items-center gap-3 rounded-small bg-berry-tint px-3 py-2 text-berry-deep">
          This session is cancelled.
          <Button onClick={() => void takeBack()}>Hold it after all</Button>
        </p>
      )}
      {theirs && (
        <TwoVersions
          mine={draft}
          theirs={draftOfTheirs!}
          school={school}
          onKeepMine={() => {
            setProblem(undefined);
            setRead(theirs);
            void save(draft.draft, { version: theirs.version, undated: read!.undated });
          }}
          onTakeTheirs={() => {
            setProblem(undefined);
            setRead(theirs);
            setDraft(draftOfTheirs!);
          }}
        />
      )}
      {isSeries && (
        <p className="mb-1 text-lg leading-[2.2]">
          Change{' '}
          <ChoicePart
            label="Which of them"
            value={scope}
            onChange={(value) => rescope(value as Scope)}
            choices={SCOPES}
          />{' '}
          of{' '}
          {tried.run && !isOne ? (
            <b>{tried.run.words}</b>
          ) : (
            <b>
              {dateInWords(read.date)}, {read.time}
            </b>
          )}
          :
        </p>
      )}
      <p className="text-lg leading-[2.15]">
        Teach{' '}
        {read ? (
          <b>{classTitle(of)}</b>
        ) : (
          <ChoicePart
            label="Class period"
            value={String(draft.classId)}
            choices={classes.map((c) => ({ value: String(c.id), label: classTitle(c) }))}
            onChange={(id) =>
              change(
                withClass(
                  draft,
                  classes.find((c) => c.id === Number(id))!,
                  school,
                ),
              )
            }
          />
        )}{' '}
        {isOne ? null : <EveryParts {...parts} />}
        {draft.every === 'once' && (
          <>
            {isOne ? '' : ' '}on{' '}
            <CardPart
              label="Date"
              invalid={wrong('first')}
              shown={dateInWords(draft.first, 'with-year')}
            >
              <DatePicker
                date={draft.first}
                school={school}
                onPick={(first) => change({ first })}
              />
            </CardPart>
          </>
        )}{' '}
        <WhenParts {...parts} />
        {draft.every !== 'once' && <RangeParts {...parts} />}
        {!isOne && (draft.every !== 'once' || draft.alsoOn.length > 0) && <AlsoPart {...parts} />}.
        Meet on <MeetOn draft={draft} read={read} change={change} />,
        <TogetherWith draft={draft} read={read} classes={classes} change={change} /> by{' '}
        {read && !read.undated ? (
          <SessionRules
            session={read}
            scope={isSeries && scope !== 'one' ? 'series' : isSeries ? 'date' : 'series'}
          />
        ) : (
          <b>its entry rules</b>
        )}
        .
      </p>
      {message && <FieldError>{message}</FieldError>}
      {draft.changes.length > 0 && !isOne && (
        <p className="mt-2 text-[15px] text-soft">
          {draft.changes.length === 1 ? 'One date' : `${draft.changes.length} dates`} changed
          singly:{' '}
          {draft.changes
            .slice(0, 3)
            .map(
              (c) =>
                `${dateInWords(c.key)} ${c.kind === 'cancel' ? 'skipped' : `to ${dateInWords(c.date)}${c.time ? `, ${c.time}` : ''}`}`,
            )
            .join('; ')}
          {draft.changes.length > 3 ? ' …' : ''}.{' '}
          <Button kind="link" onClick={() => change({ changes: [] })}>
            Undo these
          </Button>
        </p>
      )}
      <div className="mt-3 flex flex-wrap gap-x-6 gap-y-3">
        <InlineField label="Title" error={messageFor(problem, 'title')}>
          {(p) => (
            <input
              {...p}
              className={inputClass}
              value={draft.title}
              onChange={(e) => change({ title: e.target.value, titleIsOurs: false })}
            />
          )}
        </InlineField>
        <InlineField label="Description" error={messageFor(problem, 'description')}>
          {(p) => (
            <textarea
              {...p}
              rows={1}
              placeholder="Students read it in their day."
              className={inputClass}
              value={draft.description}
              onChange={(e) => change({ description: e.target.value })}
            />
          )}
        </InlineField>
      </div>
      {problem &&
        !problem.errors?.some((e) =>
          /^(title|description|plan|key|draft|linkId|together)/.test(e.path),
        ) &&
        !theirs && <FieldError>{problem.errors?.[0]?.message ?? problem.title}</FieldError>}
      {askedOnce && (
        <p role="status" className="mt-4 font-semibold text-gorse-deep">
          That is {held} sessions. Press once more to put them all on the books.
        </p>
      )}
      <div className="sticky bottom-0 -mx-5 mt-3 -mb-5 flex flex-wrap items-center gap-3 rounded-b-big border-t border-line bg-sheet px-5 py-3.5">
        <Button kind="act" disabled={busy || holdsNothing} onClick={() => void save(false)}>
          {saveLabel}
        </Button>
        {(!read || read.draft) && (
          <Button disabled={busy} onClick={() => void save(true)}>
            Keep as a draft
          </Button>
        )}
        {(!read || read.draft) && draft.every === 'once' && (
          <Button disabled={busy} onClick={() => void save(true, { undated: true })}>
            Draft without a date
          </Button>
        )}
        <Button onClick={() => void navigate(-1)}>Leave it</Button>
        {tried.run && !read && draft.every !== 'once' && (
          <p className="min-w-0 text-[15px] text-soft">{tried.run.words}</p>
        )}
        {read && read.status !== 'cancelled' && !read.undated && (
          <Button kind="danger" className="ml-auto" onClick={() => void cancelIt()}>
            {isSeries && scope === 'whole'
              ? 'Cancel the whole series'
              : isSeries && scope === 'onwards'
                ? 'Cancel from here on'
                : 'Cancel the session'}
          </Button>
        )}
      </div>
    </section>
  );
  return <>{frame({ run: tried.run, classId: draft.classId, notes: tried.notes, act }, sheet)}</>;
}
